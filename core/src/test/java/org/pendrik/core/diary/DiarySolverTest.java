package org.pendrik.core.diary;

import static org.pendrik.core.diary.Solving.solve;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import java.util.concurrent.CancellationException;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiarySolver.Answer;
import org.pendrik.core.units.Watch;
import org.testng.annotations.Test;

/** The diary of a workshop, beside every diary that there is and a check of its own. */
public class DiarySolverTest {
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

    @Test
    public void everyDiaryOfFiveHundredWorkshopsCanBeKept() {
        int placed = 0;
        for (int seed = 0; seed < 500; seed++) {
            Random random = new Random(seed);
            DiaryCase asked =
                    new RandomWorkshops(seed)
                            .large(1 + random.nextInt(8), 4 + random.nextInt(14), 5);
            double seconds = seed % 50 == 0 ? 1 : 0;
            if (solve(asked, Optional.empty(), seconds) instanceof Answer.Found found) {
                placed++;
                assertEquals(DiaryCheck.faults(asked, found.plan()), List.of(), "case " + seed);
                assertEquals(found.score(), DiaryScore.of(asked, found.plan()), "case " + seed);
            }
        }
        assertTrue(placed > 490, placed + " of 500 were placed");
    }

    /** Now is seldom a full five minutes, and what was done before ends at any minute. */
    @Test
    public void itMayBeAskedAtAnyMinute() {
        for (int seed = 0; seed < 12; seed++) {
            DiaryCase asked = new RandomWorkshops(seed).large(3, 8, 4);
            long now = asked.bench().getFirst().fromMinute() + 7 + seed;
            List<Span> bench = new ArrayList<>(asked.bench());
            bench.set(0, new Span(now, bench.getFirst().untilMinute()));
            List<DiaryJob> jobs = new ArrayList<>(asked.jobs());
            DiaryJob first = jobs.getFirst();
            List<DiaryTask> tasks = new ArrayList<>(first.tasks());
            DiaryTask laid = tasks.getFirst();
            tasks.set(
                    0,
                    DiaryTaskBuilder.builder(laid)
                            .doneAtMinute(OptionalLong.of(now - laid.minutes() - 3))
                            .build());
            jobs.set(
                    0,
                    new DiaryJob(
                            first.id(),
                            first.name(),
                            tasks,
                            first.lags(),
                            first.dueMinute(),
                            first.weight(),
                            first.promised()));
            DiaryCase odd = new DiaryCase(jobs, bench, asked.resources(), now);
            if (solve(odd, Optional.empty(), 1.5) instanceof Answer.Found found) {
                assertEquals(DiaryCheck.faults(odd, found.plan()), List.of(), "case " + seed);
                assertEquals(found.score(), DiaryScore.of(odd, found.plan()));
            }
        }
    }

    /** A wash was left until its window was over: what follows is placed all the same, and told. */
    @Test
    public void aWindowThatIsMissedIsGivenUpAndNothingElse() {
        for (double seconds : new double[] {0, 2}) {
            DiaryTask wash = new DiaryTask("wash", "pin wash", 30, OptionalLong.of(0));
            DiaryTask wipe = new DiaryTask("wipe", "wipe back", 20, OptionalLong.empty());
            DiaryTask flat = new DiaryTask("flat", "final flat", 30, OptionalLong.empty());
            List<TimeLag> lags =
                    List.of(
                            new TimeLag("wash", "wipe", 15, OptionalLong.of(45), "window"),
                            new TimeLag("wipe", "flat", 60, OptionalLong.of(90), "window"));
            DiaryJob job =
                    new DiaryJob(
                            "hopper",
                            "Peat hopper",
                            List.of(wash, wipe, flat),
                            lags,
                            OptionalLong.empty(),
                            1,
                            false);
            DiaryCase asked =
                    new DiaryCase(List.of(job), List.of(new Span(1140, 1320)), List.of(), 200);
            Answer.Found found = (Answer.Found) solve(asked, Optional.empty(), seconds);
            assertEquals(found.missed(), List.of(new DiaryPlan.Place(0, 1)));
            assertEquals(DiaryCheck.faults(asked, found.plan(), found.missed()), List.of());
            assertEquals(DiaryCheck.faults(asked, found.plan()).size(), 1);
            long between = found.plan().start(0, 2) - found.plan().start(0, 1) - 20;
            assertTrue(between >= 60 && between <= 90, "a window that can be kept is kept");
        }
    }

    /** A window that could be kept is not given up for an evening that somebody chooses. */
    @Test
    public void anEveningOfChoiceDoesNotMissAWindow() {
        Span late = new Span(1600, 1800);
        DiaryTask wash = new DiaryTask("wash", "pin wash", 30, OptionalLong.of(0));
        DiaryTask wipe =
                DiaryTaskBuilder.builder(
                                new DiaryTask("wipe", "wipe back", 20, OptionalLong.empty()))
                        .heldTo(Optional.of(late))
                        .build();
        DiaryJob job =
                new DiaryJob(
                        "hopper",
                        "Peat hopper",
                        List.of(wash, wipe),
                        List.of(new TimeLag("wash", "wipe", 15, OptionalLong.of(200), "window")),
                        OptionalLong.empty(),
                        1,
                        false);
        DiaryCase asked =
                new DiaryCase(List.of(job), List.of(new Span(60, 300), late), List.of(), 60);
        for (double seconds : new double[] {0, 2}) {
            assertTrue(solve(asked, Optional.empty(), seconds) instanceof Answer.CannotPlace);
        }
    }

    /** Two coats lie open and one person cannot be at both: one window is given up, not both. */
    @Test
    public void ofTwoWindowsThatCannotBothBeKeptOneIs() {
        List<DiaryJob> jobs = new ArrayList<>();
        for (String id : List.of("hopper", "van")) {
            jobs.add(
                    new DiaryJob(
                            id,
                            id,
                            List.of(
                                    new DiaryTask("wash", "wash", 30, OptionalLong.of(0)),
                                    new DiaryTask("wipe", "wipe", 20, OptionalLong.empty())),
                            List.of(new TimeLag("wash", "wipe", 15, OptionalLong.of(30), "window")),
                            OptionalLong.empty(),
                            1,
                            false));
        }
        DiaryCase asked = new DiaryCase(jobs, List.of(new Span(30, 300)), List.of(), 30);
        for (double seconds : new double[] {0, 2}) {
            Answer.Found found = (Answer.Found) solve(asked, Optional.empty(), seconds);
            assertEquals(found.missed().size(), 1);
            assertEquals(DiaryCheck.faults(asked, found.plan(), found.missed()), List.of());
        }
    }

    @Test
    public void moreBenchTimeNeverMakesTheDatesWorse() {
        int better = 0;
        for (int seed = 300; seed < 340; seed++) {
            DiaryCase asked = new RandomWorkshops(seed).small();
            List<Span> longer = new ArrayList<>();
            for (Span s : asked.bench()) {
                longer.add(new Span(s.fromMinute() - 30, s.untilMinute() + 15));
            }
            DiaryCase more =
                    new DiaryCase(asked.jobs(), longer, asked.resources(), asked.fromMinute());
            if (solve(asked, Optional.empty(), 8) instanceof Answer.Found before) {
                long after = ((Answer.Found) solve(more, Optional.empty(), 8)).score().late();
                assertTrue(after <= before.score().late(), "case " + seed);
                better += after < before.score().late() ? 1 : 0;
            }
        }
        assertTrue(better > 3, "some dates are kept better");
    }

    @Test
    public void theSameQuestionHasTheSameAnswer() {
        DiaryCase asked = new RandomWorkshops(5).large(4, 10, 4);
        assertEquals(solve(asked, Optional.empty(), 2), solve(asked, Optional.empty(), 2));
    }

    @Test
    public void largeDiariesGetBetterAndSayHowFarTheyAre() {
        DiaryCase asked = new RandomWorkshops(5).large(5, 12, 4);
        Answer.Found atOnce = (Answer.Found) solve(asked, Optional.empty(), 0);
        Answer.Found found = (Answer.Found) solve(asked, Optional.empty(), 4);
        assertTrue(DiaryScore.BETTER_FIRST.compare(found.score(), atOnce.score()) < 0);
        for (DiaryStage s : found.stages()) {
            assertEquals(s.value(), s.goal().of(found.score()), s.toString());
            assertTrue(s.bound() <= s.value() && s.gap() >= 0 && s.gap() <= 1, s.toString());
        }
    }

    @Test
    public void whoIsStoppedKeepsTheBestSoFar() {
        DiaryCase asked = new RandomWorkshops(5).large(4, 10, 4);
        List<DiaryScore> seen = new ArrayList<>();
        Answer answer =
                DiarySolver.solve(
                        asked,
                        Optional.empty(),
                        new DiarySolver.Effort(20),
                        f -> seen.add(f.score()),
                        (what, share) -> {
                            if (seen.size() > 2) {
                                throw new Watch.TimeUp(what);
                            }
                        });
        assertEquals(((Answer.Found) answer).score(), seen.getLast());
        for (int i = 1; i < seen.size(); i++) {
            assertTrue(DiaryScore.BETTER_FIRST.compare(seen.get(i), seen.get(i - 1)) < 0);
        }
        assertThrows(
                CancellationException.class,
                () ->
                        DiarySolver.solve(
                                asked,
                                Optional.empty(),
                                new DiarySolver.Effort(20),
                                DiarySolver.Follower.NOBODY,
                                (what, share) -> {
                                    throw new CancellationException(what);
                                }));
    }

    @Test
    public void littleMovesAgainstTheDiaryThatPeopleKnow() {
        DiaryCase asked = new RandomWorkshops(9).large(4, 8, 4);
        Answer.Found known = (Answer.Found) solve(asked, Optional.empty(), 3);
        Changes before =
                new Changes(
                        known.plan().starts().stream()
                                .map(of -> of.stream().map(OptionalLong::of).toList())
                                .toList());
        Answer.Found again = (Answer.Found) solve(asked, Optional.of(before), 2);
        assertEquals(again.score().moved(), 0);
        // an evening is taken away: what stood there moves, and little else
        int gone = DiaryScore.sitting(asked.bench(), known.plan().start(0, 2));
        List<Span> left = new ArrayList<>(asked.bench());
        left.remove(gone);
        DiaryCase fewer = new DiaryCase(asked.jobs(), left, asked.resources(), asked.fromMinute());
        Answer.Found free = (Answer.Found) solve(fewer, Optional.empty(), 2);
        Answer.Found kept = (Answer.Found) solve(fewer, Optional.of(before), 4);
        long thrownAbout = before.weight(fewer, free.plan());
        assertTrue(
                kept.score().moved() <= thrownAbout / 2,
                kept.score().moved() + " of " + thrownAbout);
    }

    @Test
    public void theShortestCommonSupersequenceIsThatOfAllThereAre() {
        Random random = new Random(3);
        for (int k = 0; k < 300; k++) {
            List<int[]> orders = new ArrayList<>();
            for (int o = 1 + random.nextInt(3); o > 0; o--) {
                orders.add(random.ints(1 + random.nextInt(4), 0, 3).toArray());
            }
            int found = DiaryBounds.shortestSupersequence(orders, 100_000);
            assertTrue(anyHolds(orders, found) && !anyHolds(orders, found - 1), "case " + k);
            assertTrue(DiaryBounds.shortestSupersequence(orders, 1) <= found, "case " + k);
        }
    }

    /** Some sequence of three letters of this length holds all orders. */
    private static boolean anyHolds(List<int[]> orders, int length) {
        int all = (int) Math.pow(3, Math.max(0, length));
        for (int code = 0; code < all; code++) {
            boolean holds = true;
            for (int[] o : orders) {
                int at = 0;
                int rest = code;
                for (int k = 0; k < length; k++) {
                    at += at < o.length && o[at] == rest % 3 ? 1 : 0;
                    rest /= 3;
                }
                holds &= at == o.length;
            }
            if (holds) {
                return true;
            }
        }
        return false;
    }
}
