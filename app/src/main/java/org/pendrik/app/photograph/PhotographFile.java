package org.pendrik.app.photograph;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifSubIFDDirectory;
import java.awt.Rectangle;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Date;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TimeZone;
import java.util.concurrent.atomic.AtomicBoolean;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.event.IIOReadWarningListener;
import javax.imageio.stream.ImageInputStream;
import org.pendrik.app.sides.WholePicture;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.units.InvalidInput;

/**
 * Reads a photograph that comes from outside: type by its first bytes, size by its header before a
 * pixel is decoded, then all of it, so that nothing cut short is ever stored.
 */
final class PhotographFile {
    static final int LARGEST_BYTES = 64 * 1024 * 1024;
    private static final long LARGEST_PIXELS = 50_000_000;

    /**
     * Above this many pixels every second one is read: twice the resolution of any side is still
     * there.
     */
    private static final long READ_WHOLE_UP_TO = 16_000_000;

    private static final String FIELD = "Photograph";

    private PhotographFile() {}

    /** What the header says. */
    record Header(
            String mediaType,
            String format,
            int width,
            int height,
            int orientation,
            Optional<Instant> takenAt,
            Optional<Double> focalMm35,
            Optional<ICC_Profile> profile) {
        boolean turned() {
            return orientation >= 5;
        }

        int uprightWidth() {
            return turned() ? height : width;
        }

        int uprightHeight() {
            return turned() ? width : height;
        }
    }

    static Header header(byte[] file, ZoneId zone) {
        if (file.length == 0) {
            throw new InvalidInput(FIELD, "0 bytes", "is empty", "Choose the file again.");
        }
        String format = format(file);
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            ImageReader reader = ImageIO.getImageReadersByFormatName(format).next();
            try {
                reader.setInput(in);
                int w = reader.getWidth(0);
                int h = reader.getHeight(0);
                if ((long) w * h > LARGEST_PIXELS) {
                    throw new InvalidInput(
                            FIELD,
                            Math.round(w * (double) h / 1e6) + " megapixels",
                            "must have at most 50 megapixels",
                            "Save it smaller; 12 megapixels are plenty.");
                }
                if (w < 16 || h < 16) {
                    throw new InvalidInput(
                            FIELD,
                            w + " × " + h + " px",
                            "must have at least 16 px each way",
                            "Choose a larger one.");
                }
                Metadata meta = metadata(file);
                return new Header(
                        "image/" + format,
                        format,
                        w,
                        h,
                        orientation(meta),
                        takenAt(meta, zone),
                        focal(meta),
                        format.equals("png") ? PngProfile.of(file) : Optional.empty());
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException e) {
            if (e instanceof InvalidInput i) {
                throw i;
            }
            throw truncated(file);
        }
    }

    private static String format(byte[] f) {
        if (f.length > 3 && (f[0] & 255) == 0xff && (f[1] & 255) == 0xd8 && (f[2] & 255) == 0xff) {
            return "jpeg";
        }
        if (f.length > 8 && (f[0] & 255) == 0x89 && f[1] == 'P' && f[2] == 'N' && f[3] == 'G') {
            return "png";
        }
        if (is(f, 0, "RIFF") && is(f, 8, "WEBP")) {
            // the reader takes what is missing for black
            long said =
                    8L
                            + Integer.toUnsignedLong(
                                    ByteBuffer.wrap(f).order(ByteOrder.LITTLE_ENDIAN).getInt(4));
            if (f.length < said) {
                throw truncated(f);
            }
            return "webp";
        }
        if (is(f, 4, "ftyp") && HEIF.stream().anyMatch(brand -> is(f, 8, brand))) {
            throw new InvalidInput(
                    FIELD,
                    "HEIC",
                    "cannot be read here",
                    "Set the camera of the telephone to its most compatible form, or share the picture as"
                            + " JPEG, and put that in.");
        }
        throw new InvalidInput(
                FIELD,
                "another type",
                "must be a JPEG, PNG or WebP file",
                "Export it as JPEG from the camera or telephone.");
    }

    /** Brands of files in the form that telephones keep photographs in (ISO/IEC 23008-12). */
    private static final Set<String> HEIF =
            Set.of("heic", "heix", "hevc", "hevx", "heim", "heis", "mif1", "msf1", "avif");

    private static boolean is(byte[] file, int at, String letters) {
        return file.length >= at + letters.length()
                && new String(file, at, letters.length(), StandardCharsets.ISO_8859_1)
                        .equals(letters);
    }

    private static InvalidInput truncated(byte[] file) {
        return new InvalidInput(
                FIELD,
                file.length / 1024 + " KB",
                "is cut short or damaged",
                "Copy it from the camera again and put it in once more.");
    }

    /**
     * Decodes the whole picture upright. Of a large one each pixel is the mean of two of a block of
     * four that lie across from each other, so that it stands for the middle of the block; an odd
     * last row or column is dropped.
     */
    static WholePicture decode(byte[] file, Header header) {
        try {
            return decoded(file, header);
        } catch (IOException | RuntimeException e) {
            if (e instanceof InvalidInput i) {
                throw i;
            }
            throw truncated(file);
        }
    }

    private static WholePicture decoded(byte[] file, Header header) throws IOException {
        if ((long) header.width() * header.height() <= READ_WHOLE_UP_TO) {
            Raster whole = every(1, 0, 0, file, header);
            return WholePicture.of(upright(whole, header.orientation()), 1);
        }
        // what is dropped must be what lies last once it is upright
        int x = header.width() % 2 == 1 && FLIPPED_ACROSS.contains(header.orientation()) ? 1 : 0;
        int y = header.height() % 2 == 1 && FLIPPED_DOWN.contains(header.orientation()) ? 1 : 0;
        Raster first = every(2, x, y, file, header);
        Raster second = every(2, x + 1, y + 1, file, header);
        int[] mean = second.argb();
        for (int i = 0; i < mean.length; i++) {
            int p = first.at(i % second.width(), i / second.width());
            int q = mean[i];
            // of each channel what both have, and half of what one has more
            mean[i] = (p & q) + ((p ^ q) >>> 1 & 0x7f7f7f7f);
        }
        return WholePicture.of(upright(second, header.orientation()), 2);
    }

    /** Orientations in which what is stored at the left lies at the right, or low. */
    private static final Set<Integer> FLIPPED_ACROSS = Set.of(2, 3, 7, 8);

    /** Orientations in which what is stored on top lies low, or at the right. */
    private static final Set<Integer> FLIPPED_DOWN = Set.of(3, 4, 6, 7);

    /** Every so many pixels each way, from a place on, in sRGB. */
    private static Raster every(int step, int fromX, int fromY, byte[] file, Header header)
            throws IOException {
        AtomicBoolean cutShort = new AtomicBoolean();
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            ImageReader reader = ImageIO.getImageReadersByFormatName(header.format()).next();
            try {
                IIOReadWarningListener listener =
                        (_, warning) -> {
                            String w = warning.toLowerCase(Locale.ROOT);
                            cutShort.compareAndSet(
                                    false, w.contains("premature") || w.contains("truncat"));
                        };
                reader.addIIOReadWarningListener(listener);
                reader.setInput(in, true, true);
                ImageReadParam param = reader.getDefaultReadParam();
                param.setSourceRegion(
                        new Rectangle(
                                fromX, fromY, header.width() - fromX, header.height() - fromY));
                param.setSourceSubsampling(step, step, 0, 0);
                BufferedImage image = reader.read(0, param);
                int w = Math.ceilDiv(header.width() - fromX, step);
                int h = Math.ceilDiv(header.height() - fromY, step);
                if (cutShort.get() || image.getWidth() != w || image.getHeight() != h) {
                    throw truncated(file);
                }
                return new Raster(
                        w, h, Pictures.pixels(StandardColour.of(image, header.profile())));
            } finally {
                reader.dispose();
            }
        }
    }

    private static Raster upright(Raster stored, int orientation) {
        if (orientation == 1) {
            return stored;
        }
        int w = stored.width();
        int h = stored.height();
        int[] in = stored.argb();
        boolean turned = orientation >= 5;
        int ow = turned ? h : w;
        int oh = turned ? w : h;
        int[] out = new int[in.length];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int fx = w - 1 - x;
                int fy = h - 1 - y;
                int at =
                        switch (orientation) {
                            case 2 -> y * ow + fx;
                            case 3 -> fy * ow + fx;
                            case 4 -> fy * ow + x;
                            case 5 -> x * ow + y;
                            case 6 -> x * ow + fy;
                            case 7 -> fx * ow + fy;
                            default -> fx * ow + y;
                        };
                out[at] = in[y * w + x];
            }
        }
        return new Raster(ow, oh, out);
    }

    private static Metadata metadata(byte[] file) throws IOException {
        try {
            return ImageMetadataReader.readMetadata(
                    new ByteArrayInputStream(PngChunks.withoutTexts(file)));
        } catch (ImageProcessingException e) {
            return new Metadata();
        }
    }

    private static int orientation(Metadata meta) {
        ExifIFD0Directory dir = meta.getFirstDirectoryOfType(ExifIFD0Directory.class);
        if (dir == null || !dir.containsTag(ExifIFD0Directory.TAG_ORIENTATION)) {
            return 1;
        }
        try {
            int o = dir.getInt(ExifIFD0Directory.TAG_ORIENTATION);
            return o >= 1 && o <= 8 ? o : 1;
        } catch (MetadataException e) {
            return 1;
        }
    }

    private static Optional<Instant> takenAt(Metadata meta, ZoneId zone) {
        ExifSubIFDDirectory dir = meta.getFirstDirectoryOfType(ExifSubIFDDirectory.class);
        Date date = dir == null ? null : dir.getDateOriginal(TimeZone.getTimeZone(zone));
        return date == null ? Optional.empty() : Optional.of(date.toInstant());
    }

    private static Optional<Double> focal(Metadata meta) {
        ExifSubIFDDirectory dir = meta.getFirstDirectoryOfType(ExifSubIFDDirectory.class);
        Double mm =
                dir == null
                        ? null
                        : dir.getDoubleObject(ExifSubIFDDirectory.TAG_35MM_FILM_EQUIV_FOCAL_LENGTH);
        return mm == null || !(mm >= 5 && mm <= 2000) ? Optional.empty() : Optional.of(mm);
    }
}
