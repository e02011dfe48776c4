package org.pendrik.app.photograph;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import org.pendrik.core.photo.Raster;

/** Writes rasters as files that a browser shows. */
public final class Pictures {
    private static final float QUALITY = 0.9f;

    /** As light as a page in mid-grey, so that it neither dazzles nor darkens what lies beside. */
    private static final int UNSEEN = 0xff8c8c8c;

    private Pictures() {}

    /** A JPEG no wider or higher than given. */
    public static byte[] jpeg(Raster raster, int mostPx) {
        BufferedImage image = image(withGround(raster), BufferedImage.TYPE_INT_RGB);
        double scale = Math.min(1, (double) mostPx / Math.max(raster.width(), raster.height()));
        if (scale < 1) {
            int w = Math.max(1, (int) Math.round(raster.width() * scale));
            int h = Math.max(1, (int) Math.round(raster.height() * scale));
            BufferedImage small = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
            Graphics2D g = small.createGraphics();
            g.setRenderingHint(
                    RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
            g.drawImage(image, 0, 0, w, h, null);
            g.dispose();
            image = small;
        }
        return jpeg(image, QUALITY);
    }

    /** What is not in a photograph as neutral grey: a JPEG has no holes. */
    private static Raster withGround(Raster raster) {
        int[] argb = raster.argb().clone();
        for (int i = 0; i < argb.length; i++) {
            if (argb[i] >>> 24 == 0) {
                argb[i] = UNSEEN;
            }
        }
        return new Raster(raster.width(), raster.height(), argb);
    }

    /**
     * A JPEG of a picture.
     *
     * @param quality 0 to 1
     */
    public static byte[] jpeg(BufferedImage image, float quality) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (var stream = ImageIO.createImageOutputStream(out)) {
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(quality);
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), param);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    /**
     * Reads a file from outside with all its checks; one that would have to be read at half size is
     * refused.
     */
    public static Raster read(byte[] file) {
        var header = PhotographFile.header(file, java.time.ZoneOffset.UTC);
        var decoded = PhotographFile.decode(file, header);
        if (decoded.step() > 1) {
            throw new org.pendrik.core.units.InvalidInput(
                    "Picture",
                    "over 16 megapixels",
                    "is too large for one question",
                    "Send it smaller.");
        }
        return decoded.raster();
    }

    /**
     * Reads a picture from outside with its transparency: a JPEG or PNG of at most 16 megapixels,
     * whole.
     */
    public static Raster transparent(byte[] file) {
        read(file);
        try {
            BufferedImage image =
                    StandardColour.greyAsWritten(ImageIO.read(new ByteArrayInputStream(file)));
            return new Raster(image.getWidth(), image.getHeight(), pixels(image));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A PNG with its transparency. */
    public static byte[] png(Raster raster) {
        BufferedImage image = image(raster, BufferedImage.TYPE_INT_ARGB);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /**
     * The pixels of a picture as {@code 0xaarrggbb}, row by row. What files are read into most is
     * read here from its bytes, for {@link BufferedImage#getRGB} asks the colour model about each
     * pixel.
     */
    static int[] pixels(BufferedImage image) {
        int w = image.getWidth();
        int h = image.getHeight();
        if (image.getType() == BufferedImage.TYPE_3BYTE_BGR
                && image.getRaster().getParent() == null
                && image.getRaster().getDataBuffer() instanceof DataBufferByte bytes) {
            byte[] bgr = bytes.getData();
            int[] out = new int[w * h];
            for (int i = 0; i < out.length; i++) {
                out[i] =
                        0xff000000
                                | (bgr[3 * i + 2] & 255) << 16
                                | (bgr[3 * i + 1] & 255) << 8
                                | (bgr[3 * i] & 255);
            }
            return out;
        }
        return image.getRGB(0, 0, w, h, null, 0, w);
    }

    private static BufferedImage image(Raster raster, int type) {
        var image = new BufferedImage(raster.width(), raster.height(), type);
        image.getRaster().setDataElements(0, 0, raster.width(), raster.height(), raster.argb());
        return image;
    }
}
