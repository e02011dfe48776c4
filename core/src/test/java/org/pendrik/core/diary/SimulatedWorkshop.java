package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.pendrik.core.diary.Availability.Span;

/**
 * Somebody who works through a diary, looked at minute by minute. Written without the code that
 * states chances; times are gamma distributed instead of log-normal.
 *
 * <p>At every minute of a sitting in which nothing is being done, the person goes down the list of
 * work of this and earlier sittings and does the first that can be done: its coat is dry, its
 * places are free, it is over before the sitting ends, and no other coat's window is missed by it.
 * Work further down the list is only done when it will be over before that above it can be.
 */
final class SimulatedWorkshop {
    private static final int LIMIT_DAYS = 120;

    private final DiaryCase asked;
    private final DiaryPlan plan;
    private final DiaryRisk.Spread spread;
    private final Random random;
    private final List<Item> list = new ArrayList<>();
    private boolean coatsLie;

    private static final class Item {
        int job;
        DiaryTask what;
        long planned;
        int sitting;
        double minutes;
        double[] dries;
        double begun = -1;
        double over = -1;
    }

    SimulatedWorkshop(DiaryCase asked, DiaryPlan plan, DiaryRisk.Spread spread, long seed) {
        this.asked = asked;
        this.plan = plan;
        this.spread = spread;
        this.random = new Random(seed);
    }

    /** By job whether its date was kept; true for a job without one. */
    boolean[] kept() {
        List<List<Item>> byJob = new ArrayList<>();
        for (int j = 0; j < asked.jobs().size(); j++) {
            byJob.add(new ArrayList<>());
            for (int t = 0; t < asked.jobs().get(j).tasks().size(); t++) {
                Item i = new Item();
                i.job = j;
                i.what = asked.jobs().get(j).tasks().get(t);
                i.planned = plan.start(j, t);
                i.sitting = sitting(i.planned);
                i.minutes = i.what.minutes() * gamma(spread.handsOn());
                i.dries = new double[asked.jobs().get(j).lags().size()];
                for (int l = 0; l < i.dries.length; l++) {
                    i.dries[l] =
                            asked.jobs().get(j).lags().get(l).minMinutes() * gamma(spread.cure());
                }
                list.add(i);
                byJob.getLast().add(i);
            }
        }
        list.sort((a, b) -> Long.compare(a.planned, b.planned));
        boolean[] comes = new boolean[asked.bench().size()];
        for (int s = 0; s < comes.length; s++) {
            comes[s] =
                    asked.bench().get(s).fromMinute() <= asked.fromMinute()
                            || random.nextDouble() >= spread.lost();
        }
        double busyUntil = asked.fromMinute();
        long end = asked.fromMinute() + LIMIT_DAYS * 1440L;
        long m = asked.fromMinute();
        while (m < end && list.stream().anyMatch(i -> i.begun < 0)) {
            Item does = m < busyUntil ? null : does(byJob, m, comes);
            if (does != null) {
                does.begun = m;
                does.over = m + does.minutes;
                busyUntil = does.over;
                coatsLie = byJob.stream().anyMatch(this::coatLies);
            }
            m = m < busyUntil ? (long) Math.ceil(busyUntil) : m + 1;
            Span at = asked.bench().get(sitting(m));
            if (!coatsLie && m < at.fromMinute()) {
                m = at.fromMinute();
            } else if (!coatsLie && m >= asked.bench().getLast().untilMinute()) {
                break;
            }
        }
        boolean[] kept = new boolean[byJob.size()];
        for (int j = 0; j < kept.length; j++) {
            long due = asked.jobs().get(j).dueMinute().orElse(Long.MAX_VALUE);
            kept[j] =
                    byJob.get(j).stream()
                            .allMatch(i -> i.begun >= 0 && i.over + i.what.cureMinutes() <= due);
        }
        return kept;
    }

    /** Whether the next work of a job is in the window of a coat. */
    private boolean coatLies(List<Item> job) {
        return job.stream()
                .filter(i -> i.begun < 0)
                .findFirst()
                .map(
                        i ->
                                asked.jobs().get(i.job).lags().stream()
                                        .anyMatch(
                                                l ->
                                                        l.toId().equals(i.what.id())
                                                                && l.maxMinutes().isPresent()))
                .orElse(false);
    }

    private Item does(List<List<Item>> byJob, long now, boolean[] comes) {
        int s = sitting(now);
        Span at = asked.bench().get(s);
        boolean here = comes[s] && at.fromMinute() <= now && now < at.untilMinute();
        List<Item> candidates = new ArrayList<>();
        for (List<Item> job : byJob) {
            job.stream()
                    .filter(i -> i.begun < 0)
                    .findFirst()
                    .filter(i -> i.sitting <= s)
                    .ifPresent(candidates::add);
        }
        candidates.sort((a, b) -> Long.compare(a.planned, b.planned));
        // what a coat that lies waits for is done whatever the clock says
        for (Item i : candidates) {
            if (inWindow(byJob, i)
                    && possibleFrom(byJob, i, now) <= now
                    && pressing(byJob, candidates, i, now)) {
                return i;
            }
        }
        if (!here) {
            return null;
        }
        double firstPossible = Double.POSITIVE_INFINITY;
        for (Item i : candidates) {
            double from =
                    inWindow(byJob, i) ? possibleFrom(byJob, i, now) : fits(byJob, i, now, at);
            if (from <= now
                    && now + length(byJob, i) <= firstPossible + 1e-9
                    && leavesWindows(byJob, candidates, i, now)) {
                return i;
            }
            firstPossible = Math.min(firstPossible, from);
        }
        return null;
    }

    /** Nothing above it in the list can be done and still leave its window. */
    private boolean pressing(List<List<Item>> byJob, List<Item> candidates, Item i, long now) {
        if (!inWindow(byJob, i)) {
            return false;
        }
        for (Item o : candidates) {
            if (o == i) {
                return true;
            }
            if (now + o.what.minutes() <= closes(byJob, i)) {
                return false;
            }
        }
        return true;
    }

    private boolean leavesWindows(
            List<List<Item>> byJob, List<Item> candidates, Item does, long now) {
        for (Item o : candidates) {
            if (o != does
                    && inWindow(byJob, o)
                    && now <= closes(byJob, o)
                    && now + does.what.minutes() > closes(byJob, o)) {
                return false;
            }
        }
        return true;
    }

    /** The first minute of this sitting in which all that belongs to it fits; infinity for none. */
    private double fits(List<List<Item>> byJob, Item i, long now, Span at) {
        double from = possibleFrom(byJob, i, now);
        while (from + length(byJob, i) <= at.untilMinute()) {
            double next = open(byJob, i, from);
            if (next == from) {
                return from;
            }
            from = next;
        }
        return Double.POSITIVE_INFINITY;
    }

    private double open(List<List<Item>> byJob, Item i, double from) {
        double at = from;
        for (DiaryTask.Need n : i.what.needs()) {
            for (DiaryCase.Resource r : asked.resources()) {
                if (!r.key().equals(n.resource())) {
                    continue;
                }
                for (Span c : r.closed()) {
                    if (at < c.untilMinute() && c.fromMinute() < at + i.what.minutes()) {
                        at = c.untilMinute();
                    }
                }
                List<Double> taken = new ArrayList<>();
                for (List<Item> job : byJob) {
                    for (Item o : job) {
                        for (DiaryTask.Need other : o.what.needs()) {
                            if (o.begun >= 0
                                    && other.resource().equals(r.key())
                                    && o.over + other.minutesAfter() > at) {
                                taken.add(o.over + other.minutesAfter());
                            }
                        }
                    }
                }
                taken.sort(Double::compare);
                if (taken.size() >= r.places()) {
                    at = taken.get(taken.size() - r.places());
                }
            }
        }
        return at;
    }

    private double possibleFrom(List<List<Item>> byJob, Item i, long now) {
        double at = Math.max(now, i.what.notBefore().orElse(now));
        List<TimeLag> lags = asked.jobs().get(i.job).lags();
        for (int l = 0; l < lags.size(); l++) {
            TimeLag lag = lags.get(l);
            if (lag.toId().equals(i.what.id())) {
                at = Math.max(at, before(byJob, i, lag).over + i.dries[l]);
            }
        }
        return at;
    }

    private Item before(List<List<Item>> byJob, Item i, TimeLag lag) {
        return byJob.get(i.job).stream()
                .filter(o -> o.what.id().equals(lag.fromId()))
                .findFirst()
                .orElseThrow();
    }

    private boolean inWindow(List<List<Item>> byJob, Item i) {
        return closes(byJob, i) < Double.POSITIVE_INFINITY;
    }

    private double closes(List<List<Item>> byJob, Item i) {
        double at = Double.POSITIVE_INFINITY;
        for (TimeLag lag : asked.jobs().get(i.job).lags()) {
            if (lag.toId().equals(i.what.id()) && lag.maxMinutes().isPresent()) {
                at = Math.min(at, before(byJob, i, lag).over + lag.maxMinutes().getAsLong());
            }
        }
        return at;
    }

    /** Planned minutes from its begin until all that follows in windows is over. */
    private double length(List<List<Item>> byJob, Item i) {
        double until = i.planned + (double) i.what.minutes();
        List<String> with = new ArrayList<>(List.of(i.what.id()));
        for (Item o : byJob.get(i.job)) {
            for (TimeLag lag : asked.jobs().get(i.job).lags()) {
                if (lag.toId().equals(o.what.id())
                        && lag.maxMinutes().isPresent()
                        && with.contains(lag.fromId())) {
                    with.add(o.what.id());
                    until = Math.max(until, o.planned + (double) o.what.minutes());
                }
            }
        }
        return until - i.planned;
    }

    private int sitting(long minute) {
        for (int s = 0; s < asked.bench().size(); s++) {
            if (minute < asked.bench().get(s).untilMinute()) {
                return s;
            }
        }
        return asked.bench().size() - 1;
    }

    /**
     * About 1, its logarithm about 0 with about this standard deviation, as a sum of exponentials.
     */
    private double gamma(double sd) {
        int shape = (int) Math.round(1 / (sd * sd));
        double sum = 0;
        for (int k = 0; k < shape; k++) {
            sum -= Math.log(1 - random.nextDouble());
        }
        return sum / (shape - 1 / 3.0);
    }
}
