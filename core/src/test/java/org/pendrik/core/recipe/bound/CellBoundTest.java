package org.pendrik.core.recipe.bound;

import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.recipe.Shelves;
import org.testng.annotations.Test;

public final class CellBoundTest {
    private final SplittableRandom random = new SplittableRandom(17);
    private int pruned;
    private int left;
    private int near;

    /** No recipe of a cell that is pruned is near, however S of the paints runs. */
    @Test
    public void whatIsPrunedIsNotNear() {
        int uneven = 0;
        for (int seed = 0; seed < 10; seed++) {
            Mixes mixes = Mixes.of(Shelves.random(10, seed));
            for (int p = 2; p <= 4; p++) {
                Lattice lattice = new Lattice(p, seed % 2 == 0 ? 12 : 20);
                CellBound bound = new CellBound(mixes.mix(), lattice);
                for (int i = 0; i < 12; i++) {
                    int[] paints = mixes.choice(p, random);
                    uneven += mixes.mix().level(paints) ? 0 : 1;
                    bound.choose(paints);
                    // near what these paints make, so that some cells stay
                    int[] drops = lattice.drops(random.nextInt(lattice.size()));
                    Lab target = NearColoursTest.near(colour(mixes, paints, drops), 8, random);
                    Relaxation relaxation =
                            mixes.relaxation(target, 0.4 + 3 * random.nextDouble(), random);
                    check(mixes, lattice, bound, lattice.all(), relaxation, target, paints);
                }
            }
        }
        assertTrue(uneven > 100 && uneven < 300, "" + uneven);
        assertTrue(pruned > 20_000, "only " + pruned + " recipes pruned");
        assertTrue(near > 100, "only " + near + " near");
        assertTrue(left < pruned, left + " left");
    }

    private static Lab colour(Mixes mixes, int[] paints, int[] drops) {
        double[] kk = new double[MixColour.BANDS];
        double[] ss = new double[MixColour.BANDS];
        mixes.mix().add(paints, drops, kk, ss);
        return mixes.mix().colour(kk, ss);
    }

    private void check(
            Mixes mixes,
            Lattice lattice,
            CellBound bound,
            Lattice.Cell cell,
            Relaxation relaxation,
            Lab target,
            int[] paints) {
        boolean prunes = bound.prunes(cell, relaxation);
        if (!prunes && !cell.halves().isEmpty()) {
            for (Lattice.Cell half : cell.halves()) {
                check(mixes, lattice, bound, half, relaxation, target, paints);
            }
            return;
        }
        int step = prunes ? 7 : 1;
        for (int x = cell.from(); x < cell.end(); x += step) {
            double off = mixes.off(paints, lattice.drops(x), target);
            boolean isNear = off <= relaxation.reach();
            near += isNear ? 1 : 0;
            assertTrue(
                    !prunes || !isNear,
                    Arrays.toString(paints) + Arrays.toString(lattice.drops(x)) + " is " + off);
        }
        if (prunes) {
            pruned += cell.end() - cell.from();
        } else {
            left += cell.end() - cell.from();
        }
    }
}
