package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * All ratios of p paints in whole drops, each once: (1, 1) stands for (2, 2) too. They stand in a
 * tree of boxes of shares, so that those on one side of a plane are found without asking all.
 */
final class Lattice {
    /** Points of a box that is not cut again. */
    private static final int FEW = 6;

    /** Drops by point; unused paints have 0. */
    final int[][] drops;

    /** By paint, then point. */
    final double[][] share;

    /** Drops again, by paint, then point. */
    final float[][] floats;

    final Box all;

    /**
     * The points from {@code from} to before {@code end}, and the shares between which they lie.
     */
    static final class Box {
        final int from;
        final int end;
        final double[] least = new double[4];
        final double[] most = new double[4];
        final List<Box> halves;

        private Box(List<int[]> points, int from) {
            this.from = from;
            end = from + points.size();
            Arrays.fill(least, 1);
            for (int[] d : points) {
                int total = Arrays.stream(d).sum();
                for (int i = 0; i < 4; i++) {
                    least[i] = Math.min(least[i], (double) d[i] / total);
                    most[i] = Math.max(most[i], (double) d[i] / total);
                }
            }
            halves = points.size() <= FEW ? List.of() : halves(points);
        }

        /** Sorts the points by the share that spans most, and cuts in the middle. */
        private List<Box> halves(List<int[]> points) {
            int by = 0;
            for (int i = 1; i < 4; i++) {
                if (most[i] - least[i] > most[by] - least[by]) {
                    by = i;
                }
            }
            int paint = by;
            points.sort(
                    (a, b) ->
                            Integer.compare(
                                    a[paint] * Arrays.stream(b).sum(),
                                    b[paint] * Arrays.stream(a).sum()));
            int middle = points.size() / 2;
            return List.of(
                    new Box(points.subList(0, middle), from),
                    new Box(points.subList(middle, points.size()), from + middle));
        }

        /** The least that a linear form of the shares comes to in the box. */
        double least(double[] form) {
            double sum = 0;
            for (int i = 0; i < 4; i++) {
                sum += form[i] * (form[i] > 0 ? least[i] : most[i]);
            }
            return sum;
        }
    }

    Lattice(int p, int mostDrops) {
        List<int[]> points = new ArrayList<>();
        fill(new int[4], 0, p, mostDrops, points);
        all = new Box(points, 0);
        drops = points.toArray(int[][]::new);
        share = new double[4][drops.length];
        floats = new float[4][drops.length];
        for (int x = 0; x < drops.length; x++) {
            int total = Arrays.stream(drops[x]).sum();
            for (int i = 0; i < 4; i++) {
                share[i][x] = (double) drops[x][i] / total;
                floats[i][x] = drops[x][i];
            }
        }
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

    static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}
