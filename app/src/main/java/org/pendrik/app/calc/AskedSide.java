package org.pendrik.app.calc;

import java.util.Base64;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.Flattener;
import org.pendrik.app.sides.MarkedSide;
import org.pendrik.app.sides.Marks;
import org.pendrik.app.sides.Side;
import org.pendrik.app.sides.SideSize;
import org.pendrik.app.sides.WholePicture;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.units.InvalidInput;

/** A photograph that comes with a question. */
final class AskedSide {
    private AskedSide() {}

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
     * @param corners upper left and round in photograph pixels; null when the picture is the side,
     *     or points and lines tell where it lies
     * @param card null leaves the light as it is
     * @param knownPoints places of known position
     * @param knownLines level and upright things, which stand in for corners
     */
    record PhotoPart(
            String pictureBase64,
            @Nullable List<Point> corners,
            @Nullable CardPart card,
            @Nullable List<Marks.KnownPoint> knownPoints,
            @Nullable List<Marks.LineMark> knownLines) {
        /** Nothing but the picture: it is the side. */
        boolean isTheSide() {
            return corners == null && knownPoints == null && knownLines == null;
        }
    }

    /**
     * A side laid flat.
     *
     * @param picture what it was laid flat from
     */
    record Flat(FlatSide side, WholePicture picture) {}

    /** The side laid flat; nothing of it is kept. */
    static FlatSide flat(PhotoPart part, double lengthMm, double heightMm) {
        return of(part, lengthMm, heightMm).side();
    }

    /** The same with its picture. */
    static Flat of(PhotoPart part, double lengthMm, double heightMm) {
        Raster photo = picture(part.pictureBase64());
        List<Point> corners =
                part.isTheSide()
                        ? List.of(
                                new Point(0, 0),
                                new Point(photo.width(), 0),
                                new Point(photo.width(), photo.height()),
                                new Point(0, photo.height()))
                        : part.corners();
        CardPart c = part.card();
        Marks.GreyPatch grey =
                c == null
                        ? null
                        : new Marks.GreyPatch(c.x(), c.y(), c.width(), c.height(), c.lightness());
        WholePicture whole = WholePicture.of(photo, 1);
        MarkedSide marked =
                new MarkedSide(
                        UUID.randomUUID().toString(),
                        photo.width(),
                        photo.height(),
                        0,
                        corners == null ? null : new Marks.Corners(corners),
                        part.knownPoints() == null
                                ? null
                                : new Marks.KnownPoints(part.knownPoints()),
                        part.knownLines() == null ? null : new Marks.KnownLines(part.knownLines()),
                        grey,
                        null,
                        null,
                        null,
                        new SideSize(Side.LEFT, lengthMm, heightMm, null));
        // finer than twice the picture there is nothing to see
        double finest = 2.0 * Math.max(photo.width(), photo.height());
        return new Flat(
                Flattener.flat(
                        marked,
                        Flattener.locate(marked),
                        whole,
                        grey == null ? GreyBalance.NONE : Flattener.light(grey, whole),
                        finest),
                whole);
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

    /** A raster as JPEG in Base64. */
    static String jpeg(Raster r) {
        return Base64.getEncoder()
                .encodeToString(Pictures.jpeg(r, Math.max(r.width(), r.height())));
    }
}
