package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.photo.CylinderUnwrapper.ArcMark;
import org.pendrik.core.photo.CylinderUnwrapper.Outcome;
import org.pendrik.core.photo.CylinderUnwrapper.Shell;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A tank shell seen by a camera that is known, projected here on its own. */
public class CylinderUnwrapperTest {
    private static final int W = 2400;
    private static final int H = 1600;
    private static final double RADIUS = 1200;
    private static final double LENGTH = 9000;
    private static final Shell SHELL = new Shell(Length.ofMm(RADIUS), Length.ofMm(LENGTH), 10, 170);

    private record Eye(double yaw, double pitch, double distance, double focal) {
        Point see(double along, double degrees) {
            double a = Math.toRadians(degrees);
            double x = along - LENGTH / 2;
            double y = -RADIUS * Math.cos(a);
            double z = -RADIUS * Math.sin(a);
            double x1 = Math.cos(yaw) * x + Math.sin(yaw) * z;
            double z1 = -Math.sin(yaw) * x + Math.cos(yaw) * z;
            double y2 = Math.cos(pitch) * y - Math.sin(pitch) * z1;
            double z2 = Math.sin(pitch) * y + Math.cos(pitch) * z1 + distance;
            return new Point(W / 2.0 + focal * x1 / z2, H / 2.0 + focal * y2 / z2);
        }

        List<ArcMark> marks(double hand, long seed) {
            SplittableRandom random = new SplittableRandom(seed);
            List<ArcMark> out = new ArrayList<>();
            for (double d : new double[] {20, 55, 90, 125, 160}) {
                for (double x : new double[] {0, LENGTH}) {
                    Point p = see(x, d);
                    out.add(
                            new ArcMark(
                                    new Point(
                                            p.x() + hand * random.nextGaussian(),
                                            p.y() + hand * random.nextGaussian()),
                                    x == 0,
                                    d));
                }
            }
            return out;
        }
    }

    @DataProvider
    public Object[][] eyes() {
        return new Object[][] {
            {new Eye(0, 0, 12_000, 2000)},
            {new Eye(0.3, 0.1, 13_000, 2000)},
            {new Eye(-0.6, 0.2, 15_000, 2600)},
            {new Eye(0.15, 0.5, 14_000, 2300)},
        };
    }

    @Test(dataProvider = "eyes")
    public void exactMarksGiveTheExactShell(Eye eye) {
        var f =
                (Outcome.Found)
                        CylinderUnwrapper.locate(
                                eye.marks(0, 1), SHELL, Lens.straight(W, H), eye.focal());
        assertEquals(f.residualPx(), 0, 0.02);
        for (double x = 500; x < LENGTH; x += 2000) {
            for (double d = 30; d < 160; d += 30) {
                Point arc = new Point(x, Math.toRadians(d - 10) * RADIUS);
                assertEquals(f.shell().toPhoto(arc).distance(eye.see(x, d)), 0, 0.1);
            }
        }
    }

    @Test(dataProvider = "eyes")
    public void marksSetByHandAreEnough(Eye eye) {
        double worst = 0;
        for (int seed = 0; seed < 10; seed++) {
            var f =
                    (Outcome.Found)
                            CylinderUnwrapper.locate(
                                    eye.marks(1, seed), SHELL, Lens.straight(W, H), 0);
            Point arc = new Point(3000, Math.toRadians(60) * RADIUS);
            worst = Math.max(worst, f.shell().toPhoto(arc).distance(eye.see(3000, 70)));
        }
        assertTrue(worst < 4, "off by " + worst + " px");
    }

    @Test
    public void aStripePaintedRoundTheShellComesOutStraight() {
        Eye eye = new Eye(0.3, 0.1, 13_000, 2000);
        var f =
                (Outcome.Found)
                        CylinderUnwrapper.locate(
                                eye.marks(0, 1), SHELL, Lens.straight(W, H), eye.focal());
        Raster photo = Raster.empty(W, H);
        java.util.Arrays.fill(photo.argb(), Raster.OPAQUE | 0x404040);
        for (double d = 0; d < 180; d += 0.05) {
            for (double x = 5900; x <= 6100; x += 4) {
                Point p = eye.see(x, d);
                photo.argb()[(int) Math.floor(p.y()) * W + (int) Math.floor(p.x())] =
                        Raster.OPAQUE | 0xf0f0f0;
            }
        }
        Raster flat = f.shell().unwrap(photo, 0.2);
        assertEquals(flat.width(), 1800);
        for (int y = 60; y < flat.height() - 120; y += 30) {
            double sum = 0;
            double at = 0;
            for (int x = 0; x < flat.width(); x++) {
                double bright = Math.max(0, (flat.at(x, y) & 255) - 0x80);
                sum += bright;
                at += bright * (x + 0.5);
            }
            assertEquals(at / sum / 0.2, 6000, 12, "row " + y);
        }
    }

    @Test
    public void whatFacesAwayIsOutside() {
        Eye eye = new Eye(0, 0, 12_000, 2000);
        Shell whole = new Shell(Length.ofMm(RADIUS), Length.ofMm(LENGTH), -60, 180);
        var f =
                (Outcome.Found)
                        CylinderUnwrapper.locate(
                                eye.marks(0, 1), whole, Lens.straight(W, H), eye.focal());
        assertFalse(f.shell().faces(new Point(4500, Math.toRadians(20) * RADIUS)));
        assertTrue(f.shell().faces(new Point(4500, Math.toRadians(150) * RADIUS)));
    }

    @Test
    public void marksOfSomethingElseAreRefused() {
        List<ArcMark> marks = new ArrayList<>();
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 10; i++) {
            marks.add(
                    new ArcMark(
                            new Point(random.nextInt(W), random.nextInt(H)), i % 2 == 0, 18.0 * i));
        }
        var r = (Outcome.Refused) CylinderUnwrapper.locate(marks, SHELL, Lens.straight(W, H), 2000);
        assertTrue(r.reason().contains("two ends"), r.reason());
    }

    @Test
    public void twoMarksOnAnEndAreTooFew() {
        var eye = new Eye(0, 0, 12_000, 2000);
        var marks = eye.marks(0, 1).subList(0, 5);
        InvalidInput e =
                expectThrows(
                        InvalidInput.class,
                        () -> CylinderUnwrapper.locate(marks, SHELL, Lens.straight(W, H), 2000));
        assertTrue(e.getMessage().contains("Right end circle (2 marks)"), e.getMessage());
    }
}
