package org.pendrik.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.photo.PixelBox;
import org.pendrik.core.photo.Region;

/**
 * How much of a region each class covers.
 *
 * @param classes every sampled class and {@link WeatherClass#OTHER}, in order
 * @param unsureShare share of the pixels that were mixtures, near things or rejected, 0 to 1
 * @param pixels how many were measured
 */
public record Cover(List<ClassCover> classes, double unsureShare, int pixels) {
    /** What sorting leaves open even where every pixel seems clear. */
    private static final double FLOOR = 0.0017;

    /** Share of the near things that may have gone the wrong way together. */
    private static final double UNSURE_WEIGHT = 0.045;

    /** How thin a film gets before it drowns in the scatter of the paint, of its cover. */
    private static final double THIN_WEIGHT = 0.045;

    /** The rim of what nobody sampled is wide: cameras blur strong colours. */
    private static final double UNKNOWN_WEIGHT = 0.3;

    /** Of the pixels that may be confused, most are confused both ways and cancel. */
    private static final double CONFUSED_WEIGHT = 0.3;

    private static final int FEWEST_PIXELS = 100;

    /**
     * One class.
     *
     * @param share 0 to 1; empty when it cannot be told from another class
     * @param sd one standard deviation of the share
     * @param note what to know about it, empty when nothing
     */
    public record ClassCover(WeatherClass kind, Optional<Double> share, double sd, String note) {}

    public Cover {
        classes = List.copyOf(classes);
    }

    /** The share of a class, if it was told. */
    public Optional<Double> share(WeatherClass c) {
        return classes.stream().filter(x -> x.kind() == c).findFirst().flatMap(ClassCover::share);
    }

    /** Counts a region. */
    static Answer<Cover> of(ClassMap map, ClassModel model, Region r) {
        PixelBox box = PixelBox.of(r, map.pxPerMm(), map.width(), map.height());
        double[] sum = new double[WeatherClass.values().length];
        int pixels = 0;
        int unsure = 0;
        for (int y = box.top(); y < box.low(); y++) {
            for (int x = box.left(); x < box.right(); x++) {
                if (!map.measured(x, y)
                        || !r.contains((x + 0.5) / map.pxPerMm(), (y + 0.5) / map.pxPerMm())) {
                    continue;
                }
                pixels++;
                unsure += map.unsure(x, y) ? 1 : 0;
                map.addShares(sum, x, y);
            }
        }
        if (pixels < FEWEST_PIXELS) {
            return new Answer.CannotTell<>(
                    "Only " + pixels + " pixels of " + r.name() + " can be measured.",
                    "Draw it larger or take a larger photograph: "
                            + FEWEST_PIXELS
                            + " are needed.");
        }
        double near = (double) unsure / pixels;
        List<ClassCover> out = new ArrayList<>();
        for (WeatherClass c : WeatherClass.values()) {
            if (model.classes().contains(c) || c == WeatherClass.OTHER) {
                out.add(one(c, sum[ClassMap.code(c)] / pixels, near, sum, pixels, model));
            }
        }
        return new Answer.Told<>(new Cover(out, near, pixels));
    }

    private static ClassCover one(
            WeatherClass c, double share, double near, double[] sum, int pixels, ClassModel model) {
        double confusion = 0;
        String note = "";
        for (ClassModel.Pair p : model.pairs()) {
            if (p.one() != c && p.two() != c) {
                continue;
            }
            WeatherClass other = p.one() == c ? p.two() : p.one();
            double both = share + sum[ClassMap.code(other)] / pixels;
            if (p.inseparable() && both > FLOOR) {
                return new ClassCover(
                        c,
                        Optional.empty(),
                        share,
                        "Cannot be told from "
                                + other.label()
                                + ": as many as one pixel in "
                                + Math.max(2, Math.round(1 / p.confused()))
                                + " may be either.");
            }
            confusion += p.confused() * Math.min(both, 1) * CONFUSED_WEIGHT;
            if (p.confused() > ClassModel.UNSURE && note.isEmpty()) {
                note = "Close to " + other.label() + ": the count is uncertain.";
            }
        }
        // a class that is hardly there can hardly be over or under by much
        double swing = UNSURE_WEIGHT * near * Math.sqrt(Math.min(1, 4 * share + near));
        double unknown =
                c == WeatherClass.PAINT || c == WeatherClass.OTHER
                        ? UNKNOWN_WEIGHT * sum[ClassMap.code(WeatherClass.OTHER)] / pixels
                        : 0;
        double thin = ThinFilm.KINDS.contains(c) ? THIN_WEIGHT * share : 0;
        double sd =
                Math.sqrt(
                        FLOOR * FLOOR
                                + swing * swing
                                + confusion * confusion
                                + unknown * unknown
                                + thin * thin);
        return new ClassCover(c, Optional.of(share), sd, note);
    }
}
