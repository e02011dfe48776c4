package org.pendrik.core.recipe;

import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.List;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.SpectrumFit;
import org.testng.annotations.Test;

public class SliceTest {
    private static final int DROPS = 9;

    /** A choice that is ruled out has no mix that is near; most choices are ruled out. */
    @Test
    public void whatIsRuledOutHasNoNearMix() {
        int out = 0;
        int all = 0;
        for (int seed = 1; seed <= 16; seed++) {
            List<Ingredient> shelf = Shelves.random(9, seed);
            double[][] k = new double[shelf.size()][];
            double[][] s = new double[shelf.size()][];
            for (int i = 0; i < k.length; i++) {
                k[i] = shelf.get(i).paint().absorbs();
                s[i] = shelf.get(i).paint().scatters();
            }
            Kernel kernel = new Kernel(k, s, Light.D65, Shelves.FLAT);
            Lab target = Shelves.target(seed * 31L);
            Aim aim = new Aim(target, 0.5 * seed, 0.1, new Lab(50, seed, -seed));
            Slice slice = new Slice(kernel, new BandMath(kernel), ratio(target), 3, 0.002);
            for (int a = 0; a < k.length; a++) {
                for (int b = a + 1; b < k.length; b++) {
                    for (int c = b + 1; c < k.length; c++) {
                        for (int d = c + 1; d <= k.length; d++) {
                            // without a fourth, three
                            int[] chosen =
                                    d == k.length ? new int[] {a, b, c} : new int[] {a, b, c, d};
                            all++;
                            if (slice.out(chosen, chosen.length, DROPS - chosen.length, aim)) {
                                out++;
                                noMixIsNear(kernel, chosen, target, aim);
                            }
                        }
                    }
                }
            }
        }
        assertTrue(out > all / 2, out + " of " + all);
    }

    private static double[] ratio(Lab target) {
        Reflectance inside = Shelves.FLAT.inside(SpectrumFit.of(target).reflectance());
        double[] out = new double[Kernel.BANDS];
        for (int b = 0; b < out.length; b++) {
            out[b] = KubelkaMunk.ratio(inside.at(b));
        }
        return out;
    }

    private static void noMixIsNear(Kernel kernel, int[] chosen, Lab target, Aim aim) {
        for (int[] d : new Lattice(chosen.length, DROPS).drops) {
            double[] k = new double[Kernel.BANDS];
            double[] s = new double[Kernel.BANDS];
            for (int i = 0; i < chosen.length; i++) {
                for (int b = 0; b < Kernel.BANDS; b++) {
                    k[b] += d[i] * kernel.k[chosen[i]][b];
                    s[b] += d[i] * kernel.s[chosen[i]][b];
                }
            }
            double[] r = new double[Kernel.BANDS];
            kernel.seen(k, s, r);
            assertTrue(
                    kernel.difference(target, r) > aim.reach(),
                    Arrays.toString(chosen) + Arrays.toString(d) + " is near and was ruled out");
        }
    }
}
