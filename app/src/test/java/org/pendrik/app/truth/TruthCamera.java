package org.pendrik.app.truth;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Point;

/**
 * A pinhole camera with a real lens in front: yaw and pitch, two radial terms of Brown's polynomial
 * (not the model that the program fits), defocus, light of a black body half corrected by the
 * camera, channels that take from each other, uneven falling light, noise and compression.
 */
final class TruthCamera {
    static final int WIDTH = 1500;
    static final int HEIGHT = 1000;
    static final double CARD_L = 60;

    /** The card hangs under the side, in its plane. */
    private static final double CARD_X = 1850;

    private static final double CARD_Y = 1680;
    private static final double CARD_SIZE = 220;
    private static final int RAYS = 2;

    /** No camera sees as people do: one standard deviation of what a channel takes from another. */
    private static final double CROSSTALK = 0.02;

    /** Half of the diagonal. */
    private static final double HALF = Math.hypot(WIDTH, HEIGHT) / 2;

    final double yawDegrees;
    final double kelvin;
    final double noise;
    final double blurPx;
    final int quality;
    final double k1;
    private final double[][] turn;
    private final double distance;
    private final double focalPx = 1600;
    private final double level;
    private final double across;
    private final double[] gain;
    private final double[][] crosstalk;
    private final RandomGenerator random;

    TruthCamera(int seed) {
        random = new SplittableRandom(seed * 104729L + 11);
        yawDegrees = seed % 2 == 0 ? 50 * random.nextDouble() : -50 * random.nextDouble();
        double pitch = -6 + 12 * random.nextDouble();
        kelvin = 2700 + 4800 * random.nextDouble();
        noise = 0.8 + 1.7 * random.nextDouble();
        blurPx = 0.4 + 1.0 * random.nextDouble();
        quality = 60 + random.nextInt(36);
        k1 = seed % 3 == 0 ? 0 : -0.10 + 0.13 * random.nextDouble();
        level = 0.75 + 0.3 * random.nextDouble();
        across = -0.12 + 0.24 * random.nextDouble();
        turn = turn(Math.toRadians(yawDegrees), Math.toRadians(pitch));
        distance = fits();
        gain = gain(kelvin);
        crosstalk = crosstalk(seed);
    }

    /** What each channel takes from the others; greys stay grey. */
    private static double[][] crosstalk(int seed) {
        RandomGenerator r = new SplittableRandom(131L * seed + 7);
        double[][] out = new double[3][3];
        for (int i = 0; i < 3; i++) {
            out[i][i] = 1;
            for (int j = 0; j < 3; j++) {
                double taken = i == j ? 0 : CROSSTALK * r.nextGaussian();
                out[i][j] += taken;
                out[i][i] -= taken;
            }
        }
        return out;
    }

    private static double[][] turn(double yaw, double pitch) {
        double cy = Math.cos(yaw);
        double sy = Math.sin(yaw);
        double cp = Math.cos(pitch);
        double sp = Math.sin(pitch);
        return new double[][] {{cy, 0, sy}, {sp * sy, cp, -sp * cy}, {-cp * sy, sp, cp * cy}};
    }

    /** The nearest distance at which side and card are in the picture. */
    private double fits() {
        double d = 2500;
        boolean inside;
        do {
            d *= 1.02;
            inside = true;
            for (double x : new double[] {-30, TruthScene.LENGTH_MM + 30}) {
                for (double y : new double[] {-30, CARD_Y + CARD_SIZE + 20}) {
                    Point p = project(x, y, d);
                    inside &= p.x() > 25 && p.y() > 25 && p.x() < WIDTH - 25 && p.y() < HEIGHT - 25;
                }
            }
        } while (!inside);
        return d;
    }

    private Point project(double xMm, double yMm, double d) {
        double x = xMm - TruthScene.LENGTH_MM / 2;
        double y = yMm - TruthScene.HEIGHT_MM / 2 - 130;
        double u = turn[0][0] * x + turn[0][1] * y;
        double v = turn[1][0] * x + turn[1][1] * y;
        double w = turn[2][0] * x + turn[2][1] * y + d;
        double px = focalPx * u / w;
        double py = focalPx * v / w;
        double r2 = (px * px + py * py) / (HALF * HALF);
        double f = 1 + k1 * r2 + 0.4 * k1 * k1 * r2 * r2;
        return new Point(WIDTH / 2.0 + px * f, HEIGHT / 2.0 + py * f);
    }

    /** Where a place of the side is seen. */
    Point seen(double xMm, double yMm) {
        return project(xMm, yMm, distance);
    }

    /** The same as a hand would mark it. */
    Point marked(double xMm, double yMm, double handPx) {
        Point p = seen(xMm, yMm);
        return new Point(
                p.x() + handPx * random.nextGaussian(), p.y() + handPx * random.nextGaussian());
    }

    /** A box well inside the card: x, y, width, height in photograph pixels. */
    double[] card() {
        double left = Double.MAX_VALUE;
        double top = Double.MAX_VALUE;
        double right = 0;
        double low = 0;
        for (int i = 0; i < 4; i++) {
            Point p =
                    seen(
                            CARD_X + CARD_SIZE * (0.25 + 0.5 * (i % 2)),
                            CARD_Y + CARD_SIZE * (0.25 + 0.5 * (i >> 1)));
            left = Math.min(left, p.x());
            right = Math.max(right, p.x());
            top = Math.min(top, p.y());
            low = Math.max(low, p.y());
        }
        return new double[] {left, top, right - left, low - top};
    }

    private double lit(double xMm) {
        return 1 + across * (xMm / TruthScene.LENGTH_MM - 0.5);
    }

    /**
     * Channel gains of a black body (chromaticity after B. Kang and others, Journal of the Korean
     * Physical Society 41, 2002), six tenths of the way to daylight taken out by the camera.
     */
    private static double[] gain(double kelvin) {
        double[] v = white(kelvin);
        double[] day = white(6504);
        double most = 0;
        for (int k = 0; k < 3; k++) {
            v[k] = Math.pow(Math.max(v[k], 0.02) / day[k], 0.4);
            most = Math.max(most, v[k]);
        }
        for (int k = 0; k < 3; k++) {
            v[k] /= most;
        }
        return v;
    }

    private static double[] white(double t) {
        double i = 1000 / t;
        double x =
                t < 4000
                        ? -0.2661239 * i * i * i - 0.2343589 * i * i + 0.8776956 * i + 0.179910
                        : -3.0258469 * i * i * i + 2.1070379 * i * i + 0.2226347 * i + 0.240390;
        double y =
                t < 4000
                        ? -0.9549476 * x * x * x - 1.37418593 * x * x + 2.09137015 * x - 0.16748867
                        : 3.0817580 * x * x * x - 5.87338670 * x * x + 3.75112997 * x - 0.37001483;
        return Srgb.xyzToLinear(x / y, 1, (1 - x - y) / y);
    }

    byte[] photograph(TruthScene scene) {
        float[] linear = new float[3 * WIDTH * HEIGHT];
        IntStream.range(0, HEIGHT).parallel().forEach(y -> row(scene, linear, y));
        float[] soft = blurred(linear);
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        int[] line = new int[WIDTH];
        for (int y = 0; y < HEIGHT; y++) {
            develop(soft, y, line);
            image.getRaster().setDataElements(0, y, WIDTH, 1, line);
        }
        return Pictures.jpeg(image, quality / 100f);
    }

    /** A row as it is encoded, with noise. */
    private void develop(float[] soft, int y, int[] line) {
        for (int x = 0; x < WIDTH; x++) {
            int p = 0;
            for (int k = 0; k < 3; k++) {
                double v = encoded(soft[3 * (y * WIDTH + x) + k]) + noise * random.nextGaussian();
                p = p << 8 | Math.clamp(Math.round(v), 0, 255);
            }
            line[x] = p;
        }
    }

    private static final int STEPS = 4096;
    private static final double[] ENCODED = new double[STEPS + 2];

    static {
        for (int i = 0; i < ENCODED.length; i++) {
            // even in the square root of the light, where encoded values are nearly straight
            ENCODED[i] = 255 * Srgb.encode(Math.pow((double) i / STEPS, 2));
        }
    }

    private static double encoded(double linear) {
        double at = Math.sqrt(Math.clamp(linear, 0.0, 1.0)) * STEPS;
        int i = (int) at;
        return ENCODED[i] + (at - i) * (ENCODED[i + 1] - ENCODED[i]);
    }

    private void row(TruthScene scene, float[] linear, int y) {
        double[] sum = new double[3];
        double[] grey = Srgb.labToLinear(new Lab(CARD_L, 0, 0));
        double[] ground = Srgb.labToLinear(new Lab(50, 2, 8));
        for (int x = 0; x < WIDTH; x++) {
            java.util.Arrays.fill(sum, 0);
            for (int r = 0; r < RAYS; r++) {
                // on the diagonal, the other one in every second pixel
                double across = (r + 0.5) / RAYS;
                double down = (x + y) % 2 == 0 ? across : 1 - across;
                double[] mm = onPlane(x + across, y + down);
                double light = lit(mm[0]) * level;
                int tx = (int) Math.floor(mm[0] * TruthScene.PX_PER_MM);
                int ty = (int) Math.floor(mm[1] * TruthScene.PX_PER_MM);
                boolean card =
                        mm[0] >= CARD_X
                                && mm[1] >= CARD_Y
                                && mm[0] < CARD_X + CARD_SIZE
                                && mm[1] < CARD_Y + CARD_SIZE;
                for (int k = 0; k < 3; k++) {
                    double v =
                            card
                                    ? grey[k]
                                    : tx < 0 || ty < 0 || tx >= scene.width || ty >= scene.height
                                            ? ground[k]
                                            : scene.rgb[3 * (ty * scene.width + tx) + k];
                    sum[k] += v * light * gain[k] / RAYS;
                }
            }
            for (int k = 0; k < 3; k++) {
                double[] from = crosstalk[k];
                linear[3 * (y * WIDTH + x) + k] =
                        (float) (from[0] * sum[0] + from[1] * sum[1] + from[2] * sum[2]);
            }
        }
    }

    /** The place of the side that a photograph pixel shows. */
    private double[] onPlane(double px, double py) {
        double dx = px - WIDTH / 2.0;
        double dy = py - HEIGHT / 2.0;
        double ux = dx;
        double uy = dy;
        for (int i = 0; i < 4 && k1 != 0; i++) {
            double r2 = (ux * ux + uy * uy) / (HALF * HALF);
            double f = 1 + k1 * r2 + 0.4 * k1 * k1 * r2 * r2;
            ux = dx / f;
            uy = dy / f;
        }
        ux /= focalPx;
        uy /= focalPx;
        // (x, y, 0) turned, moved by the distance and divided by depth gives (ux, uy): two
        // equations
        double a = turn[0][0] - ux * turn[2][0];
        double b = turn[0][1] - ux * turn[2][1];
        double c = turn[1][0] - uy * turn[2][0];
        double d = turn[1][1] - uy * turn[2][1];
        double e = ux * distance;
        double f = uy * distance;
        double det = a * d - b * c;
        double x = (e * d - b * f) / det;
        double y = (a * f - e * c) / det;
        return new double[] {x + TruthScene.LENGTH_MM / 2, y + TruthScene.HEIGHT_MM / 2 + 130};
    }

    private float[] blurred(float[] in) {
        int reach = (int) Math.ceil(3 * blurPx);
        float[] curve = new float[2 * reach + 1];
        float sum = 0;
        for (int k = -reach; k <= reach; k++) {
            curve[k + reach] = (float) Math.exp(-0.5 * k * k / (blurPx * blurPx));
            sum += curve[k + reach];
        }
        for (int k = 0; k < curve.length; k++) {
            curve[k] /= sum;
        }
        float[] rows = new float[in.length];
        float[] out = new float[in.length];
        IntStream.range(0, HEIGHT)
                .parallel()
                .forEach(
                        y -> {
                            float[] line = padded(in, y, reach);
                            for (int d = 0; d < curve.length; d++) {
                                add(line, 3 * d, rows, y, curve[d]);
                            }
                        });
        IntStream.range(0, HEIGHT)
                .parallel()
                .forEach(
                        y -> {
                            for (int d = -reach; d <= reach; d++) {
                                int from = Math.clamp(y + d, 0, HEIGHT - 1);
                                add(rows, 3 * WIDTH * from, out, y, curve[d + reach]);
                            }
                        });
        return out;
    }

    /** A line with its first and last pixel repeated. */
    private static float[] padded(float[] in, int y, int reach) {
        float[] line = new float[3 * (WIDTH + 2 * reach)];
        for (int x = -reach; x < WIDTH + reach; x++) {
            int from = 3 * (y * WIDTH + Math.clamp(x, 0, WIDTH - 1));
            System.arraycopy(in, from, line, 3 * (x + reach), 3);
        }
        return line;
    }

    private static void add(float[] in, int from, float[] out, int y, float weight) {
        int to = 3 * y * WIDTH;
        for (int i = 0; i < 3 * WIDTH; i++) {
            out[to + i] += weight * in[from + i];
        }
    }

    /** Points along the four edges of the side, as marked. */
    List<List<Point>> edges(double handPx) {
        List<List<Point>> out = new ArrayList<>();
        for (int e = 0; e < 4; e++) {
            List<Point> line = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                double t = i / 5.0;
                line.add(
                        e < 2
                                ? marked(t * TruthScene.LENGTH_MM, e * TruthScene.HEIGHT_MM, handPx)
                                : marked(
                                        (e - 2) * TruthScene.LENGTH_MM,
                                        t * TruthScene.HEIGHT_MM,
                                        handPx));
            }
            out.add(line);
        }
        return out;
    }
}
