package org.pendrik.core.recipe.bound;

import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.recipe.Shelves;
import org.testng.annotations.Test;

public final class ChoiceBoundTest {
    private static final int DROPS = 9;

    /** No recipe of a choice that is pruned is near, and most are pruned. */
    @Test
    public void whatIsPrunedIsNotNear() {
        SplittableRandom r = new SplittableRandom(23);
        int all = 0;
        int pruned = 0;
        for (int seed = 1; seed <= 12; seed++) {
            Mixes mixes = Mixes.of(Shelves.random(10, seed));
            Lab target = Shelves.target(seed * 17L);
            Relaxation relaxation = mixes.relaxation(target, 1 + 0.5 * seed, r);
            var touch = List.of(Mixes.ratio(target), Mixes.ratio(new Lab(50, 5, 5)));
            for (int p = 3; p <= 4; p++) {
                Lattice lattice = new Lattice(p, DROPS);
                var bound = new ChoiceBound(mixes.mix(), p, DROPS, touch, relaxation).choices();
                for (int bits = 0; bits < 1 << 10; bits++) {
                    int set = bits;
                    int[] c = IntStream.range(0, 10).filter(i -> (set >> i & 1) != 0).toArray();
                    if (c.length != p) {
                        continue;
                    }
                    all++;
                    bound.choose(c[0], c[1], c[2]);
                    if (p == 3 ? bound.prunesThree() : bound.prunes(c[3])) {
                        pruned++;
                        notNear(mixes, c, lattice, target, relaxation.reach());
                    }
                }
            }
        }
        assertTrue(pruned > all / 2, pruned + " of " + all);
    }

    private static void notNear(Mixes mixes, int[] paints, Lattice lattice, Lab target, double by) {
        for (int x = 0; x < lattice.size(); x += 2) {
            double off = mixes.off(paints, lattice.drops(x), target);
            String which = Arrays.toString(paints) + Arrays.toString(lattice.drops(x));
            assertTrue(off > by, which + " is " + off + " off");
        }
    }
}
