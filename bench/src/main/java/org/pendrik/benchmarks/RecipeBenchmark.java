package org.pendrik.benchmarks;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.Warmup;
import org.pendrik.core.colour.Ciede2000;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.recipe.RecipeAnswer;
import org.pendrik.core.recipe.RecipeQuestion;
import org.pendrik.core.recipe.RecipeSearch;
import org.pendrik.core.units.Watch;

/**
 * The best of all recipes of four of sixty paints, proven within 0.1, for one target after the
 * other of those that the shelf reaches or does not; beside it, trying recipes one by one. Trying
 * all of twelve drops would take minutes, so the peer tries one in {@value #ONE_IN} and counts as
 * that many times as much.
 */
@Warmup(iterations = 1, time = 4)
@Measurement(iterations = 2, time = 8)
public class RecipeBenchmark extends Timed {
    /** The peer tries one choice of paints in this many. */
    static final int ONE_IN = 500;

    private static final int PAINTS = 60;
    static final int TARGETS = 12;
    private static final int BANDS = 36;
    static final Surface FLAT = Surface.of("flat");

    /** Whether the shelf reaches the targets. */
    @Param({"within", "beyond"})
    private String reach;

    /** Drops at most. */
    @Param({"12", "20"})
    private int drops;

    private List<Ingredient> shelf = List.of();
    private List<Lab> targets = List.of();
    private int next;
    private double[][] k = new double[0][];
    private double[][] s = new double[0][];

    @Setup
    public void fill() {
        SplittableRandom r = new SplittableRandom(7);
        shelf = shelf(PAINTS, r);
        targets = targets(reach, r);
        k = shelf.stream().map(i -> i.paint().absorbs()).toArray(double[][]::new);
        s = shelf.stream().map(i -> i.paint().scatters()).toArray(double[][]::new);
    }

    /** A white, a black, and paints all over. */
    static List<Ingredient> shelf(int paints, SplittableRandom r) {
        List<Ingredient> out = new ArrayList<>();
        out.add(bottle("white", new Lab(95, -0.5, 2), 0.9));
        out.add(bottle("black", new Lab(24, 0.5, 0.5), 0.999));
        while (out.size() < paints) {
            Lab c = colour(r, r.nextDouble() < 0.3 ? 60 : 30);
            if (Srgb.inGamut(c)) {
                out.add(bottle("paint " + out.size(), c, 0.7 + 0.28 * r.nextDouble()));
            }
        }
        return out;
    }

    /** Targets between the paints, or more vivid than they. */
    static List<Lab> targets(String reach, SplittableRandom r) {
        boolean beyond = reach.equals("beyond");
        List<Lab> out = new ArrayList<>();
        while (out.size() < TARGETS) {
            Lab c = colour(r, beyond ? 80 : 25);
            boolean far = c.chroma() > 65;
            if (Srgb.inGamut(c) && far == beyond) {
                out.add(c);
            }
        }
        return out;
    }

    private static Lab colour(SplittableRandom r, double most) {
        double hue = r.nextDouble() * 2 * Math.PI;
        double chroma = Math.sqrt(r.nextDouble()) * most;
        return new Lab(30 + 50 * r.nextDouble(), chroma * Math.cos(hue), chroma * Math.sin(hue));
    }

    private static Ingredient bottle(String name, Lab colour, double hiding) {
        return Ingredient.of(name, name, "acrylic", Paint.estimated(colour, FLAT, hiding, 10));
    }

    /** The search, for the next target. */
    @Benchmark
    public RecipeAnswer recipe() {
        return search(targets.get(next++ % TARGETS), shelf, drops);
    }

    static RecipeAnswer search(Lab target, List<Ingredient> shelf, int drops) {
        return RecipeSearch.search(
                new RecipeQuestion(
                        SpectrumFit.of(target).reflectance(),
                        Light.D65,
                        FLAT,
                        shelf,
                        new RecipeQuestion.Rules(4, drops, Set.of(), Set.of(), 0, 10),
                        false),
                Watch.NOBODY);
    }

    /** One choice in {@value #ONE_IN}, every recipe of four of it. */
    @Benchmark
    public double someRecipes() {
        Lab target = targets.get(next++ % TARGETS);
        double[][] w = Light.D65.bandWeights();
        double[] white = Light.D65.white();
        double best = Double.POSITIVE_INFINITY;
        int at = 0;
        for (int a = 0; a < PAINTS; a++) {
            for (int b = a + 1; b < PAINTS; b++) {
                for (int c = b + 1; c < PAINTS; c++) {
                    for (int d = c + 1; d < PAINTS; d++) {
                        if (at++ % ONE_IN == 0) {
                            best = Math.min(best, choice(a, b, c, d, target, w, white));
                        }
                    }
                }
            }
        }
        return best;
    }

    private double choice(int a, int b, int c, int d, Lab target, double[][] w, double[] white) {
        double best = Double.POSITIVE_INFINITY;
        for (int p = 1; p <= drops - 3; p++) {
            for (int q = 1; p + q <= drops - 2; q++) {
                for (int r = 1; p + q + r <= drops - 1; r++) {
                    for (int t = 1; p + q + r + t <= drops; t++) {
                        double x = 0;
                        double y = 0;
                        double z = 0;
                        for (int i = 0; i < BANDS; i++) {
                            double kk = p * k[a][i] + q * k[b][i] + r * k[c][i] + t * k[d][i];
                            double ss = p * s[a][i] + q * s[b][i] + r * s[c][i] + t * s[d][i];
                            double seen =
                                    FLAT.veil()
                                            + FLAT.through()
                                                    * ss
                                                    / ((1 - FLAT.inner()) * ss
                                                            + kk
                                                            + Math.sqrt(kk * (kk + 2 * ss)));
                            x += w[0][i] * seen;
                            y += w[1][i] * seen;
                            z += w[2][i] * seen;
                        }
                        Lab lab = Srgb.relativeToLab(x / white[0], y / white[1], z / white[2]);
                        best =
                                Math.min(
                                        best,
                                        Ciede2000.of(
                                                target.l(),
                                                target.a(),
                                                target.b(),
                                                lab.l(),
                                                lab.a(),
                                                lab.b()));
                    }
                }
            }
        }
        return best;
    }
}
