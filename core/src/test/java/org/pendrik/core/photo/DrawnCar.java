package org.pendrik.core.photo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.List;
import java.util.SplittableRandom;

/**
 * Sides of cars as Java's own graphics draw them, laid flat by corners that were set by hand: the
 * same car weathered otherwise in another light, other cars, and cars with hardly an edge.
 */
final class DrawnCar {
    static final int WIDTH = 1600;
    static final int HEIGHT = 650;

    private final long seed;
    private final boolean plain;

    /**
     * @param seed makes the car: where its ribs, doors, letters and wheels are
     * @param plain a tank or a smooth van: letters, wheels and the sill, and hardly anything else
     */
    DrawnCar(long seed, boolean plain) {
        this.seed = seed;
        this.plain = plain;
    }

    /**
     * The car as a photograph shows it once it is laid flat.
     *
     * @param weather 0 clean to 1 hardly any paint to be seen
     * @param onSide where the places of the car come to lie, pixels
     * @param look makes the light, the dirt, the focus and the noise
     */
    Raster side(double weather, AffineTransform onSide, long look) {
        SplittableRandom light = new SplittableRandom(look);
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.setColor(grey(light.nextInt(110, 215)));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.transform(onSide);
        Color paint =
                Color.getHSBColor(
                        light.nextFloat(),
                        0.15f + 0.4f * light.nextFloat(),
                        0.25f + 0.45f * light.nextFloat());
        draw(g, paint, light.nextInt(0, 3) == 0);
        weather(g, weather, light.split());
        g.dispose();
        return seen(image, light);
    }

    private void draw(Graphics2D g, Color paint, boolean paleLetters) {
        SplittableRandom random = new SplittableRandom(seed * 31 + 7);
        Color dark = scaled(paint, 0.55);
        Color bright = scaled(paint, 1.25);
        double top = random.nextDouble(20, 90);
        double sill = random.nextDouble(400, 470);
        double left = random.nextDouble(10, 60);
        double right = WIDTH - random.nextDouble(10, 60);
        Path2D body = new Path2D.Double();
        double cut = random.nextDouble(0, 120);
        body.moveTo(left, top);
        body.lineTo(right, top);
        body.lineTo(right, sill - cut);
        body.lineTo(right - cut, sill);
        body.lineTo(left + cut, sill);
        body.lineTo(left, sill - cut);
        body.closePath();
        g.setColor(paint);
        g.fill(body);
        if (!plain) {
            g.setColor(dark);
            g.fill(new Rectangle2D.Double(left, top, right - left, random.nextDouble(6, 18)));
            int ribs = random.nextInt(3, 12);
            double at = left;
            for (int i = 0; i < ribs; i++) {
                at += (right - left) / (ribs + 1) * random.nextDouble(0.75, 1.25);
                double wide = random.nextDouble(5, 14);
                g.setColor(bright);
                g.fill(new Rectangle2D.Double(at, top + 10, wide, sill - top - 20));
                g.setColor(dark);
                g.fill(new Rectangle2D.Double(at + wide, top + 10, 3, sill - top - 20));
            }
            if (random.nextBoolean()) {
                double x = random.nextDouble(500, 900);
                g.setColor(dark);
                g.setStroke(new BasicStroke(4));
                g.draw(
                        new Rectangle2D.Double(
                                x, top + 30, random.nextDouble(140, 260), sill - top - 60));
            }
            double ladder = random.nextBoolean() ? left + 30 : right - 70;
            g.setStroke(new BasicStroke(3));
            for (double y = top + 30; y < sill - 30; y += random.nextDouble(34, 46)) {
                g.draw(new Rectangle2D.Double(ladder, y, 40, 2));
            }
        }
        g.setColor(paleLetters ? scaled(paint, 0.5) : new Color(225, 222, 210));
        lettered(
                g,
                new Font(Font.SANS_SERIF, Font.BOLD, random.nextInt(36, 70)),
                letters(random, 3) + " " + random.nextInt(100, 9999),
                (float) random.nextDouble(200, 900),
                (float) random.nextDouble(top + 90, sill - 90));
        Font small = new Font(Font.SANS_SERIF, Font.PLAIN, 22);
        for (int i = 0; i < (plain ? 1 : 4); i++) {
            lettered(
                    g,
                    small,
                    letters(random, 4) + " " + random.nextInt(10, 99),
                    (float) random.nextDouble(100, 1300),
                    (float) random.nextDouble(top + 60, sill - 20));
        }
        g.setColor(new Color(52, 48, 46));
        g.fill(
                new Rectangle2D.Double(
                        left - 5, sill, right - left + 10, random.nextDouble(22, 44)));
        int axles = random.nextInt(2, 5);
        double r = random.nextDouble(55, 80);
        for (int i = 0; i < axles; i++) {
            double share =
                    axles == 2
                            ? (i == 0 ? 0.2 : 0.8)
                            : (i < axles / 2 ? 0.1 + 0.13 * i : 0.9 - 0.13 * (axles - 1 - i));
            double x = left + (right - left) * share + random.nextDouble(-40, 40);
            g.setColor(new Color(60, 56, 54));
            g.fill(new Ellipse2D.Double(x - r, HEIGHT - 25 - 2 * r, 2 * r, 2 * r));
            g.setColor(new Color(90, 84, 80));
            g.fill(new Ellipse2D.Double(x - r / 3, HEIGHT - 25 - 4 * r / 3, 2 * r / 3, 2 * r / 3));
        }
    }

    /** Letters as their outlines: drawn as text they are put on whole pixels, up to three off. */
    private static void lettered(Graphics2D g, Font font, String text, float x, float y) {
        var whole = new FontRenderContext(null, true, true);
        g.fill(font.createGlyphVector(whole, text).getOutline(x, y));
    }

    private static void weather(Graphics2D g, double strength, SplittableRandom random) {
        for (int i = 0; i < 90 * strength; i++) {
            double x = random.nextDouble(20, WIDTH - 20);
            double y = random.nextDouble(40, 420);
            double size = random.nextDouble(4, 26);
            g.setColor(new Color(110, 62, 36, random.nextInt(60, 220)));
            g.fill(new Ellipse2D.Double(x, y, size, size * random.nextDouble(0.5, 1.4)));
            if (random.nextInt(3) == 0) {
                g.setColor(new Color(140, 80, 44, random.nextInt(30, 120)));
                g.fill(new Rectangle2D.Double(x, y, size / 2, random.nextDouble(30, 200)));
            }
        }
        int dust = (int) (170 * strength);
        for (int y = 250; y < 560; y += 10) {
            g.setColor(new Color(176, 160, 132, dust * (y - 250) / 310));
            g.fill(new Rectangle2D.Double(0, y, WIDTH, 10));
        }
    }

    /** Through a lens that is not quite sharp, in some light, with the noise of a sensor. */
    private static Raster seen(BufferedImage image, SplittableRandom light) {
        int[] argb = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        double blur = light.nextDouble(0.5, 1.8);
        double exposure = light.nextDouble(0.7, 1.2);
        double fall = light.nextDouble(-0.2, 0.2);
        double noise = light.nextDouble(0.8, 3);
        double[] cast = {light.nextDouble(0.85, 1.15), 1, light.nextDouble(0.85, 1.15)};
        float[][] planes = new float[3][];
        for (int k = 0; k < 3; k++) {
            float[] plane = new float[argb.length];
            for (int i = 0; i < plane.length; i++) {
                plane[i] = argb[i] >> (16 - 8 * k) & 255;
            }
            planes[k] = GaussianFilter.blurred(plane, WIDTH, HEIGHT, blur);
        }
        int[] out = new int[argb.length];
        for (int i = 0; i < out.length; i++) {
            double even = exposure * (1 + fall * (i % WIDTH - WIDTH / 2.0) / WIDTH);
            int p = 255;
            for (int k = 0; k < 3; k++) {
                double v = planes[k][i] * even * cast[k] + noise * random(light);
                p = p << 8 | (int) Math.clamp(Math.round(v), 0L, 255L);
            }
            out[i] = p;
        }
        return new Raster(WIDTH, HEIGHT, out);
    }

    /** Near enough to a normal one, and quick. */
    private static double random(SplittableRandom r) {
        return (r.nextDouble() + r.nextDouble() + r.nextDouble() - 1.5) * 2;
    }

    private static String letters(SplittableRandom random, int count) {
        StringBuilder out = new StringBuilder();
        for (int i = 0; i < count; i++) {
            out.append((char) ('A' + random.nextInt(26)));
        }
        return out.toString();
    }

    private static Color grey(int v) {
        return new Color(v, v, v);
    }

    private static Color scaled(Color c, double by) {
        return new Color(
                (int) Math.clamp(c.getRed() * by, 0, 255),
                (int) Math.clamp(c.getGreen() * by, 0, 255),
                (int) Math.clamp(c.getBlue() * by, 0, 255));
    }

    /**
     * How corners that were set by hand lay a side otherwise: each off by so many pixels.
     *
     * @param px standard deviation of a corner
     */
    static AffineTransform setByHand(double px, SplittableRandom random) {
        double[] e = new double[6];
        for (int i = 0; i < 6; i++) {
            e[i] = px * random(random);
        }
        return new AffineTransform(
                1 + (e[0] - e[1]) / WIDTH,
                (e[2] - e[3]) / WIDTH,
                (e[4] - e[0]) / HEIGHT,
                1 + (e[5] - e[2]) / HEIGHT,
                e[0],
                e[2]);
    }

    /** Corners of a side. */
    static List<Point> corners() {
        return List.of(
                new Point(0, 0),
                new Point(WIDTH, 0),
                new Point(WIDTH, HEIGHT),
                new Point(0, HEIGHT));
    }
}
