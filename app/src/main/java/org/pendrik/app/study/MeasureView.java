package org.pendrik.app.study;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.sides.CloseUp;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.LightKnown;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.AlongLength;
import org.pendrik.core.measure.Cover;
import org.pendrik.core.measure.DustHeight;
import org.pendrik.core.measure.MarkPlace;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Spots;
import org.pendrik.core.measure.Streaks;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.LightFall;
import org.pendrik.core.photo.Region;

/** What a photograph tells, as the page is told it. */
public final class MeasureView {
    private MeasureView() {}

    /**
     * A class in a region.
     *
     * @param percent null when it cannot be told from another class
     * @param plusMinus two standard deviations, in points
     */
    public record ClassShare(
            WeatherClass kind,
            String label,
            @Nullable Double percent,
            double plusMinus,
            String note) {}

    /** Spots of a class. */
    public record SpotMeasure(WeatherClass kind, Spots spots) {}

    /** Streaks of a class. */
    public record StreakMeasure(WeatherClass kind, Streaks streaks) {}

    /** Where the marks of a class lie. */
    public record PlaceMeasure(WeatherClass kind, MarkPlace place) {}

    /**
     * A film along the length.
     *
     * @param strength from the region's left edge to its right, 0 to 1
     * @param halfLeftMm null when it does not fall to half within the region
     * @param halfRightMm the same to the right
     * @param standsInU both ends are clearly stronger than what lies between
     * @param hasPeak clearly stronger at one place than elsewhere
     */
    public record Along(
            List<Double> strength,
            double sd,
            double peakMm,
            @Nullable Double halfLeftMm,
            @Nullable Double halfRightMm,
            boolean standsInU,
            boolean hasPeak,
            boolean relative) {
        static Along of(AlongLength a) {
            return new Along(
                    a.strength(),
                    a.sd(),
                    a.peakMm(),
                    a.halfLeftMm().orElse(null),
                    a.halfRightMm().orElse(null),
                    a.standsInU(),
                    a.hasPeak(),
                    a.relative());
        }
    }

    /**
     * What was left out of a colour.
     *
     * @param what it is, in words
     */
    public record LeftOut(String what, double percent) {}

    /**
     * A measured region.
     *
     * @param sample empty when too little of it can be used
     * @param leftOut what was left out of the sample, most first
     * @param hex its colour on screen
     * @param inGamut whether the screen can show it
     * @param fade against the factory colour, when one is named and this is not it
     * @param cannot what could not be measured and why, in sentences
     * @param leftPlaceSdMm how well places at its left end are known
     * @param rightPlaceSdMm the same at its right end
     */
    public record Measure(
            UUID regionId,
            String name,
            boolean factory,
            @Nullable ColourSample sample,
            List<LeftOut> leftOut,
            @Nullable String hex,
            boolean inGamut,
            @Nullable ColourDifference fade,
            List<ClassShare> cover,
            double unsureShare,
            List<SpotMeasure> spots,
            List<StreakMeasure> streaks,
            List<PlaceMeasure> places,
            @Nullable DustHeight dust,
            @Nullable Along along,
            List<String> cannot,
            boolean blurred,
            double leftPlaceSdMm,
            double rightPlaceSdMm) {}

    static Measure of(JobRegion r, MeasuredRegion m) {
        Optional<ColourSample> s = m.base();
        return new Measure(
                r.id(),
                r.name(),
                r.factory(),
                s.orElse(null),
                s.map(c -> leftOut(c, m)).orElse(List.of()),
                s.map(c -> Srgb.toHex(c.median())).orElse(null),
                s.map(c -> Srgb.inGamut(c.median())).orElse(true),
                r.factory() ? null : m.fade().orElse(null),
                m.toldCover().map(c -> shares(c)).orElse(List.of()),
                m.toldCover().map(Cover::unsureShare).orElse(0.0),
                m.toldSpots().entrySet().stream()
                        .map(e -> new SpotMeasure(e.getKey(), e.getValue()))
                        .toList(),
                m.toldStreaks().entrySet().stream()
                        .map(e -> new StreakMeasure(e.getKey(), e.getValue()))
                        .toList(),
                m.places().entrySet().stream()
                        .map(e -> new PlaceMeasure(e.getKey(), e.getValue()))
                        .toList(),
                m.dust().told().orElse(null),
                m.along().told().map(Along::of).orElse(null),
                m.refusals(),
                m.blurred(),
                m.leftPlaceSdMm(),
                m.rightPlaceSdMm());
    }

    /** Shares under this are not worth a word. */
    private static final double LEAST_TOLD = 0.01;

    /** By reason; what is left out for none of them is something else than paint. */
    static List<LeftOut> leftOut(ColourSample s, MeasuredRegion m) {
        double dirt = s.leftOutShare() - m.clippedShare() - m.glareShare() - m.excludedShare();
        return Stream.of(
                        new LeftOut("that is not paint", 100 * dirt),
                        new LeftOut("glare", 100 * m.glareShare()),
                        new LeftOut("too bright or too dark to tell", 100 * m.clippedShare()),
                        new LeftOut("marked as not to be measured", 100 * m.excludedShare()))
                .filter(l -> l.percent() > 100 * LEAST_TOLD)
                .sorted(Comparator.comparingDouble(LeftOut::percent).reversed())
                .toList();
    }

    private static List<ClassShare> shares(Cover c) {
        return c.classes().stream()
                .map(
                        x ->
                                new ClassShare(
                                        x.kind(),
                                        x.kind().label(),
                                        x.share().map(v -> 100 * v).orElse(null),
                                        200 * x.sd(),
                                        x.note()))
                .toList();
    }

    /** How far focus reaches along the side. */
    public record Strip(double fromMm, double toMm, @Nullable Double sigmaMm, boolean blurred) {}

    /** A worn edge, or why it could not be measured. */
    public record EdgeMeasure(
            UUID regionId,
            String name,
            @Nullable Double wornPercent,
            double plusMinus,
            int scrapes,
            double longestMm,
            double depthMm,
            String cannot) {}

    /**
     * Two classes that are hard to tell apart.
     *
     * @param confusedPercent share of pixels that must be taken for the other, at most
     */
    public record HardPair(String one, String two, double confusedPercent, boolean inseparable) {}

    /**
     * How the light falls off over the side.
     *
     * @param evened it is taken out
     * @param wanted the user did not switch that off
     * @param fallPercent how much darker the darkest place is than the brightest; null when not
     *     told
     * @param plusMinusPercent two standard deviations of the level at the foot of the side
     * @param reason why it is not taken out, empty when it is
     */
    public record Light(
            boolean evened,
            boolean wanted,
            @Nullable Double fallPercent,
            @Nullable Double plusMinusPercent,
            String reason) {
        static Light of(LightFall.Outcome fall, boolean wanted) {
            return switch (fall) {
                case LightFall.Outcome.Found f ->
                        new Light(
                                true,
                                wanted,
                                100 * f.fall().range(),
                                200 * f.fall().sdAtFoot(),
                                "");
                case LightFall.Outcome.Left l -> new Light(false, wanted, null, null, l.reason());
            };
        }
    }

    /**
     * The part of a side that a photograph shows at a finer resolution than that of the whole side:
     * what lies wholly in it is measured there.
     *
     * @param timesFiner how many times as many pixels a millimetre it has
     */
    public record ShownPart(
            double xMm, double yMm, double widthMm, double heightMm, double timesFiner) {
        static ShownPart of(CloseUp c, FlatSide whole) {
            Region w = c.window();
            return new ShownPart(w.xMm(), w.yMm(), w.widthMm(), w.heightMm(), c.timesFiner(whole));
        }
    }

    /**
     * What one photograph gives.
     *
     * @param residualMm misfit of the marks in prototype mm
     * @param checked further marks than the four corners stand behind the residual
     * @param slipMm how far the side moves when a corner is one pixel off
     * @param scalePercent two standard deviations of the scale along the side
     * @param lightKnown what took out the light
     * @param colourless it is black-and-white or toned: lightness, marks and geometry are measured
     * @param part what it shows of the side, where that is finer; null where it is not
     * @param light how it falls off over the side
     * @param samplesFrom the photograph whose samples sort the pixels; null when there are none
     * @param colours what each sampled class looks like
     * @param smallestMm the smallest mark that is seen on the model, prototype mm
     */
    public record Measures(
            UUID photographId,
            double residualMm,
            double worstMm,
            boolean checked,
            double slipMm,
            double scalePercent,
            double finestPxPerMm,
            LightKnown lightKnown,
            boolean colourless,
            @Nullable ShownPart part,
            Light light,
            @Nullable UUID samplesFrom,
            double smallestMm,
            Map<WeatherClass, String> colours,
            List<HardPair> hardPairs,
            List<Strip> strips,
            List<Measure> regions,
            List<EdgeMeasure> edges) {}
}
