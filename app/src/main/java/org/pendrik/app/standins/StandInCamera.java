package org.pendrik.app.standins;

import java.awt.image.BufferedImage;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.Length;

/**
 * A camera that is not there: renders a flat side in perspective, under coloured and uneven light,
 * with sensor noise and JPEG compression. Everything that it does to the truth is known.
 *
 * @param width photograph pixels
 * @param height photograph pixels
 * @param corners where the side is seen, upper left and round
 * @param light what falls on the scene
 * @param surround what lies around the side
 * @param card a neutral card in photograph pixels: x, y, width, height
 * @param noise standard deviation of a channel, 8-bit steps
 * @param quality JPEG quality, 0 to 1
 */
public record StandInCamera(
        int width,
        int height,
        List<Point> corners,
        Light light,
        Lab surround,
        List<Double> card,
        double noise,
        float quality) {
    /** Lightness of the neutral card. */
    public static final double CARD_L = 60;

    /** Each pixel is the mean of this many rays squared. */
    private static final int RAYS = 2;

    /**
     * Light that falls on the scene.
     *
     * @param red share of the channel that arrives, linear
     * @param green as red
     * @param blue as red
     * @param across relative growth from the left edge to the right
     * @param down relative growth from the upper edge to the lower
     */
    public record Light(double red, double green, double blue, double across, double down) {
        /** Level at a place, both 0 to 1. */
        public double level(double u, double v) {
            return 1 + across * (u - 0.5) + down * (v - 0.5);
        }
    }

    /** Takes a photograph of a side. */
    public byte[] photograph(Raster side, double sidePxPerMm, long seed) {
        SideGeometry geometry = geometry(side.width() / sidePxPerMm, side.height() / sidePxPerMm);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        double[] ground = Srgb.labToLinear(surround);
        double[] grey = Srgb.labToLinear(new Lab(CARD_L, 0, 0));
        double[] box = card.stream().mapToDouble(Double::doubleValue).toArray();
        int[] pixels = new int[width * height];
        // every row has a seed of its own, so that the order in which they are taken does not count
        IntStream.range(0, height)
                .parallel()
                .forEach(
                        y -> {
                            SplittableRandom random = new SplittableRandom(seed * height + y);
                            double[] sum = new double[3];
                            for (int x = 0; x < width; x++) {
                                Arrays.fill(sum, 0);
                                for (int r = 0; r < RAYS * RAYS; r++) {
                                    double px = x + (r % RAYS + 0.5) / RAYS;
                                    int row = r / RAYS;
                                    double py = y + (row + 0.5) / RAYS;
                                    ray(
                                            side,
                                            sidePxPerMm,
                                            geometry,
                                            box,
                                            px,
                                            py,
                                            ground,
                                            grey,
                                            sum);
                                }
                                pixels[y * width + x] = noisy(lit(sum, x, y), random);
                            }
                        });
        image.getRaster().setDataElements(0, 0, width, height, pixels);
        return Pictures.jpeg(image, quality);
    }

    private int lit(double[] sum, int x, int y) {
        double level = light.level(x / (double) width, y / (double) height) / (RAYS * RAYS);
        return Srgb.pack(
                sum[0] * level * light.red,
                sum[1] * level * light.green,
                sum[2] * level * light.blue);
    }

    private void ray(
            Raster side,
            double pxPerMm,
            SideGeometry geometry,
            double[] box,
            double px,
            double py,
            double[] ground,
            double[] grey,
            double[] sum) {
        if (px >= box[0] && py >= box[1] && px < box[0] + box[2] && py < box[1] + box[3]) {
            add(sum, grey, 1);
            return;
        }
        Point mm = geometry.toSide(new Point(px, py));
        double tx = mm.x() * pxPerMm - 0.5;
        double ty = mm.y() * pxPerMm - 0.5;
        if (tx < 0 || ty < 0 || tx >= side.width() - 1 || ty >= side.height() - 1) {
            double mottle = 0.9 + 0.2 * Noise.at(px / 37, py / 37);
            add(sum, ground, mottle);
            return;
        }
        int ix = (int) tx;
        int iy = (int) ty;
        double u = tx - ix;
        double v = ty - iy;
        texel(sum, side.at(ix, iy), (1 - u) * (1 - v));
        texel(sum, side.at(ix + 1, iy), u * (1 - v));
        texel(sum, side.at(ix, iy + 1), (1 - u) * v);
        texel(sum, side.at(ix + 1, iy + 1), u * v);
    }

    private static void texel(double[] sum, int p, double weight) {
        sum[0] += Srgb.linear(p >> 16) * weight;
        sum[1] += Srgb.linear(p >> 8) * weight;
        sum[2] += Srgb.linear(p) * weight;
    }

    private static void add(double[] sum, double[] c, double weight) {
        for (int k = 0; k < 3; k++) {
            sum[k] += c[k] * weight;
        }
    }

    private int noisy(int p, SplittableRandom random) {
        int out = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            long v = Math.round((p >> shift & 255) + noise * random.nextGaussian());
            out |= Math.clamp(v, 0, 255) << shift;
        }
        return out;
    }

    /** Where a side of this size lies in the photograph. */
    public SideGeometry geometry(double lengthMm, double heightMm) {
        return switch (SideRectifier.locate(
                corners, List.of(), Length.ofMm(lengthMm), Length.ofMm(heightMm))) {
            case SideRectifier.Outcome.Found f -> f.geometry();
            case SideRectifier.Outcome.Refused r -> throw new IllegalArgumentException(r.reason());
        };
    }
}
