package org.pendrik.app.calc;

import io.swagger.v3.oas.annotations.Operation;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.task.Tasks;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Answers of the diary without a job; nothing is kept. */
@RestController
@RequestMapping("/api/calc/diary")
class DiaryCalcController {
    private final DiaryQuestions diary;
    private final Tasks tasks;

    DiaryCalcController(DiaryQuestions diary, Tasks tasks) {
        this.diary = diary;
        this.tasks = tasks;
    }

    @Operation(
            summary = "When is each task of several jobs done?",
            description =
                    "Dates first, then sittings and fillings of the airbrush, then ready dates, then even evenings; each goal with its bound. With a task id, progress comes by /api/tasks/{id} as server-sent events.")
    @WorkedExample(name = "Two models share their colours", body = DiaryQuestions.EXAMPLE)
    @PostMapping("/plan")
    DiaryQuestions.DiaryFound plan(
            @RequestBody DiaryQuestions.DiaryAsked question, @RequestParam @Nullable UUID task) {
        return tasks.run(task, watch -> diary.plan(question, watch));
    }
}
