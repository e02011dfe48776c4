package org.pendrik.app.photograph;

import java.awt.Graphics2D;
import java.awt.color.CMMException;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorConvertOp;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.util.Optional;

/**
 * Brings a decoded picture to sRGB. Telephones write Display P3: read as sRGB, their rust is dull.
 * Transparent places become white, as on paper. A profile that the machine cannot use is passed
 * over.
 */
final class StandardColour {
    private StandardColour() {}

    static BufferedImage of(BufferedImage image, Optional<ICC_Profile> beside) {
        BufferedImage profiled = greyAsWritten(beside.map(p -> with(image, p)).orElse(image));
        ColorSpace space = profiled.getColorModel().getColorSpace();
        boolean plain = space.isCS_sRGB();
        if (plain && !profiled.getColorModel().hasAlpha()) {
            return profiled;
        }
        BufferedImage out =
                new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_INT_RGB);
        if (!plain) {
            try {
                return new ColorConvertOp(null).filter(opaque(profiled), out);
            } catch (CMMException | IllegalArgumentException e) {
                return drawn(greyAsWritten(image), out);
            }
        }
        return drawn(profiled, out);
    }

    /**
     * A picture of grey samples without a profile as the same greys of sRGB, which is what files
     * mean by them; Java takes them for linear light and shows them far too bright. Any other
     * picture as it is.
     */
    static BufferedImage greyAsWritten(BufferedImage image) {
        ColorModel model = image.getColorModel();
        if (!(model instanceof ComponentColorModel)
                || model.getColorSpace() != ColorSpace.getInstance(ColorSpace.CS_GRAY)) {
            return image;
        }
        int w = image.getWidth();
        int h = image.getHeight();
        boolean alpha = model.hasAlpha();
        BufferedImage out =
                new BufferedImage(
                        w, h, alpha ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB);
        int most = (1 << model.getComponentSize(0)) - 1;
        int[] grey = new int[w];
        int[] opaque = new int[w];
        int[] row = new int[w];
        for (int y = 0; y < h; y++) {
            image.getRaster().getSamples(0, y, w, 1, 0, grey);
            if (alpha) {
                image.getRaster().getSamples(0, y, w, 1, 1, opaque);
            }
            for (int x = 0; x < w; x++) {
                row[x] =
                        (alpha ? eightBits(opaque[x], most) << 24 : 0)
                                | 0x010101 * eightBits(grey[x], most);
            }
            out.getRaster().setDataElements(0, y, w, 1, row);
        }
        return out;
    }

    private static int eightBits(int sample, int most) {
        return (sample * 255 + most / 2) / most;
    }

    private static BufferedImage drawn(BufferedImage image, BufferedImage out) {
        Graphics2D g = out.createGraphics();
        g.setColor(java.awt.Color.WHITE);
        g.fillRect(0, 0, out.getWidth(), out.getHeight());
        g.drawImage(image, 0, 0, null);
        g.dispose();
        return out;
    }

    /** The same samples under another profile. */
    private static BufferedImage with(BufferedImage image, ICC_Profile profile) {
        int bands = image.getRaster().getNumBands();
        ICC_ColorSpace space = new ICC_ColorSpace(profile);
        boolean alpha = image.getColorModel().hasAlpha();
        if (space.isCS_sRGB()
                || space.getNumComponents() != bands - (alpha ? 1 : 0)
                || image.getRaster().getTransferType() != DataBuffer.TYPE_BYTE
                || !(image.getColorModel() instanceof ComponentColorModel)) {
            return image;
        }
        ColorModel model =
                new ComponentColorModel(
                        space,
                        alpha,
                        false,
                        image.getColorModel().getTransparency(),
                        DataBuffer.TYPE_BYTE);
        return new BufferedImage(model, image.getRaster(), false, null);
    }

    /** Without transparency, which the conversion would carry on. */
    private static BufferedImage opaque(BufferedImage image) {
        if (!image.getColorModel().hasAlpha()) {
            return image;
        }
        int bands = image.getColorModel().getNumColorComponents();
        int[] of = new int[bands];
        for (int i = 0; i < bands; i++) {
            of[i] = i;
        }
        var samples =
                image.getRaster()
                        .createWritableChild(0, 0, image.getWidth(), image.getHeight(), 0, 0, of);
        ColorModel model =
                new ComponentColorModel(
                        image.getColorModel().getColorSpace(),
                        false,
                        false,
                        ColorModel.OPAQUE,
                        DataBuffer.TYPE_BYTE);
        return new BufferedImage(model, samples, false, null);
    }
}
