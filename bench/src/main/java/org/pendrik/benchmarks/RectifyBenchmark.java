package org.pendrik.benchmarks;

import java.util.List;
import nu.pattern.OpenCV;
import org.opencv.core.Core;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfPoint2f;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Setup;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.Length;

/**
 * 12 megapixels to a side of 2400 × 800, bilinear, one thread; the peer is OpenCV's
 * warpPerspective.
 */
public class RectifyBenchmark extends Timed {
    private static final int WIDTH = 4000;
    private static final int HEIGHT = 3000;
    private static final int OUT_WIDTH = 2400;
    private static final int OUT_HEIGHT = 800;
    private static final double LENGTH_MM = 7200;
    private static final double PX_PER_MM = OUT_WIDTH / LENGTH_MM;
    private static final List<Point> CORNERS =
            List.of(
                    new Point(420, 900),
                    new Point(3560, 760),
                    new Point(3600, 1900),
                    new Point(380, 1850));

    private Raster photo = Raster.empty(1, 1);
    private SideGeometry geometry = locate();
    private Mat source = new Mat();
    private Mat map = new Mat();
    private final Mat target = new Mat();

    static {
        OpenCV.loadLocally();
    }

    private static SideGeometry locate() {
        var found =
                SideRectifier.locate(
                        CORNERS,
                        List.of(),
                        Length.ofMm(LENGTH_MM),
                        Length.ofMm(LENGTH_MM * OUT_HEIGHT / OUT_WIDTH));
        return ((SideRectifier.Outcome.Found) found).geometry();
    }

    /** Draws the photograph, the same for both. */
    @Setup
    public void draw() {
        photo = Raster.empty(WIDTH, HEIGHT);
        byte[] bytes = new byte[WIDTH * HEIGHT * 4];
        for (int i = 0; i < photo.argb().length; i++) {
            int x = i % WIDTH;
            int y = i / WIDTH;
            int p = Raster.OPAQUE | ((x * 7) & 255) << 16 | ((y * 5) & 255) << 8 | ((x ^ y) & 255);
            photo.argb()[i] = p;
            for (int k = 0; k < 4; k++) {
                bytes[4 * i + k] = (byte) (p >> (8 * k));
            }
        }
        geometry = locate();
        Core.setNumThreads(1);
        source = new Mat(HEIGHT, WIDTH, CvType.CV_8UC4);
        source.put(0, 0, bytes);
        MatOfPoint2f from =
                new MatOfPoint2f(
                        CORNERS.stream()
                                .map(p -> new org.opencv.core.Point(p.x(), p.y()))
                                .toArray(org.opencv.core.Point[]::new));
        MatOfPoint2f to =
                new MatOfPoint2f(
                        new org.opencv.core.Point(0, 0),
                        new org.opencv.core.Point(OUT_WIDTH, 0),
                        new org.opencv.core.Point(OUT_WIDTH, OUT_HEIGHT),
                        new org.opencv.core.Point(0, OUT_HEIGHT));
        map = Imgproc.getPerspectiveTransform(from, to);
    }

    /** Ours. */
    @Benchmark
    public Raster rectify() {
        return geometry.rectify(photo, PX_PER_MM);
    }

    /** The peer. */
    @Benchmark
    public Mat peer() {
        Imgproc.warpPerspective(
                source, target, map, new Size(OUT_WIDTH, OUT_HEIGHT), Imgproc.INTER_LINEAR);
        return target;
    }
}
