package org.pendrik.core.photo;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.ejml.simple.SimpleMatrix;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;

/**
 * Flattens a tank shell or a curved roof, from marks on its two end circles.
 *
 * <p>The shell is a cylinder of known radius and length. A pinhole camera with square pixels and
 * its middle in the middle of the photograph is fitted to the marks: seven unknowns, by
 * Levenberg–Marquardt from several starts (J. J. Moré, "The Levenberg–Marquardt algorithm:
 * implementation and theory", Lecture Notes in Mathematics 630, 1978, 105–116). Each mark says at
 * which hour of its circle it lies: 12 is the top, 3 faces the camera, 6 is the bottom. The focal
 * length is held near that of the EXIF data, or near that of a telephone, since marks alone leave
 * it loose. The result runs along the axis and along the arc, both in prototype mm; what faces away
 * or is seen at a grazing angle is outside.
 */
public final class CylinderUnwrapper {
    private static final int PARAMETERS = 7;
    private static final int ROUNDS = 60;
    private static final double FOCAL_SPREAD = 0.35;
    private static final double HALF_TURN = 180;

    /** Marks off by more than this share of the shell's length in the photograph do not fit. */
    private static final double WORST_SHARE = 0.02;

    private static final double LEAST_HAND_PX = 0.7;

    /** Beyond 78° from facing the camera a pixel smears over five of the surface. */
    private static final double GRAZING = Math.cos(Math.toRadians(78));

    /** Telephones see about as wide as a 27 mm lens on film: 0.75 of the longer side. */
    private static final double USUAL_FOCAL = 0.75;

    private static final int LARGEST_OUTPUT_PIXELS = 16_000_000;

    /**
     * A mark on an end circle.
     *
     * @param photo where it is seen
     * @param leftEnd on the left end circle, else the right one
     * @param degrees from the top towards the camera: 0 top, 90 facing, 180 bottom; −180 to 180
     */
    public record ArcMark(Point photo, boolean leftEnd, double degrees) {
        public ArcMark {
            InvalidInput.requireWithin(
                    "Mark on the end circle", degrees, "°", -HALF_TURN, HALF_TURN, "0 is the top.");
        }
    }

    /**
     * The shell.
     *
     * @param radius 50 mm to 10 m
     * @param length 100 mm to 100 m
     * @param fromDegrees where the flattened arc begins, −180 to 180
     * @param toDegrees where it ends, above {@code fromDegrees}
     */
    public record Shell(Length radius, Length length, double fromDegrees, double toDegrees) {
        public Shell {
            InvalidInput.requireWithin(
                    "Radius", radius.mm(), " mm", 50, 10_000, "Take it from a drawing.");
            InvalidInput.requireWithin(
                    "Shell length", length.mm(), " mm", 100, 100_000, "Take it from a drawing.");
            InvalidInput.requireWithin(
                    "Arc", fromDegrees, "°", -HALF_TURN, HALF_TURN, "0 is the top.");
            InvalidInput.requireWithin(
                    "Arc",
                    toDegrees,
                    "°",
                    fromDegrees + 5,
                    HALF_TURN,
                    "End it at least 5° after its begin.");
        }

        /** Length of the flattened arc. */
        public Length arc() {
            return Length.ofMm(Math.toRadians(toDegrees - fromDegrees) * radius.mm());
        }
    }

    /** What came of it. */
    public sealed interface Outcome {
        /**
         * The shell was found.
         *
         * @param residualPx how far the marks are off, root mean square
         */
        record Found(Unwrapped shell, double residualPx) implements Outcome {}

        /** The marks do not lie on two ends of such a shell. */
        record Refused(String reason, String remedy) implements Outcome {}
    }

    private static final double FAR_OFF_PX = 1e7;

    /** An end circle may be cut by the edge of the photograph; its mark lies this far beside. */
    private static final double BESIDE = 0.25;

    private final List<ArcMark> marks;
    private final Shell shell;
    private final Lens lens;
    private final double focalPrior;

    private CylinderUnwrapper(List<ArcMark> marks, Shell shell, Lens lens, double focalPrior) {
        this.marks =
                marks.stream()
                        .map(m -> new ArcMark(lens.undistort(m.photo()), m.leftEnd(), m.degrees()))
                        .toList();
        this.shell = shell;
        this.lens = lens;
        this.focalPrior = focalPrior;
    }

    /**
     * Finds the shell.
     *
     * @param marks at least three on each end
     * @param focalPx focal length in photograph pixels; 0 when not known
     */
    public static Outcome locate(List<ArcMark> marks, Shell shell, Lens lens, double focalPx) {
        for (boolean left : new boolean[] {true, false}) {
            long n = marks.stream().filter(m -> m.leftEnd() == left).count();
            if (n < 3 || n > 20) {
                throw new InvalidInput(
                        left ? "Left end circle" : "Right end circle",
                        n + " marks",
                        "must have from 3 to 20",
                        "Mark the top, the place that faces you, and the bottom.");
            }
        }
        for (ArcMark m : marks) {
            requireOnPhotograph(m.photo(), lens);
        }
        InvalidInput.requireWithin(
                "Focal length", focalPx, " px", 0, 1e6, "0 when it is not known.");
        double prior =
                focalPx > 0 ? focalPx : USUAL_FOCAL * 2 * Math.max(lens.centreX(), lens.centreY());
        return new CylinderUnwrapper(marks, shell, lens, prior).fit();
    }

    private static void requireOnPhotograph(Point p, Lens lens) {
        double wide = 2 * lens.centreX();
        double high = 2 * lens.centreY();
        boolean on =
                p.x() >= -BESIDE * wide
                        && p.x() <= (1 + BESIDE) * wide
                        && p.y() >= -BESIDE * high
                        && p.y() <= (1 + BESIDE) * high;
        if (!on) {
            throw new InvalidInput(
                    "Mark",
                    Math.round(p.x()) + ", " + Math.round(p.y()),
                    "must lie on the photograph of "
                            + Math.round(wide)
                            + " × "
                            + Math.round(high)
                            + " px",
                    "Set it where the end circle is seen.");
        }
    }

    private Outcome fit() {
        double[] best = new double[0];
        double least = Double.POSITIVE_INFINITY;
        for (double yaw : new double[] {-0.7, -0.35, 0, 0.35, 0.7}) {
            for (double pitch : new double[] {0, 0.5, 1.0}) {
                double[] p = descend(start(yaw, pitch));
                double cost = square(residuals(p));
                if (cost < least && isBefore(p)) {
                    least = cost;
                    best = p;
                }
            }
        }
        double span = 0;
        for (ArcMark a : marks) {
            for (ArcMark b : marks) {
                span = Math.max(span, a.photo().distance(b.photo()));
            }
        }
        double rms = Math.sqrt(least / Math.max(1, 2 * marks.size() - PARAMETERS + 1));
        if (best.length == 0 || !(rms <= Math.max(3, WORST_SHARE * span))) {
            return new Outcome.Refused(
                    "The marks do not lie on the two ends of such a shell: they are off by "
                            + (best.length == 0 ? "any measure" : Math.round(rms) + " px")
                            + ".",
                    "Check radius and length, and that each mark is at its own hour of its own end.");
        }
        return new Outcome.Found(new Unwrapped(camera(best), shell, lens, rms), rms);
    }

    private double[] start(double yaw, double pitch) {
        double span = 1;
        double cx = 0;
        double cy = 0;
        for (ArcMark a : marks) {
            cx += a.photo().x() / marks.size();
            cy += a.photo().y() / marks.size();
            for (ArcMark b : marks) {
                span = Math.max(span, a.photo().distance(b.photo()));
            }
        }
        double depth =
                focalPrior * shell.length().mm() * Math.cos(yaw) / span + shell.radius().mm();
        return new double[] {
            pitch,
            yaw,
            0,
            (cx - lens.centreX()) * depth / focalPrior,
            (cy - lens.centreY()) * depth / focalPrior,
            depth,
            Math.log(focalPrior)
        };
    }

    private double[] descend(double[] start) {
        double[] p = start.clone();
        double damping = 1e-3;
        double[] r = residuals(p);
        double cost = square(r);
        for (int round = 0; round < ROUNDS && damping < 1e9; round++) {
            SimpleMatrix j = new SimpleMatrix(r.length, PARAMETERS);
            for (int k = 0; k < PARAMETERS; k++) {
                double step = k < 3 || k == 6 ? 1e-6 : 1e-4 * shell.length().mm();
                double[] q = p.clone();
                q[k] += step;
                double[] moved = residuals(q);
                for (int i = 0; i < r.length; i++) {
                    j.set(i, k, (moved[i] - r[i]) / step);
                }
            }
            SimpleMatrix jt = j.transpose();
            SimpleMatrix a = jt.mult(j);
            for (int k = 0; k < PARAMETERS; k++) {
                a.set(k, k, a.get(k, k) * (1 + damping) + 1e-12);
            }
            SimpleMatrix d = a.solve(jt.mult(new SimpleMatrix(r.length, 1, true, r)));
            double[] q = p.clone();
            for (int k = 0; k < PARAMETERS; k++) {
                q[k] -= d.get(k);
            }
            double[] next = residuals(q);
            double better = square(next);
            if (better < cost) {
                boolean done = cost - better < 1e-10 * cost;
                p = q;
                r = next;
                cost = better;
                damping /= 4;
                if (done) {
                    break;
                }
            } else {
                damping *= 5;
            }
        }
        return p;
    }

    private double[] residuals(double[] p) {
        Camera c = camera(p);
        double[] out = new double[2 * marks.size() + 1];
        for (int i = 0; i < marks.size(); i++) {
            ArcMark m = marks.get(i);
            double[] at = onShell(shell, m.leftEnd() ? 0 : shell.length().mm(), m.degrees());
            out[2 * i] = bounded(c.seenX(at) - m.photo().x());
            out[2 * i + 1] = bounded(c.seenY(at) - m.photo().y());
        }
        out[2 * marks.size()] = (p[6] - Math.log(focalPrior)) / FOCAL_SPREAD;
        return out;
    }

    /** A camera that runs away on the search sees nothing: that is far off, not infinitely. */
    private static double bounded(double px) {
        return Double.isNaN(px) ? FAR_OFF_PX : Math.clamp(px, -FAR_OFF_PX, FAR_OFF_PX);
    }

    private boolean isBefore(double[] p) {
        Camera c = camera(p);
        return marks.stream()
                .allMatch(
                        m ->
                                c.depth(
                                                onShell(
                                                        shell,
                                                        m.leftEnd() ? 0 : shell.length().mm(),
                                                        m.degrees()))
                                        > 0);
    }

    private static double square(double[] r) {
        double sum = 0;
        for (double v : r) {
            sum += v * v;
        }
        return Double.isNaN(sum) ? Double.POSITIVE_INFINITY : sum;
    }

    /** x along the axis from its middle, y down, z away from the camera. */
    private static double[] onShell(Shell s, double alongMm, double degrees) {
        double a = Math.toRadians(degrees);
        return new double[] {
            alongMm - s.length().mm() / 2,
            -s.radius().mm() * Math.cos(a),
            -s.radius().mm() * Math.sin(a)
        };
    }

    private Camera camera(double[] p) {
        return new Camera(
                rotation(p[0], p[1], p[2]),
                new double[] {p[3], p[4], p[5]},
                Math.exp(p[6]),
                lens.centreX(),
                lens.centreY());
    }

    /** Roll, then pitch, then yaw innermost. */
    private static double[][] rotation(double pitch, double yaw, double roll) {
        double cp = Math.cos(pitch);
        double sp = Math.sin(pitch);
        double cy = Math.cos(yaw);
        double sy = Math.sin(yaw);
        double cr = Math.cos(roll);
        double sr = Math.sin(roll);
        double[][] yawed = {{cy, 0, sy}, {0, 1, 0}, {-sy, 0, cy}};
        double[][] pitched = {{1, 0, 0}, {0, cp, -sp}, {0, sp, cp}};
        double[][] rolled = {{cr, -sr, 0}, {sr, cr, 0}, {0, 0, 1}};
        return times(rolled, times(pitched, yawed));
    }

    private static double[][] times(double[][] a, double[][] b) {
        double[][] out = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                for (int k = 0; k < 3; k++) {
                    out[i][j] += a[i][k] * b[k][j];
                }
            }
        }
        return out;
    }

    @SuppressWarnings("ArrayRecordComponent") // inside this file, never compared
    private record Camera(
            double[][] turn, double[] move, double focal, double centreX, double centreY) {
        double along(int row, double[] p) {
            return turn[row][0] * p[0] + turn[row][1] * p[1] + turn[row][2] * p[2] + move[row];
        }

        double depth(double[] p) {
            return along(2, p);
        }

        double seenX(double[] p) {
            return centreX + focal * along(0, p) / Math.max(along(2, p), 1e-3);
        }

        double seenY(double[] p) {
            return centreY + focal * along(1, p) / Math.max(along(2, p), 1e-3);
        }

        Point see(double[] p) {
            return new Point(seenX(p), seenY(p));
        }

        /** Cosine between the outward normal of the shell at an angle and the way to the camera. */
        double facing(double[] p, double radians) {
            double[] normal = {0, -Math.cos(radians), -Math.sin(radians)};
            double dot = 0;
            double length = 0;
            for (int i = 0; i < 3; i++) {
                double n = turn[i][0] * normal[0] + turn[i][1] * normal[1] + turn[i][2] * normal[2];
                double v = along(i, p);
                dot -= n * v;
                length += v * v;
            }
            return dot / Math.sqrt(length);
        }
    }

    /** A shell that was found; renders it flat. */
    public static final class Unwrapped implements Flattening {
        private final Camera camera;
        private final Shell shell;
        private final Lens lens;

        private final double handPx;

        private Unwrapped(Camera camera, Shell shell, Lens lens, double residualPx) {
            this.handPx = Math.max(LEAST_HAND_PX, residualPx);
            this.camera = camera;
            this.shell = shell;
            this.lens = lens;
        }

        /** The shell. */
        public Shell shell() {
            return shell;
        }

        /** Focal length that was fitted, photograph pixels. */
        public double focalPx() {
            return camera.focal();
        }

        @Override
        public Length length() {
            return shell.length();
        }

        @Override
        public Length height() {
            return shell.arc();
        }

        @Override
        public double pxPerMm(double xMm, double yMm) {
            Point a = toPhoto(new Point(xMm, yMm));
            double along = a.distance(toPhoto(new Point(xMm + 1, yMm)));
            double down = a.distance(toPhoto(new Point(xMm, yMm + 1)));
            return Math.sqrt(along * down);
        }

        @Override
        public double placeSdMm(double xMm, double yMm) {
            return handPx / Math.max(pxPerMm(xMm, yMm), 1e-6);
        }

        @Override
        public double scaleSd() {
            return placeSdMm(length().mm() / 2, height().mm() / 2) * Math.sqrt(2) / length().mm();
        }

        /** Where a place of the flattened arc is seen. */
        @Override
        public Point toPhoto(Point arcMm) {
            return lens.distort(camera.see(at(arcMm)));
        }

        /** Whether a place of the flattened arc faces the camera well enough to be measured. */
        public boolean faces(Point arcMm) {
            return camera.facing(at(arcMm), Math.toRadians(degrees(arcMm.y()))) > GRAZING;
        }

        private double degrees(double arcMm) {
            return shell.fromDegrees() + Math.toDegrees(arcMm / shell.radius().mm());
        }

        private double[] at(Point arcMm) {
            return onShell(shell, arcMm.x(), degrees(arcMm.y()));
        }

        /**
         * Renders the flattened arc; bilinear.
         *
         * @param pxPerMm output pixels per prototype mm, at most 16 million pixels in all
         */
        public Raster unwrap(Raster photo, double pxPerMm) {
            return flat(photo, 1, pxPerMm);
        }

        @Override
        public Raster flat(Raster photo, int step, double pxPerMm) {
            double w = Math.rint(shell.length().mm() * pxPerMm);
            double h = Math.rint(shell.arc().mm() * pxPerMm);
            if (!(w >= 1 && h >= 1 && w * h <= LARGEST_OUTPUT_PIXELS)) {
                throw new InvalidInput(
                        "Resolution",
                        pxPerMm + " px per mm",
                        "must give from 1 to 16 million pixels",
                        "Ask for a picture a few thousand pixels long.");
            }
            Raster source = photo;
            double shrink = step;
            Point middle = new Point(shell.length().mm() / 2, shell.arc().mm() / 2);
            double has =
                    toPhoto(middle).distance(toPhoto(new Point(middle.x() + 1, middle.y())))
                            / pxPerMm;
            while (has / shrink > 2 && source.width() > 2 && source.height() > 2) {
                source = source.halved();
                shrink *= 2;
            }
            Raster out = Raster.empty((int) w, (int) h);
            Raster from = source;
            double by = shrink;
            IntStream.range(0, out.height())
                    .parallel()
                    .forEach(
                            y -> {
                                for (int x = 0; x < out.width(); x++) {
                                    Point mm = new Point((x + 0.5) / pxPerMm, (y + 0.5) / pxPerMm);
                                    if (faces(mm)) {
                                        Point p = toPhoto(mm);
                                        out.argb()[y * out.width() + x] =
                                                Sampler.at(
                                                        from, p.x() / by - 0.5, p.y() / by - 0.5);
                                    }
                                }
                            });
            return out;
        }
    }

    /** Marks at the usual hours of both ends. */
    public static List<ArcMark> marks(List<Point> left, List<Point> right, List<Double> degrees) {
        List<ArcMark> out = new ArrayList<>();
        for (int i = 0; i < degrees.size(); i++) {
            out.add(new ArcMark(left.get(i), true, degrees.get(i)));
            out.add(new ArcMark(right.get(i), false, degrees.get(i)));
        }
        return out;
    }
}
