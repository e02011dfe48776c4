package org.pendrik.app.sides;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.SideMeasurer;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.SideGeometry;

/**
 * The part of a side that a photograph shows, at a finer resolution than that of the whole side:
 * what a detail is measured on.
 *
 * @param side the part as a side of its own, places counted from its upper left corner
 * @param window where it lies on the whole side, prototype mm
 */
public record CloseUp(FlatSide side, Region window) {
    /** What is hardly finer than the whole side is measured on that. */
    static final double LEAST_FINER = 1.25;

    /**
     * The part that a photograph shows; empty where the whole side shows about as much.
     *
     * @param whole the side laid flat, possibly over another one
     * @param moved where its places lie on the photograph's own side, prototype mm: x' = a x + b y
     *     + c, y' = d x + e y + f
     * @param picture the photograph
     * @param basis names it
     */
    public static Optional<CloseUp> of(
            FlatSide whole, double[] moved, WholePicture picture, Object basis) {
        if (!(whole.fit().geometry() instanceof SideGeometry geometry)) {
            return Optional.empty();
        }
        return shown(whole)
                .flatMap(
                        window -> {
                            SideGeometry part = geometry.part(window, moved);
                            double has =
                                    part.pxPerMm(window.widthMm() / 2, window.heightMm() / 2)
                                            / picture.step();
                            double pxPerMm = Math.min(has, workedOn(window));
                            return pxPerMm < LEAST_FINER * whole.pxPerMm()
                                    ? Optional.empty()
                                    : Optional.of(
                                            new CloseUp(
                                                    whole.part(
                                                            part, window, pxPerMm, picture, basis),
                                                    window));
                        });
    }

    /** Pixels per prototype mm that a part of a side is worked on at most. */
    private static double workedOn(Region window) {
        return Math.min(
                FlatSide.WORKING_WIDTH_PX / window.widthMm(),
                Math.sqrt(FlatSide.MOST_PIXELS / (window.widthMm() * window.heightMm())));
    }

    /** The box round what of a side is in its photograph. */
    private static Optional<Region> shown(FlatSide whole) {
        Raster r = whole.raster();
        int left = r.width();
        int right = -1;
        int top = r.height();
        int low = -1;
        for (int y = 0; y < r.height(); y++) {
            for (int x = 0; x < r.width(); x++) {
                if (r.at(x, y) >>> 24 != 0) {
                    left = Math.min(left, x);
                    right = Math.max(right, x);
                    top = Math.min(top, y);
                    low = y;
                }
            }
        }
        double mm = 1 / whole.pxPerMm();
        return (right - left + 1) * mm < 1 || (low - top + 1) * mm < 1
                ? Optional.empty()
                : Optional.of(
                        new Region(
                                "what is shown",
                                left * mm,
                                top * mm,
                                (right - left + 1) * mm,
                                (low - top + 1) * mm));
    }

    /**
     * The answers about a whole side, those about what lies wholly in this part measured on it.
     *
     * @param whole the answers about all regions and edges
     * @param measure measures regions and edges that are counted from the corner of this part
     */
    public SideMeasurer.Result closer(
            SideMeasurer.Result whole,
            List<Region> regions,
            List<EdgeWear.Edge> edges,
            BiFunction<List<Region>, List<EdgeWear.Edge>, SideMeasurer.Result> measure) {
        List<Integer> in = held(regions.size(), i -> window.holds(regions.get(i)));
        List<Integer> edgesIn = held(edges.size(), i -> holds(edges.get(i)));
        if (in.isEmpty() && edgesIn.isEmpty()) {
            return whole;
        }
        SideMeasurer.Result part =
                measure.apply(
                        cut(in.stream().map(regions::get).toList()),
                        edgesIn.stream().map(i -> edges.get(i).from(window)).toList());
        List<MeasuredRegion> all = new ArrayList<>(whole.regions());
        for (int k = 0; k < in.size(); k++) {
            all.set(in.get(k), part.regions().get(k).saidOf(regions.get(in.get(k))));
        }
        List<Answer<EdgeWear>> allEdges = new ArrayList<>(whole.edges());
        for (int k = 0; k < edgesIn.size(); k++) {
            allEdges.set(edgesIn.get(k), part.edges().get(k));
        }
        return new SideMeasurer.Result(
                all, allEdges, whole.pairs(), whole.colours(), whole.map(), whole.strips());
    }

    private boolean holds(EdgeWear.Edge e) {
        return window.contains(e.from().x(), e.from().y())
                && window.contains(e.to().x(), e.to().y());
    }

    private static List<Integer> held(int count, IntPredicate held) {
        return IntStream.range(0, count).filter(held).boxed().toList();
    }

    /** What of some regions lies in it, counted from its corner. */
    public List<Region> cut(List<Region> regions) {
        return regions.stream().flatMap(r -> window.cut(r).stream()).toList();
    }

    /** The same of samples. */
    public List<ClassSample> cutSamples(List<ClassSample> samples) {
        return samples.stream()
                .flatMap(
                        s -> window.cut(s.region()).stream().map(r -> new ClassSample(s.kind(), r)))
                .toList();
    }

    /** How many times finer it is than the whole side. */
    public double timesFiner(FlatSide whole) {
        return side.pxPerMm() / whole.pxPerMm();
    }
}
