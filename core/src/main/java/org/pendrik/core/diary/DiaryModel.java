package org.pendrik.core.diary;

import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import com.google.ortools.sat.Literal;
import com.google.ortools.util.Domain;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The diary as a constraint model, in slots: starts as integers, the person and places as
 * no-overlap and cumulative constraints, lags as differences; on demand the sittings in which tasks
 * stand, and the fillings of the airbrush as optional intervals that may not overlap.
 *
 * <p>A filling is one colour in one sitting, from the first task that takes it to the last; a
 * colour may be filled in as often in a sitting as {@code mostFillings} says.
 */
final class DiaryModel {
    /** No coat cures for longer. */
    private static final long A_YEAR_MINUTES = 366L * 1440;

    private final Grid grid;
    final CpModel model = new CpModel();
    final IntVar[] start;
    private final int horizon;

    /** By task the sittings that it may have; only with sittings. */
    private final List<Map<Integer, Literal>> in = new ArrayList<>();

    private final Map<Integer, Literal> used = new HashMap<>();
    private final List<BoolVar> fillings = new ArrayList<>();

    /**
     * Sittings that something may be moved to; in the others tasks follow one another as before.
     */
    private final Set<Integer> open = new HashSet<>();

    private int fillingsElsewhere;
    private @Nullable Literal yes;
    private final List<InSitting> waiting = new ArrayList<>();

    /**
     * A filling that tasks may share.
     *
     * @param in by task whether it is done with it
     */
    private record Filling(
            int sitting,
            int paint,
            BoolVar active,
            IntVar from,
            IntVar until,
            Map<Integer, Literal> in) {}

    private final List<Filling> filled = new ArrayList<>();

    /**
     * @param domain by task the slots in which it may begin
     * @param known a diary that holds; where nothing can come or go, its order is kept
     */
    DiaryModel(Grid grid, List<List<Grid.Window>> domain, int[] known, int horizon) {
        this.grid = grid;
        this.horizon = horizon;
        this.start = new IntVar[grid.tasks];
        List<IntervalVar> work = new ArrayList<>();
        for (List<Grid.Window> d : domain) {
            if (d.stream().mapToInt(Grid.Window::sitting).distinct().count() != 1) {
                d.forEach(w -> open.add(w.sitting()));
            }
        }
        List<Integer> kept = new ArrayList<>();
        for (int i = 0; i < grid.tasks; i++) {
            long[][] spans =
                    domain.get(i).stream()
                            .map(w -> new long[] {w.from(), w.last()})
                            .toArray(long[][]::new);
            start[i] = model.newIntVarFromDomain(Domain.fromIntervals(spans), "s" + i);
            if (domain.get(i).stream().anyMatch(w -> open.contains(w.sitting()))) {
                work.add(model.newFixedSizeIntervalVar(start[i], grid.slots[i], "w" + i));
            } else {
                kept.add(i);
            }
        }
        model.addNoOverlap(work.toArray(IntervalVar[]::new));
        kept.sort(Comparator.comparingInt(i -> known[i]));
        keepOrder(kept, known);
        for (Grid.Arc a : grid.arcs) {
            LinearExpr gap =
                    LinearExpr.weightedSum(
                            new LinearArgument[] {start[a.to()], start[a.from()]},
                            new long[] {1, -1});
            if (a.most() == Grid.NEVER) {
                model.addGreaterOrEqual(gap, a.least());
            } else {
                model.addLinearConstraint(gap, a.least(), a.most());
            }
        }
        for (int r = 0; r < grid.asked.resources().size(); r++) {
            places(r);
        }
    }

    /** Tasks of sittings that nothing comes to or goes from, in their order. */
    private void keepOrder(List<Integer> kept, int[] known) {
        int sitting = -1;
        int paint = -1;
        for (int k = 0; k < kept.size(); k++) {
            int i = kept.get(k);
            int s = grid.sitting(i, known[i]);
            if (s != sitting) {
                sitting = s;
                paint = -1;
            } else {
                int last = kept.get(k - 1);
                model.addGreaterOrEqual(
                        LinearExpr.newBuilder().add(start[i]).addTerm(start[last], -1).build(),
                        grid.slots[last]);
            }
            if (grid.paint[i] >= 0 && grid.paint[i] != paint) {
                paint = grid.paint[i];
                fillingsElsewhere++;
            }
        }
    }

    /** Only what is kept beyond the work itself can run short, since one person does all of it. */
    private void places(int resource) {
        List<IntervalVar> kept = new ArrayList<>();
        boolean beyond = false;
        for (int i = 0; i < grid.tasks; i++) {
            for (Grid.Hold h : grid.holds.get(i)) {
                if (h.resource() == resource) {
                    beyond |= h.slotsAfter() > 0;
                    kept.add(
                            model.newFixedSizeIntervalVar(
                                    start[i], grid.slots[i] + h.slotsAfter(), "h" + i));
                }
            }
        }
        if (beyond) {
            var all = model.addCumulative(grid.asked.resources().get(resource).places());
            kept.forEach(k -> all.addDemand(k, 1));
        }
    }

    /** The weighted minutes after the dates. */
    LinearExprBuilder late() {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        for (int j = 0; j < grid.jobs; j++) {
            if (grid.due[j] != Grid.NEVER) {
                long anyway = Math.max(0, grid.readyAnyway[j] - (long) grid.due[j]);
                IntVar late = notBefore(j, anyway, -grid.due[j]);
                sum.addTerm(late, grid.asked.jobs().get(j).weight());
            }
        }
        return sum;
    }

    /** The minutes from the first slot until the jobs are ready, added up. */
    LinearExprBuilder ready() {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        for (int j = 0; j < grid.jobs; j++) {
            sum.add(notBefore(j, grid.readyAnyway[j], 0));
        }
        return sum;
    }

    /** A variable that is at least the minute in which a job is ready, and some more. */
    private IntVar notBefore(int j, long least, long more) {
        long most = Math.max(least, (long) horizon * Grid.SLOT_MINUTES + A_YEAR_MINUTES);
        IntVar at = model.newIntVar(least, most, "ready" + j);
        for (int i = grid.firstOf[j]; i < grid.firstOf[j + 1]; i++) {
            if (grid.endsLast(i)) {
                model.addGreaterOrEqual(
                        LinearExpr.newBuilder()
                                .add(at)
                                .addTerm(start[i], -Grid.SLOT_MINUTES)
                                .build(),
                        grid.readyAfter[i] + more);
            }
        }
        return at;
    }

    /**
     * Adds the sittings in which each task may stand.
     *
     * @param domain as in the constructor
     * @param mostFillings of one colour in one sitting
     */
    void withSittings(List<List<Grid.Window>> domain, int mostFillings) {
        for (int i = 0; i < grid.tasks; i++) {
            Map<Integer, int[]> ends = new HashMap<>();
            for (Grid.Window w : domain.get(i)) {
                ends.merge(
                        w.sitting(),
                        new int[] {w.from(), w.last()},
                        (a, b) -> new int[] {Math.min(a[0], b[0]), Math.max(a[1], b[1])});
            }
            Map<Integer, Literal> of = new HashMap<>();
            for (Map.Entry<Integer, int[]> e : ends.entrySet()) {
                of.put(e.getKey(), in(i, e.getKey(), e.getValue(), ends.size() == 1));
            }
            if (of.size() > 1) {
                model.addExactlyOne(of.values().toArray(Literal[]::new));
            }
            in.add(of);
        }
        for (InSitting w : waiting) {
            model.addImplication(
                    w.here(), used.computeIfAbsent(w.sitting(), k -> model.newBoolVar("used" + k)));
        }
        for (int s : open) {
            fillings(s, mostFillings);
        }
    }

    /** Whether a task is in a sitting, which is used then. */
    private Literal in(int i, int s, int[] ends, boolean only) {
        if (only) {
            used.put(s, always());
            return always();
        }
        BoolVar here = model.newBoolVar("in" + i + "." + s);
        model.addGreaterOrEqual(start[i], ends[0]).onlyEnforceIf(here);
        model.addLessOrEqual(start[i], ends[1]).onlyEnforceIf(here);
        waiting.add(new InSitting(s, here));
        return here;
    }

    private Literal always() {
        if (yes == null) {
            yes = model.trueLiteral();
        }
        return yes;
    }

    /** A task may be in a sitting, so the sitting may be used. */
    private record InSitting(int sitting, Literal here) {}

    private void fillings(int s, int most) {
        List<IntervalVar> apart = new ArrayList<>();
        for (int p = 0; p < grid.paints; p++) {
            List<Integer> with = new ArrayList<>();
            for (int i = 0; i < grid.tasks; i++) {
                if (grid.paint[i] == p && in.get(i).containsKey(s)) {
                    with.add(i);
                }
            }
            List<Filling> copies = new ArrayList<>();
            for (int c = 0; c < Math.min(most, with.size()); c++) {
                BoolVar active = model.newBoolVar("f" + s + "." + p + "." + c);
                IntVar from = model.newIntVar(grid.sittingFrom[s], grid.sittingUntil[s], "ff");
                IntVar until = model.newIntVar(grid.sittingFrom[s], grid.sittingUntil[s], "fu");
                IntVar size = model.newIntVar(0, grid.sittingUntil[s] - grid.sittingFrom[s], "fz");
                apart.add(model.newOptionalIntervalVar(from, size, until, active, "fi"));
                Map<Integer, Literal> of = new HashMap<>();
                for (int i : with) {
                    BoolVar z = model.newBoolVar("z" + i + "." + s + "." + c);
                    of.put(i, z);
                    model.addImplication(z, active);
                    model.addLessOrEqual(from, start[i]).onlyEnforceIf(z);
                    model.addGreaterOrEqual(
                                    LinearExpr.newBuilder()
                                            .add(until)
                                            .addTerm(start[i], -1)
                                            .build(),
                                    grid.slots[i])
                            .onlyEnforceIf(z);
                }
                if (c > 0) {
                    Filling first = copies.get(c - 1);
                    model.addImplication(active, first.active());
                    model.addGreaterOrEqual(from, first.until()).onlyEnforceIf(active);
                }
                Filling f = new Filling(s, p, active, from, until, of);
                copies.add(f);
                filled.add(f);
                fillings.add(active);
            }
            for (int i : with) {
                LinearExprBuilder one = LinearExpr.newBuilder();
                copies.forEach(f -> one.add(find(f.in(), i)));
                one.addTerm(find(in.get(i), s), -1);
                model.addEquality(one.build(), 0);
            }
        }
        if (apart.size() > 1) {
            model.addNoOverlap(apart.toArray(IntervalVar[]::new));
        }
    }

    private static Literal find(Map<Integer, Literal> of, int key) {
        return Optional.ofNullable(of.get(key)).orElseThrow();
    }

    /** Sittings and set-ups in one number. */
    LinearExprBuilder effort() {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        used.values().forEach(u -> sum.addTerm(u, DiaryScore.SET_UPS_OF_A_SITTING));
        fillings.forEach(f -> sum.addTerm(f, 1));
        sum.add(fillingsElsewhere);
        return sum;
    }

    /** The weight of what stands in another sitting than before; only with sittings. */
    LinearExprBuilder moved(int[] sittingBefore) {
        LinearExprBuilder sum = LinearExpr.newBuilder();
        for (int i = 0; i < grid.tasks; i++) {
            int was = sittingBefore[i];
            if (was < 0) {
                continue;
            }
            int weight = Changes.weight(grid.job(i));
            sum.add(weight);
            Literal stays = in.get(i).get(was);
            if (stays != null) {
                sum.addTerm(stays, -weight);
            }
        }
        return sum;
    }

    /** The minutes of the fullest sitting; only with sittings. */
    IntVar fullest() {
        IntVar most = model.newIntVar(0, 10_000, "fullest");
        for (int s : used.keySet()) {
            LinearExprBuilder load = LinearExpr.newBuilder();
            for (int i = 0; i < grid.tasks; i++) {
                Literal here = in.get(i).get(s);
                if (here != null) {
                    load.addTerm(here, grid.task(i).minutes());
                }
            }
            load.addTerm(most, -1);
            model.addLessOrEqual(load.build(), 0);
        }
        return most;
    }

    /** Tells the search a diary that holds. */
    void hint(int[] known) {
        for (int i = 0; i < grid.tasks; i++) {
            model.addHint(start[i], known[i]);
        }
        if (in.isEmpty()) {
            return;
        }
        boolean[] anybody = new boolean[grid.sittingFrom.length];
        for (int i = 0; i < grid.tasks; i++) {
            int s = grid.sitting(i, known[i]);
            anybody[s] = true;
            in.get(i).forEach((k, v) -> hint(v, k == s));
        }
        used.forEach((s, u) -> hint(u, anybody[s]));
        hintFillings(known);
    }

    private void hint(Literal literal, boolean value) {
        if (literal instanceof BoolVar v && literal != yes) {
            model.addHint(v, value ? 1 : 0);
        }
    }

    /** Fillings in the order in which the tasks come. */
    private void hintFillings(int[] known) {
        Map<List<Integer>, List<List<Integer>>> runs = new HashMap<>();
        List<Integer> byStart = new ArrayList<>();
        for (int i = 0; i < grid.tasks; i++) {
            if (grid.paint[i] >= 0) {
                byStart.add(i);
            }
        }
        byStart.sort(Comparator.comparingInt(i -> known[i]));
        int lastSitting = -1;
        int lastPaint = -1;
        for (int i : byStart) {
            int s = grid.sitting(i, known[i]);
            List<List<Integer>> of =
                    runs.computeIfAbsent(List.of(s, grid.paint[i]), _ -> new ArrayList<>());
            if (s != lastSitting || grid.paint[i] != lastPaint) {
                of.add(new ArrayList<>());
            }
            of.getLast().add(i);
            lastSitting = s;
            lastPaint = grid.paint[i];
        }
        Map<List<Integer>, Integer> copy = new HashMap<>();
        for (Filling f : filled) {
            List<Integer> key = List.of(f.sitting(), f.paint());
            int c = copy.merge(key, 1, Integer::sum) - 1;
            List<List<Integer>> of = runs.getOrDefault(key, List.of());
            List<Integer> run = c < of.size() ? of.get(c) : List.of();
            model.addHint(f.active(), run.isEmpty() ? 0 : 1);
            f.in().forEach((i, z) -> hint(z, run.contains(i)));
            if (!run.isEmpty()) {
                int last = run.getLast();
                model.addHint(f.from(), known[run.getFirst()]);
                model.addHint(f.until(), known[last] + grid.slots[last]);
            }
        }
    }
}
