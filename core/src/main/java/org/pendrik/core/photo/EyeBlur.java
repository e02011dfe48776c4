package org.pendrik.core.photo;

import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;

/**
 * A side as seen from the viewing distance: linear light, blurred by three box filters that
 * together come close to a normal curve (W. M. Wells, "Efficient synthesis of Gaussian filters by
 * cascaded uniform filters", IEEE PAMI 8 (1986), 234–239). Pixels outside the photograph carry no
 * weight. Cost O(pixels), whatever the width.
 */
final class EyeBlur {
    private static final int PASSES = 3;
    private final Raster side;
    private final float[][] channel;
    private final float[] weight;

    private EyeBlur(Raster side, float[][] channel, float[] weight) {
        this.side = side;
        this.channel = channel;
        this.weight = weight;
    }

    static EyeBlur of(Raster side, double sigmaPx) {
        int n = side.argb().length;
        float[][] c = new float[3][n];
        float[] seen = new float[n];
        for (int i = 0; i < n; i++) {
            int p = side.argb()[i];
            if (p >>> 24 != 0) {
                c[0][i] = (float) Srgb.linear(p >> 16);
                c[1][i] = (float) Srgb.linear(p >> 8);
                c[2][i] = (float) Srgb.linear(p);
                seen[i] = 1;
            }
        }
        // three boxes of width 2r+1 have variance ((2r+1)^2 - 1) / 4
        int radius = (int) Math.round((Math.sqrt(4 * sigmaPx * sigmaPx + 1) - 1) / 2);
        if (radius > 0) {
            float[] scratch = new float[n];
            for (float[] plane : new float[][] {c[0], c[1], c[2], seen}) {
                for (int pass = 0; pass < PASSES; pass++) {
                    box(plane, scratch, side.width(), side.height(), 1, side.width(), radius);
                    box(scratch, plane, side.height(), side.width(), side.width(), 1, radius);
                }
            }
        }
        return new EyeBlur(side, c, seen);
    }

    boolean seen(int i) {
        return side.argb()[i] >>> 24 != 0;
    }

    Lab lab(int i, GreyBalance light) {
        double w = weight[i];
        return light.toLab(channel[0][i] / w, channel[1][i] / w, channel[2][i] / w);
    }

    /**
     * Writes running means of {@code lines} lines of {@code length} into {@code out}; reads only
     * {@code in}.
     */
    private static void box(
            float[] in, float[] out, int length, int lines, int step, int lineStep, int radius) {
        float share = 1f / (2 * radius + 1);
        for (int line = 0; line < lines; line++) {
            int base = line * lineStep;
            double sum = 0;
            for (int i = 0; i <= Math.min(radius, length - 1); i++) {
                sum += in[base + i * step];
            }
            for (int i = 0; i < length; i++) {
                out[base + i * step] = (float) (sum * share);
                int enter = i + radius + 1;
                int leave = i - radius;
                if (enter < length) {
                    sum += in[base + enter * step];
                }
                if (leave >= 0) {
                    sum -= in[base + leave * step];
                }
            }
        }
    }
}
