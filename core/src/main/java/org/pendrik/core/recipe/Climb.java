package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.pendrik.core.colour.Lab;

/**
 * A good recipe quickly, without proof: from the best single paints and pairs, one paint or one
 * drop is changed at a time, always to the best of all such changes, until none is better.
 */
final class Climb {
    private static final int STARTS = 6;

    private final Kernel kernel;
    private final Limits limits;
    private final Lab target;
    private final double[] kk = new double[Kernel.BANDS];
    private final double[] ss = new double[Kernel.BANDS];
    private final double[] r = new double[Kernel.BANDS];
    private final List<Found> ends = new ArrayList<>();

    Climb(Kernel kernel, Limits limits, Lab target) {
        this.kernel = kernel;
        this.limits = limits;
        this.target = target;
    }

    /** The best found; its drops by paint. Infinite when nothing is allowed. */
    Found best() {
        int n = kernel.paints;
        Found[] ones = new Found[n];
        for (int i = 0; i < n; i++) {
            int[] d = new int[n];
            d[i] = 1;
            ones[i] = judge(d);
        }
        Arrays.sort(ones, (a, b) -> Double.compare(a.off(), b.off()));
        Found[] starts = new Found[STARTS];
        Arrays.fill(starts, Found.NONE);
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
        if (limits.musts > 0) {
            withMusts(starts);
        }
        List<Found> from = new ArrayList<>(Arrays.asList(starts));
        for (Found f : ones) {
            if (f.off() <= ones[Math.min(2, n - 1)].off()) {
                from.add(f);
            }
        }
        from.parallelStream()
                .map(f -> new Climb(kernel, limits, target).climb(f))
                .filter(f -> f.off() < Double.POSITIVE_INFINITY)
                .forEachOrdered(ends::add);
        ends.sort(Comparator.comparingDouble(Found::off));
        return ends.isEmpty() ? Found.NONE : ends.getFirst();
    }

    /** What the climbs came to, best first. */
    List<Found> ends() {
        return ends;
    }

    /** Starts with a drop of all that must be in, alone and with one more paint. */
    private void withMusts(Found[] starts) {
        int n = kernel.paints;
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

    private static void put(Found[] list, Found f) {
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

    private static Found better(Found a, Found b) {
        return b.off() < a.off() ? b : a;
    }

    private Found climb(Found from) {
        Found best = from;
        while (best.off() < Double.POSITIVE_INFINITY) {
            Found next = step(best);
            if (next.off() >= best.off() - 1e-9) {
                return best;
            }
            best = next;
        }
        return best;
    }

    private Found step(Found from) {
        Found best = from;
        int n = kernel.paints;
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

    private Found judge(int[] d) {
        if (!limits.allow(d)) {
            return Found.NONE;
        }
        Arrays.fill(kk, 0);
        Arrays.fill(ss, 0);
        for (int i = 0; i < d.length; i++) {
            if (d[i] > 0) {
                double[] ki = kernel.k[i];
                double[] si = kernel.s[i];
                for (int b = 0; b < Kernel.BANDS; b++) {
                    kk[b] += d[i] * ki[b];
                    ss[b] += d[i] * si[b];
                }
            }
        }
        if (!limits.opaque(d, kk, ss)) {
            return Found.NONE;
        }
        kernel.seen(kk, ss, r);
        return new Found(d.clone(), kernel.difference(target, r));
    }
}
