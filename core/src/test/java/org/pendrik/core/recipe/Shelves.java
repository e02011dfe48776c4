package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.paint.Surface;

/** Shelves that nobody has, and questions to them. */
public final class Shelves {
    public static final Surface FLAT = Surface.of("flat");

    private Shelves() {}

    /** A white, a black, and paints all over the colours that paints have. */
    public static List<Ingredient> random(int paints, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        List<Ingredient> out = new ArrayList<>();
        out.add(bottle("white", new Lab(95, -0.5, 2), 0.9));
        out.add(bottle("black", new Lab(24, 0.5, 0.5), 0.999));
        while (out.size() < paints) {
            double hue = r.nextDouble() * 2 * Math.PI;
            double chroma = Math.sqrt(r.nextDouble()) * (r.nextDouble() < 0.3 ? 60 : 30);
            Lab lab =
                    new Lab(
                            27 + 60 * r.nextDouble(),
                            chroma * Math.cos(hue),
                            chroma * Math.sin(hue));
            if (Srgb.inGamut(lab)) {
                out.add(bottle("paint " + out.size(), lab, 0.7 + 0.28 * r.nextDouble()));
            }
        }
        return out;
    }

    public static Ingredient bottle(String name, Lab colour, double hiding) {
        return Ingredient.of(name, name, "acrylic", Paint.estimated(colour, FLAT, hiding, 10));
    }

    public static Lab target(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Lab lab;
        do {
            double hue = r.nextDouble() * 2 * Math.PI;
            double chroma = Math.sqrt(r.nextDouble()) * (seed % 3 == 0 ? 70 : 30);
            lab = new Lab(25 + 60 * r.nextDouble(), chroma * Math.cos(hue), chroma * Math.sin(hue));
        } while (!Srgb.inGamut(lab));
        return lab;
    }

    public static RecipeQuestion question(
            Lab target, List<Ingredient> shelf, int paints, int drops, boolean exact) {
        return new RecipeQuestion(
                SpectrumFit.of(target).reflectance(),
                Light.D65,
                FLAT,
                shelf,
                new RecipeQuestion.Rules(paints, drops, Set.of(), Set.of(), 0, 10),
                exact);
    }
}
