package org.pendrik.core.recipe.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.recipe.bound.MixColour;

/**
 * A good recipe quickly, without proof: from the best single paints and pairs, one paint or one
 * drop is changed at a time, always to the best of all such changes, until none is better.
 */
final class Climb {
    private static final int STARTS = 6;

    private final MixColour mix;
    private final Limits limits;
    private final Lab target;
    private final int[] paints;
    private final double[] kk = new double[MixColour.BANDS];
    private final double[] ss = new double[MixColour.BANDS];

    Climb(MixColour mix, Limits limits, Lab target) {
        this.mix = mix;
        this.limits = limits;
        paints = IntStream.range(0, mix.paints()).toArray();
        this.target = target;
    }

    /** The best found; its drops by paint. Infinite when nothing is allowed. */
    Candidate best() {
        int n = mix.paints();
        Candidate[] ones = new Candidate[n];
        for (int i = 0; i < n; i++) {
            int[] d = new int[n];
            d[i] = 1;
            ones[i] = judge(d);
        }
        Arrays.sort(ones, (a, b) -> Double.compare(a.off(), b.off()));
        Candidate[] starts = new Candidate[STARTS];
        Arrays.fill(starts, Candidate.NONE);
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                for (int[] share : new int[][] {{1, 1}, {1, 3}, {3, 1}, {1, 8}, {8, 1}}) {
                    int[] d = new int[n];
                    d[i] = share[0];
                    d[j] = share[1];
                    put(starts, judge(d));
                }
            }
        }
        if (limits.musts() > 0) {
            withMusts(starts);
        }
        List<Candidate> from = new ArrayList<>(Arrays.asList(starts));
        for (Candidate f : ones) {
            if (f.off() <= ones[Math.min(2, n - 1)].off()) {
                from.add(f);
            }
        }
        return from.parallelStream()
                .map(f -> new Climb(mix, limits, target).climb(f))
                .min(Comparator.comparingDouble(Candidate::off))
                .orElse(Candidate.NONE);
    }

    /** Starts with a drop of all that must be in, alone and with one more paint. */
    private void withMusts(Candidate[] starts) {
        int n = mix.paints();
        for (int i = -1; i < n; i++) {
            for (int many = 1; many <= 4; many += 3) {
                int[] d = new int[n];
                for (int j = 0; j < n; j++) {
                    d[j] = limits.must(j) ? 1 : 0;
                }
                if (i >= 0) {
                    d[i] += many;
                }
                put(starts, judge(d));
            }
        }
    }

    private static void put(Candidate[] list, Candidate f) {
        if (f.off() >= list[list.length - 1].off()) {
            return;
        }
        int at = list.length - 1;
        while (at > 0 && list[at - 1].off() > f.off()) {
            list[at] = list[at - 1];
            at--;
        }
        list[at] = f;
    }

    private static Candidate better(Candidate a, Candidate b) {
        return b.off() < a.off() ? b : a;
    }

    private Candidate climb(Candidate from) {
        Candidate best = from;
        while (best.off() < Double.POSITIVE_INFINITY) {
            Candidate next = step(best);
            if (next.off() >= best.off() - 1e-9) {
                return best;
            }
            best = next;
        }
        return best;
    }

    private Candidate step(Candidate from) {
        Candidate best = from;
        int n = mix.paints();
        int[] d = from.drops().clone();
        for (int i = 0; i < n; i++) {
            d[i]++;
            best = better(best, judge(d));
            for (int j = 0; j < n; j++) {
                if (j != i && d[j] > 0) {
                    d[j]--;
                    best = better(best, judge(d));
                    if (d[j] > 0 && d[i] == 1) {
                        int all = d[j];
                        d[i] += all;
                        d[j] = 0;
                        best = better(best, judge(d));
                        d[j] = all;
                        d[i] -= all;
                    }
                    d[j]++;
                }
            }
            d[i]--;
            if (d[i] > 0) {
                d[i]--;
                best = better(best, judge(d));
                d[i]++;
            }
        }
        return best;
    }

    private Candidate judge(int[] d) {
        if (!limits.allow(d)) {
            return Candidate.NONE;
        }
        mix.add(paints, d, kk, ss);
        if (!limits.opaque(d, kk, ss)) {
            return Candidate.NONE;
        }
        return new Candidate(d.clone(), ColourDifference.ciede2000(target, mix.colour(kk, ss)));
    }
}
