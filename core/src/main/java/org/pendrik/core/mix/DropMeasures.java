package org.pendrik.core.mix;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.pendrik.core.units.InvalidInput;

/**
 * A ratio in whole drops, and what it really is.
 *
 * <p>Among all whole drops of at most a total, those are taken whose real shares differ least from
 * the shares asked for (largest difference first), the fewest drops among equals.
 *
 * @param drops of each part
 * @param millilitres of each part
 * @param share of each part that the drops really give, adding to 1
 * @param worst largest difference of a share from that asked for, 0 to 1
 * @param note where the real ratio is far from that asked for, how to come closer; else empty
 */
public record DropMeasures(
        List<Integer> drops,
        List<Double> millilitres,
        List<Double> share,
        double worst,
        String note) {
    private static final int MOST_PARTS = 6;
    private static final int MOST_DROPS = 400;
    private static final double MOST_ML = 20;

    /** A part that is off by more than this share of itself is told of. */
    private static final double FAR = 0.1;

    public DropMeasures {
        drops = List.copyOf(drops);
        millilitres = List.copyOf(millilitres);
        share = List.copyOf(share);
    }

    /** All of it, ml. */
    public double total() {
        return millilitres.stream().mapToDouble(Double::doubleValue).sum();
    }

    /**
     * The drops nearest to a ratio by volume.
     *
     * @param parts by volume, 2 to 6, each above 0
     * @param dropMl of each part, ml
     * @param wantedMl how much is wanted: at least this is made, at most twice as much
     */
    public static DropMeasures of(List<Double> parts, List<Double> dropMl, double wantedMl) {
        InvalidInput.requireWithin(
                "Parts", parts.size(), "", 2, MOST_PARTS, "A ratio has from two to six parts.");
        InvalidInput.requireWithin(
                "Amount", wantedMl, " ml", 0.01, MOST_ML, "Mix more in a jar, by millilitres.");
        if (dropMl.size() != parts.size()) {
            throw new IllegalArgumentException("each part has a size of drop");
        }
        double all = 0;
        for (int i = 0; i < parts.size(); i++) {
            InvalidInput.requireWithin(
                    "Part " + (i + 1), parts.get(i), "", 0.001, 1000, "Leave out what is none.");
            InvalidInput.requireWithin(
                    "Drop of part " + (i + 1),
                    dropMl.get(i),
                    " ml",
                    0.005,
                    1,
                    "Count the drops of one millilitre.");
            all += parts.get(i);
        }
        double biggest = dropMl.stream().mapToDouble(Double::doubleValue).max().orElseThrow();
        double smallestShare = parts.stream().mapToDouble(p -> p).min().orElseThrow() / all;
        // the smallest part needs a drop; from there on up to twice what is wanted
        double from = Math.max(wantedMl, biggest * parts.size());
        double to = Math.max(2 * from, biggest / smallestShare);
        DropMeasures best = null;
        int steps = Math.min(MOST_DROPS, (int) Math.ceil((to - from) / smallest(dropMl)) + 1);
        for (int step = 0; step <= steps; step++) {
            double ml = from + step * smallest(dropMl);
            DropMeasures m = rounded(parts, all, dropMl, ml);
            if (m.total() >= wantedMl - 1e-9 && (best == null || m.worst < best.worst - 1e-9)) {
                best = m;
            }
        }
        DropMeasures found = best == null ? rounded(parts, all, dropMl, to) : best;
        return new DropMeasures(
                found.drops,
                found.millilitres,
                found.share,
                found.worst,
                note(found, parts, all, biggest / smallestShare));
    }

    /** Says so when a part is more than a tenth off what was asked for. */
    private static String note(
            DropMeasures found, List<Double> parts, double all, double faithfulMl) {
        double off = 1;
        double largest = 0;
        double smallest = Double.MAX_VALUE;
        for (int i = 0; i < parts.size(); i++) {
            double asked = parts.get(i) / all;
            double is = found.share.get(i);
            off = Math.max(off, Math.max(is / asked, asked / is));
            largest = Math.max(largest, parts.get(i));
            smallest = Math.min(smallest, parts.get(i));
        }
        if (off <= 1 + FAR) {
            return "";
        }
        String said =
                String.format(
                        Locale.ROOT,
                        "One part comes out %.1f times off what you asked for: a drop is as little as can be counted. ",
                        off);
        if (faithfulMl <= MOST_ML) {
            return said
                    + String.format(Locale.ROOT, "From %.1f ml on drops can hold it.", faithfulMl);
        }
        long step = Math.round(Math.sqrt(largest / smallest));
        return said
                + "Let it down in two steps: 1 part to "
                + step
                + ", then 1 part of that to "
                + step
                + " again.";
    }

    private static double smallest(List<Double> dropMl) {
        return dropMl.stream().mapToDouble(Double::doubleValue).min().orElseThrow();
    }

    private static DropMeasures rounded(
            List<Double> parts, double all, List<Double> dropMl, double ml) {
        List<Integer> drops = new ArrayList<>();
        List<Double> volumes = new ArrayList<>();
        double total = 0;
        for (int i = 0; i < parts.size(); i++) {
            int d = (int) Math.max(1, Math.round(ml * parts.get(i) / all / dropMl.get(i)));
            drops.add(d);
            volumes.add(d * dropMl.get(i));
            total += d * dropMl.get(i);
        }
        List<Double> share = new ArrayList<>();
        double worst = 0;
        for (int i = 0; i < parts.size(); i++) {
            share.add(volumes.get(i) / total);
            worst = Math.max(worst, Math.abs(share.get(i) - parts.get(i) / all));
        }
        return new DropMeasures(drops, volumes, share, worst, "");
    }
}
