package org.pendrik.core.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import org.pendrik.core.diary.DiarySolver.Answer;
import org.pendrik.core.units.Watch;
import org.testng.annotations.Test;

/** The diary of a workshop, beside every diary that there is and a check of its own. */
public class DiarySolverTest {
    private static Answer solve(DiaryCase asked, Optional<Changes> before, double seconds) {
        return DiarySolver.solve(
                asked,
                before,
                new DiarySolver.Effort(seconds),
                DiarySolver.Follower.NOBODY,
                Watch.NOBODY);
    }

    /** Some diary that people may have known: each step somewhere, now and then in none. */
    private static Changes known(DiaryCase asked, Random random) {
        List<List<OptionalLong>> starts = new ArrayList<>();
        for (DiaryJob j : asked.jobs()) {
            List<OptionalLong> of = new ArrayList<>();
            for (int t = 0; t < j.tasks().size(); t++) {
                int s = random.nextInt(asked.bench().size() + 1);
                of.add(
                        s == asked.bench().size()
                                ? OptionalLong.empty()
                                : OptionalLong.of(asked.bench().get(s).fromMinute()));
            }
            starts.add(of);
        }
        return new Changes(starts);
    }

    @Test
    public void smallCasesAreTheBestOfEveryDiaryThereIs() {
        int solved = 0;
        int none = 0;
        for (int seed = 0; solved < 200; seed++) {
            DiaryCase asked = new RandomWorkshops(seed).small();
            Optional<Changes> before =
                    seed % 3 == 0 ? Optional.of(known(asked, new Random(seed))) : Optional.empty();
            Optional<DiaryScore> best = EveryDiary.best(asked, before);
            Answer answer = solve(asked, before, 8);
            if (answer instanceof Answer.Found found) {
                solved++;
                assertEquals(DiaryCheck.faults(asked, found.plan()), List.of(), "case " + seed);
                assertEquals(found.score(), best.orElseThrow(), "case " + seed);
                assertTrue(
                        found.stages().stream().allMatch(DiaryStage::proven),
                        "case " + seed + ": " + found.stages());
            } else {
                none++;
                assertEquals(best, Optional.empty(), "case " + seed);
            }
        }
        assertTrue(none > 10, "cases that cannot be placed are among them");
    }
}
