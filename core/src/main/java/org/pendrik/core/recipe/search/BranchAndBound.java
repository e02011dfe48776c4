package org.pendrik.core.recipe.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.recipe.bound.ChoiceBound;
import org.pendrik.core.recipe.bound.Lattice;
import org.pendrik.core.recipe.bound.MixColour;
import org.pendrik.core.recipe.bound.Relaxation;
import org.pendrik.core.units.Watch;

/**
 * Branch and bound (A. H. Land and A. G. Doig, Econometrica 28, 1960) over the choices of up to
 * four paints and the recipes of each.
 *
 * <p>A {@link Climb} gives the incumbent. Choices are pruned by a {@link ChoiceBound}; what that
 * leaves goes to a {@link ChoiceSearch}. Choices are taken in waves, by the farther of their first
 * two paints, and dealt to fixed lanes; what lanes find is told to the others between waves only,
 * so the answer does not depend on how many processors work.
 *
 * <p>Cost: a dozen vector operations for each choice of four paints, some microseconds for one in
 * six to one in two hundred, more for the few that have near colours.
 */
public final class BranchAndBound {
    private static final int LANES = 8;
    private static final int WAVES = 16;

    /** The bound of choices is made anew when the reach has shrunk to this. */
    private static final double SHRUNK = 0.75;

    private static final int MOST_PAINTS = 4;

    private final MixColour mix;
    private final Limits limits;
    private final Watch watch;
    private final List<ChoiceSearch> lanes = new ArrayList<>();
    private final List<float[]> touch;

    /**
     * What a search came to.
     *
     * @param best the nearest recipe found; {@link Candidate#NONE} when none is allowed
     * @param proven whether nothing allowed is nearer by more than the tolerance; false when the
     *     time was up
     * @param choices of paints that were looked at one by one
     * @param tried recipes that were computed
     */
    public record Result(Candidate best, boolean proven, long choices, long tried) {}

    private BranchAndBound(
            MixColour mix,
            Limits limits,
            Lab target,
            float[] targetRatio,
            double tolerance,
            Watch watch) {
        this.mix = mix;
        this.limits = limits;
        this.watch = watch;
        watch.at("a first good recipe", 0);
        Candidate start = new Climb(mix, limits, target).best();
        int most = Math.min(MOST_PAINTS, Math.min(limits.mostPaints(), limits.mostDrops()));
        Lattice[] lattices = new Lattice[Math.min(most, mix.paints())];
        Arrays.setAll(lattices, i -> new Lattice(i + 1, limits.mostDrops()));
        for (int i = 0; i < LANES; i++) {
            lanes.add(new ChoiceSearch(mix, limits, target, tolerance, lattices, start));
        }
        touch = touch(targetRatio, start);
    }

    /**
     * Searches.
     *
     * @param mix of the paints that may be used, those near the target first
     * @param targetRatio K/S of a coat with the target's colour, by band
     * @param tolerance ΔE00 that need not be told apart, at least 0
     * @throws CancellationException when the watch stops it
     */
    public static Result search(
            MixColour mix,
            Limits limits,
            Lab target,
            float[] targetRatio,
            double tolerance,
            Watch watch) {
        return new BranchAndBound(mix, limits, target, targetRatio, tolerance, watch).result();
    }

    /** K/S of the target, of the incumbent, of the paints as a whole, and between the last two. */
    private List<float[]> touch(float[] target, Candidate start) {
        int[] all = IntStream.range(0, mix.paints()).toArray();
        double[] kk = new double[MixColour.BANDS];
        double[] ss = new double[MixColour.BANDS];
        float[] best = new float[MixColour.BANDS];
        float[] whole = new float[MixColour.BANDS];
        float[] between = new float[MixColour.BANDS];
        if (start.drops().length > 0) {
            mix.add(all, start.drops(), kk, ss);
        }
        for (int b = 0; b < MixColour.BANDS; b++) {
            int band = b;
            double logarithm =
                    Arrays.stream(all).mapToDouble(i -> Math.log(mix.ratio(i, band))).sum();
            whole[b] = (float) Math.exp(logarithm / all.length);
            best[b] = ss[b] > 0 ? (float) (kk[b] / ss[b]) : whole[b];
            between[b] = (float) Math.sqrt(best[b] * whole[b]);
        }
        return List.of(target, best, whole, between);
    }

    private Result result() {
        boolean proven = true;
        try {
            ChoiceSearch first = lanes.getFirst();
            first.relax();
            for (int i = 0; i < mix.paints(); i++) {
                if (limits.hasMusts(i)) {
                    first.search(i);
                }
            }
            share();
            for (int p = 2; p <= Math.min(limits.mostPaints(), mix.paints()); p++) {
                if (p <= limits.mostDrops()) {
                    waves(p);
                }
            }
        } catch (Watch.TimeUp e) {
            proven = false;
        }
        return new Result(
                lanes.stream()
                        .map(ChoiceSearch::incumbent)
                        .min(Comparator.comparingDouble(Candidate::off))
                        .orElse(Candidate.NONE),
                proven,
                lanes.stream().mapToLong(ChoiceSearch::choices).sum(),
                lanes.stream().mapToLong(ChoiceSearch::tried).sum());
    }

    /** All choices of p paints, those of the first paints first. */
    private void waves(int p) {
        List<int[]> pairs = new ArrayList<>();
        for (int j = 1; j < mix.paints(); j++) {
            for (int i = 0; i < j; i++) {
                if (limits.together(i, j)) {
                    pairs.add(new int[] {i, j});
                }
            }
        }
        @Nullable ChoiceBound bound = null;
        String piece = p + " paints at a time";
        for (int w = 0; w < WAVES && !lanes.getFirst().done(); w++) {
            double share = ((p - 2) + (double) w / WAVES) / (MOST_PAINTS - 1);
            watch.at(piece, share);
            bound = bound(p, bound);
            @Nullable ChoiceBound now = bound;
            int begin = pairs.size() * w / WAVES;
            int end = pairs.size() * (w + 1) / WAVES;
            IntStream.range(0, LANES)
                    .parallel()
                    .forEach(
                            lane -> {
                                for (int x = begin + lane; x < end; x += LANES) {
                                    watch.at(piece, share);
                                    int[] pair = pairs.get(x);
                                    choices(lanes.get(lane), now, p, pair[0], pair[1]);
                                }
                            });
            share();
        }
    }

    /** A bound for choices of p paints, anew when the relaxation has shrunk enough. */
    private @Nullable ChoiceBound bound(int p, @Nullable ChoiceBound last) {
        Relaxation relaxation = lanes.getFirst().relaxation();
        if (p == 2 || limits.mostDrops() == p || relaxation == null) {
            return null;
        }
        if (last != null && relaxation.reach() > last.reach() * SHRUNK) {
            return last;
        }
        return new ChoiceBound(mix, p, limits.mostDrops(), touch, relaxation);
    }

    /** Tells all lanes of the best that one has found. */
    private void share() {
        ChoiceSearch first = lanes.getFirst();
        lanes.forEach(first::heed);
        lanes.forEach(lane -> lane.heed(first));
    }

    /** All choices of p paints with two as their first. */
    private void choices(ChoiceSearch lane, @Nullable ChoiceBound bound, int p, int i, int j) {
        if (p == 2) {
            if (limits.hasMusts(i, j)) {
                lane.search(i, j);
            }
            return;
        }
        ChoiceBound.@Nullable Choices choices = bound == null ? null : bound.choices();
        for (int k = j + 1; k < mix.paints(); k++) {
            if (!limits.together(i, k) || !limits.together(j, k)) {
                continue;
            }
            if (choices != null) {
                choices.choose(i, j, k);
            }
            if (p == 4) {
                fourth(lane, choices, i, j, k);
            } else if (limits.hasMusts(i, j, k) && (choices == null || !choices.prunesThree())) {
                lane.search(i, j, k);
            }
        }
    }

    private void fourth(
            ChoiceSearch lane, ChoiceBound.@Nullable Choices choices, int i, int j, int k) {
        for (int l = k + 1; l < mix.paints(); l++) {
            if ((choices == null || !choices.prunes(l))
                    && limits.together(i, l)
                    && limits.together(j, l)
                    && limits.together(k, l)
                    && limits.hasMusts(i, j, k, l)) {
                lane.search(i, j, k, l);
            }
        }
    }
}
