package org.pendrik.core.recipe.bound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.pendrik.core.units.Rational;

/**
 * All recipes of p paints in whole drops, a drop of each at least, each ratio once: (1, 1) stands
 * for (2, 2) too. They stand in a tree of cells, which any choice of p paints can be branched by. A
 * cell is a simplex in the shares of the paints; its halves are cut at the middle of its longest
 * edge.
 */
public final class Lattice {
    /** Recipes of a cell that is not cut again; half or twice as many take about as long. */
    private static final int FEW = 96;

    /** Edges that differ by less are as long. */
    private static final double ALIKE = 1e-12;

    private final int paints;
    private final int[][] drops;
    private final float[][] byPaint;
    private final List<double[]> corners = new ArrayList<>();
    private final Cell all;

    /**
     * A simplex of shares and the recipes in it: those from {@code from} to before {@code end}.
     *
     * @param corners by index
     * @param halves two, or none
     */
    @SuppressWarnings("ArrayRecordComponent")
    public record Cell(int[] corners, int from, int end, List<Cell> halves) {}

    /** A recipe and its shares of the corners of a cell. */
    @SuppressWarnings("ArrayRecordComponent")
    private record InCell(int[] drops, double[] share) {
        InCell(int[] drops, int most) {
            this(drops, new double[drops.length]);
            double more = most - drops.length;
            double total = Arrays.stream(drops).sum();
            for (int i = 0; i < share.length; i++) {
                share[i] = more == 0 ? 1.0 / share.length : (drops[i] / total * most - 1) / more;
            }
        }

        boolean nearer(int i, int j) {
            return share[i] >= share[j];
        }

        /** The same with the middle of the edge from i to j for j. */
        InCell moved(int i, int j) {
            double[] out = share.clone();
            out[i] -= out[j];
            out[j] *= 2;
            return new InCell(drops, out);
        }
    }

    /**
     * The recipes of some paints.
     *
     * @param paints 1 to 4
     * @param mostDrops of a recipe, at least a drop of each paint
     */
    public Lattice(int paints, int mostDrops) {
        this.paints = paints;
        int[] simplex = new int[paints];
        for (int i = 0; i < paints; i++) {
            double[] share = new double[paints];
            Arrays.fill(share, 1.0 / mostDrops);
            share[i] = (mostDrops - paints + 1.0) / mostDrops;
            simplex[i] = i;
            corners.add(share);
        }
        List<int[]> ratios = new ArrayList<>();
        fill(new int[paints], 0, mostDrops, ratios);
        List<int[]> sorted = new ArrayList<>();
        all = cell(simplex, ratios.stream().map(d -> new InCell(d, mostDrops)).toList(), sorted);
        drops = sorted.toArray(int[][]::new);
        byPaint = new float[paints][drops.length];
        for (int x = 0; x < drops.length; x++) {
            for (int i = 0; i < paints; i++) {
                byPaint[i][x] = drops[x][i];
            }
        }
    }

    private static void fill(int[] d, int at, int left, List<int[]> ratios) {
        if (at == d.length) {
            if (Rational.commonDivisor(d) == 1) {
                ratios.add(d.clone());
            }
            return;
        }
        for (int x = 1; x <= left - (d.length - at - 1); x++) {
            d[at] = x;
            fill(d, at + 1, left - x, ratios);
        }
    }

    private Cell cell(int[] simplex, List<InCell> points, List<int[]> sorted) {
        int from = sorted.size();
        if (points.size() <= FEW) {
            points.forEach(p -> sorted.add(p.drops));
            return new Cell(simplex, from, sorted.size(), List.of());
        }
        int i = 0;
        int j = 1;
        for (int x = 0; x < paints; x++) {
            for (int y = x + 1; y < paints; y++) {
                if (square(simplex, x, y) > square(simplex, i, j) + ALIKE) {
                    i = x;
                    j = y;
                }
            }
        }
        double[] middle = new double[paints];
        for (int x = 0; x < paints; x++) {
            middle[x] = (corners.get(simplex[i])[x] + corners.get(simplex[j])[x]) / 2;
        }
        corners.add(middle);
        int one = i;
        int other = j;
        int at = corners.size() - 1;
        List<InCell> near = points.stream().filter(p -> p.nearer(one, other)).toList();
        List<InCell> far = points.stream().filter(p -> !p.nearer(one, other)).toList();
        Cell first =
                cell(
                        with(simplex, other, at),
                        near.stream().map(p -> p.moved(one, other)).toList(),
                        sorted);
        Cell second =
                cell(
                        with(simplex, one, at),
                        far.stream().map(p -> p.moved(other, one)).toList(),
                        sorted);
        return new Cell(simplex, from, sorted.size(), List.of(first, second));
    }

    private static int[] with(int[] simplex, int place, int corner) {
        int[] out = simplex.clone();
        out[place] = corner;
        return out;
    }

    private double square(int[] simplex, int x, int y) {
        double[] a = corners.get(simplex[x]);
        double[] b = corners.get(simplex[y]);
        double sum = 0;
        for (int i = 0; i < paints; i++) {
            sum += (a[i] - b[i]) * (a[i] - b[i]);
        }
        return sum;
    }

    /** How many paints. */
    public int paints() {
        return paints;
    }

    /** How many recipes. */
    public int size() {
        return drops.length;
    }

    /** The drops of a recipe by paint; not to be changed. */
    public int[] drops(int recipe) {
        return drops[recipe];
    }

    /** The drops of all recipes of one paint; not to be changed. */
    public float[] dropsOf(int paint) {
        return byPaint[paint];
    }

    /** The cell with all recipes. */
    public Cell all() {
        return all;
    }

    /** How many corners all cells have. */
    int corners() {
        return corners.size();
    }

    /** The share of each paint in the drops of a corner. */
    double[] shares(int corner) {
        return corners.get(corner);
    }
}
