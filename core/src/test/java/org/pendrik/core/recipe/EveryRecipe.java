package org.pendrik.core.recipe;

import java.util.List;
import java.util.function.Predicate;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Reflectance;

/** Tries every recipe there is: slow, and knows nothing of how the search goes. */
final class EveryRecipe {
    private final RecipeQuestion q;
    private final Predicate<int[]> allowed;
    private final Lab target;
    private final double[][] k;
    private final double[][] s;
    private final double[][] w;
    private final double[] white;
    private double best = Double.POSITIVE_INFINITY;

    private EveryRecipe(RecipeQuestion q, Predicate<int[]> allowed) {
        this.q = q;
        this.allowed = allowed;
        target = q.light().lab(q.target());
        List<Ingredient> shelf = q.shelf();
        k = shelf.stream().map(i -> i.paint().absorbs()).toArray(double[][]::new);
        s = shelf.stream().map(i -> i.paint().scatters()).toArray(double[][]::new);
        Light light = q.light();
        w = light.bandWeights();
        white = light.white();
    }

    /** The least ΔE00 that any allowed recipe has; infinite when there is none. */
    static double best(RecipeQuestion q, Predicate<int[]> allowed) {
        EveryRecipe e = new EveryRecipe(q, allowed);
        e.fill(new int[q.shelf().size()], 0, 0, q.limits().mostDrops());
        return e.best;
    }

    static double best(RecipeQuestion q) {
        return best(q, d -> true);
    }

    private void fill(int[] d, int from, int paints, int left) {
        if (paints > 0 && allowed.test(d)) {
            best = Math.min(best, off(d));
        }
        if (paints == q.limits().mostPaints()) {
            return;
        }
        for (int i = from; i < d.length; i++) {
            for (int x = 1; x <= left; x++) {
                d[i] = x;
                fill(d, i + 1, paints + 1, left - x);
            }
            d[i] = 0;
        }
    }

    private double off(int[] d) {
        double x = 0;
        double y = 0;
        double z = 0;
        for (int b = 0; b < Reflectance.BANDS; b++) {
            double kk = 0;
            double ss = 0;
            for (int i = 0; i < d.length; i++) {
                if (d[i] > 0) {
                    double amount = d[i] * q.shelf().get(i).weight();
                    kk += amount * k[i][b];
                    ss += amount * s[i][b];
                }
            }
            double inside = KubelkaMunk.masstone(kk / ss);
            double seen =
                    q.surface().veil()
                            + q.surface().through() * inside / (1 - q.surface().inner() * inside);
            x += w[0][b] * seen;
            y += w[1][b] * seen;
            z += w[2][b] * seen;
        }
        return ColourDifference.ciede2000(
                target, Srgb.relativeToLab(x / white[0], y / white[1], z / white[2]));
    }
}
