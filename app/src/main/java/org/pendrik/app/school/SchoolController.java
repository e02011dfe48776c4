package org.pendrik.app.school;

import java.util.List;
import java.util.Map;
import org.pendrik.core.plan.Schools;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class SchoolController {
    private final SchoolSheet sheet;

    SchoolController(SchoolSheet sheet) {
        this.sheet = sheet;
    }

    /**
     * The school sheet of the house.
     *
     * @param answers by question, where the house does not do as the program starts
     */
    record HouseSheet(List<Schools.Question> questions, Map<String, String> answers) {}

    record HouseAnswers(Map<String, String> answers) {}

    @GetMapping("/api/schools")
    HouseSheet house() {
        return new HouseSheet(Schools.all(), sheet.house().answers());
    }

    @PutMapping("/api/schools")
    HouseSheet save(@RequestBody HouseAnswers draft) {
        sheet.saveHouse(new Schools.Choice(draft.answers()));
        return house();
    }
}
