package org.pendrik.app.calc;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The photo room's questions; rectification stands in {@link CalcController}. */
@RestController
@RequestMapping("/api/calc/photo")
class PhotoCalcController {
    @Operation(
            summary = "How does a tank shell or curved roof look when it is laid flat?",
            description =
                    "Marks lie on the two end circles; degrees run from the top (0) over the place that faces the camera"
                            + " (90) to the bottom (180). Asked places lie on the flattened arc, prototype mm.",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            examples =
                                                    @ExampleObject(
                                                            name = "a tank seen square on",
                                                            value = PhotoRoomQuestions.UNWRAP))))
    @PostMapping("/unwrap")
    PhotoRoomQuestions.UnwrapAnswer unwrap(
            @RequestBody PhotoRoomQuestions.UnwrapQuestion question) {
        return PhotoRoomQuestions.unwrap(question);
    }

    @Operation(
            summary = "What lies on a side: colours, cover, spots, streaks, dust?",
            description =
                    "Without corners the picture is the side. Samples say what each class looks like; regions are measured."
                            + " Every number comes with two standard deviations, or with the reason why there is none.",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            examples =
                                                    @ExampleObject(
                                                            name = "rust on green",
                                                            value = PhotoRoomQuestions.MEASURE))))
    @PostMapping("/measure")
    PhotoRoomQuestions.MeasureAnswer measure(
            @RequestBody PhotoRoomQuestions.MeasureQuestion question) {
        return PhotoRoomQuestions.measure(question);
    }

    @Operation(
            summary = "How far is the model from the prototype, and what should be done?",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            examples =
                                                    @ExampleObject(
                                                            name = "a side against itself",
                                                            value = PhotoRoomQuestions.COMPARE))))
    @PostMapping("/compare")
    PhotoRoomQuestions.CompareAnswer compare(
            @RequestBody PhotoRoomQuestions.CompareQuestion question) {
        return PhotoRoomQuestions.compare(question);
    }

    @Operation(
            summary = "Which lines does a mask need, in millimetres of the model?",
            description =
                    "The SVG is 1:1. The kerf moves the line so that what is kept comes out at its size.",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            examples =
                                                    @ExampleObject(
                                                            name = "a patch and a wiper arc",
                                                            value = PhotoRoomQuestions.MASK))))
    @PostMapping("/mask")
    PhotoRoomQuestions.MaskAnswer mask(@RequestBody PhotoRoomQuestions.MaskQuestion question) {
        return PhotoRoomQuestions.mask(question);
    }
}
