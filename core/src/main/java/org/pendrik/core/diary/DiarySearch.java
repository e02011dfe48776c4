package org.pendrik.core.diary;

import com.google.ortools.Loader;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearExprBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.diary.DiarySolver.Answer;
import org.pendrik.core.diary.DiaryStage.Goal;
import org.pendrik.core.units.Watch;

/** One search of {@link DiarySolver}: the best so far, and what is left to try. */
final class DiarySearch {
    /** A case with at most so many pairs of task and sitting is solved whole. */
    private static final int WHOLE_UP_TO = 700;

    /** The part of the time that each goal gets, before what others leave. */
    private static final Map<Goal, Double> SHARE =
            new EnumMap<>(
                    Map.of(
                            Goal.DATES, 0.35,
                            Goal.CHANGES, 0.3,
                            Goal.SITTINGS, 0.7,
                            Goal.READY, 0.75,
                            Goal.EVEN, 1.0));

    private static final double PART_SECONDS = 1;

    /** What building and preparing a part takes on a usual machine. */
    private static final double SECONDS_OF_A_PART = 0.15;

    /** What a unit of the solver's deterministic time takes on a usual machine. */
    private static final double SECONDS_OF_SOLVING = 6;

    /** Quick trials before parts are solved. */
    private static final int TRIALS = 5_000;

    /** What one of them takes on a usual machine, for each task. */
    private static final double SECONDS_OF_A_TRIAL = 1.2e-6;

    private static final int SEED = 7;

    private final DiaryCase asked;
    private final Grid grid;
    private final Optional<Changes> before;
    private final DiarySolver.Follower follower;
    private final Watch watch;
    private final double seconds;
    private final Random random = new Random(SEED);

    /** By goal what no diary can be better than, as far as the search has come. */
    private final Map<Goal, Long> reached = new EnumMap<>(Goal.class);

    /** The bounds that need no search, once they were asked for. */
    private final Map<Goal, Long> bounds = new EnumMap<>(Goal.class);

    private final int horizon;
    private double spent;
    private int[] best = new int[0];
    private @Nullable DiaryScore score;

    /** Loaded when the first diary is solved: the solver's native code takes a moment. */
    private static final class Natives {
        static {
            Loader.loadNativeLibraries();
        }

        static void load() {}
    }

    DiarySearch(
            DiaryCase asked,
            Optional<Changes> before,
            DiarySolver.Effort effort,
            DiarySolver.Follower follower,
            Watch watch) {
        this.asked = asked;
        this.grid = new Grid(asked);
        this.before = before;
        this.seconds = effort.seconds();
        this.follower = follower;
        this.watch = watch;
        this.horizon = Arrays.stream(grid.sittingUntil).max().orElse(0);
    }

    Answer run() {
        Optional<Answer> nothing = first();
        if (nothing.isPresent()) {
            return nothing.get();
        }
        if (grid.tasks == 0 || seconds <= 0) {
            return found();
        }
        Natives.load();
        try {
            for (Goal goal : Goal.values()) {
                if (goal != Goal.CHANGES || before.isPresent()) {
                    improve(goal);
                }
            }
        } catch (Watch.TimeUp over) {
            // what was found stands, with what is known of it
        }
        pushForward();
        return found();
    }

    /**
     * All in the same sittings and the same order, each as early as it can be there: nobody waits
     * at the bench for nothing, and nothing that counts gets worse.
     */
    private void pushForward() {
        int[] start = best.clone();
        List<Integer> order = new ArrayList<>(IntStream.range(0, grid.tasks).boxed().toList());
        order.sort(Comparator.comparingInt(i -> best[i]));
        for (int i : order) {
            int sitting = grid.sitting(i, best[i]);
            start[i] =
                    grid.windows.get(i).stream()
                            .filter(w -> w.sitting() == sitting)
                            .mapToInt(Grid.Window::from)
                            .min()
                            .orElse(best[i]);
        }
        boolean moved = true;
        while (moved) {
            moved = false;
            for (int k = 0; k < order.size(); k++) {
                int i = order.get(k);
                int at = k == 0 ? start[i] : Math.max(start[i], end(start, order.get(k - 1)));
                for (Grid.Arc a : grid.arcsTo.get(i)) {
                    at = Math.max(at, start[a.from()] + a.least());
                }
                for (Grid.Arc a : grid.arcsFrom.get(i)) {
                    at = a.most() == Grid.NEVER ? at : Math.max(at, start[a.to()] - a.most());
                }
                int fitted = inWindow(i, at);
                moved |= fitted != start[i];
                start[i] = fitted;
            }
        }
        DiaryPlan plan = grid.plan(start);
        DiaryScore pushed = DiaryScore.of(asked, plan, before);
        // places that things keep are not looked at above
        int compared = DiaryScore.BETTER_FIRST.compare(pushed, score());
        if (compared <= 0
                && DiaryCheck.faults(asked, plan).size()
                        <= DiaryCheck.faults(asked, grid.plan(best)).size()) {
            best = start;
            score = pushed;
            if (compared < 0) {
                follower.better(found());
            }
        }
    }

    private int end(int[] start, int i) {
        return start[i] + grid.slots[i];
    }

    private int inWindow(int i, int from) {
        return grid.windows.get(i).stream()
                .filter(w -> w.last() >= from)
                .mapToInt(w -> Math.max(w.from(), from))
                .findFirst()
                .orElse(best[i]);
    }

    /** As things are: what a later goal saved of an earlier one counts there too. */
    private Answer.Found found() {
        List<DiaryStage> all = new ArrayList<>();
        for (Goal goal : Goal.values()) {
            if (goal == Goal.CHANGES && before.isEmpty()) {
                continue;
            }
            long value = goal.of(score());
            long bound = Math.min(value, reached.getOrDefault(goal, bound(goal)));
            all.add(new DiaryStage(goal, value, bound, value == bound));
        }
        return new Answer.Found(grid.plan(best), score(), all, grid.missed());
    }

    private DiaryScore score() {
        if (score == null) {
            throw new IllegalStateException("there is no diary yet");
        }
        return score;
    }

    /** The list schedule, and one that begins where tasks were to begin before. */
    private Optional<Answer> first() {
        ListSchedule.Result byDate = ListSchedule.byDate(grid);
        if (byDate.stuck.isEmpty()) {
            take(byDate.start);
        }
        if (before.isPresent()) {
            int[] notBefore = grid.earliest.clone();
            for (int i = 0; i < grid.tasks; i++) {
                var was = before.get().starts().get(grid.jobOf[i]).get(grid.taskOf[i]);
                if (was.isPresent()) {
                    notBefore[i] = Math.max(notBefore[i], grid.slot(i, was.getAsLong()));
                }
            }
            ListSchedule.Result kept =
                    ListSchedule.inOrder(grid, ListSchedule.datesFirst(grid), notBefore);
            if (kept.stuck.isEmpty()) {
                take(kept.start);
            }
        }
        if (score != null) {
            return Optional.empty();
        }
        int stuck = byDate.stuck.orElseThrow();
        if (seconds > 0 && IntStream.range(0, grid.tasks).noneMatch(this::nowhere)) {
            Natives.load();
            anyDiary();
        }
        if (score != null) {
            return Optional.empty();
        }
        if (grid.giveUpWindow(stuck)) {
            return first();
        }
        return Optional.of(new Answer.CannotPlace(grid.job(stuck), grid.task(stuck)));
    }

    private boolean nowhere(int i) {
        return grid.windows.get(i).isEmpty();
    }

    /** Jobs one after the other may block what fits when they take turns. */
    private void anyDiary() {
        DiaryModel m = new DiaryModel(grid, grid.windows, grid.earliest, horizon);
        CpSolver solver = solver(seconds * SHARE.getOrDefault(Goal.DATES, 1.0));
        CpSolverStatus status = run(solver, m);
        if (status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE) {
            take(starts(solver, m));
        }
    }

    /** Keeps a diary if it is better than the best. */
    private boolean take(int[] start) {
        DiaryScore s = DiaryScore.of(asked, grid.plan(start), before);
        if (score != null && DiaryScore.BETTER_FIRST.compare(s, score) >= 0) {
            return false;
        }
        score = s;
        best = start.clone();
        follower.better(found());
        return true;
    }

    private long bound(Goal goal) {
        // that of even evenings hangs on the sittings that there are
        return goal == Goal.EVEN ? leastFull() : bounds.computeIfAbsent(goal, this::withoutSearch);
    }

    private long withoutSearch(Goal goal) {
        return switch (goal) {
            case DATES, CHANGES -> 0;
            case SITTINGS -> new DiaryBounds(grid).effort();
            case READY -> readyAlone();
            case EVEN -> leastFull();
        };
    }

    /** Some sitting holds the longest step, and its part of all the work. */
    private long leastFull() {
        int longest = 0;
        int sum = 0;
        for (int i = 0; i < grid.tasks; i++) {
            longest = Math.max(longest, grid.task(i).minutes());
            sum += grid.task(i).minutes();
        }
        return Math.max(longest, Math.ceilDiv(sum, Math.max(1, score().sittings())));
    }

    /** Each job as if it had the bench to itself. */
    private long readyAlone() {
        long sum = 0;
        for (int j = 0; j < grid.jobs; j++) {
            int[] start = ListSchedule.inOrder(grid, List.of(j), grid.earliest).start;
            long at = grid.readyAnyway[j];
            for (int i = grid.firstOf[j]; i < grid.firstOf[j + 1]; i++) {
                at = Math.max(at, (long) start[i] * Grid.SLOT_MINUTES + grid.readyAfter[i]);
            }
            sum += at - (asked.fromMinute() - grid.origin * Grid.SLOT_MINUTES);
        }
        return sum;
    }

    private void improve(Goal goal) {
        long bound = bound(goal);
        boolean proven = goal.of(score()) <= bound;
        if (!proven) {
            double until = spent + (seconds - spent) * SHARE.getOrDefault(goal, 1.0);
            watch.at(saying(goal), Math.min(1, spent / seconds));
            if (goal == Goal.DATES || pairs() <= WHOLE_UP_TO) {
                Solved whole = solve(goal, grid.windows, until - spent);
                bound = Math.max(bound, whole.bound());
                proven = whole.proven();
            }
            proven |= goal.of(score()) <= bound;
            if (goal == Goal.SITTINGS && !proven && before.isEmpty()) {
                take(new Reinsertion(grid, random).improve(best, TRIALS));
                spent += TRIALS * SECONDS_OF_A_TRIAL * grid.tasks;
            }
            Neighbourhoods parts = new Neighbourhoods(grid, random);
            while (!proven && spent < until) {
                watch.at(saying(goal), Math.min(1, spent / seconds));
                Solved part = solve(goal, parts.next(best, sittingsBefore(), goal), PART_SECONDS);
                parts.told(part.proven());
                proven = goal.of(score()) <= bound;
            }
        }
        reached.put(goal, proven ? goal.of(score()) : bound);
    }

    /** How often the same colour is filled in within a sitting of the best diary, at most. */
    private int mostFillings() {
        List<Integer> order = new ArrayList<>(IntStream.range(0, grid.tasks).boxed().toList());
        order.removeIf(i -> grid.paint[i] < 0);
        order.sort(Comparator.comparingInt(i -> best[i]));
        Map<List<Integer>, Integer> count = new HashMap<>();
        List<Integer> held = List.of();
        int most = 0;
        for (int i : order) {
            List<Integer> now = List.of(grid.sitting(i, best[i]), grid.paint[i]);
            if (!now.equals(held)) {
                held = now;
                most = Math.max(most, count.merge(now, 1, Integer::sum));
            }
        }
        return most;
    }

    private int pairs() {
        return grid.windows.stream().mapToInt(List::size).sum();
    }

    private static String saying(Goal goal) {
        return switch (goal) {
            case DATES -> "dates";
            case CHANGES -> "what has to move";
            case SITTINGS -> "sittings and colour changes";
            case READY -> "ready sooner";
            case EVEN -> "even evenings";
        };
    }

    /**
     * What a model told.
     *
     * @param bound nothing within the model is better
     * @param proven the best within the model is known
     */
    private record Solved(long bound, boolean proven) {}

    /** The best for a goal in which each task begins in these windows; taken if it is better. */
    private Solved solve(Goal goal, List<List<Grid.Window>> domain, double limit) {
        DiaryModel m = new DiaryModel(grid, domain, best, horizon);
        boolean sittings = goal != Goal.DATES;
        if (sittings) {
            m.withSittings(
                    domain, pairs() <= WHOLE_UP_TO ? grid.tasks : Math.max(2, mostFillings()));
        }
        for (Goal g : Goal.values()) {
            if (g.compareTo(goal) > 0 || (g == Goal.CHANGES && before.isEmpty())) {
                continue;
            }
            LinearExprBuilder value = value(m, g);
            if (g == goal) {
                m.model.minimize(value.build());
            } else {
                m.model.addLessOrEqual(value.build(), g.of(score()));
            }
        }
        m.hint(best);
        CpSolver solver = solver(limit);
        CpSolverStatus status = run(solver, m);
        if (status == CpSolverStatus.INFEASIBLE) {
            // the best so far is always within the model
            throw new IllegalStateException("the model refuses a diary that holds");
        }
        if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
            return new Solved(0, false);
        }
        take(starts(solver, m));
        return new Solved(
                (long) Math.ceil(solver.bestObjectiveBound() - 1e-6),
                status == CpSolverStatus.OPTIMAL);
    }

    private static CpSolver solver(double limit) {
        CpSolver solver = new CpSolver();
        solver.getParameters()
                .setNumWorkers(1)
                .setRandomSeed(SEED)
                .setMaxDeterministicTime(Math.max(0.05, limit) / SECONDS_OF_SOLVING)
                // parts are small and many, so little is spent on looking at each beforehand
                .setCpModelProbingLevel(0)
                .setSymmetryLevel(0)
                .setMaxPresolveIterations(1);
        return solver;
    }

    private CpSolverStatus run(CpSolver solver, DiaryModel m) {
        CpSolverStatus status = solver.solve(m.model);
        spent += SECONDS_OF_A_PART + SECONDS_OF_SOLVING * solver.response().getDeterministicTime();
        if (status == CpSolverStatus.MODEL_INVALID) {
            throw new IllegalStateException(m.model.validate());
        }
        return status;
    }

    private int[] starts(CpSolver solver, DiaryModel m) {
        int[] start = new int[grid.tasks];
        for (int i = 0; i < grid.tasks; i++) {
            start[i] = (int) solver.value(m.start[i]);
        }
        return start;
    }

    private LinearExprBuilder value(DiaryModel m, Goal goal) {
        return switch (goal) {
            case DATES -> m.late();
            case CHANGES -> m.moved(sittingsBefore());
            case SITTINGS -> m.effort();
            // the model counts from the first slot, which may begin before the case does
            case READY ->
                    m.ready()
                            .add(
                                    -grid.jobs
                                            * (asked.fromMinute()
                                                    - grid.origin * Grid.SLOT_MINUTES));
            case EVEN -> com.google.ortools.sat.LinearExpr.newBuilder().add(m.fullest());
        };
    }

    /** By task the sitting that it stood in, or -1. */
    private int[] sittingsBefore() {
        int[] out = new int[grid.tasks];
        Arrays.fill(out, -1);
        before.ifPresent(
                b -> {
                    for (int i = 0; i < grid.tasks; i++) {
                        var was = b.starts().get(grid.jobOf[i]).get(grid.taskOf[i]);
                        if (was.isPresent()) {
                            out[i] = DiaryScore.sitting(asked.bench(), was.getAsLong());
                        }
                    }
                });
        return out;
    }
}
