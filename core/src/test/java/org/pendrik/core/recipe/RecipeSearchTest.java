package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.CancellationException;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.recipe.RecipeAnswer.Proven;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Watch;
import org.testng.annotations.Test;

public class RecipeSearchTest {
    private static Proven proven(RecipeQuestion q) {
        return (Proven) RecipeSearch.search(q, Watch.NOBODY);
    }

    @Test
    public void isTheBestOfAllRecipesOnAHundredShelves() {
        IntStream.range(0, 100)
                .parallel()
                .forEach(
                        seed -> {
                            RecipeQuestion q =
                                    Shelves.question(
                                            Shelves.target(seed),
                                            Shelves.random(12, seed),
                                            4,
                                            12,
                                            true);
                            double best = EveryRecipe.best(q);
                            Proven exact = proven(q);
                            assertEquals(exact.deltaE00(), best, 1e-9, "shelf " + seed);
                            assertEquals(exact.recipe().off(q.target(), q.light()), best, 1e-9);
                            Proven near =
                                    proven(
                                            Shelves.question(
                                                    Shelves.target(seed), q.shelf(), 4, 12, false));
                            assertTrue(near.deltaE00() <= best + 0.1 + 1e-9, "shelf " + seed);
                            assertTrue(near.within() <= 0.1);
                        });
    }

    /** Up to the last cells of the lattice: 2,000 and 4,600 recipes of each four paints. */
    @Test
    public void isTheBestOfManyDrops() {
        for (int drops = 16; drops <= 20; drops += 4) {
            int most = drops;
            IntStream.range(0, 16)
                    .parallel()
                    .forEach(
                            seed -> {
                                var shelf = Shelves.random(7, seed + 300L);
                                Lab target = Shelves.target(seed + 40L);
                                var exact = Shelves.question(target, shelf, 4, most, true);
                                double best = EveryRecipe.best(exact);
                                assertEquals(proven(exact).deltaE00(), best, 1e-9, "of " + seed);
                                var near = Shelves.question(target, shelf, 4, most, false);
                                assertTrue(proven(near).deltaE00() <= best + 0.1 + 1e-9);
                            });
        }
    }

    /** Vivid blues that no mix comes near: CIEDE2000 then has near colours beyond grey, too. */
    @Test
    public void isTheBestFarOutOfReach() {
        IntStream.range(0, 24).parallel().forEach(seed -> isTheBestOfBlue(seed));
    }

    static void isTheBestOfBlue(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        Lab blue;
        do {
            blue =
                    new Lab(
                            25 + 35 * r.nextDouble(),
                            25 + 35 * r.nextDouble(),
                            -35 - 40 * r.nextDouble());
        } while (!Srgb.inGamut(blue));
        RecipeQuestion q = Shelves.question(blue, Shelves.random(12, seed + 900), 4, 10, true);
        assertEquals(proven(q).deltaE00(), EveryRecipe.best(q), 1e-9, "blue " + seed);
    }

    /** Paints whose S runs in any way, drops of any size, other lights and surfaces. */
    @Test
    public void isTheBestWithMeasuredPaintsToo() {
        for (int seed = 0; seed < 12; seed++) {
            SplittableRandom r = new SplittableRandom(seed);
            List<Ingredient> shelf = new ArrayList<>();
            for (Ingredient i : Shelves.random(8, seed + 500)) {
                double[] s = i.paint().scatters();
                double[] k = i.paint().absorbs();
                double tilt = r.nextDouble() * 3 - 1;
                for (int b = 0; b < s.length; b++) {
                    double by = Math.pow(0.5 + (double) b / s.length, tilt);
                    s[b] *= by;
                    k[b] *= by * (0.7 + 0.6 * r.nextDouble());
                }
                shelf.add(
                        new Ingredient(
                                i.key(),
                                i.name(),
                                i.family(),
                                Paint.of(k, s, Paint.Origin.GROUNDS),
                                0.03 + 0.04 * r.nextDouble(),
                                0.6 + r.nextDouble(),
                                1));
            }
            Light light = List.of(Light.values()).get(seed % 5);
            RecipeQuestion q =
                    new RecipeQuestion(
                            SpectrumFit.of(Shelves.target(seed)).reflectance(),
                            light,
                            org.pendrik.core.paint.Surface.of(seed % 2 == 0 ? "gloss" : "flat"),
                            shelf,
                            new RecipeQuestion.Rules(4, 10, Set.of(), Set.of(), 0, 10),
                            true);
            assertEquals(proven(q).deltaE00(), EveryRecipe.best(q), 1e-9, "shelf " + seed);
        }
    }

    @Test
    public void keepsToAllLimits() {
        List<Ingredient> shelf = new ArrayList<>();
        List<Ingredient> plain = Shelves.random(9, 71);
        for (int i = 0; i < plain.size(); i++) {
            Ingredient p = plain.get(i);
            shelf.add(
                    new Ingredient(
                            p.key(),
                            p.name(),
                            i % 3 == 0 ? "enamel" : i % 3 == 1 ? "acrylic" : "oil",
                            p.paint(),
                            0.05,
                            1,
                            i == 2 || i == 3 ? 0.25 : 1));
        }
        for (int seed = 0; seed < 10; seed++) {
            RecipeQuestion q =
                    new RecipeQuestion(
                            SpectrumFit.of(Shelves.target(seed)).reflectance(),
                            Light.D65,
                            Shelves.FLAT,
                            shelf,
                            new RecipeQuestion.Rules(
                                    4,
                                    8,
                                    Set.of(plain.get(3).key()),
                                    Set.of("enamel", "oil"),
                                    0.9,
                                    10),
                            true);
            Proven p = proven(q);
            double best = EveryRecipe.best(q, d -> allowed(d, shelf));
            assertEquals(p.deltaE00(), best, 1e-9, "target " + seed);
            assertTrue(p.recipe().paint().hiding(10) >= 0.9);
            assertTrue(
                    p.recipe().parts().stream()
                            .noneMatch(x -> x.bottle().family().equals("acrylic")));
        }
    }

    private static boolean allowed(int[] d, List<Ingredient> shelf) {
        int total = IntStream.of(d).sum();
        List<Recipe.Part> parts = new ArrayList<>();
        for (int i = 0; i < d.length; i++) {
            if (d[i] > 0) {
                parts.add(new Recipe.Part(shelf.get(i), d[i]));
                if (d[i] > shelf.get(i).mostShare() * total + 1e-9) {
                    return false;
                }
                // bottle 3 must be in, is enamel, and mixes with oil
                if (i % 3 == 1) {
                    return false;
                }
            }
        }
        return d[3] > 0 && Recipe.of(parts, Shelves.FLAT).paint().hiding(10) >= 0.9;
    }

    @Test
    public void sameQuestionSameAnswer() {
        RecipeQuestion q = Shelves.question(Shelves.target(7), Shelves.random(24, 7), 4, 10, false);
        Proven one = proven(q);
        Proven two = proven(q);
        assertEquals(one.recipe().parts(), two.recipe().parts());
        assertEquals(one.tried(), two.tried());
    }

    /** Two drops for one that a rounded fraction would miss. */
    @Test
    public void isBestInWholeDropsNotRounded() {
        Ingredient white = Shelves.bottle("white", new Lab(95, 0, 2), 0.9);
        Ingredient black = Shelves.bottle("black", new Lab(20, 0, 0), 0.999);
        Ingredient red = Shelves.bottle("red", new Lab(40, 55, 35), 0.9);
        List<Ingredient> shelf = List.of(white, black, red);
        for (int l = 30; l <= 80; l += 10) {
            RecipeQuestion q = Shelves.question(new Lab(l, 12, 8), shelf, 3, 7, true);
            assertEquals(proven(q).deltaE00(), EveryRecipe.best(q), 1e-9);
        }
    }

    @Test
    public void saysWhenNothingIsAllowed() {
        List<Ingredient> shelf = Shelves.random(5, 3);
        RecipeQuestion q =
                new RecipeQuestion(
                        SpectrumFit.of(new Lab(60, 5, 5)).reflectance(),
                        Light.D65,
                        Shelves.FLAT,
                        List.of(shelf.get(2), shelf.get(3)),
                        new RecipeQuestion.Rules(2, 4, Set.of(), Set.of(), 0.999, 1),
                        false);
        RecipeAnswer a = RecipeSearch.search(q, Watch.NOBODY);
        assertTrue(a instanceof RecipeAnswer.None n && n.reason().contains("opaque"), a + "");
    }

    @Test
    public void canBeStopped() {
        RecipeQuestion q =
                Shelves.question(new Lab(50, 70, -50), Shelves.random(40, 2), 4, 12, false);
        assertThrows(
                CancellationException.class,
                () ->
                        RecipeSearch.search(
                                q,
                                (what, share) -> {
                                    if (share > 0.3) {
                                        throw new CancellationException(what);
                                    }
                                }));
    }

    @Test
    public void badQuestionsAreRefusedByName() {
        List<Ingredient> shelf = Shelves.random(3, 1);
        assertThrows(
                InvalidInput.class,
                () -> Shelves.question(new Lab(50, 0, 0), List.of(), 4, 12, true));
        assertThrows(
                InvalidInput.class, () -> Shelves.question(new Lab(50, 0, 0), shelf, 5, 12, true));
        assertThrows(
                InvalidInput.class, () -> Shelves.question(new Lab(50, 0, 0), shelf, 4, 21, true));
        assertThrows(
                InvalidInput.class,
                () ->
                        Shelves.question(
                                new Lab(50, 0, 0),
                                List.of(shelf.get(0), shelf.get(0)),
                                4,
                                12,
                                true));
        assertThrows(
                InvalidInput.class,
                () -> new Ingredient("a", "a", "f", shelf.get(0).paint(), 0, 1, 1));
    }

    @Test
    public void frontHasOnlyWhatNothingBeats() {
        RecipeQuestion q =
                Shelves.question(new Lab(45, 12, 18), Shelves.random(14, 5), 4, 12, true);
        List<RecipeFront.Simple> front = RecipeFront.of(q, 3, 3, Watch.NOBODY);
        assertTrue(front.size() > 1, "front of " + front.size());
        for (RecipeFront.Simple a : front) {
            assertTrue(a.deltaE00() <= 3);
            for (RecipeFront.Simple b : front) {
                assertTrue(a.equals(b) || !a.beats(b), a + " beats " + b);
            }
        }
    }

    @Test
    public void aMissingPaintIsNamed() {
        List<Ingredient> greys =
                List.of(
                        Shelves.bottle("white", new Lab(95, 0, 2), 0.9),
                        Shelves.bottle("black", new Lab(20, 0, 0), 0.999),
                        Shelves.bottle("brown", new Lab(35, 12, 15), 0.97));
        RecipeQuestion q = Shelves.question(new Lab(40, 55, 38), greys, 4, 12, false);
        double reached = proven(q).deltaE00();
        assertTrue(reached > 10);
        MissingPaint.Help help = MissingPaint.of(q, reached).orElseThrow();
        assertEquals(help.name(), "bright red");
        assertTrue(help.deltaE00() < reached / 2);
        RecipeQuestion easy = Shelves.question(new Lab(35, 12, 15), greys, 4, 12, false);
        assertTrue(MissingPaint.of(easy, proven(easy).deltaE00()).isEmpty());
    }

    @Test
    public void aDropMoreIsToldInWords() {
        Ingredient white = Shelves.bottle("white", new Lab(95, 0, 2), 0.9);
        Ingredient black = Shelves.bottle("black", new Lab(20, 0, 0), 0.999);
        Ingredient yellow = Shelves.bottle("yellow", new Lab(80, 5, 75), 0.9);
        Recipe mix =
                Recipe.of(
                        List.of(
                                new Recipe.Part(white, 4),
                                new Recipe.Part(yellow, 3),
                                new Recipe.Part(black, 1)),
                        Shelves.FLAT);
        List<RecipeWorking.Effect> effects = RecipeWorking.of(mix, Shelves.FLAT, Light.D65);
        assertEquals(effects.getFirst().part().bottle().name(), "white");
        RecipeWorking.Effect dark = effects.getLast();
        assertTrue(dark.more().words().contains("darker"), dark.more().words());
        assertTrue(dark.more().difference().deltaL() < 0);
        assertTrue(effects.get(0).more().words().contains("lighter"));
        assertEquals(RecipeWorking.words(new Lab(50, 0, 0), new Lab(50.1, 0, 0)), "as it is");
        assertEquals(RecipeWorking.words(new Lab(50, 0, 0), new Lab(50, 3, 0)), "redder");
        assertEquals(RecipeWorking.words(new Lab(50, 0, -20), new Lab(44, 0, -20)), "much darker");
    }
}
