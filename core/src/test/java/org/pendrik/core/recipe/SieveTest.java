package org.pendrik.core.recipe;

import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Lab;
import org.testng.annotations.Test;

public class SieveTest {
    private static final int DROPS = 9;

    /** No recipe of what is ruled out is near, and most is ruled out. */
    @Test
    public void whatIsRuledOutIsNotNear() {
        int[] out = new int[2];
        int[] all = new int[2];
        for (int seed = 1; seed <= 12; seed++) {
            Kernel kernel = BandMathTest.kernel(Shelves.random(10, seed));
            Lab target = Shelves.target(seed * 17L);
            Aim aim =
                    new Aim(
                            new AbPlane(target),
                            1 + 0.5 * seed,
                            0.1,
                            new Lab(50, seed, -seed),
                            AbPlane.Strip.ALL);
            double[][] tangents = {SliceTest.ratio(target), kernel.usualRatio()};
            for (int p = 3; p <= 4; p++) {
                Lattice lattice = new Lattice(p, DROPS);
                Screen screen = new Screen(kernel, p, DROPS, tangents);
                screen.aim(aim);
                for (int bits = 0; bits < 1 << kernel.paints; bits++) {
                    if (Integer.bitCount(bits) != p) {
                        continue;
                    }
                    int set = bits;
                    int[] c =
                            IntStream.range(0, kernel.paints)
                                    .filter(i -> (set >> i & 1) != 0)
                                    .toArray();
                    int kind = Arrays.stream(c).allMatch(i -> kernel.flat[i]) ? 1 : 0;
                    all[kind]++;
                    boolean ruled = p == 3 ? screen.out(c[0], c[1], c[2]) : out(screen, c);
                    if (ruled) {
                        out[kind]++;
                        for (int[] drops : lattice.drops) {
                            SliceTest.notNear(kernel, c, drops, target, aim);
                        }
                    }
                }
            }
        }
        assertTrue(out[1] > all[1] / 2, out[1] + " of " + all[1] + " with S level");
        assertTrue(out[0] > all[0] / 4, out[0] + " of " + all[0] + " with a white");
    }

    private static boolean out(Screen screen, int[] c) {
        Screen.Triple triple = screen.new Triple();
        triple.set(c[0], c[1], c[2]);
        return triple.out(c[3]);
    }
}
