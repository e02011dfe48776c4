package org.pendrik.core.recipe.bound;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import org.ejml.simple.SimpleMatrix;
import org.pendrik.core.units.Rational;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public final class LatticeTest {
    @DataProvider
    public Object[][] sizes() {
        return new Object[][] {
            {1, 12}, {2, 12}, {3, 7}, {3, 20}, {4, 4}, {4, 5}, {4, 12}, {4, 16}, {4, 20}
        };
    }

    /** Each ratio is there once, in the fewest drops; 479 of four paints in 12 drops. */
    @Test(dataProvider = "sizes")
    public void hasEachRatioOnce(int paints, int most) {
        Lattice lattice = new Lattice(paints, most);
        Set<String> found = new HashSet<>();
        for (int x = 0; x < lattice.size(); x++) {
            int[] d = lattice.drops(x);
            assertEquals(Rational.commonDivisor(d), 1);
            assertTrue(Arrays.stream(d).sum() <= most && Arrays.stream(d).allMatch(i -> i > 0));
            assertTrue(found.add(Arrays.toString(d)));
            for (int i = 0; i < paints; i++) {
                assertEquals(lattice.dropsOf(i)[x], d[i], 0);
            }
        }
        assertEquals(found.size(), count(new int[paints], 0, most));
    }

    private static int count(int[] d, int at, int left) {
        if (at == d.length) {
            for (int by = 2; by < 20; by++) {
                int all = by;
                if (Arrays.stream(d).allMatch(x -> x % all == 0)) {
                    return 0;
                }
            }
            return 1;
        }
        int sum = 0;
        for (int x = 1; x <= left; x++) {
            d[at] = x;
            sum += count(d, at + 1, left - x);
        }
        return sum;
    }

    /** Halves share out the recipes of a cell, and each recipe lies between its corners. */
    @Test(dataProvider = "sizes")
    public void cellsHoldTheirRecipes(int paints, int most) {
        Lattice lattice = new Lattice(paints, most);
        assertEquals(lattice.all().from(), 0);
        assertEquals(lattice.all().end(), lattice.size());
        check(lattice, lattice.all());
    }

    private static void check(Lattice lattice, Lattice.Cell cell) {
        int p = lattice.paints();
        double[][] corners =
                Arrays.stream(cell.corners()).mapToObj(lattice::shares).toArray(double[][]::new);
        SimpleMatrix inverse =
                lattice.size() == 1 ? null : new SimpleMatrix(corners).transpose().invert();
        for (int x = cell.from(); x < cell.end() && inverse != null; x++) {
            double total = Arrays.stream(lattice.drops(x)).sum();
            double[] share = Arrays.stream(lattice.drops(x)).mapToDouble(d -> d / total).toArray();
            SimpleMatrix parts = inverse.mult(new SimpleMatrix(p, 1, true, share));
            assertTrue(parts.elementMin() > -1e-9, Arrays.toString(lattice.drops(x)));
        }
        if (!cell.halves().isEmpty()) {
            Lattice.Cell one = cell.halves().getFirst();
            Lattice.Cell other = cell.halves().getLast();
            assertEquals(one.from(), cell.from());
            assertEquals(one.end(), other.from());
            assertEquals(other.end(), cell.end());
            check(lattice, one);
            check(lattice, other);
        }
    }
}
