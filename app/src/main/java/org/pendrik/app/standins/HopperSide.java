package org.pendrik.app.standins;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.util.EnumMap;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.Raster;

/**
 * The left side of an invented four-wheeled peat hopper as a flat picture in prototype millimetres,
 * with weathering of known strength. The same numbers always give the same picture.
 */
public final class HopperSide {
    /** Prototype length of the side. */
    public static final double LENGTH_MM = 6400;

    /** Prototype height of the side, rail to top edge. */
    public static final double HEIGHT_MM = 2600;

    /** Texture pixels per prototype mm. */
    public static final double PX_PER_MM = 0.4;

    /** The paint as it left the factory. */
    public static final Lab FACTORY = new Lab(36, -13, 11);

    private static final double[] FADED = Srgb.labToLinear(new Lab(50, -7, 10));
    private static final double[] GRIME = Srgb.labToLinear(new Lab(20, 4, 7));
    private static final double[] RUST = Srgb.labToLinear(new Lab(38, 22, 26));
    private static final double[] DUST = Srgb.labToLinear(new Lab(48, 7, 17));
    private static final double[] PEAT = Srgb.labToLinear(new Lab(24, 6, 9));
    private static final double[] CHIPPED = Srgb.labToLinear(new Lab(27, 12, 13));
    private static final Lab IRON = new Lab(24, 1, 2);
    private static final int RIBS = 7;
    private static final double BODY_LOW_MM = 1560;
    private static final double NEAR_EDGE_MM = 150;

    /** Where a maker's plate came off not long ago: the paint under it never saw the sun. */
    private static final Rectangle2D PLATE = new Rectangle2D.Double(3320, 630, 270, 350);

    private HopperSide() {}

    /** The side with this weathering; {@code surround} is what is seen behind it. */
    public static Raster picture(Weathering w, Lab surround, String roadNumber) {
        int width = (int) Math.round(LENGTH_MM * PX_PER_MM);
        int height = (int) Math.round(HEIGHT_MM * PX_PER_MM);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.scale(PX_PER_MM, PX_PER_MM);
        g.setColor(colour(surround));
        g.fill(new Rectangle2D.Double(0, 0, LENGTH_MM, HEIGHT_MM));
        runningGear(g);
        body(g, roadNumber);
        g.dispose();
        int[] argb = (int[]) image.getRaster().getDataElements(0, 0, width, height, null);
        weather(argb, width, height, w, Srgb.toPixel(surround));
        return new Raster(width, height, argb);
    }

    private static void body(Graphics2D g, String roadNumber) {
        Path2D hull = new Path2D.Double();
        hull.moveTo(NEAR_EDGE_MM, 40);
        hull.lineTo(LENGTH_MM - NEAR_EDGE_MM, 40);
        hull.lineTo(LENGTH_MM - NEAR_EDGE_MM, 1180);
        hull.lineTo(LENGTH_MM - 900, BODY_LOW_MM);
        hull.lineTo(900, BODY_LOW_MM);
        hull.lineTo(NEAR_EDGE_MM, 1180);
        hull.closePath();
        g.setColor(colour(FACTORY));
        g.fill(hull);
        g.setColor(colour(new Lab(31, -11, 9)));
        g.setStroke(new BasicStroke(14));
        g.draw(hull);
        for (int i = 0; i < RIBS; i++) {
            double x = rib(i);
            g.setColor(colour(new Lab(30, -11, 9)));
            g.fill(new Rectangle2D.Double(x + 40, 60, 16, 1440));
            g.setColor(colour(new Lab(40, -13, 11)));
            g.fill(new Rectangle2D.Double(x - 10, 60, 50, 1440));
        }
        g.setColor(colour(new Lab(33, -12, 10)));
        g.fill(new Rectangle2D.Double(NEAR_EDGE_MM, 40, LENGTH_MM - 2 * NEAR_EDGE_MM, 70));
        g.setColor(colour(new Lab(88, 0, 6)));
        g.setFont(new Font(Font.SANS_SERIF, Font.BOLD, 250));
        g.drawString("O V R", 2420, 560);
        g.setFont(new Font(Font.SANS_SERIF, Font.BOLD, 210));
        g.drawString(roadNumber, 3420, 560);
        g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 110));
        g.drawString("PEAT ONLY", 4980, 1080);
        g.drawString("TARE 7-4", 560, 1080);
    }

    private static double rib(int i) {
        return 420 + i * (LENGTH_MM - 900) / (RIBS - 1);
    }

    private static void runningGear(Graphics2D g) {
        g.setColor(colour(IRON));
        g.fill(new Rectangle2D.Double(60, 1560, LENGTH_MM - 120, 170));
        g.fill(new Rectangle2D.Double(0, 1590, 120, 90));
        g.fill(new Rectangle2D.Double(LENGTH_MM - 120, 1590, 120, 90));
        for (double x : new double[] {1450, LENGTH_MM - 1450}) {
            g.setColor(colour(IRON));
            g.fill(new Rectangle2D.Double(x - 380, 1700, 760, 120));
            g.fill(new Rectangle2D.Double(x - 120, 1760, 240, 420));
            g.setColor(colour(new Lab(28, 2, 3)));
            g.fill(new Ellipse2D.Double(x - 430, 1740, 860, 860));
            g.setColor(colour(new Lab(34, 2, 4)));
            g.setStroke(new BasicStroke(60));
            g.draw(new Ellipse2D.Double(x - 395, 1775, 790, 790));
            g.setColor(colour(new Lab(22, 1, 2)));
            g.fill(new Ellipse2D.Double(x - 90, 2080, 180, 180));
        }
        g.setColor(colour(IRON));
        g.fill(new Rectangle2D.Double(2500, 1730, 1400, 90));
        g.fill(new Rectangle2D.Double(3050, 1820, 300, 260));
    }

    private static void weather(int[] argb, int width, int height, Weathering w, int surround) {
        SplittableRandom random = new SplittableRandom(3041);
        double[] streaks = streaks(random, width);
        float[] chips = chips(random, width, height);
        IntStream.range(0, height)
                .parallel()
                .forEach(y -> weatherRow(argb, width, y, w, surround, streaks, chips));
    }

    private static void weatherRow(
            int[] argb,
            int width,
            int y,
            Weathering w,
            int surround,
            double[] streaks,
            float[] chips) {
        double ym = (y + 0.5) / PX_PER_MM;
        boolean onBody = ym < BODY_LOW_MM;
        double low = 1 / (1 + Math.exp((1500 - ym) / 210));
        for (int x = 0; x < width; x++) {
            int i = y * width + x;
            double xm = (x + 0.5) / PX_PER_MM;
            if ((argb[i] & 0xffffff) == surround || PLATE.contains(xm, ym)) {
                argb[i] |= Raster.OPAQUE;
                continue;
            }
            double cloud = Noise.at(xm / 300, ym / 500);
            double[] c = {
                Srgb.linear(argb[i] >> 16), Srgb.linear(argb[i] >> 8), Srgb.linear(argb[i])
            };
            if (onBody) {
                double up = 1 - ym / BODY_LOW_MM;
                double grain = 0.5 + 0.5 * Noise.at(xm / 40, ym / 900);
                double edge = Math.exp(-Math.max(0, ym - 40) / 110);
                cover(c, FADED, w.fade() * (0.30 + 0.22 * up + 0.10 * (cloud - 0.5)));
                cover(c, GRIME, w.joints() * joint(xm, ym) * (0.4 + 0.4 * cloud));
                cover(c, CHIPPED, w.chips() * chips[i]);
                cover(c, RUST, w.rust() * streaks[x] * fall(ym) * grain);
                cover(c, PEAT, w.peat() * edge * (0.35 + 0.5 * cloud));
            }
            cover(c, DUST, w.dust() * low * (0.40 + 0.35 * cloud));
            argb[i] = Raster.OPAQUE | Srgb.pack(c[0], c[1], c[2]);
        }
    }

    /** Where a class can be seen clearly on the weathered side, prototype mm. */
    public static Map<WeatherClass, Rectangle2D> clearPlaces() {
        Map<WeatherClass, Rectangle2D> out = new EnumMap<>(WeatherClass.class);
        out.put(WeatherClass.PAINT, new Rectangle2D.Double(1620, 560, 440, 480));
        double[] streaks =
                streaks(new SplittableRandom(3041), (int) Math.round(LENGTH_MM * PX_PER_MM));
        int best = 0;
        double most = 0;
        int half = 4;
        for (int x = half; x < streaks.length - half; x++) {
            double least = 1;
            for (int d = -half; d <= half; d++) {
                least = Math.min(least, streaks[x + d]);
            }
            if (least > most) {
                most = least;
                best = x;
            }
        }
        out.put(
                WeatherClass.FRESH_RUST,
                new Rectangle2D.Double((best - half) / PX_PER_MM, 165, 2 * half / PX_PER_MM, 130));
        out.put(WeatherClass.GRIME, new Rectangle2D.Double(rib(2) + 40, 700, 16, 420));
        out.put(WeatherClass.DUST, new Rectangle2D.Double(700, 1600, 900, 80));
        return out;
    }

    private static double joint(double xm, double ym) {
        double near = Double.MAX_VALUE;
        for (int r = 0; r < RIBS; r++) {
            near = Math.min(near, Math.abs(xm - rib(r) - 48));
        }
        double seam = Math.abs(ym - 118);
        return Math.max(Math.exp(-near / 22), Math.exp(-seam / 20));
    }

    private static double fall(double ym) {
        return ym < 150 ? 0 : Math.exp(-(ym - 150) / 620);
    }

    private static double[] streaks(SplittableRandom random, int width) {
        double[] out = new double[width];
        for (int s = 0; s < 34; s++) {
            double at = rib(random.nextInt(RIBS)) + 15 + (random.nextDouble() - 0.5) * 130;
            double wide = 8 + 16 * random.nextDouble();
            double strong = 0.35 + 0.5 * random.nextDouble();
            for (int x = 0; x < width; x++) {
                double d = ((x + 0.5) / PX_PER_MM - at) / wide;
                out[x] = Math.max(out[x], strong * Math.exp(-d * d));
            }
        }
        return out;
    }

    private static float[] chips(SplittableRandom random, int width, int height) {
        float[] out = new float[width * height];
        for (int n = 0; n < 420; n++) {
            boolean top = random.nextDouble() < 0.4;
            double cx = NEAR_EDGE_MM + random.nextDouble() * (LENGTH_MM - 2 * NEAR_EDGE_MM);
            double cy = top ? 40 + 60 * random.nextDouble() : 100 + 1350 * random.nextDouble();
            if (!top && random.nextDouble() < 0.7) {
                cx = rib(random.nextInt(RIBS)) + 30 * random.nextDouble();
            }
            double r = 4 + 16 * Math.pow(random.nextDouble(), 3);
            int x0 = (int) ((cx - 2 * r) * PX_PER_MM);
            int y0 = (int) ((cy - 2 * r) * PX_PER_MM);
            int reach = (int) (4 * r * PX_PER_MM) + 2;
            for (int y = Math.max(0, y0); y < Math.min(height, y0 + reach); y++) {
                for (int x = Math.max(0, x0); x < Math.min(width, x0 + reach); x++) {
                    double d =
                            Math.hypot(
                                    (x + 0.5) / PX_PER_MM - cx, ((y + 0.5) / PX_PER_MM - cy) * 1.4);
                    if (d < r * (0.6 + 0.8 * Noise.at(x * 0.37, y * 0.37))) {
                        out[y * width + x] = 0.9f;
                    }
                }
            }
        }
        return out;
    }

    private static void cover(double[] linear, double[] film, double share) {
        double s = Math.clamp(share, 0.0, 1.0);
        if (s == 0) {
            return;
        }
        for (int k = 0; k < 3; k++) {
            linear[k] += (film[k] - linear[k]) * s;
        }
    }

    private static Color colour(Lab c) {
        return new Color(Srgb.toPixel(c));
    }
}
