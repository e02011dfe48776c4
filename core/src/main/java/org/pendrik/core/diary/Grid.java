package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.diary.Availability.Span;

/**
 * A case on the grid of five minutes: what is still to do, numbered through over all jobs, each
 * task from a slot on. What is done has become bounds.
 *
 * <p>A task takes whole slots. Where the minutes that it leaves of its last slot decide whether a
 * window is kept, it begins so much later within its first ({@code shift}).
 */
final class Grid {
    static final int SLOT_MINUTES = 5;

    /** No bound. */
    static final int NEVER = Integer.MAX_VALUE / 4;

    /** Starts in one sitting that a task may have, first and last slot. */
    record Window(int sitting, int from, int last) {}

    /** What must lie between the starts of two tasks, in slots; {@code most} may be NEVER. */
    record Arc(int from, int to, int least, int most) {}

    /** What a task holds beyond its own slots. */
    record Hold(int resource, int slotsAfter) {}

    final DiaryCase asked;
    final int jobs;
    final int tasks;

    /** First slot of the case. */
    final long origin;

    final int[] jobOf;
    final int[] taskOf;
    final int[] slots;
    final int[] shift;

    /** By task the minutes from the begin of its slot until its job can be ready. */
    final int[] readyAfter;

    final int[] earliest;
    final int[] latest;
    final int[] paint;
    final List<List<Window>> windows;
    final List<List<Hold>> holds;
    final List<Arc> arcs = new ArrayList<>();
    final List<List<Arc>> arcsFrom;
    final List<List<Arc>> arcsTo;

    /** By job the first and the end of its tasks. */
    final int[] firstOf;

    final int[] sittingFrom;
    final int[] sittingUntil;

    /** By job the minute of its date from the first slot on; NEVER without one. */
    final int[] due;

    /** By job the minute from the first slot on in which what is done has cured. */
    final int[] readyAnyway;

    final int paints;

    /** Tasks in the window of a coat that lies, which is given up. */
    private final List<Integer> missed = new ArrayList<>();

    Grid(DiaryCase asked) {
        this.asked = asked;
        this.jobs = asked.jobs().size();
        this.origin = Math.floorDiv(asked.fromMinute(), (long) SLOT_MINUTES);
        this.tasks =
                (int)
                        asked.jobs().stream()
                                .flatMap(j -> j.tasks().stream())
                                .filter(DiaryTask::open)
                                .count();
        jobOf = new int[tasks];
        taskOf = new int[tasks];
        slots = new int[tasks];
        shift = new int[tasks];
        readyAfter = new int[tasks];
        earliest = new int[tasks];
        latest = new int[tasks];
        paint = new int[tasks];
        firstOf = new int[jobs + 1];
        due = new int[jobs];
        readyAnyway = new int[jobs];
        windows = new ArrayList<>();
        holds = new ArrayList<>();
        arcsFrom = new ArrayList<>();
        arcsTo = new ArrayList<>();
        sittingFrom = new int[asked.bench().size()];
        sittingUntil = new int[asked.bench().size()];
        for (int s = 0; s < sittingFrom.length; s++) {
            sittingFrom[s] = ceil(asked.bench().get(s).fromMinute());
            sittingUntil[s] = floor(asked.bench().get(s).untilMinute());
        }
        Map<String, Integer> resources = new HashMap<>();
        for (int r = 0; r < asked.resources().size(); r++) {
            resources.put(asked.resources().get(r).key(), r);
        }
        Map<String, Integer> paintNumbers = new HashMap<>();
        int n = 0;
        for (int j = 0; j < jobs; j++) {
            firstOf[j] = n;
            DiaryJob job = asked.jobs().get(j);
            due[j] = job.dueMinute().isPresent() ? sinceOrigin(job.dueMinute().getAsLong()) : NEVER;
            readyAnyway[j] = sinceOrigin(asked.fromMinute());
            for (int t = 0; t < job.tasks().size(); t++) {
                DiaryTask task = job.tasks().get(t);
                if (!task.open()) {
                    readyAnyway[j] =
                            Math.max(readyAnyway[j], sinceOrigin(end(task) + task.cureMinutes()));
                    continue;
                }
                jobOf[n] = j;
                taskOf[n] = t;
                slots[n] = Math.max(1, Math.ceilDiv(task.minutes(), SLOT_MINUTES));
                paint[n] =
                        task.setUp()
                                .map(p -> paintNumbers.computeIfAbsent(p, _ -> paintNumbers.size()))
                                .orElse(-1);
                List<Hold> held = new ArrayList<>();
                for (DiaryTask.Need need : task.needs()) {
                    int r = resources.getOrDefault(need.resource(), 0);
                    held.add(
                            new Hold(
                                    r,
                                    (int) Math.ceilDiv(need.minutesAfter(), (long) SLOT_MINUTES)));
                }
                holds.add(List.copyOf(held));
                arcsFrom.add(new ArrayList<>());
                arcsTo.add(new ArrayList<>());
                n++;
            }
        }
        firstOf[jobs] = n;
        paints = paintNumbers.size();
        for (int j = 0; j < jobs; j++) {
            shifts(j);
            bounds(j);
            for (int i = firstOf[j]; i < firstOf[j + 1]; i++) {
                readyAfter[i] = bounded(shift[i] + task(i).minutes() + task(i).cureMinutes());
            }
        }
        for (int i = 0; i < n; i++) {
            List<Window> in = within(windows(i), earliest[i], latest[i]);
            windows.add(in);
        }
    }

    /**
     * The window of a coat that lies cannot be kept any more: the work in it is done when it can
     * be.
     *
     * @return whether the task was in such a window, and no evening that somebody chose is what
     *     misses it
     */
    boolean giveUpWindow(int i) {
        if (latest[i] == NEVER || heldBefore(i)) {
            return false;
        }
        missed.add(i);
        latest[i] = NEVER;
        windows.set(i, within(windows(i), earliest[i], NEVER));
        return true;
    }

    /** Whether the task or one before it in its job is held to an evening. */
    private boolean heldBefore(int i) {
        for (int k = firstOf[jobOf[i]]; k <= i; k++) {
            if (task(k).heldTo().isPresent()) {
                return true;
            }
        }
        return false;
    }

    /** Work in windows that were given up. */
    List<DiaryPlan.Place> missed() {
        return missed.stream().map(i -> new DiaryPlan.Place(jobOf[i], taskOf[i])).toList();
    }

    private static List<Window> within(List<Window> all, int earliest, int latest) {
        List<Window> out = new ArrayList<>();
        for (Window w : all) {
            int from = Math.max(w.from(), earliest);
            int last = Math.min(w.last(), latest);
            if (from <= last) {
                out.add(new Window(w.sitting(), from, last));
            }
        }
        return List.copyOf(out);
    }

    private static long end(DiaryTask done) {
        return done.doneAtMinute().orElseThrow() + done.minutes();
    }

    DiaryTask task(int i) {
        return job(i).tasks().get(taskOf[i]);
    }

    DiaryJob job(int i) {
        return asked.jobs().get(jobOf[i]);
    }

    private int sinceOrigin(long minute) {
        return bounded(minute - origin * SLOT_MINUTES);
    }

    private int ceil(long minute) {
        return bounded(Math.ceilDiv(minute, (long) SLOT_MINUTES) - origin);
    }

    private int floor(long minute) {
        return bounded(Math.floorDiv(minute, (long) SLOT_MINUTES) - origin);
    }

    private static int bounded(long slot) {
        return Math.clamp(slot, -NEVER, NEVER);
    }

    /** The minute in which a task begins that is given a slot. */
    long minute(int i, int slot) {
        return (origin + slot) * SLOT_MINUTES + shift[i];
    }

    /** The slot of a task that begins in a minute. */
    int slot(int i, long minute) {
        return bounded(Math.floorDiv(minute - shift[i], (long) SLOT_MINUTES) - origin);
    }

    /** From the last to the first, so that what follows is known. */
    private void shifts(int j) {
        DiaryJob job = asked.jobs().get(j);
        for (int i = firstOf[j + 1] - 1; i >= firstOf[j]; i--) {
            int spare = slots[i] * SLOT_MINUTES - task(i).minutes();
            for (shift[i] = 0; shift[i] < spare && !allKept(job, i); shift[i]++) {}
        }
    }

    private boolean allKept(DiaryJob job, int i) {
        for (TimeLag lag : job.lags()) {
            if (lag.fromId().equals(task(i).id()) && lag.maxMinutes().isPresent()) {
                Optional<Integer> to = open(jobOf[i], lag.toId());
                if (to.isPresent() && least(i, to.get(), lag) > most(i, to.get(), lag)) {
                    return false;
                }
            }
        }
        return true;
    }

    private int least(int i, int k, TimeLag lag) {
        return bounded(
                Math.ceilDiv(
                        lag.minMinutes() + task(i).minutes() + shift[i] - shift[k],
                        (long) SLOT_MINUTES));
    }

    private int most(int i, int k, TimeLag lag) {
        return bounded(
                Math.floorDiv(
                        lag.maxMinutes().orElseThrow() + task(i).minutes() + shift[i] - shift[k],
                        (long) SLOT_MINUTES));
    }

    private Optional<Integer> open(int j, String id) {
        for (int i = firstOf[j]; i < firstOf[j + 1]; i++) {
            if (task(i).id().equals(id)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    private void bounds(int j) {
        DiaryJob job = asked.jobs().get(j);
        Map<String, Long> doneUntil = new HashMap<>();
        long last = asked.fromMinute();
        for (DiaryTask t : job.tasks()) {
            if (!t.open()) {
                doneUntil.put(t.id(), end(t));
                last = Math.max(last, end(t));
            }
        }
        for (int i = firstOf[j]; i < firstOf[j + 1]; i++) {
            earliest[i] = ceil(last - shift[i]);
            latest[i] = NEVER;
            if (task(i).notBefore().isPresent()) {
                earliest[i] =
                        Math.max(earliest[i], ceil(task(i).notBefore().getAsLong() - shift[i]));
            }
            if (i > firstOf[j]) {
                add(new Arc(i - 1, i, slots[i - 1], NEVER));
            }
        }
        for (TimeLag lag : job.lags()) {
            Optional<Integer> to = open(j, lag.toId());
            if (to.isEmpty()) {
                continue;
            }
            int k = to.get();
            Long end = doneUntil.get(lag.fromId());
            if (end != null) {
                earliest[k] = Math.max(earliest[k], ceil(end + lag.minMinutes() - shift[k]));
                if (lag.maxMinutes().isPresent()) {
                    latest[k] =
                            Math.min(
                                    latest[k],
                                    floor(end + lag.maxMinutes().getAsLong() - shift[k]));
                }
                continue;
            }
            Optional<Integer> from = open(j, lag.fromId());
            if (from.isPresent() && from.get() < k) {
                int i = from.get();
                int least = Math.max(slots[i], least(i, k, lag));
                add(new Arc(i, k, least, lag.maxMinutes().isPresent() ? most(i, k, lag) : NEVER));
            }
        }
    }

    private void add(Arc arc) {
        arcs.add(arc);
        arcsFrom.get(arc.from()).add(arc);
        arcsTo.get(arc.to()).add(arc);
    }

    /** Where a task may begin: at the bench, in the stretch that it is held to, nothing closed. */
    private List<Window> windows(int i) {
        List<Span> closed = new ArrayList<>();
        for (DiaryTask.Need need : task(i).needs()) {
            for (DiaryCase.Resource r : asked.resources()) {
                if (r.key().equals(need.resource())) {
                    closed.addAll(r.closed());
                }
            }
        }
        List<Window> out = new ArrayList<>();
        for (int s = 0; s < asked.bench().size(); s++) {
            Span stretch = asked.bench().get(s);
            if (task(i).heldTo().isPresent()) {
                Span held = task(i).heldTo().get();
                long from = Math.max(stretch.fromMinute(), held.fromMinute());
                long until = Math.min(stretch.untilMinute(), held.untilMinute());
                if (from >= until) {
                    continue;
                }
                stretch = new Span(from, until);
            }
            for (Span free : Availability.without(List.of(stretch), closed)) {
                int from = Math.max(ceil(free.fromMinute()), ceil(free.fromMinute() - shift[i]));
                int last =
                        Math.min(
                                floor(free.untilMinute()) - slots[i],
                                floor(free.untilMinute() - task(i).minutes() - shift[i]));
                if (from <= last) {
                    out.add(new Window(s, from, last));
                }
            }
        }
        return List.copyOf(out);
    }

    /** A task after which nothing of its job comes that is ready later anyway. */
    boolean endsLast(int i) {
        return i + 1 == firstOf[jobOf[i] + 1]
                || readyAfter[i] > slots[i] * SLOT_MINUTES + readyAfter[i + 1];
    }

    /** The sitting of a task that begins in a slot. */
    int sitting(int i, int slot) {
        for (Window w : windows.get(i)) {
            if (w.from() <= slot && slot <= w.last()) {
                return w.sitting();
            }
        }
        throw new IllegalArgumentException(task(i).name() + " is outside the bench time");
    }

    /** The starts as a diary. */
    DiaryPlan plan(int[] start) {
        List<List<Long>> out = new ArrayList<>();
        for (int j = 0; j < jobs; j++) {
            List<Long> of = new ArrayList<>();
            int i = firstOf[j];
            for (DiaryTask t : asked.jobs().get(j).tasks()) {
                of.add(t.open() ? minute(i, start[i++]) : t.doneAtMinute().getAsLong());
            }
            out.add(of);
        }
        return new DiaryPlan(out);
    }

    int[] starts(DiaryPlan plan) {
        int[] out = new int[tasks];
        for (int i = 0; i < tasks; i++) {
            out[i] = slot(i, plan.start(jobOf[i], taskOf[i]));
        }
        return out;
    }
}
