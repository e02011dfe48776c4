package org.pendrik.app.calc;

import io.swagger.v3.oas.annotations.Operation;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.core.catalogue.Band;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.catalogue.WorkWindow;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.plan.Schools;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Answers the engines' questions about values that come with the question. */
@RestController
@RequestMapping("/api/calc")
class CalcController {
    private final FilmQuestions film;
    private final PlanQuestions plan;
    private final Engines engines;

    CalcController(FilmQuestions film, PlanQuestions plan, Engines engines) {
        this.film = film;
        this.plan = plan;
        this.engines = engines;
    }

    @Operation(summary = "What goes wrong when these coats are laid in this order at these times?")
    @WorkedExample(name = "enamel wash over day-old oil", body = FilmQuestions.EXAMPLE)
    @PostMapping("/film/check")
    FilmQuestions.FilmAnswer check(@RequestBody FilmQuestions.FilmQuestion question) {
        return film.answer(question);
    }

    @Operation(summary = "What takes this coat back, until when, and what would it touch?")
    @WorkedExample(name = "a wash an hour old over satin", body = FilmQuestions.TAKE_BACK_EXAMPLE)
    @PostMapping("/film/take-back")
    FilmQuestions.TakeBackAnswer takeBack(@RequestBody FilmQuestions.TakeBackQuestion question) {
        return film.takeBack(question);
    }

    @Operation(summary = "When is a coat touch dry, ready for the next, fully cured?")
    @WorkedExample(name = "oil in a cool shed", body = FilmQuestions.CURE_EXAMPLE)
    @PostMapping("/film/cure")
    FilmQuestions.CureAnswer cure(@RequestBody FilmQuestions.CureQuestion question) {
        return film.cure(question);
    }

    @Operation(summary = "In which order, and with which coats between, are these effects made?")
    @WorkedExample(name = "four effects on a van", body = PlanQuestions.EXAMPLE)
    @PostMapping("/plan/compile")
    PlanQuestions.PlanAnswer compile(@RequestBody PlanQuestions.PlanQuestion question) {
        return plan.compile(question);
    }

    @Operation(
            summary = "Which other schools are worth a thought for these effects?",
            description =
                    "The plan asked for first, then the front of ready minute, clears, hands-on minutes and risk."
                            + " After ten seconds what was found so far comes, with the number of ways that were not tried.")
    @WorkedExample(name = "four effects on a van, otherwise", body = PlanQuestions.EXAMPLE)
    @PostMapping("/plan/alternatives")
    PlanQuestions.AlternativesAnswer alternatives(
            @RequestBody PlanQuestions.PlanQuestion question) {
        return plan.alternatives(question);
    }

    /** A material as the workshop has it. */
    record MaterialLine(
            String key,
            String name,
            String family,
            @Nullable Binder binder,
            String carrier,
            @Nullable Finish finish,
            @Nullable Double touchMinutes,
            @Nullable Double recoatMinutes,
            @Nullable Double fullMinutes,
            @Nullable WorkWindow window,
            double pricePerMl,
            @Nullable Integer keepsMonths,
            double pace,
            String caution) {
        static MaterialLine of(Material m) {
            var cure = m.cure();
            return new MaterialLine(
                    m.key(),
                    m.name(),
                    m.family(),
                    m.binder().orElse(null),
                    m.carrier().spoken(),
                    m.finish().orElse(null),
                    cure.map(c -> c.touchMinutes()).orElse(null),
                    cure.map(c -> c.recoatMinutes()).orElse(null),
                    cure.map(c -> c.fullMinutes()).orElse(null),
                    m.window().orElse(null),
                    m.pricePerMl(),
                    m.keepsMonths().isPresent() ? m.keepsMonths().getAsInt() : null,
                    m.pace(),
                    m.safety().text());
        }
    }

    /** A technique as the workshop has it. */
    record TechniqueLine(
            String key,
            String name,
            Technique.Role role,
            int age,
            Band tooth,
            List<List<String>> worksOn,
            Technique.Hands hands,
            double share,
            Thickness thickness,
            List<String> materials,
            Technique.Handling handling,
            Technique.Texts texts) {
        static TechniqueLine of(Technique t) {
            return new TechniqueLine(
                    t.key(),
                    t.name(),
                    t.role(),
                    t.age(),
                    t.tooth(),
                    t.works().on(),
                    t.hands(),
                    t.share(),
                    t.thickness(),
                    t.materials(),
                    t.handling(),
                    t.texts());
        }
    }

    @Operation(summary = "The materials, as the workshop has them")
    @GetMapping("/materials")
    List<MaterialLine> materials() {
        return engines.catalogue().materials().stream().map(MaterialLine::of).toList();
    }

    @Operation(summary = "The techniques, as the workshop has them")
    @GetMapping("/techniques")
    List<TechniqueLine> techniques() {
        return engines.catalogue().techniques().stream().map(TechniqueLine::of).toList();
    }

    @Operation(summary = "The questions on which schools differ, their answers and trade-offs")
    @GetMapping("/schools")
    List<Schools.Question> schools() {
        return Schools.all();
    }

    @Operation(
            summary = "How does a colour differ from a reference?",
            description = "CIELAB, D65, 2°. CIEDE2000 with kL = kC = kH = 1.")
    @WorkedExample(name = "a faded green", body = ColourQuestion.EXAMPLE)
    @PostMapping("/colour/difference")
    ColourDifference difference(@RequestBody ColourQuestion question) {
        return ColourDifference.between(question.reference(), question.sample());
    }
}
