package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.SpectrumFit;
import org.testng.annotations.Test;

public class SliceTest {
    private static final int DROPS = 9;

    /** What is ruled out, choice or recipe, is not near; most choices are ruled out. */
    @Test
    public void whatIsRuledOutIsNotNear() {
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
            Aim aim =
                    new Aim(
                            new AbPlane(target),
                            0.5 * seed,
                            0.1,
                            new Lab(50, seed, -seed),
                            AbPlane.Strip.ALL);
            Slice slice = new Slice(kernel, new BandMath(kernel), ratio(target), 3, 0.002);
            for (int p = 2; p <= 4; p++) {
                List<int[]> choices = choices(k.length, p);
                all += choices.size();
                while (!choices.isEmpty()) {
                    int n = Math.min(BandMath.ABREAST, choices.size());
                    int[][] some = choices.subList(0, n).toArray(int[][]::new);
                    choices.subList(0, n).clear();
                    out += look(slice, kernel, some, p, target, aim);
                }
            }
        }
        assertTrue(out > all / 2, out + " of " + all);
    }

    /** All choices of p paints; light ones first where their order says so. */
    private static List<int[]> choices(int paints, int p) {
        List<int[]> out = new ArrayList<>();
        for (int bits = 0; bits < 1 << paints; bits++) {
            if (Integer.bitCount(bits) == p) {
                int set = bits;
                out.add(IntStream.range(0, paints).filter(i -> (set >> i & 1) != 0).toArray());
            }
        }
        return out;
    }

    /** How many choices are ruled out, none of them with a near mix; nor a slice of the others. */
    private static int look(Slice slice, Kernel kernel, int[][] some, int p, Lab target, Aim aim) {
        Rows rows = new Rows();
        Lattice lattice = new Lattice(p, DROPS);
        List<Set<Integer>> left = new ArrayList<>();
        for (int[] chosen : some) {
            slice.lightFirst(chosen, p, DROPS - p, aim);
            left.add(new HashSet<>());
        }
        int[] pieces = new int[some.length];
        int whole =
                slice.look(
                        some,
                        some.length,
                        p,
                        DROPS - p,
                        aim,
                        3,
                        false,
                        (lane, piece) -> {
                            pieces[lane]++;
                            Cell cell = Cell.all(kernel, some[lane], p, DROPS);
                            double[] levels = new double[p];
                            Arrays.setAll(levels, i -> cell.corners[i].level);
                            piece.rows(cell.forms, levels, rows);
                            rows.find(lattice, DROPS, lattice.drops.length);
                            for (int i = 0; i < rows.found; i++) {
                                left.get(lane).add(rows.points[i]);
                            }
                        });
        int quickly = slice.look(some, some.length, p, DROPS - p, aim, 2, false, null);
        int out = 0;
        for (int i = 0; i < some.length; i++) {
            out += pieces[i] == 0 ? 1 : 0;
            assertEquals(whole >> i & 1, pieces[i] == 0 ? 0 : 1);
            boolean ruledOut = (quickly >> i & 1) == 0;
            for (int x = 0; x < lattice.drops.length; x++) {
                if (ruledOut || !left.get(i).contains(x)) {
                    notNear(kernel, some[i], lattice.drops[x], target, aim);
                }
            }
        }
        return out;
    }

    static double[] ratio(Lab target) {
        Reflectance inside = Shelves.FLAT.inside(SpectrumFit.of(target).reflectance());
        double[] out = new double[Kernel.BANDS];
        for (int b = 0; b < out.length; b++) {
            out[b] = KubelkaMunk.ratio(inside.at(b));
        }
        return out;
    }

    static void notNear(Kernel kernel, int[] chosen, int[] d, Lab target, Aim aim) {
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
