package org.pendrik.app.truth;

import java.util.List;
import java.util.Optional;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.measure.ClassModel;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.LabPlane;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Resolution;
import org.pendrik.core.measure.SideMeasurer;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.photo.Lens;
import org.pendrik.core.photo.LensFit;
import org.pendrik.core.photo.LightFall;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionSampler;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.Length;
import org.pendrik.core.units.Watch;

/**
 * A photograph as a user marked it: nothing here knows how it was made.
 *
 * @param jpeg the file
 * @param corners upper left, upper right, lower right, lower left, in pixels
 * @param known further points of the side
 * @param edges points along lines that are straight on the prototype, in pixels
 * @param card where a card is seen, in pixels
 * @param cardL its lightness
 */
@SuppressWarnings("ArrayRecordComponent") // read once, never compared
public record MarkedPhotograph(
        byte[] jpeg,
        List<Point> corners,
        List<SideRectifier.Mark> known,
        List<List<Point>> edges,
        Region card,
        double cardL,
        Length length,
        Length height) {
    /**
     * The side laid flat.
     *
     * @param lensFitted whether the lines told what the lens does
     */
    public record Flat(
            SideGeometry geometry,
            Raster raster,
            double pxPerMm,
            GreyBalance light,
            Point card,
            boolean lensFitted) {
        private LabPlane plane() {
            return LabPlane.of(raster, pxPerMm, light, List.of());
        }

        /** Its light evened out by samples of paint, its classes learned from all samples. */
        public Measured measured(Sight sight, List<ClassSample> samples, List<Region> regions) {
            double[] paint = ClassModel.learn(plane(), samples).paint().orElseThrow();
            LightFall.Outcome fall = LightFall.of(raster, pxPerMm, light, paint, card);
            LabPlane even = even(fall);
            return measured(sight, even, ClassModel.learn(even, samples), fall, regions);
        }

        /** As a model whose classes were sampled on another side, its prototype. */
        public Measured measured(Sight sight, ClassModel prototype, List<Region> regions) {
            double[] paint = prototype.adaptedTo(plane()).paint().orElseThrow();
            LightFall.Outcome fall = LightFall.of(raster, pxPerMm, light, paint, card);
            LabPlane even = even(fall);
            return measured(sight, even, prototype.adaptedTo(even), fall, regions);
        }

        private LabPlane even(LightFall.Outcome fall) {
            return switch (fall) {
                case LightFall.Outcome.Found f ->
                        LabPlane.of(
                                f.fall().evened(raster),
                                pxPerMm,
                                light,
                                List.of(),
                                false,
                                f.fall()::sdAt);
                case LightFall.Outcome.Left _ ->
                        LabPlane.of(
                                raster,
                                pxPerMm,
                                light,
                                List.of(),
                                false,
                                (_, _) -> LightFall.UNEVEN);
            };
        }

        private Measured measured(
                Sight sight,
                LabPlane even,
                ClassModel model,
                LightFall.Outcome fall,
                List<Region> regions) {
            var answers =
                    SideMeasurer.measure(
                            new SideMeasurer.Question(
                                    even,
                                    new Resolution(geometry, sight),
                                    regions,
                                    Optional.of(model),
                                    List.of(),
                                    Optional.empty(),
                                    false),
                            Watch.NOBODY);
            return new Measured(geometry, model, answers.regions(), fall, lensFitted);
        }
    }

    /** What was measured. */
    public record Measured(
            SideGeometry geometry,
            ClassModel model,
            List<MeasuredRegion> regions,
            LightFall.Outcome fall,
            boolean lensFitted) {}

    /** Lays the side flat. */
    public Flat flat(double pxPerMm) {
        Raster photo = Pictures.read(jpeg);
        var fit = LensFit.fit(edges, photo.width(), photo.height());
        Lens lens =
                fit instanceof LensFit.Outcome.Found f
                        ? f.lens()
                        : Lens.straight(photo.width(), photo.height());
        SideGeometry g =
                switch (SideRectifier.locate(corners, known, length, height, lens)) {
                    case SideRectifier.Outcome.Found f -> f.geometry();
                    case SideRectifier.Outcome.Refused r -> throw new AssertionError(r.reason());
                };
        double[] grey = RegionSampler.meanLinear(photo, 1, card).orElseThrow();
        return new Flat(
                g,
                g.rectify(photo, pxPerMm),
                pxPerMm,
                GreyBalance.of(grey[0], grey[1], grey[2], cardL),
                g.toSide(
                        new Point(
                                card.xMm() + card.widthMm() / 2, card.yMm() + card.heightMm() / 2)),
                fit instanceof LensFit.Outcome.Found);
    }
}
