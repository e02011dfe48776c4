package org.pendrik.app.calc;

import java.util.Base64;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.measure.LabPlane;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionSampler;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;

/**
 * A photograph that comes with a question, laid flat.
 *
 * @param geometry where the side lies in it
 * @param raster the side
 * @param pxPerMm its resolution
 * @param light takes out the light
 */
record FlatSide(SideGeometry geometry, Raster raster, double pxPerMm, GreyBalance light) {
    private static final double MOST_PIXELS = 1_400_000;

    /** An example picture: a green side of 120 × 60 px with eight rusty marks. */
    static final String PICTURE =
            "iVBORw0KGgoAAAANSUhEUgAAAHgAAAA8AgMAAADQw5Y7AAAACVBMVEVOYEaWXDqAgHqhLwUVAAAAXElEQVR42mNgGEgQCgKj0nSVRgWsIeRJQySoIh3qgNdWkqVRA4MiaXIAgRAVDaVcGqcVEGmcZkAkQnF5GmJsKP4woak0Ae9BJKgRgiRIo7iYgDSmywdd8hwFVAcAT0wo2ZIh2MoAAAAASUVORK5CYII=";

    /**
     * A neutral card in a photograph.
     *
     * @param lightness its known L*
     */
    record CardPart(double x, double y, double width, double height, double lightness) {}

    /**
     * A photograph.
     *
     * @param pictureBase64 JPEG or PNG of at most 16 megapixels
     * @param corners upper left and round in photograph pixels; null when the picture is the side
     * @param card null leaves the light as it is
     */
    record PhotoPart(
            String pictureBase64, @Nullable List<Point> corners, @Nullable CardPart card) {}

    static FlatSide of(PhotoPart part, double lengthMm, double heightMm) {
        Raster photo = picture(part.pictureBase64());
        List<Point> corners =
                part.corners() != null
                        ? part.corners()
                        : List.of(
                                new Point(0, 0),
                                new Point(photo.width(), 0),
                                new Point(photo.width(), photo.height()),
                                new Point(0, photo.height()));
        SideGeometry g =
                switch (SideRectifier.locate(
                        corners, List.of(), Length.ofMm(lengthMm), Length.ofMm(heightMm))) {
                    case SideRectifier.Outcome.Found f -> f.geometry();
                    case SideRectifier.Outcome.Refused r ->
                            throw new InvalidInput(
                                    "Corners",
                                    "as given",
                                    "do not make a side: " + r.reason(),
                                    r.remedy());
                };
        // finer than twice the picture there is nothing to see
        double finest = Math.min(1600, 2.0 * Math.max(photo.width(), photo.height()));
        double pxPerMm =
                Math.min(finest / lengthMm, Math.sqrt(MOST_PIXELS / (lengthMm * heightMm)));
        return new FlatSide(g, g.rectify(photo, pxPerMm), pxPerMm, light(photo, part.card()));
    }

    private static GreyBalance light(Raster photo, @Nullable CardPart c) {
        if (c == null) {
            return GreyBalance.NONE;
        }
        InvalidInput.requireWithin(
                "Grey card", c.lightness(), " L*", 5, 95, "An 18 % card has L* 50.");
        double[] mean =
                RegionSampler.meanLinear(
                                photo, 1, new Region("card", c.x(), c.y(), c.width(), c.height()))
                        .filter(m -> m[0] > 0 && m[1] > 0 && m[2] > 0)
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "Grey card",
                                                "as given",
                                                "is too bright, too dark or too small to measure",
                                                "Mark an evenly lit part of it."));
        return GreyBalance.of(mean[0], mean[1], mean[2], c.lightness());
    }

    static Raster picture(String base64) {
        byte[] file;
        try {
            file = Base64.getDecoder().decode(base64);
        } catch (IllegalArgumentException e) {
            throw new InvalidInput(
                    "Picture",
                    "as sent",
                    "is not Base64",
                    "Encode the file's bytes with plain Base64.");
        }
        return Pictures.read(file);
    }

    LabPlane plane() {
        return LabPlane.of(raster, pxPerMm, light, List.of());
    }

    /** A raster as JPEG in Base64. */
    static String jpeg(Raster r) {
        return Base64.getEncoder()
                .encodeToString(Pictures.jpeg(r, Math.max(r.width(), r.height())));
    }
}
