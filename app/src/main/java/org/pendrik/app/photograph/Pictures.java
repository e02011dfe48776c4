package org.pendrik.app.photograph;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
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

    private Pictures() {}

    /** A JPEG no wider or higher than given. */
    public static byte[] jpeg(Raster raster, int mostPx) {
        BufferedImage image =
                new BufferedImage(raster.width(), raster.height(), BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, raster.width(), raster.height(), raster.argb(), 0, raster.width());
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
            BufferedImage image = ImageIO.read(new ByteArrayInputStream(file));
            int w = image.getWidth();
            return new Raster(
                    w, image.getHeight(), image.getRGB(0, 0, w, image.getHeight(), null, 0, w));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A PNG with its transparency. */
    public static byte[] png(Raster raster) {
        BufferedImage image =
                new BufferedImage(raster.width(), raster.height(), BufferedImage.TYPE_INT_ARGB);
        image.setRGB(0, 0, raster.width(), raster.height(), raster.argb(), 0, raster.width());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
