package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * All ratios of p paints in whole drops, each once: (1, 1) stands for (2, 2) too. Sorted by the
 * share of each paint, so that those in a span of one share are found at once.
 */
final class Lattice {
    /** Drops by point; unused paints have 0. */
    final int[][] drops;

    /** By paint the points in order of its share, and those shares. */
    final int[][] order;

    final double[][] sorted;

    /** By paint, then point. */
    final double[][] share;

    Lattice(int p, int mostDrops) {
        List<int[]> all = new ArrayList<>();
        fill(new int[4], 0, p, mostDrops, all);
        drops = all.toArray(int[][]::new);
        share = new double[4][drops.length];
        for (int x = 0; x < drops.length; x++) {
            int total = Arrays.stream(drops[x]).sum();
            for (int i = 0; i < 4; i++) {
                share[i][x] = (double) drops[x][i] / total;
            }
        }
        order = new int[p][];
        sorted = new double[p][];
        for (int i = 0; i < p; i++) {
            double[] by = share[i];
            List<Integer> points = new ArrayList<>();
            for (int x = 0; x < drops.length; x++) {
                points.add(x);
            }
            points.sort(Comparator.comparingDouble(x -> by[x]));
            order[i] = points.stream().mapToInt(x -> x).toArray();
            sorted[i] = points.stream().mapToDouble(x -> by[x]).toArray();
        }
    }

    /** The first place in the order of a paint's share that is not below a share. */
    int from(int paint, double least) {
        double[] s = sorted[paint];
        int low = 0;
        int high = s.length;
        while (low < high) {
            int mid = (low + high) >>> 1;
            if (s[mid] < least) {
                low = mid + 1;
            } else {
                high = mid;
            }
        }
        return low;
    }

    private static void fill(int[] d, int at, int p, int left, List<int[]> all) {
        if (at == p) {
            if (gcd(gcd(d[0], d[1]), gcd(d[2], d[3])) == 1) {
                all.add(d.clone());
            }
            return;
        }
        for (int x = 1; x <= left - (p - at - 1); x++) {
            d[at] = x;
            fill(d, at + 1, p, left - x, all);
        }
        d[at] = 0;
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}
