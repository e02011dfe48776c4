package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.units.Watch;

/**
 * The best recipe in whole drops, proven.
 *
 * <p>A {@link Climb} finds a good recipe. What is better than it by more than the tolerance lies in
 * a small {@link Region} of colours; a {@link Screen} rules out choices of up to four paints by
 * sums of a few numbers, a {@link Slice} most others by a dozen spectra, a {@link Prover} the rest,
 * trying all recipes that they have ({@link Trial}), or only the drops that its inequalities leave.
 * Every better recipe found shrinks the region. Where the region has a lobe far from the rest, it
 * is gone through once for each of its strips. Choices are taken in waves of fixed lanes, and what
 * lanes find is told to the others between waves only, so the answer does not depend on how many
 * processors work.
 *
 * <p>Cost: a dozen bit operations or some tens of sums for each choice of four paints, about two
 * microseconds for one in a hundred to one in ten of them, some tens for what these leave; memory
 * is quadratic in the paints. Guarantee: nothing that the limits allow is nearer to the target than
 * the answer minus the tolerance, 0.1 or, exact, 0. It rests on {@link Region} bounding the near
 * colours, whose border is sampled with a margin: shown by tests, not by a formula. Colours are of
 * hiding coats in whole drops, never rounded from fractions.
 */
public final class RecipeSearch {
    /** A drop's own scatter decides below this. */
    public static final double TOLERANCE = 0.1;

    private static final int LANES = 8;
    private static final int WAVES = 16;

    private final RecipeQuestion question;
    private final Watch watch;
    private final List<Ingredient> shelf;
    private final Kernel kernel;
    private final Limits limits;
    private final Lab target;
    private final double tolerance;

    private RecipeSearch(RecipeQuestion question, Watch watch) {
        this.question = question;
        this.watch = watch;
        target = question.light().lab(question.target());
        tolerance = question.exact() ? 0 : TOLERANCE;
        shelf = sorted(question.shelf());
        int n = shelf.size();
        double[][] k = new double[n][];
        double[][] s = new double[n][];
        boolean[][] together = new boolean[n][n];
        boolean[] must = new boolean[n];
        double[] share = new double[n];
        double[] weights = new double[n];
        for (int i = 0; i < n; i++) {
            Ingredient in = shelf.get(i);
            k[i] = scaled(in.paint().absorbs(), in.weight());
            s[i] = scaled(in.paint().scatters(), in.weight());
            must[i] = question.limits().must().contains(in.key());
            share[i] = in.mostShare();
            weights[i] = in.weight();
            for (int j = 0; j < n; j++) {
                together[i][j] = question.together(in, shelf.get(j));
            }
        }
        kernel = new Kernel(k, s, question.light(), question.surface());
        var rules = question.limits();
        limits =
                new Limits(
                        rules.mostPaints(),
                        rules.mostDrops(),
                        together,
                        must,
                        share,
                        weights,
                        rules.opacity(),
                        rules.micrometres());
    }

    /**
     * Searches.
     *
     * @throws CancellationException when the watch stops it
     */
    public static RecipeAnswer search(RecipeQuestion question, Watch watch) {
        return new RecipeSearch(question, watch).run();
    }

    /** What is near the target comes first: its choices are the likely ones. */
    private List<Ingredient> sorted(List<Ingredient> all) {
        List<Ingredient> out = new ArrayList<>(all);
        out.sort(
                Comparator.comparingDouble(
                                (Ingredient i) ->
                                        question.light()
                                                .lab(question.surface().seen(i.paint().masstone()))
                                                .distance(target))
                        .thenComparing(Ingredient::key));
        return out;
    }

    private static double[] scaled(double[] v, double by) {
        double[] out = new double[v.length];
        for (int i = 0; i < v.length; i++) {
            out[i] = v[i] * by;
        }
        return out;
    }

    private RecipeAnswer run() {
        watch.at("a first good recipe", 0);
        Climb climb = new Climb(kernel, limits, target);
        Found start = climb.best();
        Lattice[] lattices = new Lattice[5];
        for (int p = 2; p <= 4; p++) {
            lattices[p] = new Lattice(p, limits.mostDrops);
        }
        double[] ratio = targetRatio();
        AbPlane plane = new AbPlane(target);
        List<Prover> lanes = new ArrayList<>();
        for (int i = 0; i < LANES; i++) {
            lanes.add(new Prover(kernel, limits, lattices, plane, tolerance, ratio, start));
        }
        double[][] tangents = tangents(climb);
        double reach = start.off() - tolerance;
        var strips = Region.large(reach) ? plane.strips(reach) : List.of(AbPlane.Strip.ALL);
        boolean proven = prove(lanes, strips, tangents);
        Found best =
                lanes.stream()
                        .map(Prover::best)
                        .min(Comparator.comparingDouble(Found::off))
                        .orElseThrow();
        long choices = lanes.stream().mapToLong(Prover::choices).sum();
        long tried = lanes.stream().mapToLong(Prover::tried).sum();
        if (best.off() == Double.POSITIVE_INFINITY) {
            return new RecipeAnswer.None(
                    proven
                            ? "No mix of these bottles keeps to all limits: what must be in, which families"
                                    + " share a cup, what is left in the bottles, and how opaque it has to"
                                    + " be."
                            : "No mix was found in the time there was. Allow fewer bottles or fewer drops.");
        }
        double within = tolerance == 0 ? 0 : Math.min(tolerance, best.off());
        return new RecipeAnswer.Proven(
                recipe(best), best.off(), proven ? within : best.off(), choices, tried);
    }

    /** Looks at all choices; false when the time was up before that. */
    private boolean prove(List<Prover> lanes, List<AbPlane.Strip> strips, double[][] tangents) {
        Prover first = lanes.getFirst();
        int n = shelf.size();
        try {
            for (int at = 0; at < strips.size(); at++) {
                var strip = strips.get(at);
                lanes.forEach(lane -> lane.turn(strip));
                first.renew();
                lanes.forEach(lane -> lane.heed(first));
                for (int i = 0; i < n && at == 0; i++) {
                    if (musts(i, i, i, i)) {
                        first.prove(i);
                    }
                }
                for (int p = 2; p <= Math.min(limits.mostPaints, n); p++) {
                    wave(lanes, p, tangents, at, strips.size());
                }
            }
            return true;
        } catch (Watch.TimeUp e) {
            return false;
        }
    }

    /** The fewest drops in its ratio: 1 and 2, not 3 and 6. */
    private Recipe recipe(Found f) {
        int common = 0;
        for (int d : f.drops()) {
            common = Lattice.gcd(common, d);
        }
        List<Recipe.Part> parts = new ArrayList<>();
        for (int i = 0; i < f.drops().length; i++) {
            if (f.drops()[i] > 0) {
                parts.add(new Recipe.Part(shelf.get(i), f.drops()[i] / common));
            }
        }
        return Recipe.of(parts, question.surface());
    }

    private double[] targetRatio() {
        Reflectance inside = question.surface().inside(question.target());
        double[] out = new double[Kernel.BANDS];
        for (int b = 0; b < out.length; b++) {
            out[b] = KubelkaMunk.ratio(inside.at(b));
        }
        return out;
    }

    /** K/S of the target itself, of the best recipe found, of the shelf as a whole, and between. */
    private double[][] tangents(Climb climb) {
        double[] ratio = targetRatio();
        List<Found> ends = climb.ends();
        double[] whole = kernel.usualRatio();
        double[] best = ends.isEmpty() ? whole : kernel.ratio(ends.getFirst().drops());
        double[][] out = new double[4][Kernel.BANDS];
        for (int b = 0; b < Kernel.BANDS; b++) {
            out[0][b] = ratio[b];
            out[1][b] = best[b];
            out[2][b] = whole[b];
            out[3][b] = Math.sqrt(best[b] * whole[b]);
        }
        return out;
    }

    /** All choices of p paints, those of the first paints first, for one of the strips. */
    private void wave(List<Prover> lanes, int p, double[][] tangents, int strip, int strips) {
        Prover first = lanes.getFirst();
        if (first.done()) {
            return;
        }
        int n = kernel.paints;
        @Nullable Screen screen =
                p > 2 && limits.mostDrops > p
                        ? new Screen(kernel, p, limits.mostDrops, tangents)
                        : null;
        List<int[]> pairs = new ArrayList<>();
        // by the farther of the two, so that what is near the target comes first
        for (int j = 1; j < n; j++) {
            for (int i = 0; i < j; i++) {
                if (limits.together(i, j)) {
                    pairs.add(new int[] {i, j});
                }
            }
        }
        int at = 0;
        for (int w = 0; w < WAVES; w++) {
            int end = (int) ((long) pairs.size() * (w + 1) / WAVES);
            if (first.done()) {
                return;
            }
            String piece = p + " paints at a time";
            double share = (strip + ((p - 2) + (double) w / WAVES) / 3) / strips;
            watch.at(piece, share);
            Aim aim = first.aim();
            if (screen != null && aim != null) {
                screen.aim(aim);
            }
            int begin = at;
            boolean last = w == WAVES - 1;
            IntStream.range(0, LANES)
                    .parallel()
                    .forEach(
                            lane -> {
                                for (int x = begin + lane; x < end; x += LANES) {
                                    int[] pair = pairs.get(x);
                                    watch.at(piece, share);
                                    choices(lanes.get(lane), screen, p, pair[0], pair[1]);
                                }
                                if (last) {
                                    lanes.get(lane).finish();
                                }
                            });
            for (Prover lane : lanes) {
                first.heed(lane);
            }
            for (Prover lane : lanes) {
                lane.heed(first);
            }
            at = end;
        }
    }

    private void choices(Prover lane, @Nullable Screen screen, int p, int i, int j) {
        int n = kernel.paints;
        if (p == 2) {
            if (musts(i, j, i, j)) {
                lane.prove(i, j);
            }
            return;
        }
        Screen.@Nullable Triple triple = screen == null ? null : screen.new Triple();
        for (int k = j + 1; k < n; k++) {
            if (!limits.together(i, k) || !limits.together(j, k)) {
                continue;
            }
            if (p == 3) {
                if (musts(i, j, k, k) && (screen == null || !screen.out(i, j, k))) {
                    lane.prove(i, j, k);
                }
                continue;
            }
            if (triple != null) {
                triple.set(i, j, k);
            }
            for (int l = k + 1; l < n; l++) {
                if ((triple == null || !triple.out(l))
                        && limits.together(i, l)
                        && limits.together(j, l)
                        && limits.together(k, l)
                        && musts(i, j, k, l)) {
                    lane.prove(i, j, k, l);
                }
            }
        }
    }

    /** Whether all bottles that must be in are among four, which may repeat. */
    private boolean musts(int i, int j, int k, int l) {
        if (limits.musts == 0) {
            return true;
        }
        int found = limits.must(i) ? 1 : 0;
        found += j != i && limits.must(j) ? 1 : 0;
        found += k != i && k != j && limits.must(k) ? 1 : 0;
        found += l != i && l != j && l != k && limits.must(l) ? 1 : 0;
        return found == limits.musts;
    }
}
