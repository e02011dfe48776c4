package org.pendrik.app.calc;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
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

    @Operation(
            summary = "What goes wrong when these coats are laid in this order at these times?",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            examples =
                                                    @ExampleObject(
                                                            name = "enamel wash over day-old oil",
                                                            value = FilmQuestions.EXAMPLE))))
    @PostMapping("/film/check")
    FilmQuestions.FilmAnswer check(@RequestBody FilmQuestions.FilmQuestion question) {
        return film.answer(question);
    }

    @Operation(
            summary =
                    "Where does a side of known size lie in a photograph, and how well is that known?",
            description =
                    "With a picture (JPEG or PNG, Base64) the flat side comes back as JPEG, also Base64. Corners in photograph"
                            + " pixels from the upper left round the side.",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            examples =
                                                    @ExampleObject(
                                                            name = "a hopper seen from the left",
                                                            value = PhotoQuestions.EXAMPLE))))
    @PostMapping("/photo/rectify")
    PhotoQuestions.PhotoAnswer rectify(@RequestBody PhotoQuestions.PhotoQuestion question) {
        return PhotoQuestions.answer(question);
    }

    @Operation(
            summary = "How does a colour differ from a reference?",
            description = "CIELAB, D65, 2°. CIEDE2000 with kL = kC = kH = 1.",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            examples =
                                                    @ExampleObject(
                                                            name = "a faded green",
                                                            value = ColourQuestion.EXAMPLE))))
    @PostMapping("/colour/difference")
    ColourDifference difference(@RequestBody ColourQuestion question) {
        return ColourDifference.between(question.reference(), question.sample());
    }
}
