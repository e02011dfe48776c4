package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryRisk.Spread;

/**
 * How a diary may go in truth. Somebody works through each sitting in the planned order, goes on at
 * once when something took less time, and takes nothing from a later sitting. While the next work
 * has to wait, other work is done if it is over before; when it cannot be done in this sitting any
 * more, what follows is done. Work in a window is begun with its coat only where all of it still
 * fits, and nothing is begun that would miss a window of a coat that lies.
 */
final class DiaryRun {
    private static final double NEVER = Double.POSITIVE_INFINITY;

    private static final double EPSILON = 1e-9;

    private final DiaryCase asked;
    private final Spread spread;

    /** By job what is to be done, in its order. */
    private final List<List<Work>> works = new ArrayList<>();

    /** By job its rank: lower goes first, then the planned order counts. */
    private final int[] rank;

    private final double[] readyAnyway;

    /** By number of a task when it was over, if it is done. */
    private final double[] doneUntil;

    /** A wait for a coat: the least and the most, from the end of a task; most NEVER for none. */
    private record Wait(int after, long least, double most, long seed) {}

    /** A place that work takes of a resource, and how long beyond its end. */
    private record Hold(int resource, long minutesAfter) {}

    private static final class Work {
        private final int number;
        private final DiaryTask task;
        private final long planned;

        /** Its planned sitting begins. */
        private final long from;

        private final long seed;
        private final List<Wait> waits = new ArrayList<>();
        private final List<Hold> holds = new ArrayList<>();

        /** How many times as long its coat dries. */
        private double drying = 1;

        /** Begun with the coat that it follows. */
        private boolean inWindow;

        /** Planned minutes of what is begun with it, its own at least. */
        private double block;

        private Work(int number, DiaryTask task, long planned, long from, long seed) {
            this.number = number;
            this.task = task;
            this.planned = planned;
            this.from = from;
            this.seed = seed;
            this.block = task.minutes();
        }
    }

    // the state of one run
    private final int[] next;
    private final double[] jobFree;
    private final double[] ends;
    private final List<List<double[]>> held = new ArrayList<>();
    private final boolean[] lost;

    /** By job from when on its coats let its next work begin. */
    private final double[] dry;

    /** By job when its next work could begin, as of the last choice. */
    private final double[] begins;

    private double person;
    private int number;

    DiaryRun(DiaryCase asked, DiaryPlan plan, Spread spread) {
        this.asked = asked;
        this.spread = spread;
        int jobs = asked.jobs().size();
        this.rank = new int[jobs];
        this.readyAnyway = new double[jobs];
        this.next = new int[jobs];
        this.jobFree = new double[jobs];
        this.begins = new double[jobs];
        this.dry = new double[jobs];
        this.lost = new boolean[asked.bench().size()];
        int tasks = asked.jobs().stream().mapToInt(j -> j.tasks().size()).sum();
        this.doneUntil = new double[tasks];
        this.ends = new double[tasks];
        asked.resources().forEach(_ -> held.add(new ArrayList<>()));
        Map<String, Integer> resources = new HashMap<>();
        for (int r = 0; r < asked.resources().size(); r++) {
            resources.put(asked.resources().get(r).key(), r);
        }
        int n = 0;
        for (int j = 0; j < jobs; j++) {
            works.add(works(j, n, plan, resources));
            n += asked.jobs().get(j).tasks().size();
        }
    }

    private List<Work> works(
            int j, int firstNumber, DiaryPlan plan, Map<String, Integer> resources) {
        DiaryJob job = asked.jobs().get(j);
        Map<String, Integer> numbers = new HashMap<>();
        Map<Integer, Work> open = new HashMap<>();
        List<Work> out = new ArrayList<>();
        Map<Integer, Work> blockOf = new HashMap<>();
        readyAnyway[j] = asked.fromMinute();
        for (int t = 0; t < job.tasks().size(); t++) {
            DiaryTask task = job.tasks().get(t);
            int at = firstNumber + t;
            numbers.put(task.id(), at);
            if (!task.open()) {
                double end = (double) task.doneAtMinute().getAsLong() + task.minutes();
                doneUntil[at] = end;
                readyAnyway[j] = Math.max(readyAnyway[j], end + task.cureMinutes());
                continue;
            }
            long planned = plan.start(j, t);
            Work w = new Work(at, task, planned, sittingBegins(planned), seed(job, task.id()));
            for (DiaryTask.Need need : task.needs()) {
                Integer r = resources.get(need.resource());
                if (r != null) {
                    w.holds.add(new Hold(r, need.minutesAfter()));
                }
            }
            for (TimeLag l : job.lags()) {
                Integer after = l.toId().equals(task.id()) ? numbers.get(l.fromId()) : null;
                if (after == null) {
                    continue;
                }
                double most = l.maxMinutes().isPresent() ? l.maxMinutes().getAsLong() : NEVER;
                w.waits.add(
                        new Wait(after, l.minMinutes(), most, w.seed * 31 + l.fromId().hashCode()));
                if (most < NEVER && open.containsKey(after)) {
                    w.inWindow = true;
                    Work first = blockOf.getOrDefault(after, open.get(after));
                    blockOf.put(at, first);
                    first.block =
                            Math.max(
                                    first.block, (double) planned + task.minutes() - first.planned);
                } else if (most < NEVER) {
                    w.inWindow = true;
                }
            }
            open.put(at, w);
            out.add(w);
        }
        return out;
    }

    private long sittingBegins(long planned) {
        if (asked.bench().isEmpty()) {
            return planned;
        }
        return Math.min(
                planned,
                asked.bench().get(DiaryScore.sitting(asked.bench(), planned)).fromMinute());
    }

    /** Of a task, whatever diary it stands in. */
    private static long seed(DiaryJob job, String taskId) {
        return 31L * job.id().hashCode() + taskId.hashCode();
    }

    /**
     * Lets the coat of a task dry faster or slower.
     *
     * @return whether anything waits for it
     */
    boolean dries(int job, String taskId, double factor) {
        int n = -1;
        for (Work w : works.get(job)) {
            if (w.task.id().equals(taskId)) {
                n = w.number;
                w.drying = factor;
            }
        }
        int of = n;
        return works.get(job).stream()
                .flatMap(w -> w.waits.stream())
                .anyMatch(w -> w.after() == of && w.least() > 0 && w.most() == NEVER);
    }

    /** A job before the others, within each sitting. */
    void comesFirst(int job) {
        rank[job] = -1;
    }

    /** By job the minute in which it is ready. */
    double[] ready(int run) {
        number = run;
        System.arraycopy(doneUntil, 0, ends, 0, ends.length);
        Arrays.fill(next, 0);
        Arrays.fill(jobFree, 0);
        held.forEach(List::clear);
        person = asked.fromMinute();
        for (int s = 0; s < lost.length; s++) {
            Span at = asked.bench().get(s);
            lost[s] =
                    spread.lost() > 0
                            && at.fromMinute() > asked.fromMinute()
                            && new SplittableRandom(at.fromMinute() * 1_000_003 + run).nextDouble()
                                    < spread.lost();
        }
        for (int j = 0; j < dry.length; j++) {
            dry[j] = dry(j);
        }
        double[] ready = readyAnyway.clone();
        while (true) {
            int j = choose();
            if (j < 0) {
                return ready;
            }
            Work w = works.get(j).get(next[j]);
            double at = begins[j];
            double end = at + w.task.minutes() * factor(w.seed, spread.handsOn());
            if (at < NEVER) {
                person = Math.max(person, end);
            }
            jobFree[j] = end;
            ends[w.number] = end;
            for (Hold h : w.holds) {
                if (h.minutesAfter() > 0) {
                    held.get(h.resource()).add(new double[] {at, end + h.minutesAfter()});
                }
            }
            ready[j] = Math.max(ready[j], Math.ceil(end + w.task.cureMinutes()));
            next[j]++;
            dry[j] = dry(j);
        }
    }

    /** The job whose work is done next; -1 when all is done. */
    private int choose() {
        double soonest = NEVER;
        int any = -1;
        for (int j = 0; j < works.size(); j++) {
            if (next[j] == works.get(j).size()) {
                begins[j] = NEVER;
                continue;
            }
            begins[j] = begin(j);
            if (any < 0 || begins[j] < soonest) {
                any = j;
                soonest = begins[j];
            }
        }
        if (any < 0 || soonest == NEVER) {
            return any;
        }
        double over = sittingEnds(soonest);
        int best = -1;
        for (int j = 0; j < works.size(); j++) {
            if (begins[j] < over && (best < 0 || before(j, best))) {
                best = j;
            }
        }
        int filler = -1;
        for (int j = 0; j < works.size(); j++) {
            if (j != best
                    && begins[j] < NEVER
                    && begins[j] + minutes(j) <= begins[best] + EPSILON
                    && (filler < 0 || begins[j] < begins[filler])) {
                filler = j;
            }
        }
        int chosen = filler < 0 ? best : filler;
        for (int j = 0; j < works.size(); j++) {
            if (j != chosen
                    && begins[j] < NEVER
                    && begins[chosen] + works.get(chosen).get(next[chosen]).task.minutes()
                            > closes(j) + EPSILON
                    && begins[j] <= closes(j) + EPSILON) {
                return j;
            }
        }
        return chosen;
    }

    private double minutes(int j) {
        return works.get(j).get(next[j]).block;
    }

    private boolean before(int a, int b) {
        return Comparator.comparingInt((Integer j) -> rank[j])
                        .thenComparingLong(j -> works.get(j).get(next[j]).planned)
                        .compare(a, b)
                < 0;
    }

    /** The last moment for a job's next work so that the window of its coat is kept. */
    private double closes(int j) {
        double at = NEVER;
        for (Wait w : works.get(j).get(next[j]).waits) {
            at = Math.min(at, ends[w.after()] + w.most());
        }
        return at;
    }

    private double sittingEnds(double at) {
        Span s = asked.bench().get(DiaryScore.sitting(asked.bench(), (long) at));
        return Math.max((double) s.untilMinute(), at + EPSILON);
    }

    /** When a job's next work could begin. */
    private double begin(int j) {
        Work w = works.get(j).get(next[j]);
        double at = Math.max(person, dry[j]);
        return w.inWindow ? at : atTheBench(w, at);
    }

    /**
     * From when on the coats beneath a job's next work let it begin, in its sitting at the
     * earliest.
     */
    private double dry(int j) {
        if (next[j] == works.get(j).size()) {
            return NEVER;
        }
        Work w = works.get(j).get(next[j]);
        double at = Math.max(jobFree[j], (double) w.from);
        for (Wait wait : w.waits) {
            if (wait.least() > 0) {
                double drying = wait.most() == NEVER ? coat(j, wait.after()) : 1;
                at =
                        Math.max(
                                at,
                                ends[wait.after()]
                                        + wait.least()
                                                * drying
                                                * factor(wait.seed(), spread.cure()));
            }
        }
        return at;
    }

    private double coat(int j, int number) {
        for (Work w : works.get(j)) {
            if (w.number == number) {
                return w.drying;
            }
        }
        return 1;
    }

    /** The first minute from one on in which all that is begun fits into a sitting. */
    private double atTheBench(Work w, double from) {
        if (asked.bench().isEmpty()) {
            return NEVER;
        }
        for (int k = DiaryScore.sitting(asked.bench(), (long) from);
                k < asked.bench().size();
                k++) {
            Span s = asked.bench().get(k);
            if (lost[k]) {
                continue;
            }
            double at = Math.max(from, (double) s.fromMinute());
            while (at + w.block <= s.untilMinute() + EPSILON) {
                double then = allowed(w, at);
                if (then == at) {
                    return at;
                }
                at = then;
            }
        }
        return NEVER;
    }

    /** The moment itself where everything needed is there, or the next to try. */
    private double allowed(Work w, double at) {
        double then = Math.max(at, (double) w.task.notBefore().orElse(Long.MIN_VALUE));
        for (Hold h : w.holds) {
            DiaryCase.Resource r = asked.resources().get(h.resource());
            for (Span c : r.closed()) {
                if (then < c.untilMinute() && c.fromMinute() < then + w.task.minutes()) {
                    then = c.untilMinute();
                }
            }
            double[] released =
                    held.get(h.resource()).stream()
                            .mapToDouble(o -> o[1])
                            .filter(o -> o > at)
                            .sorted()
                            .toArray();
            if (released.length >= r.places()) {
                then = Math.max(then, released[released.length - r.places()]);
            }
        }
        return then;
    }

    private double factor(long seed, double sd) {
        return sd == 0
                ? 1
                : Math.exp(sd * new SplittableRandom(seed * 1_000_003 + number).nextGaussian());
    }
}
