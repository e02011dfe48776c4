package org.pendrik.app.truth.spectral;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import org.ejml.simple.SimpleMatrix;

/**
 * A generic digital camera before a side. Its sensors are bells near 600, 535 and 460 nm with a
 * weak second lobe and an infrared filter at 690 nm, so that it does not see as people do; one
 * matrix, fitted by least squares in daylight to 60 smooth reflectances with white kept, makes sRGB
 * of what they give. It corrects the light only in part, its light falls off by up to a fifth over
 * the side, its lens bends lines by up to 0.06 of the half diagonal, and it blurs, adds shot noise
 * and compresses.
 */
final class SpectralCamera {
    static final int WIDTH = 1800;
    static final int HEIGHT = 840;

    /**
     * Lightness of the card, which hangs under the side; it is a little off neutral, as cards are.
     */
    static final double CARD_L = 57;

    private static final double[] CARD = {2700, 2270, 300, 170};
    private static final double[] CARD_COLOUR =
            Spectrum.of(l -> 0.2486 * (1 - 0.00008 * (l - 560)));
    private static final double[] BALLAST = Spectrum.of(l -> 0.16 + 0.0001 * (l - 550));

    private static final double HALF = Math.hypot(WIDTH, HEIGHT) / 2;
    private static final double[][] SAMPLES = {{0.25, 0.25}, {0.75, 0.75}};

    private final RandomGenerator random;
    private final double[][] sensors;

    /** From balanced sensor values to linear sRGB. */
    private final double[][] matrix;

    private final double[] light;
    private final double[] balance;
    private final double exposure;
    private final double[][] turn;
    private final double distance;
    private final double focal;
    private final double k1;
    private final double vignette;
    private final double tilt;
    private final double middleX;
    private final double middleY;
    private final double blur;
    private final double shot;
    private final float quality;

    SpectralCamera(int seed) {
        random = new SplittableRandom(77_003L * (seed + 11));
        sensors =
                new double[][] {
                    sensor(600 + turned(), 36, 34, 0.06, 445),
                    sensor(535 + turned(), 36, 40, 0.04, 640),
                    sensor(460 + turned(), 28, 32, 0.03, 560)
                };
        matrix = matrix();
        double kelvin = 1e6 / (130 + 200 * random.nextDouble());
        light = Spectrum.light(kelvin);
        double taken = 1e6 / (1e6 / kelvin + 40 * (random.nextDouble() - 0.5));
        balance = gains(Spectrum.light(taken));
        double yaw = Math.toRadians(-28 + 56 * random.nextDouble());
        double pitch = Math.toRadians(-4 + 8 * random.nextDouble());
        double[][] aside = {
            {Math.cos(yaw), 0, Math.sin(yaw)}, {0, 1, 0}, {-Math.sin(yaw), 0, Math.cos(yaw)}
        };
        double[][] up = {
            {1, 0, 0}, {0, Math.cos(pitch), -Math.sin(pitch)}, {0, Math.sin(pitch), Math.cos(pitch)}
        };
        turn = new SimpleMatrix(up).mult(new SimpleMatrix(aside)).toArray2();
        focal = 1900;
        distance = focal * SpectralSide.LENGTH_MM / (0.78 * WIDTH);
        k1 = -0.06 + 0.12 * random.nextDouble();
        vignette = 0.18 * random.nextDouble();
        tilt = -0.1 + 0.2 * random.nextDouble();
        middleX = 0.3 * (random.nextDouble() - 0.5);
        middleY = 0.3 * (random.nextDouble() - 0.5);
        blur = 0.5 + 0.7 * random.nextDouble();
        shot = 0.0006 + 0.0012 * random.nextDouble();
        quality = 0.65f + 0.3f * (float) random.nextDouble();
        double[] white = developed(Spectrum.of(_ -> 1));
        exposure =
                (0.72 + 0.2 * random.nextDouble())
                        / Math.max(white[0], Math.max(white[1], white[2]));
    }

    /** No two makes of sensors peak at the same wavelength: within 5 nm. */
    private double turned() {
        return -5 + 10 * random.nextDouble();
    }

    private static double[] sensor(
            double nm, double below, double above, double second, double secondNm) {
        return Spectrum.of(
                l ->
                        (Spectrum.lobe(l, nm, below, above)
                                        + second * Spectrum.lobe(l, secondNm, 25, 25))
                                / (1 + Math.exp((l - 690) / 6)));
    }

    private double[] caught(double[] reflectance, double[] light) {
        double[] out = new double[3];
        for (int k = 0; k < 3; k++) {
            for (int i = 0; i < Spectrum.COUNT; i++) {
                out[k] += sensors[k][i] * light[i] * reflectance[i];
            }
        }
        return out;
    }

    private double[] gains(double[] light) {
        double[] white = caught(Spectrum.of(_ -> 1), light);
        return new double[] {1 / white[0], 1 / white[1], 1 / white[2]};
    }

    private double[][] matrix() {
        RandomGenerator r = new SplittableRandom(4);
        double[] day = Spectrum.light(6504);
        double[] gain = gains(day);
        int count = 60;
        SimpleMatrix seen = new SimpleMatrix(count + 1, 3);
        SimpleMatrix wanted = new SimpleMatrix(count + 1, 3);
        for (int i = 0; i <= count; i++) {
            double low = 0.05 + 0.3 * r.nextDouble();
            double high = 0.1 + 0.5 * r.nextDouble();
            double at = 420 + 260 * r.nextDouble();
            double wide = 20 + 60 * r.nextDouble();
            boolean step = r.nextBoolean();
            double[] p =
                    i == count
                            ? Spectrum.of(_ -> 30)
                            : Spectrum.of(
                                    l ->
                                            low
                                                    + high
                                                            * (step
                                                                    ? 1
                                                                            / (1
                                                                                    + Math.exp(
                                                                                            (at - l)
                                                                                                    / wide
                                                                                                    * 2))
                                                                    : Spectrum.lobe(
                                                                            l, at, wide, wide)));
            double[] c = caught(p, day);
            double[] xyz = Spectrum.relative(p);
            double[] rgb = linear(xyz);
            for (int k = 0; k < 3; k++) {
                seen.set(i, k, c[k] * gain[k]);
                wanted.set(i, k, rgb[k]);
            }
        }
        return seen.solve(wanted).transpose().toArray2();
    }

    /** Linear sRGB of X, Y, Z over white (IEC 61966-2-1). */
    private static double[] linear(double[] relative) {
        double x = 0.95047 * relative[0];
        double y = relative[1];
        double z = 1.08883 * relative[2];
        return new double[] {
            3.2404542 * x - 1.5371385 * y - 0.4985314 * z,
            -0.9692660 * x + 1.8760108 * y + 0.0415560 * z,
            0.0556434 * x - 0.2040259 * y + 1.0572252 * z
        };
    }

    /** What the camera makes of a reflectance, linear and without exposure. */
    private double[] developed(double[] reflectance) {
        double[] c = caught(reflectance, light);
        double[] out = new double[3];
        for (int k = 0; k < 3; k++) {
            for (int j = 0; j < 3; j++) {
                out[k] += matrix[k][j] * c[j] * balance[j];
            }
        }
        return out;
    }

    byte[] photograph(SpectralSide side) {
        SpectralSide.Table table = side.table(this::developed);
        double[] card = developed(CARD_COLOUR);
        double[] ballast = developed(BALLAST);
        float[][] linear = new float[3][WIDTH * HEIGHT];
        IntStream.range(0, HEIGHT)
                .parallel()
                .forEach(y -> row(side, table, card, ballast, linear, y));
        for (float[] plane : linear) {
            soften(plane);
        }
        var image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        int[] line = new int[WIDTH];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                int p = 0;
                for (float[] plane : linear) {
                    double v = plane[y * WIDTH + x];
                    double noisy =
                            v
                                    + Math.sqrt(shot * shot + shot * Math.max(0, v) * 0.12)
                                            * random.nextGaussian();
                    p = p << 8 | encoded(noisy);
                }
                line[x] = p;
            }
            image.getRaster().setDataElements(0, y, WIDTH, 1, line);
        }
        return jpeg(image);
    }

    private static final int[] ENCODED = new int[1 << 14];

    static {
        for (int i = 0; i < ENCODED.length; i++) {
            // even in the square root, where the curve is nearly straight
            double v = Math.pow(i / (ENCODED.length - 1.0), 2);
            double c = v <= 0.0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - 0.055;
            ENCODED[i] = (int) Math.round(255 * c);
        }
    }

    private static int encoded(double v) {
        return ENCODED[(int) (Math.sqrt(Math.clamp(v, 0.0, 1.0)) * (ENCODED.length - 1) + 0.5)];
    }

    private byte[] jpeg(BufferedImage image) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        var out = new ByteArrayOutputStream();
        try (var stream = ImageIO.createImageOutputStream(out)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(quality);
            writer.setOutput(stream);
            writer.write(null, new IIOImage(image, null, null), how);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    private void row(
            SpectralSide side,
            SpectralSide.Table table,
            double[] card,
            double[] ballast,
            float[][] linear,
            int y) {
        SpectralSide.Seen seen = new SpectralSide.Seen();
        double[] one = new double[3];
        double[] mm = new double[2];
        for (int x = 0; x < WIDTH; x++) {
            double lit = exposure * level(x + 0.5, y + 0.5) / SAMPLES.length;
            for (double[] s : SAMPLES) {
                onSide(x + s[0], y + s[1], mm);
                double u = mm[0];
                double v = mm[1];
                double[] colour = ballast;
                double bright = lit;
                if (u >= 0 && v >= 0 && u < SpectralSide.LENGTH_MM && v < SpectralSide.HEIGHT_MM) {
                    side.see(u, v, seen);
                    table.at(seen.kind, seen.rust, seen.dust, one);
                    colour = one;
                    bright *= seen.level;
                } else if (u >= CARD[0]
                        && v >= CARD[1]
                        && u < CARD[0] + CARD[2]
                        && v < CARD[1] + CARD[3]) {
                    colour = card;
                }
                for (int k = 0; k < 3; k++) {
                    linear[k][y * WIDTH + x] += (float) (bright * colour[k]);
                }
            }
        }
    }

    /** How bright the light is at a pixel: 1 where it is brightest, about. */
    private double level(double px, double py) {
        double u = 2 * px / WIDTH - 1;
        double v = (2 * py - HEIGHT) / WIDTH;
        double du = u - middleX;
        double dv = v - middleY;
        return (1 - vignette * (du * du + dv * dv)) * (1 + tilt * u);
    }

    /** Blurs a plane along rows, then along columns. */
    private void soften(float[] plane) {
        int reach = (int) Math.ceil(3 * blur);
        double[] bell = new double[2 * reach + 1];
        double sum = 0;
        for (int d = -reach; d <= reach; d++) {
            bell[d + reach] = Spectrum.lobe(d, 0, blur, blur);
            sum += bell[d + reach];
        }
        double total = sum;
        float[] rows = new float[plane.length];
        pass(plane, rows, bell, total, reach, true);
        pass(rows, plane, bell, total, reach, false);
    }

    private static void pass(
            float[] from, float[] to, double[] bell, double total, int reach, boolean across) {
        IntStream.range(0, HEIGHT)
                .parallel()
                .forEach(
                        y -> {
                            for (int x = 0; x < WIDTH; x++) {
                                double v = 0;
                                for (int d = -reach; d <= reach; d++) {
                                    int i =
                                            across
                                                    ? y * WIDTH + Math.clamp(x + d, 0, WIDTH - 1)
                                                    : Math.clamp(y + d, 0, HEIGHT - 1) * WIDTH + x;
                                    v += bell[d + reach] * from[i];
                                }
                                to[y * WIDTH + x] = (float) (v / total);
                            }
                        });
    }

    /** Pixel of a place of the side. */
    double[] seen(double x, double y) {
        double px = x - SpectralSide.LENGTH_MM / 2;
        double py = y - SpectralSide.HEIGHT_MM / 2 - 60;
        double depth = turn[2][0] * px + turn[2][1] * py + distance;
        double u = focal * (turn[0][0] * px + turn[0][1] * py) / depth;
        double v = focal * (turn[1][0] * px + turn[1][1] * py) / depth;
        double bent = 1 + k1 * (u * u + v * v) / (HALF * HALF);
        return new double[] {WIDTH / 2.0 + u * bent, HEIGHT / 2.0 + v * bent};
    }

    /** As {@link #seen}, as a hand marks it. */
    double[] marked(double x, double y, double handPx) {
        double[] p = seen(x, y);
        return new double[] {
            p[0] + handPx * random.nextGaussian(), p[1] + handPx * random.nextGaussian()
        };
    }

    private void onSide(double px, double py, double[] out) {
        double dx = px - WIDTH / 2.0;
        double dy = py - HEIGHT / 2.0;
        double far = Math.hypot(dx, dy) / HALF;
        double r = far;
        for (int i = 0; i < 4; i++) {
            r -= (r * (1 + k1 * r * r) - far) / (1 + 3 * k1 * r * r);
        }
        double straight = far == 0 ? 1 : r / far;
        double u = dx * straight / focal;
        double v = dy * straight / focal;
        double a = turn[0][0] - u * turn[2][0];
        double b = turn[0][1] - u * turn[2][1];
        double c = turn[1][0] - v * turn[2][0];
        double d = turn[1][1] - v * turn[2][1];
        double det = a * d - b * c;
        out[0] = (u * distance * d - b * v * distance) / det + SpectralSide.LENGTH_MM / 2;
        out[1] = (a * v * distance - c * u * distance) / det + SpectralSide.HEIGHT_MM / 2 + 60;
    }

    /** Points along the four edges of the side, as a hand marks them: upper, lower, left, right. */
    List<List<double[]>> edges(double handPx) {
        List<List<double[]>> out = new ArrayList<>();
        for (int e = 0; e < 4; e++) {
            List<double[]> line = new ArrayList<>();
            for (int i = 0; i <= 5; i++) {
                double t = i / 5.0;
                double other = e % 2;
                line.add(
                        e < 2
                                ? marked(
                                        t * SpectralSide.LENGTH_MM,
                                        other * SpectralSide.HEIGHT_MM,
                                        handPx)
                                : marked(
                                        other * SpectralSide.LENGTH_MM,
                                        t * SpectralSide.HEIGHT_MM,
                                        handPx));
            }
            out.add(line);
        }
        return out;
    }

    /** Where the card is seen, well within its rim: left, top, width, height in pixels. */
    double[] card() {
        double[] a = seen(CARD[0] + 50, CARD[1] + 40);
        double[] b = seen(CARD[0] + CARD[2] - 50, CARD[1] + CARD[3] - 40);
        return new double[] {a[0], Math.max(a[1], 0), b[0] - a[0], b[1] - a[1]};
    }

    /** The level of the light at a place of the side over that on the middle of the card. */
    double levelOverCard(double x, double y) {
        double[] here = seen(x, y);
        double[] there = seen(CARD[0] + CARD[2] / 2, CARD[1] + CARD[3] / 2);
        return level(here[0], here[1]) / level(there[0], there[1]);
    }
}
