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
    /**
     * CIEDE2000 divides a difference in lightness by 1 + 0.015 d² / √(20 + d²), where d is how far
     * their mean lies from 50: by no more than this. What is left of it is the least that the whole
     * difference can be.
     */
    private static final double MOST_WEIGHT = 1 + 0.015 * 2500 / Math.sqrt(2520);

    private final RecipeQuestion q;
    private final Predicate<int[]> allowed;
    private final Lab target;
    private final double[][] k;
    private final double[][] s;
    private final double[][] w;
    private final double[] white;
    private final double[][] absorbed;
    private final double[][] scattered;
    private final double[] seen = new double[Reflectance.BANDS];
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
        absorbed = new double[q.limits().mostPaints() + 1][Reflectance.BANDS];
        scattered = new double[q.limits().mostPaints() + 1][Reflectance.BANDS];
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

    /**
     * Tries what begins with the first {@code paints} of {@code d}, the sums of which stand in the
     * rows of that number.
     */
    private void fill(int[] d, int from, int paints, int left) {
        if (paints > 0 && allowed.test(d)) {
            best = Math.min(best, off(absorbed[paints], scattered[paints]));
        }
        if (paints == q.limits().mostPaints()) {
            return;
        }
        for (int i = from; i < d.length; i++) {
            for (int x = 1; x <= left; x++) {
                d[i] = x;
                double amount = x * q.shelf().get(i).weight();
                add(absorbed[paints], amount, k[i], absorbed[paints + 1]);
                add(scattered[paints], amount, s[i], scattered[paints + 1]);
                fill(d, i + 1, paints + 1, left - x);
            }
            d[i] = 0;
        }
    }

    private static void add(double[] before, double amount, double[] paint, double[] after) {
        for (int b = 0; b < after.length; b++) {
            after[b] = before[b] + amount * paint[b];
        }
    }

    /** ΔE00 of a mix; infinite when its lightness alone is further off than the best. */
    private double off(double[] kk, double[] ss) {
        double veil = q.surface().veil();
        double through = q.surface().through();
        double inner = q.surface().inner();
        for (int b = 0; b < seen.length; b++) {
            double inside = KubelkaMunk.masstone(kk[b] / ss[b]);
            seen[b] = veil + through * inside / (1 - inner * inside);
        }
        double y = 0;
        for (int b = 0; b < seen.length; b++) {
            y += w[1][b] * seen[b];
        }
        double lightness = Srgb.relativeToLab(1, y / white[1], 1).l();
        if (Math.abs(lightness - target.l()) > MOST_WEIGHT * best) {
            return Double.POSITIVE_INFINITY;
        }
        double x = 0;
        double z = 0;
        for (int b = 0; b < seen.length; b++) {
            x += w[0][b] * seen[b];
            z += w[2][b] * seen[b];
        }
        return ColourDifference.ciede2000(
                target, Srgb.relativeToLab(x / white[0], y / white[1], z / white[2]));
    }
}
