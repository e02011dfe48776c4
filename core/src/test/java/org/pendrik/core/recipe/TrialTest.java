package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Lab;
import org.testng.annotations.Test;

public final class TrialTest {
    private static final double SLACK = 2.0 * Slice.ROUNDING;

    private static Kernel kernel(List<Ingredient> shelf, RecipeQuestion question) {
        double[][] k = new double[shelf.size()][];
        double[][] s = new double[shelf.size()][];
        for (int i = 0; i < k.length; i++) {
            Ingredient in = shelf.get(i);
            k[i] = Arrays.stream(in.paint().absorbs()).map(x -> x * in.weight()).toArray();
            s[i] = Arrays.stream(in.paint().scatters()).map(x -> x * in.weight()).toArray();
        }
        return new Kernel(k, s, question.light(), question.surface());
    }

    /** What is told is what one by one is inside all half-spaces, up to rounding. */
    @Test
    public void tellsOfWhatIsInside() {
        SplittableRandom r = new SplittableRandom(21);
        int inside = 0;
        int uneven = 0;
        for (int seed = 0; seed < 8; seed++) {
            Lab target = Shelves.target(seed);
            var shelf = Shelves.random(12, seed);
            Kernel kernel = kernel(shelf, Shelves.question(target, shelf, 4, 12, false));
            Trial trial = new Trial(kernel);
            Lab best = new Lab(target.l() - 3, target.a() * 0.8, target.b() * 0.8);
            Aim aim = new Aim(new AbPlane(target), 2 + seed, 0.1, best, AbPlane.Strip.ALL);
            for (int p = 2; p <= 4; p++) {
                Lattice lattice = new Lattice(p, seed % 2 == 0 ? 12 : 18);
                for (int i = 0; i < 25; i++) {
                    int[] chosen = choice(kernel.paints, p, r);
                    uneven += Arrays.stream(chosen).allMatch(x -> kernel.flat[x]) ? 0 : 1;
                    inside += check(kernel, trial, lattice, chosen, aim);
                }
            }
        }
        assertTrue(inside > 200, "only " + inside);
        assertTrue(uneven > 20 && uneven < 8 * 3 * 25 - 20, "" + uneven);
    }

    /** How many of all are told. */
    private static int check(Kernel kernel, Trial trial, Lattice lattice, int[] chosen, Aim aim) {
        boolean[] told = new boolean[lattice.drops.length];
        trial.all(chosen, lattice, aim, at -> told[at] = true);
        int many = 0;
        for (int x = 0; x < told.length; x++) {
            double past = past(kernel, chosen, lattice.drops[x], aim);
            assertTrue(told[x] || past > 0, "misses " + Arrays.toString(lattice.drops[x]));
            assertTrue(!told[x] || past <= SLACK, "tells " + Arrays.toString(lattice.drops[x]));
            many += told[x] ? 1 : 0;
        }
        int[] some = IntStream.range(0, told.length).filter(x -> x % 3 != 1).toArray();
        boolean[] toldOfSome = new boolean[some.length];
        trial.some(chosen, lattice, some, some.length - 1, aim, at -> toldOfSome[at] = true);
        List<Boolean> expected = new ArrayList<>();
        List<Boolean> found = new ArrayList<>();
        for (int at = 0; at < some.length - 1; at++) {
            expected.add(told[some[at]]);
            found.add(toldOfSome[at]);
        }
        assertEquals(found, expected);
        return many;
    }

    /** How far a recipe lies outside the half-space that it is farthest outside of. */
    private static double past(Kernel kernel, int[] chosen, int[] drops, Aim aim) {
        double[] r = new double[Kernel.BANDS];
        kernel.seen(chosen, drops, r);
        double most = Double.NEGATIVE_INFINITY;
        for (int d = 0; d < aim.directions.length; d++) {
            double at = -aim.nears[d];
            for (int x = 0; x < 3; x++) {
                at += aim.directions[d][x] * Kernel.dot(kernel.w[x], r);
            }
            most = Math.max(most, at);
        }
        return most;
    }

    /** Different paints; those beyond p repeat the first. */
    private static int[] choice(int paints, int p, SplittableRandom r) {
        int[] of = r.ints(0, paints).distinct().limit(p).toArray();
        return IntStream.range(0, 4).map(i -> of[i < p ? i : 0]).toArray();
    }
}
