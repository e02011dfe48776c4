package org.pendrik.core.shelf;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.recipe.Recipe;

/**
 * What a test card teaches: a mix came out otherwise than predicted, so its paints are stronger or
 * weaker than their swatches say.
 *
 * <p>Strengths are log-normal about what they are now (sd {@value #PRIOR_SD}), colours are read to
 * {@value #READING_SD} in L*, a* and b*. The most likely strengths are found by Gauss–Newton steps
 * (C. D. Rodgers, "Inverse Methods for Atmospheric Sounding", World Scientific 2000, chapter 5).
 * Only strengths beside each other change a mix, so a mix of one paint teaches nothing. What no
 * strength explains is left over, and told.
 *
 * @param strengths by key of the bottle, as learned
 * @param predicted what the recipe was to be
 * @param explained what it is with the new strengths
 * @param left ΔE00 between that and what was seen
 */
public record TestCard(Map<String, Double> strengths, Lab predicted, Lab explained, double left) {
    private static final double PRIOR_SD = 0.25;
    private static final double READING_SD = 1;
    private static final int STEPS = 12;
    private static final double NUDGE = 1e-4;

    /** What is learned from a recipe that was seen to have a colour, under D65. */
    public static TestCard learn(Recipe recipe, Surface surface, Lab seen) {
        int n = recipe.parts().size();
        double[] change = new double[n];
        Lab predicted = colour(recipe, surface, change);
        for (int step = 0; step < STEPS && n > 1; step++) {
            Lab now = colour(recipe, surface, change);
            double[][] slopes = new double[n][];
            for (int i = 0; i < n; i++) {
                double[] nudged = change.clone();
                nudged[i] += NUDGE;
                Lab c = colour(recipe, surface, nudged);
                slopes[i] =
                        new double[] {
                            (c.l() - now.l()) / NUDGE,
                            (c.a() - now.a()) / NUDGE,
                            (c.b() - now.b()) / NUDGE
                        };
            }
            double[] off = {seen.l() - now.l(), seen.a() - now.a(), seen.b() - now.b()};
            DMatrixRMaj m = new DMatrixRMaj(n, n);
            DMatrixRMaj v = new DMatrixRMaj(n, 1);
            for (int i = 0; i < n; i++) {
                double right = -change[i] / (PRIOR_SD * PRIOR_SD);
                for (int x = 0; x < 3; x++) {
                    right += slopes[i][x] * off[x] / (READING_SD * READING_SD);
                }
                v.set(i, 0, right);
                for (int j = 0; j < n; j++) {
                    double sum = i == j ? 1 / (PRIOR_SD * PRIOR_SD) : 0;
                    for (int x = 0; x < 3; x++) {
                        sum += slopes[i][x] * slopes[j][x] / (READING_SD * READING_SD);
                    }
                    m.set(i, j, sum);
                }
            }
            DMatrixRMaj by = new DMatrixRMaj(n, 1);
            CommonOps_DDRM.solve(m, v, by);
            for (int i = 0; i < n; i++) {
                change[i] = Math.clamp(change[i] + by.get(i), -1.5, 1.5);
            }
        }
        Lab explained = colour(recipe, surface, change);
        Map<String, Double> out = new LinkedHashMap<>();
        for (int i = 0; i < n; i++) {
            Ingredient b = recipe.parts().get(i).bottle();
            out.put(b.key(), Math.clamp(b.strength() * Math.exp(change[i]), 0.1, 10));
        }
        return new TestCard(out, predicted, explained, ColourDifference.ciede2000(explained, seen));
    }

    private static Lab colour(Recipe recipe, Surface surface, double[] change) {
        List<Recipe.Part> parts = new ArrayList<>();
        for (int i = 0; i < recipe.parts().size(); i++) {
            Recipe.Part p = recipe.parts().get(i);
            Ingredient b = p.bottle();
            parts.add(
                    new Recipe.Part(
                            new Ingredient(
                                    b.key(),
                                    b.name(),
                                    b.family(),
                                    b.paint(),
                                    b.millilitresPerDrop(),
                                    Math.clamp(b.strength() * Math.exp(change[i]), 0.1, 10),
                                    1),
                            p.drops()));
        }
        return Light.D65.lab(Recipe.of(parts, surface).seen());
    }
}
