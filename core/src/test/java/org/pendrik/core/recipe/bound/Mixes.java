package org.pendrik.core.recipe.bound;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.recipe.Shelves;

/** Mixes of a shelf, by the arithmetic of the bounds and without it. */
public record Mixes(List<Ingredient> shelf, MixColour mix) {
    public static Mixes of(List<Ingredient> shelf) {
        double[][] k = new double[shelf.size()][];
        double[][] s = new double[shelf.size()][];
        for (int i = 0; i < k.length; i++) {
            double weight = shelf.get(i).millilitresPerDrop() * shelf.get(i).strength();
            k[i] = Arrays.stream(shelf.get(i).paint().absorbs()).map(x -> x * weight).toArray();
            s[i] = Arrays.stream(shelf.get(i).paint().scatters()).map(x -> x * weight).toArray();
        }
        return new Mixes(shelf, new MixColour(k, s, Light.D65, Shelves.FLAT));
    }

    /** The mix of some drops as a recipe: nothing of it is computed by {@link MixColour}. */
    public Recipe recipe(int[] paints, int[] drops) {
        var parts =
                IntStream.range(0, paints.length)
                        .mapToObj(i -> new Recipe.Part(shelf.get(paints[i]), drops[i]))
                        .toList();
        return Recipe.of(parts, Shelves.FLAT);
    }

    public double off(int[] paints, int[] drops, Lab target) {
        Lab seen = Light.D65.lab(recipe(paints, drops).seen());
        return ColourDifference.ciede2000(target, seen);
    }

    /** K/S of a coat with a colour. */
    public static float[] ratio(Lab colour) {
        var inside = Shelves.FLAT.inside(SpectrumFit.of(colour).reflectance());
        float[] out = new float[MixColour.BANDS];
        for (int b = 0; b < out.length; b++) {
            out[b] = (float) KubelkaMunk.ratio(inside.at(b));
        }
        return out;
    }

    /** Different paints at random. */
    public int[] choice(int p, SplittableRandom r) {
        return r.ints(0, shelf.size()).distinct().limit(p).toArray();
    }

    /** What would be better than a recipe that is so far off, wherever that is. */
    public Relaxation relaxation(Lab target, double off, SplittableRandom r) {
        Lab incumbent = NearColoursTest.near(target, 2 * off, r);
        return new Relaxation(mix, target, off, 0.1, incumbent);
    }
}
