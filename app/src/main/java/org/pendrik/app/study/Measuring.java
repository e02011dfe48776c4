package org.pendrik.app.study;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.sides.CloseUp;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.FlatSides;
import org.pendrik.app.sides.Laid;
import org.pendrik.app.sides.Side;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.ClassMap;
import org.pendrik.core.measure.ClassModel;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Resolution;
import org.pendrik.core.measure.SideMeasurer;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.LightFall;
import org.pendrik.core.photo.PixelBox;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.Registration;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;

/** Measures the sides of photographs, and keeps the last few at hand. */
@Service
public class Measuring {
    private static final int SHOWN_WIDTH_PX = 1000;

    private final Studies studies;
    private final Jobs jobs;
    private final Photographs photographs;
    private final EvenSides even;
    private final Workshops workshops;
    private final FactoryColours factories;
    private final FlatSides flat;

    Measuring(
            Studies studies,
            Jobs jobs,
            Photographs photographs,
            EvenSides even,
            Workshops workshops,
            FactoryColours factories,
            FlatSides flat) {
        this.flat = flat;
        this.factories = factories;
        this.studies = studies;
        this.jobs = jobs;
        this.photographs = photographs;
        this.even = even;
        this.workshops = workshops;
    }

    /**
     * A photograph measured.
     *
     * @param closeUp what it shows, where that is finer: regions that lie in it are measured there
     * @param regions what was measured, in the order of the study's regions
     * @param samplesFrom whose samples sort the pixels
     * @param fall how the light falls off over the side, or why that is not told
     */
    public record Measured(
            Photograph photograph,
            FlatSide side,
            Optional<CloseUp> closeUp,
            List<JobRegion> regions,
            List<JobRegion> edges,
            SideMeasurer.Result result,
            Optional<UUID> samplesFrom,
            LightFall.Outcome fall) {
        /** What a region gave. */
        public Optional<MeasuredRegion> of(JobRegion r) {
            int i = regions.indexOf(r);
            return i < 0 ? Optional.empty() : Optional.of(result.regions().get(i));
        }

        /** The same side with other answers, in the same order. */
        Measured with(SideMeasurer.Result other) {
            return new Measured(
                    photograph, side, closeUp, regions, edges, other, samplesFrom, fall);
        }

        /** The regions of which enough can be seen, with their colours, if it has any. */
        public List<Coloured> colours() {
            List<Coloured> out = new ArrayList<>();
            for (int i = 0; i < regions.size(); i++) {
                JobRegion r = regions.get(i);
                result.regions()
                        .get(i)
                        .base()
                        .filter(ColourSample::hue)
                        .ifPresent(c -> out.add(new Coloured(r, c)));
            }
            return out;
        }

        /** What an edge gave. */
        public Optional<Answer<EdgeWear>> ofEdge(JobRegion r) {
            int i = edges.indexOf(r);
            return i < 0 ? Optional.empty() : Optional.of(result.edges().get(i));
        }
    }

    /** A region and its colour. */
    public record Coloured(JobRegion region, ColourSample colour) {}

    /** How the model is looked at. */
    public Sight sight(UUID jobId) {
        return new Sight(workshops.current().viewingMm(), jobs.get(jobId).scaleRatio());
    }

    /** Measures all regions on a photograph; empty while its side is not located. */
    public Optional<Measured> measure(UUID photographId, Watch watch) {
        Photograph p = photographs.get(photographId);
        watch.at("Laying the side flat", 0);
        return even.known(p).map(k -> measure(p, k.even().side(), Registration.unsure(), k, watch));
    }

    /** Measures all regions on the side of a photograph in even light. */
    public Measured measure(Photograph p, FlatSide side, Watch watch) {
        return measure(p, side, Registration.unsure(), even.known(p).orElseThrow(), watch);
    }

    /** Measures all regions on a side that was laid over another. */
    public Measured measure(Photograph p, Laid laid, Watch watch) {
        return measure(p, laid.side(), laid.fit(), even.known(p).orElseThrow(), watch);
    }

    private Measured measure(
            Photograph p,
            FlatSide side,
            Registration.Fit over,
            EvenSides.Known known,
            Watch watch) {
        Studies.Study study = studies.of(p.jobId());
        List<JobRegion> regions =
                study.regions().stream()
                        .filter(r -> r.side() == p.side() && r.role() == RegionRole.MEASURE)
                        .toList();
        List<JobRegion> edges =
                study.regions().stream()
                        .filter(r -> r.side() == p.side() && r.role() == RegionRole.EDGE)
                        .toList();
        List<Region> areas = regions.stream().map(JobRegion::region).toList();
        List<EdgeWear.Edge> lines = edges.stream().map(JobRegion::edge).toList();
        SideMeasurer.Result whole = measure(p, side, known, areas, lines, watch);
        Optional<EvenSides.Close> close = even.closeUp(p, side, over, known);
        return new Measured(
                p,
                side,
                close.map(EvenSides.Close::closeUp),
                regions,
                edges,
                close.map(
                                c ->
                                        c.closeUp()
                                                .closer(
                                                        whole,
                                                        areas,
                                                        lines,
                                                        (in, on) ->
                                                                measure(
                                                                        p,
                                                                        c.known().even().side(),
                                                                        c.known(),
                                                                        in,
                                                                        on,
                                                                        Watch.NOBODY)))
                        .orElse(whole),
                known.from(),
                known.even().fall());
    }

    private SideMeasurer.Result measure(
            Photograph p,
            FlatSide side,
            EvenSides.Known known,
            List<Region> regions,
            List<EdgeWear.Edge> edges,
            Watch watch) {
        return SideMeasurer.measure(
                new SideMeasurer.Question(
                        flat.plane(side, known.excluded()),
                        new Resolution(side.fit().geometry(), sight(p.jobId())),
                        regions,
                        flat.model(side, known.excluded(), known.shown()),
                        edges,
                        factories.of(jobs.get(p.jobId())),
                        p.side() == Side.ROOF),
                flat.sorted(side, known.excluded(), known.shown(), watch),
                watch);
    }

    /** The same as the page is told it. */
    Optional<MeasureView.Measures> view(UUID photographId, Watch watch) {
        return measure(photographId, watch).map(this::view);
    }

    private MeasureView.Measures view(Measured m) {
        Photograph p = m.photograph();
        var fit = m.side().fit();
        List<MeasureView.Measure> regions = new ArrayList<>();
        for (int i = 0; i < m.regions().size(); i++) {
            regions.add(MeasureView.of(m.regions().get(i), m.result().regions().get(i)));
        }
        Map<WeatherClass, String> colours = new EnumMap<>(WeatherClass.class);
        m.result().colours().forEach((c, lab) -> colours.put(c, Srgb.toHex(lab)));
        return new MeasureView.Measures(
                p.id(),
                fit.residualMm(),
                fit.worstMm(),
                p.knownPoints() != null && !p.knownPoints().points().isEmpty(),
                fit.slipMm(),
                200 * fit.geometry().scaleSd(),
                fit.finestPxPerMm(),
                p.lightKnown(),
                m.side().colourless(),
                m.closeUp().map(c -> MeasureView.ShownPart.of(c, m.side())).orElse(null),
                MeasureView.Light.of(m.fall(), p.evened()),
                m.samplesFrom().orElse(null),
                sight(p.jobId()).smallestPrototypeMm(),
                colours,
                m.result().pairs().stream()
                        .filter(x -> x.confused() > ClassModel.UNSURE)
                        .map(
                                x ->
                                        new MeasureView.HardPair(
                                                x.one().label(),
                                                x.two().label(),
                                                100 * x.confused(),
                                                x.inseparable()))
                        .toList(),
                m.result().strips().stream()
                        .map(
                                s ->
                                        new MeasureView.Strip(
                                                s.fromMm(),
                                                s.toMm(),
                                                s.sigmaMm().orElse(null),
                                                s.blurred()))
                        .toList(),
                regions,
                edges(m));
    }

    private List<MeasureView.EdgeMeasure> edges(Measured m) {
        List<MeasureView.EdgeMeasure> out = new ArrayList<>();
        for (JobRegion r : m.edges()) {
            var a = m.ofEdge(r).orElseThrow();
            Optional<EdgeWear> e = a.told();
            out.add(
                    new MeasureView.EdgeMeasure(
                            r.id(),
                            r.name(),
                            e.map(w -> 100 * w.wornShare()).orElse(null),
                            e.map(w -> 200 * w.sd()).orElse(0.0),
                            e.map(EdgeWear::scrapes).orElse(0),
                            e.map(EdgeWear::longestMm).orElse(0.0),
                            e.map(EdgeWear::depthMm).orElse(0.0),
                            a.refusal().orElse("")));
        }
        return out;
    }

    /**
     * What a photograph shows of its side at a finer resolution than that of the whole side, as it
     * would look in neutral and even light.
     */
    Optional<Raster> part(UUID photographId) {
        return close(photographs.get(photographId))
                .map(c -> c.known().even().side().inNeutralLight());
    }

    private Optional<EvenSides.Known> known(Photograph p, boolean part) {
        return part ? close(p).map(EvenSides.Close::known) : even.known(p);
    }

    private Optional<EvenSides.Close> close(Photograph p) {
        return even.known(p)
                .flatMap(k -> even.closeUp(p, k.even().side(), Registration.unsure(), k));
    }

    /**
     * The side with one class left in its colours and everything else taken back to a pale grey, so
     * that what was taken for the class can be seen and argued with; empty without samples.
     *
     * @param part the part that it shows at its own resolution, if that is finer
     */
    Optional<Raster> only(UUID photographId, WeatherClass kind, boolean part) {
        return known(photographs.get(photographId), part)
                .flatMap(
                        k ->
                                flat.sorted(k.even().side(), k.excluded(), k.shown(), Watch.NOBODY)
                                        .map()
                                        .map(m -> only(k.even().side(), m, kind)));
    }

    private static Raster only(FlatSide side, ClassMap map, WeatherClass kind) {
        Raster from = side.raster();
        int step = Math.max(1, Math.ceilDiv(from.width(), SHOWN_WIDTH_PX));
        Raster out = Raster.empty(from.width() / step, from.height() / step);
        java.util.stream.IntStream.range(0, out.height())
                .parallel()
                .forEach(
                        y -> {
                            for (int x = 0; x < out.width(); x++) {
                                int p = side.light().toPixel(from.at(x * step, y * step));
                                double share =
                                        map.measured(x * step, y * step)
                                                ? map.share(kind, x * step, y * step)
                                                : 0;
                                out.argb()[y * out.width() + x] = pale(p, share);
                            }
                        });
        return out;
    }

    private static int pale(int p, double share) {
        int grey = ((p >> 16 & 255) + 2 * (p >> 8 & 255) + (p & 255)) / 4;
        int ground = 205 + grey / 6;
        int out = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            out |= (int) Math.round(ground + share * ((p >> shift & 255) - ground)) << shift;
        }
        return Raster.OPAQUE | out;
    }

    /** A region of a photograph's flat side as it would look in neutral light; the evidence. */
    Optional<Raster> crop(UUID photographId, UUID regionId) {
        Photograph p = photographs.get(photographId);
        Optional<JobRegion> region =
                studies.of(p.jobId()).regions().stream()
                        .filter(r -> r.id().equals(regionId))
                        .findFirst();
        return region.map(JobRegion::shown)
                .flatMap(r -> nearCrop(p, r).or(() -> even.of(p).flatMap(s -> crop(s, r))));
    }

    /** Of the part that the photograph shows at its own resolution, if the region lies in it. */
    private Optional<Raster> nearCrop(Photograph p, Region r) {
        return close(p).filter(c -> c.closeUp().window().holds(r))
                .flatMap(
                        c ->
                                c.closeUp()
                                        .window()
                                        .cut(r)
                                        .flatMap(cut -> crop(c.known().even().side(), cut)));
    }

    private static Optional<Raster> crop(FlatSide side, Region r) {
        Raster whole = side.raster();
        PixelBox box = PixelBox.of(r, side.pxPerMm(), whole.width(), whole.height());
        if (box.area() == 0) {
            return Optional.empty();
        }
        Raster out = Raster.empty(box.width(), box.height());
        for (int y = 0; y < box.height(); y++) {
            System.arraycopy(
                    whole.argb(),
                    (box.top() + y) * whole.width() + box.left(),
                    out.argb(),
                    y * box.width(),
                    box.width());
        }
        return Optional.of(side.inNeutralLight(out));
    }
}
