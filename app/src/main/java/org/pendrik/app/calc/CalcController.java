package org.pendrik.app.calc;

import io.swagger.v3.oas.annotations.Operation;
import org.pendrik.core.colour.ColourDifference;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Answers the engines' questions about values that come with the question. */
@RestController
@RequestMapping("/api/calc")
class CalcController {
    private final FilmQuestions film;

    CalcController(FilmQuestions film) {
        this.film = film;
    }

    @Operation(summary = "What goes wrong when these coats are laid in this order at these times?")
    @WorkedExample(name = "enamel wash over day-old oil", body = FilmQuestions.EXAMPLE)
    @PostMapping("/film/check")
    FilmQuestions.FilmAnswer check(@RequestBody FilmQuestions.FilmQuestion question) {
        return film.answer(question);
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
