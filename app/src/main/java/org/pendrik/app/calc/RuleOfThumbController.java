package org.pendrik.app.calc;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import org.pendrik.core.mix.Airbrush;
import org.pendrik.core.mix.Amount;
import org.pendrik.core.mix.DropMeasures;
import org.pendrik.core.mix.FlowTest;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The small answers: cups, bottles, scale, paint. */
@RestController
@RequestMapping("/api/calc")
class RuleOfThumbController {
    @Operation(
            summary = "How many drops is this ratio, and what is it really then?",
            description = "The fewest whole drops whose shares differ least from those asked for.")
    @WorkedExample(name = "one to nine, 1 ml", body = MixQuestions.RATIO)
    @PostMapping("/mix/ratio")
    DropMeasures ratio(@RequestBody MixQuestions.RatioQuestion question) {
        return MixQuestions.ratio(question);
    }

    @Operation(
            summary =
                    "How much stock and water make this strength, or what does a mixture come to?",
            description = "Exact fractions; volumes are taken to add.")
    @WorkedExample(name = "35 % from 91 %", body = MixQuestions.DILUTE)
    @PostMapping("/mix/dilute")
    MixQuestions.DiluteAnswer dilute(@RequestBody MixQuestions.DiluteQuestion question) {
        return MixQuestions.dilute(question);
    }

    @Operation(summary = "How much paint does this surface take, in how many cups, at what cost?")
    @WorkedExample(name = "three sides in H0", body = MixQuestions.AMOUNT)
    @PostMapping("/mix/amount")
    Amount amount(@RequestBody MixQuestions.AmountQuestion question) {
        return MixQuestions.amount(question);
    }

    @Operation(summary = "How many drops bring this mix to your line?")
    @WorkedExample(name = "34 of 50 mm", body = MixQuestions.FLOW)
    @PostMapping("/mix/flow")
    FlowTest flow(@RequestBody MixQuestions.FlowQuestion question) {
        return MixQuestions.flow(question);
    }

    @Operation(summary = "Where does the airbrush begin, and will its tip dry?")
    @WorkedExample(name = "soot on a warm evening", body = MixQuestions.AIRBRUSH)
    @PostMapping("/mix/airbrush")
    Airbrush airbrush(@RequestBody MixQuestions.AirbrushQuestion question) {
        return MixQuestions.airbrush(question);
    }

    @Operation(summary = "The effects that the airbrush has start values for")
    @GetMapping("/mix/airbrush/effects")
    List<Airbrush.SprayEffect> effects() {
        return Airbrush.effects();
    }

    @Operation(
            summary = "How long is this on prototype and model, and what is just seen of it?",
            description = "Exact: there and back gives what went in.")
    @WorkedExample(name = "a car of forty feet six in H0", body = MixQuestions.SCALE)
    @PostMapping("/scale")
    MixQuestions.ScaleAnswer scale(@RequestBody MixQuestions.ScaleQuestion question) {
        return MixQuestions.scale(question);
    }

    @Operation(summary = "What does a wiper keep clean on the model?")
    @WorkedExample(name = "a cab window in 0", body = LayoutQuestions.WIPER)
    @PostMapping("/scale/wiper")
    LayoutQuestions.WiperAnswer wiper(@RequestBody LayoutQuestions.WiperQuestion question) {
        return LayoutQuestions.wiper(question);
    }

    @Operation(summary = "What strip covers a tread, and how far does the car roll in a turn?")
    @WorkedExample(name = "a wheel in H0", body = LayoutQuestions.TREAD)
    @PostMapping("/scale/tread")
    LayoutQuestions.TreadAnswer tread(@RequestBody LayoutQuestions.TreadQuestion question) {
        return LayoutQuestions.tread(question);
    }

    @Operation(summary = "How far apart are marks in a row on the model, and how many are made?")
    @WorkedExample(name = "streaks below rivets", body = LayoutQuestions.SPACING)
    @PostMapping("/scale/spacing")
    LayoutQuestions.SpacingAnswer spacing(@RequestBody LayoutQuestions.SpacingQuestion question) {
        return LayoutQuestions.spacing(question);
    }

    @Operation(summary = "What does a gauge or a thermometer say in the other unit?")
    @WorkedExample(name = "a compressor", body = LayoutQuestions.UNITS)
    @PostMapping("/scale/units")
    LayoutQuestions.UnitsAnswer units(@RequestBody LayoutQuestions.UnitsQuestion question) {
        return LayoutQuestions.units(question);
    }

    @Operation(summary = "Which spectrum may a colour have?")
    @WorkedExample(name = "a dark green", body = PaintQuestions.ESTIMATE)
    @PostMapping("/colour/estimate")
    PaintQuestions.EstimateAnswer estimate(@RequestBody PaintQuestions.EstimateQuestion question) {
        return PaintQuestions.estimate(question);
    }

    @Operation(
            summary = "What colour do these drops make?",
            description = "Kubelka–Munk over 36 bands; paints are estimated from their colour.")
    @WorkedExample(name = "blue and yellow", body = PaintQuestions.MIX)
    @PostMapping("/colour/mix")
    PaintQuestions.MixAnswer mix(@RequestBody PaintQuestions.MixQuestion question) {
        return PaintQuestions.mix(question);
    }

    @Operation(summary = "What is seen of a colour under these films?")
    @WorkedExample(name = "a fade", body = PaintQuestions.FILM)
    @PostMapping("/colour/film")
    PaintQuestions.PaintFilmAnswer film(@RequestBody PaintQuestions.PaintFilmQuestion question) {
        return PaintQuestions.film(question);
    }

    @Operation(
            summary = "Which drops of which paints make this colour?",
            description =
                    "Proven: nothing allowed is nearer by more than 0.1 ΔE00, or at all when exact.")
    @WorkedExample(name = "an earth", body = PaintQuestions.RECIPE)
    @PostMapping("/colour/recipe")
    PaintQuestions.PaintRecipeAnswer recipe(
            @RequestBody PaintQuestions.PaintRecipeQuestion question) {
        return PaintQuestions.recipe(question);
    }
}
