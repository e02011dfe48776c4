package org.pendrik.app.calc;

import io.swagger.v3.oas.annotations.Operation;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The photo room's questions. */
@RestController
@RequestMapping("/api/calc/photo")
class PhotoCalcController {
    @Operation(
            summary =
                    "Where does a side of known size lie in a photograph, and how well is that known?",
            description =
                    "With a picture (JPEG or PNG, Base64) the flat side comes back as JPEG, also Base64. Corners in photograph"
                            + " pixels from the upper left round the side.")
    @WorkedExample(name = "a hopper seen from the left", body = PhotoQuestions.EXAMPLE)
    @PostMapping("/rectify")
    PhotoQuestions.PhotoAnswer rectify(@RequestBody PhotoQuestions.PhotoQuestion question) {
        return PhotoQuestions.answer(question);
    }

    @Operation(
            summary = "How does a tank shell or curved roof look when it is laid flat?",
            description =
                    "Marks lie on the two end circles; degrees run from the top (0) over the place that faces the camera"
                            + " (90) to the bottom (180). Asked places lie on the flattened arc, prototype mm.")
    @WorkedExample(name = "a tank seen square on", body = PhotoRoomQuestions.UNWRAP)
    @PostMapping("/unwrap")
    PhotoRoomQuestions.UnwrapAnswer unwrap(
            @RequestBody PhotoRoomQuestions.UnwrapQuestion question) {
        return PhotoRoomQuestions.unwrap(question);
    }

    @Operation(
            summary = "What lies on a side: colours, cover, spots, streaks, dust?",
            description =
                    "Without corners the picture is the side. Samples say what each class looks like; regions are measured."
                            + " Every number comes with two standard deviations, or with the reason why there is none.")
    @WorkedExample(name = "rust on green", body = PhotoRoomQuestions.MEASURE)
    @PostMapping("/measure")
    PhotoRoomQuestions.MeasureAnswer measure(
            @RequestBody PhotoRoomQuestions.MeasureQuestion question) {
        return PhotoRoomQuestions.measure(question);
    }

    @Operation(summary = "How far is the model from the prototype, and what should be done?")
    @WorkedExample(name = "a side against itself", body = PhotoRoomQuestions.COMPARE)
    @PostMapping("/compare")
    PhotoRoomQuestions.CompareAnswer compare(
            @RequestBody PhotoRoomQuestions.CompareQuestion question) {
        return PhotoRoomQuestions.compare(question);
    }

    @Operation(
            summary = "Which lines does a mask need, in millimetres of the model?",
            description =
                    "The SVG is 1:1. The kerf moves the line so that what is kept comes out at its size.")
    @WorkedExample(name = "a patch and a wiper arc", body = PhotoRoomQuestions.MASK)
    @PostMapping("/mask")
    PhotoRoomQuestions.MaskAnswer mask(@RequestBody PhotoRoomQuestions.MaskQuestion question) {
        return PhotoRoomQuestions.mask(question);
    }
}
