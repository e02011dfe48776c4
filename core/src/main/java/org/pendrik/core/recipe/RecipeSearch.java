package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.recipe.bound.MixColour;
import org.pendrik.core.recipe.search.BranchAndBound;
import org.pendrik.core.recipe.search.Candidate;
import org.pendrik.core.recipe.search.Limits;
import org.pendrik.core.units.Rational;
import org.pendrik.core.units.Watch;

/**
 * The best recipe in whole drops, proven.
 *
 * <p>All recipes of up to four paints are searched by branch and bound: {@link
 * org.pendrik.core.recipe.search} finds and tries them, {@link org.pendrik.core.recipe.bound} rules
 * out what cannot be near.
 *
 * <p>Guarantee: nothing that the limits allow is nearer to the target than the answer minus the
 * tolerance, 0.1 or, exact, 0. It rests on the enclosure of the near colours, which is sampled with
 * a margin: shown by tests, not by a formula. Colours are of hiding coats in whole drops, never
 * rounded from fractions. The answer does not depend on how many processors work. Memory is
 * quadratic in the paints.
 */
public final class RecipeSearch {
    /** A drop's own scatter decides below this. */
    public static final double TOLERANCE = 0.1;

    private final RecipeQuestion question;
    private final Watch watch;
    private final List<Ingredient> shelf;
    private final MixColour mix;
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
        mix = new MixColour(k, s, question.light(), question.surface());
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
        Reflectance inside = question.surface().inside(question.target());
        float[] ratio = new float[MixColour.BANDS];
        for (int b = 0; b < ratio.length; b++) {
            ratio[b] = (float) KubelkaMunk.ratio(inside.at(b));
        }
        var found = BranchAndBound.search(mix, limits, target, ratio, tolerance, watch);
        double off = found.best().off();
        if (off == Double.POSITIVE_INFINITY) {
            return new RecipeAnswer.None(
                    found.proven()
                            ? "No mix of these bottles keeps to all limits: what must be in, which families"
                                    + " share a cup, what is left in the bottles, and how opaque it has to"
                                    + " be."
                            : "No mix was found in the time there was. Allow fewer bottles or fewer drops.");
        }
        double within = found.proven() ? Math.min(tolerance, off) : off;
        return new RecipeAnswer.Proven(
                recipe(found.best()), off, within, found.choices(), found.tried());
    }

    /** The fewest drops in its ratio: 1 and 2, not 3 and 6. */
    private Recipe recipe(Candidate found) {
        int common = Rational.commonDivisor(found.drops());
        List<Recipe.Part> parts = new ArrayList<>();
        for (int i = 0; i < found.drops().length; i++) {
            if (found.drops()[i] > 0) {
                parts.add(new Recipe.Part(shelf.get(i), found.drops()[i] / common));
            }
        }
        return Recipe.of(parts, question.surface());
    }
}
