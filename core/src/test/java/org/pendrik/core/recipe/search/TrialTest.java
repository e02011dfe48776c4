package org.pendrik.core.recipe.search;

import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.recipe.Shelves;
import org.pendrik.core.recipe.bound.Lattice;
import org.pendrik.core.recipe.bound.Mixes;
import org.pendrik.core.recipe.bound.Relaxation;
import org.testng.annotations.Test;

public final class TrialTest {
    /** Each recipe that is nearer than the reach is told of, and few others are. */
    @Test
    public void tellsOfWhatMayBeBetter() {
        SplittableRandom r = new SplittableRandom(21);
        int near = 0;
        int told = 0;
        int tried = 0;
        for (int seed = 0; seed < 8; seed++) {
            Lab target = Shelves.target(seed);
            Mixes mixes = Mixes.of(Shelves.random(12, seed));
            Trial trial = new Trial(mixes.mix());
            Relaxation relaxation = mixes.relaxation(target, 3 + 2 * seed, r);
            for (int p = 2; p <= 4; p++) {
                Lattice lattice = new Lattice(p, seed % 2 == 0 ? 12 : 18);
                for (int i = 0; i < 8; i++) {
                    int[] paints = mixes.choice(p, r);
                    boolean[] of = new boolean[lattice.size()];
                    trial.of(paints, lattice, lattice.all(), relaxation, x -> of[x] = true);
                    for (int x = 0; x < of.length; x++) {
                        double off = mixes.off(paints, lattice.drops(x), target);
                        boolean isNear = off <= relaxation.reach();
                        assertTrue(of[x] || !isNear, "misses " + Arrays.toString(lattice.drops(x)));
                        near += isNear ? 1 : 0;
                        told += of[x] ? 1 : 0;
                        tried++;
                    }
                }
            }
        }
        assertTrue(near > 300, "only " + near + " near");
        assertTrue(told < 3 * near, told + " told of, " + near + " near");
        assertTrue(near < tried / 4, near + " of " + tried);
    }
}
