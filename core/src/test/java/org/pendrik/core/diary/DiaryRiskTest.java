package org.pendrik.core.diary;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Random;
import org.testng.annotations.Test;

/** Stated chances beside what happens. */
public class DiaryRiskTest {
    private static final int WORKSHOPS = 300;
    private static final int LIVES = 10;
    private static final int RUNS = 400;

    /** So far may what is stated lie from how often it came true. */
    private static final double CALIBRATED = 0.05;

    /** Jobs with a stated chance within one tenth. */
    private static final class Tenth {
        private double stated;
        private int kept;
        private int jobs;

        private double off() {
            return stated / jobs - (double) kept / jobs;
        }
    }

    @Test
    public void statedChancesComeTrueAsOften() {
        List<Tenth> tenths = new ArrayList<>();
        for (int c = 0; c < 10; c++) {
            tenths.add(new Tenth());
        }
        for (int seed = 0; seed < WORKSHOPS; seed++) {
            Optional<DiaryCase> asked = tight(seed);
            if (asked.isEmpty()) {
                continue;
            }
            DiaryPlan plan = Solving.atOnce(asked.get()).orElseThrow();
            List<OptionalDouble> chances =
                    DiaryRisk.chances(asked.get(), plan, DiaryRisk.Spread.USUAL, RUNS);
            for (int life = 0; life < LIVES; life++) {
                boolean[] kept =
                        new SimulatedWorkshop(
                                        asked.get(),
                                        plan,
                                        DiaryRisk.Spread.USUAL,
                                        1000L * seed + life)
                                .kept();
                for (int j = 0; j < kept.length; j++) {
                    if (chances.get(j).isPresent()) {
                        double p = chances.get(j).getAsDouble();
                        Tenth of = tenths.get((int) Math.min(9, p * 10));
                        of.stated += p;
                        of.jobs++;
                        of.kept += kept[j] ? 1 : 0;
                    }
                }
            }
        }
        StringBuilder table = new StringBuilder();
        for (Tenth c : tenths) {
            table.append(
                    String.format(
                            "%5.1f %% stated, %5.1f %% kept, %d jobs%n",
                            100 * c.stated / c.jobs, 100.0 * c.kept / c.jobs, c.jobs));
        }
        for (Tenth c : tenths) {
            assertTrue(c.jobs >= 200 && Math.abs(c.off()) <= CALIBRATED, table.toString());
        }
    }

    /** Dates about when the jobs are ready, some before, some long after. */
    private static Optional<DiaryCase> tight(int seed) {
        Random random = new Random(seed);
        DiaryCase loose = new RandomWorkshops(seed).large(2 + seed % 5, 6 + seed % 9, 7);
        Optional<DiaryPlan> plan = Solving.atOnce(loose);
        if (plan.isEmpty()) {
            return Optional.empty();
        }
        List<DiaryJob> jobs = new ArrayList<>();
        for (int j = 0; j < loose.jobs().size(); j++) {
            DiaryJob of = loose.jobs().get(j);
            long ready = DiaryScore.readyMinute(of, plan.get().starts().get(j), loose.fromMinute());
            jobs.add(
                    new DiaryJob(
                            of.id(),
                            of.name(),
                            of.tasks(),
                            of.lags(),
                            OptionalLong.of(ready - 60 + random.nextInt(1440)),
                            1,
                            false));
        }
        DiaryCase asked = new DiaryCase(jobs, loose.bench(), loose.resources(), loose.fromMinute());
        return Solving.atOnce(asked).isPresent() ? Optional.of(asked) : Optional.empty();
    }

    /** More bench time, a faster coat: never less likely by more than chance has it, and told. */
    @Test
    public void whatRaisesAChanceDoesWhenItIsDone() {
        int longer = 0;
        int warmed = 0;
        for (int seed = 0; seed < 24; seed++) {
            Optional<DiaryCase> asked = tight(seed);
            if (asked.isEmpty()) {
                continue;
            }
            DiaryPlan plan = Solving.atOnce(asked.get()).orElseThrow();
            List<DiaryOutlook.OfJob> all =
                    DiaryOutlook.of(asked.get(), plan, DiaryRisk.Spread.USUAL, 300);
            for (int j = 0; j < all.size(); j++) {
                double now = all.get(j).chance().getAsDouble();
                List<DiaryRisk.Raise> raises = all.get(j).raises();
                assertTrue(raises.size() <= 2);
                assertTrue(raises.isEmpty() || (now <= 0.95 && now >= 0.005));
                for (DiaryRisk.Raise raise : raises) {
                    assertTrue(raise.chance() >= now + 0.02, raise + " instead of " + now);
                    DiaryCase done = done(asked.get(), raise, j);
                    double then =
                            DiaryRisk.chances(done, plan, DiaryRisk.Spread.USUAL, 300)
                                    .get(j)
                                    .getAsDouble();
                    if (raise instanceof DiaryRisk.Raise.Longer) {
                        assertEquals(then, raise.chance());
                        longer++;
                    } else if (raise instanceof DiaryRisk.Raise.Warmed) {
                        assertEquals(then, raise.chance(), 0.01);
                        warmed++;
                    }
                }
            }
        }
        assertTrue(longer > 5 && warmed > 5, longer + " longer, " + warmed + " warmed");
    }

    private static DiaryCase done(DiaryCase asked, DiaryRisk.Raise raise, int job) {
        return switch (raise) {
            case DiaryRisk.Raise.Longer l ->
                    new DiaryCase(
                            asked.jobs(),
                            Availability.with(asked.bench(), l.more()),
                            asked.resources(),
                            asked.fromMinute());
            case DiaryRisk.Raise.Warmed w -> {
                List<DiaryJob> jobs = new ArrayList<>(asked.jobs());
                DiaryJob of = jobs.get(job);
                List<TimeLag> lags =
                        of.lags().stream()
                                .map(
                                        l ->
                                                l.fromId().equals(w.taskId())
                                                                && l.maxMinutes().isEmpty()
                                                        ? new TimeLag(
                                                                l.fromId(),
                                                                l.toId(),
                                                                l.minMinutes() / 2,
                                                                l.maxMinutes(),
                                                                l.why())
                                                        : l)
                                .toList();
                jobs.set(
                        job,
                        new DiaryJob(
                                of.id(),
                                of.name(),
                                of.tasks(),
                                lags,
                                of.dueMinute(),
                                of.weight(),
                                of.promised()));
                yield new DiaryCase(jobs, asked.bench(), asked.resources(), asked.fromMinute());
            }
            case DiaryRisk.Raise.First _ -> asked;
        };
    }

    /** A table of ten entries weighs as much as the prior; many entries speak for themselves. */
    @Test
    public void aLogTeachesTheSpread() {
        DiaryRisk.Spread prior = new DiaryRisk.Spread(0.3, 0.2, 0);
        assertEquals(prior.learned(List.of()), prior);
        Random random = new Random(3);
        List<Double> taken = new ArrayList<>();
        for (int i = 0; i < 2_000; i++) {
            taken.add(Math.exp(0.6 * random.nextGaussian()));
        }
        assertEquals(prior.learned(taken).handsOn(), 0.6, 0.02);
        assertEquals(prior.learned(taken).cure(), 0.2);
        double some = prior.learned(taken.subList(0, 10)).handsOn();
        assertTrue(some > 0.3 && some < 0.6, "between the prior and the log: " + some);
    }
}
