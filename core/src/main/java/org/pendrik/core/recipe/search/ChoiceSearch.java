package org.pendrik.core.recipe.search;

import java.util.Arrays;
import java.util.Objects;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.recipe.bound.CellBound;
import org.pendrik.core.recipe.bound.Lattice;
import org.pendrik.core.recipe.bound.MixColour;
import org.pendrik.core.recipe.bound.Relaxation;

/**
 * Goes through the recipes of one choice of paints after the other: branches by the cells of the
 * {@link Lattice}, prunes by {@link CellBound}, tries what is left in the smallest cells, and keeps
 * the incumbent, the best recipe so far. As that gets better, the relaxation shrinks.
 *
 * <p>Guarantee: of the choices it was given, nothing that the limits allow is nearer than the
 * incumbent by more than the tolerance. Not for several threads.
 */
final class ChoiceSearch {
    /** A relaxation whose reach has shrunk less than to this is not made anew. */
    private static final double SHRUNK = 0.93;

    /** No two colours are farther apart. */
    private static final double FARTHEST = 200;

    private final MixColour mix;
    private final Limits limits;
    private final Lab target;
    private final double tolerance;

    /** By the number of paints, from 1. */
    private final Lattice[] lattices;

    private final CellBound[] bounds;
    private final Trial trial;
    private final double[] kk = new double[MixColour.BANDS];
    private final double[] ss = new double[MixColour.BANDS];
    private int[] chosen = {};
    private @Nullable Relaxation relaxation;
    private Candidate incumbent;
    private long tried;
    private long choices;

    /**
     * A search that starts with an incumbent.
     *
     * @param lattices by the number of paints less 1
     */
    ChoiceSearch(
            MixColour mix,
            Limits limits,
            Lab target,
            double tolerance,
            Lattice[] lattices,
            Candidate incumbent) {
        this.mix = mix;
        this.limits = limits;
        this.target = target;
        this.tolerance = tolerance;
        this.lattices = lattices;
        this.incumbent = incumbent;
        trial = new Trial(mix);
        bounds = new CellBound[lattices.length];
        Arrays.setAll(bounds, i -> new CellBound(mix, lattices[i]));
    }

    Candidate incumbent() {
        return incumbent;
    }

    /** What is still worth finding; null while there is no incumbent. */
    @Nullable Relaxation relaxation() {
        return relaxation;
    }

    /** Recipes that were computed. */
    long tried() {
        return tried;
    }

    /** Choices that were looked at. */
    long choices() {
        return choices;
    }

    /** Whether nothing can be better than the incumbent by more than the tolerance. */
    boolean done() {
        return incumbent.off() <= tolerance;
    }

    /** Takes over the incumbent of another when it is better, with its relaxation. */
    void heed(ChoiceSearch other) {
        if (other.incumbent.off() < incumbent.off()) {
            incumbent = other.incumbent;
        }
        Relaxation theirs = other.relaxation;
        if (theirs != null && (relaxation == null || theirs.reach() < relaxation.reach())) {
            relaxation = theirs;
        }
    }

    /** Makes the relaxation anew when it would shrink enough; before the first choice, too. */
    void relax() {
        double reach = incumbent.off() - tolerance;
        boolean little = relaxation != null && reach > relaxation.reach() * SHRUNK;
        if (!little && reach > 0 && reach < FARTHEST) {
            int[] all = IntStream.range(0, mix.paints()).toArray();
            mix.add(all, incumbent.drops(), kk, ss);
            Lab colour = mix.colour(kk, ss);
            relaxation = new Relaxation(mix, target, incumbent.off(), tolerance, colour);
        }
    }

    /** Goes through the recipes of some paints, by index, each with a drop at least. */
    void search(int... paints) {
        if (done()) {
            return;
        }
        choices++;
        chosen = paints;
        Lattice lattice = lattices[paints.length - 1];
        if (relaxation == null || paints.length == 1) {
            for (int recipe = 0; recipe < lattice.size(); recipe++) {
                judge(lattice.drops(recipe));
            }
            tried += lattice.size();
            return;
        }
        CellBound bound = bounds[paints.length - 1];
        bound.choose(paints);
        branch(lattice, bound, lattice.all());
    }

    private void branch(Lattice lattice, CellBound bound, Lattice.Cell cell) {
        Relaxation now = Objects.requireNonNull(relaxation);
        if (done() || bound.prunes(cell, now)) {
            return;
        }
        if (cell.halves().isEmpty()) {
            tried += cell.end() - cell.from();
            trial.of(chosen, lattice, cell, now, recipe -> judge(lattice.drops(recipe)));
        }
        for (Lattice.Cell half : cell.halves()) {
            branch(lattice, bound, half);
        }
    }

    /** Keeps a recipe when it is better than the incumbent and allowed. */
    private void judge(int[] drops) {
        mix.add(chosen, drops, kk, ss);
        double off = ColourDifference.ciede2000(target, mix.colour(kk, ss));
        if (off >= incumbent.off()) {
            return;
        }
        int total = Arrays.stream(drops).sum();
        int[] all = new int[mix.paints()];
        for (int i = 0; i < chosen.length; i++) {
            if (!limits.enough(chosen[i], drops[i], total)) {
                return;
            }
            all[chosen[i]] = drops[i];
        }
        if (limits.opaque(all, kk, ss)) {
            incumbent = new Candidate(all, off);
            relax();
        }
    }
}
