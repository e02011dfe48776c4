package org.pendrik.core.measure;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionSampler;
import org.pendrik.core.photo.Sharpness;
import org.pendrik.core.photo.Usable;
import org.pendrik.core.units.Watch;

/**
 * Measures a rectified side, region by region. Cost O(pixels · samples) once for the side, and
 * O(pixels of the region) for each region.
 */
public final class SideMeasurer {
    /** Classes that lie in separate marks; dust and soot are films. */
    private static final Set<WeatherClass> MARKS =
            Set.of(
                    WeatherClass.FRESH_RUST,
                    WeatherClass.OLD_RUST,
                    WeatherClass.BARE_METAL,
                    WeatherClass.WHITE_MINERAL,
                    WeatherClass.GRIME);

    /** A class that covers less than this is not asked for its marks. */
    private static final double LEAST_COVER = 0.002;

    /** Over this a class is the ground, not marks on it. */
    private static final double MOST_COVER = 0.6;

    /**
     * What is asked.
     *
     * @param model what the classes look like; empty when none are asked for
     * @param reference colour that fades are counted from
     * @param roof seen from above: soot is looked for along the length, not kick-up
     */
    public record Question(
            LabPlane plane,
            Resolution resolution,
            List<Region> regions,
            Optional<ClassModel> model,
            List<EdgeWear.Edge> edges,
            Optional<Lab> reference,
            boolean roof) {
        public Question {
            regions = List.copyOf(regions);
            edges = List.copyOf(edges);
        }
    }

    /**
     * What came of it; regions and edges in the order of the question.
     *
     * @param pairs classes held against each other, the most confused first
     * @param colours what each sampled class looks like
     * @param map which class every pixel shows; empty without samples
     * @param strips focus along the side
     */
    public record Result(
            List<MeasuredRegion> regions,
            List<Answer<EdgeWear>> edges,
            List<ClassModel.Pair> pairs,
            Map<WeatherClass, Lab> colours,
            Optional<ClassMap> map,
            List<Sharpness.Strip> strips) {}

    private SideMeasurer() {}

    /** Sorts every pixel. */
    public static ClassMap classify(
            LabPlane plane, ClassModel model, List<Sharpness.Strip> strips) {
        return PixelSorter.sort(plane, model, blurPx(plane, strips));
    }

    /** The focus of a side in strips along it. */
    public static List<Sharpness.Strip> focus(LabPlane plane) {
        return plane.strips();
    }

    /**
     * What is found of a whole side before its regions are looked at: the costly part, and the same
     * whatever is asked of it.
     *
     * @param map which class every pixel shows; empty without samples
     * @param strips focus along the side
     */
    public record Sorted(Optional<ClassMap> map, List<Sharpness.Strip> strips) {
        /** Looks at the focus and sorts every pixel. */
        public static Sorted of(LabPlane plane, Optional<ClassModel> model, Watch watch) {
            watch.at("Focus along the side", 0);
            List<Sharpness.Strip> strips = focus(plane);
            if (model.isEmpty()) {
                return new Sorted(Optional.empty(), strips);
            }
            watch.at("Sorting every pixel", 0.1);
            return new Sorted(Optional.of(classify(plane, model.get(), strips)), strips);
        }
    }

    /** Answers everything. */
    public static Result measure(Question q, Watch watch) {
        return measure(q, Sorted.of(q.plane(), q.model(), watch), watch);
    }

    /**
     * Answers everything of a side that is sorted already.
     *
     * @param known of the plane and the model of the question
     */
    public static Result measure(Question q, Sorted known, Watch watch) {
        Optional<ClassModel> model = q.model();
        Optional<ClassMap> sorted = known.map();
        List<Sharpness.Strip> strips = known.strips();
        AtomicInteger begun = new AtomicInteger();
        List<MeasuredRegion> regions =
                q.regions().parallelStream()
                        .map(
                                r -> {
                                    double share =
                                            (double) begun.getAndIncrement() / q.regions().size();
                                    watch.at("Measuring " + r.name(), 0.4 + 0.6 * share);
                                    return region(q, r, sorted, strips);
                                })
                        .toList();
        List<Answer<EdgeWear>> edges =
                q.edges().stream()
                        .map(
                                e ->
                                        sorted.map(m -> EdgeWear.of(m, e, q.resolution()))
                                                .orElseGet(
                                                        () ->
                                                                new Answer.CannotTell<>(
                                                                        "No classes are sampled.",
                                                                        "Pick a sample of paint and one of bare metal or rust.")))
                        .toList();
        return new Result(
                regions,
                edges,
                model.map(ClassModel::pairs).orElse(List.of()),
                model.map(ClassModel::colours).orElse(Map.of()),
                sorted,
                strips);
    }

    private static double blurPx(LabPlane plane, List<Sharpness.Strip> strips) {
        double[] sigmas =
                strips.stream()
                        .flatMap(s -> s.sigmaMm().stream())
                        .mapToDouble(s -> s * plane.pxPerMm())
                        .sorted()
                        .toArray();
        return sigmas.length == 0 ? 1 : Math.clamp(sigmas[sigmas.length / 2], 0.5, 3.0);
    }

    private static MeasuredRegion region(
            Question q, Region r, Optional<ClassMap> map, List<Sharpness.Strip> strips) {
        LabPlane plane = q.plane();
        Optional<ClassModel> model = q.model();
        Optional<ColourSample> base =
                base(plane, r, model, map)
                        .map(b -> b.underLevel(plane.levelSd(r)))
                        .map(b -> plane.colourless() ? b.lightnessAlone() : b);
        Optional<Answer<Cover>> cover = map.map(m -> Cover.of(m, model.orElseThrow(), r));
        Map<WeatherClass, Answer<Spots>> spots = new EnumMap<>(WeatherClass.class);
        Map<WeatherClass, Answer<Streaks>> streaks = new EnumMap<>(WeatherClass.class);
        Map<WeatherClass, MarkPlace> places = new EnumMap<>(WeatherClass.class);
        cover.flatMap(Answer::told)
                .ifPresent(
                        c -> {
                            for (Cover.ClassCover one : c.classes()) {
                                double share = one.share().orElse(0.0);
                                if (MARKS.contains(one.kind())
                                        && share > LEAST_COVER
                                        && share < MOST_COVER) {
                                    ClassMap m = map.orElseThrow();
                                    Marks marks = Marks.of(m, one.kind(), r);
                                    MarkPlace.of(marks, r, q.resolution().geometry())
                                            .ifPresent(p -> places.put(one.kind(), p));
                                    spots.put(
                                            one.kind(),
                                            Spots.of(marks, one.kind(), r, q.resolution()));
                                    streaks.put(
                                            one.kind(),
                                            Streaks.of(m, one.kind(), r, q.resolution()));
                                }
                            }
                        });
        var geometry = q.resolution().geometry();
        double middle = r.yMm() + r.heightMm() / 2;
        return new MeasuredRegion(
                r,
                base,
                q.reference()
                        .flatMap(
                                ref ->
                                        base.filter(ColourSample::hue)
                                                .map(
                                                        b ->
                                                                ColourDifference.between(
                                                                        ref, b.median()))),
                cover,
                spots,
                streaks,
                places,
                plane.colourless() ? noFilm() : DustHeight.of(plane, model, r),
                plane.colourless()
                        ? noFilm()
                        : AlongLength.of(
                                plane, model, q.roof() ? WeatherClass.SOOT : WeatherClass.DUST, r),
                plane.usable().share(Usable.State.CLIPPED, r, plane.pxPerMm()),
                plane.usable().share(Usable.State.GLARE, r, plane.pxPerMm()),
                plane.usable().share(Usable.State.EXCLUDED, r, plane.pxPerMm()),
                strips.stream()
                        .anyMatch(
                                s ->
                                        s.blurred()
                                                && s.fromMm() < r.xMm() + r.widthMm()
                                                && s.toMm() > r.xMm()),
                geometry.placeSdMm(r.xMm(), middle),
                geometry.placeSdMm(r.xMm() + r.widthMm(), middle));
    }

    private static <T> Answer<T> noFilm() {
        return new Answer.CannotTell<>(
                "By lightness alone a film of dust or soot is not told from another or from the light.",
                "Measure it on a photograph in colour.");
    }

    private static Optional<ColourSample> base(
            LabPlane plane, Region r, Optional<ClassModel> model, Optional<ClassMap> map) {
        if (map.isPresent() && model.orElseThrow().classes().contains(WeatherClass.PAINT)) {
            ClassMap m = map.get();
            var paint =
                    RegionSampler.measure(
                            plane.raster(),
                            plane.pxPerMm(),
                            r,
                            plane.light(),
                            (x, y) -> m.measured(x, y) && m.share(WeatherClass.PAINT, x, y) > 0.9f);
            if (paint.isPresent()) {
                return paint;
            }
        }
        return RegionSampler.measure(
                plane.raster(), plane.pxPerMm(), r, plane.light(), plane.usable()::at);
    }
}
