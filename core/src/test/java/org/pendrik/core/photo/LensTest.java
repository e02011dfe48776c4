package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class LensTest {
    private static final int W = 3000;
    private static final int H = 2000;

    @DataProvider
    public Object[][] lambdas() {
        return new Object[][] {{-0.3}, {-0.1}, {-0.02}, {0.0}, {0.05}, {0.15}};
    }

    @Test(dataProvider = "lambdas")
    public void distortingUndoesUndistorting(double lambda) {
        Lens lens = Lens.of(W, H, lambda);
        for (double x = 0; x <= W; x += 250) {
            for (double y = 0; y <= H; y += 250) {
                Point p = new Point(x, y);
                assertEquals(
                        lens.distort(lens.undistort(p)).distance(p), 0, 1e-9, lambda + " " + p);
            }
        }
    }

    @Test
    public void aBarrelPullsTheCornersIn() {
        Point corner = new Point(0, 0);
        Point flat = Lens.of(W, H, -0.1).undistort(corner);
        assertTrue(flat.x() < 0 && flat.y() < 0, flat.toString());
    }

    private static List<Point> line(Lens lens, Point a, Point b, double hand, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Point> out = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            double t = i / 5.0;
            Point p =
                    lens.distort(
                            new Point(a.x() + t * (b.x() - a.x()), a.y() + t * (b.y() - a.y())));
            out.add(
                    new Point(
                            p.x() + hand * random.nextGaussian(),
                            p.y() + hand * random.nextGaussian()));
        }
        return out;
    }

    @Test(dataProvider = "lambdas")
    public void straightLinesTellTheLens(double lambda) {
        Lens lens = Lens.of(W, H, lambda);
        List<List<Point>> lines =
                List.of(
                        line(lens, new Point(150, 180), new Point(2850, 120), 0, 1),
                        line(lens, new Point(120, 1900), new Point(2800, 1850), 0, 2));
        var f = (LensFit.Outcome.Found) LensFit.fit(lines, W, H);
        assertEquals(f.lens().lambda(), lambda, 1e-6);
        assertEquals(f.residualPx(), 0, 1e-3);
    }

    @Test
    public void theStatedSpreadHoldsTheTruth() {
        int inside = 0;
        for (int seed = 0; seed < 200; seed++) {
            Lens lens = Lens.of(W, H, -0.08);
            List<List<Point>> lines =
                    List.of(
                            line(lens, new Point(150, 180), new Point(2850, 120), 0.6, 2L * seed),
                            line(
                                    lens,
                                    new Point(120, 1900),
                                    new Point(2800, 1850),
                                    0.6,
                                    2 * seed + 1));
            var f = (LensFit.Outcome.Found) LensFit.fit(lines, W, H);
            inside += Math.abs(f.lens().lambda() + 0.08) <= 2 * f.lambdaSd() ? 1 : 0;
        }
        assertTrue(inside >= 170 && inside <= 200, inside + " of 200");
    }

    @Test
    public void linesThroughTheMiddleAreRefused() {
        var lens = Lens.straight(W, H);
        var r =
                (LensFit.Outcome.Refused)
                        LensFit.fit(
                                List.of(
                                        line(
                                                lens,
                                                new Point(1400, 1000),
                                                new Point(1600, 1000),
                                                0.5,
                                                3)),
                                W,
                                H);
        assertTrue(r.remedy().contains("border"), r.remedy());
    }

    @Test
    public void aLineOfTwoPointsIsRefused() {
        InvalidInput e =
                expectThrows(
                        InvalidInput.class,
                        () ->
                                LensFit.fit(
                                        List.of(List.of(new Point(0, 0), new Point(9, 9))), W, H));
        assertTrue(e.getMessage().contains("from 3 to 40"), e.getMessage());
    }

    @Test
    public void aSideSeenThroughALensComesOutFlat() {
        Lens lens = Lens.of(W, H, -0.12);
        List<Point> flat =
                List.of(
                        new Point(300, 400),
                        new Point(2700, 300),
                        new Point(2750, 1700),
                        new Point(250, 1500));
        Homography truth =
                Homography.between(
                        List.of(
                                new Point(0, 0),
                                new Point(6000, 0),
                                new Point(6000, 3000),
                                new Point(0, 3000)),
                        flat);
        var found =
                (SideRectifier.Outcome.Found)
                        SideRectifier.locate(
                                flat.stream().map(lens::distort).toList(),
                                List.of(),
                                Length.ofMm(6000),
                                Length.ofMm(3000),
                                lens);
        Point seen = lens.distort(truth.map(4400, 700));
        assertEquals(found.geometry().toSide(seen).distance(new Point(4400, 700)), 0, 1e-5);
        assertEquals(found.geometry().toPhoto(new Point(4400, 700)).distance(seen), 0, 1e-6);
    }

    @Test
    public void whatIsRenderedThroughALensLiesWhereTheMapSays() {
        Lens lens = Lens.of(600, 400, -0.15);
        Raster photo = Raster.empty(600, 400);
        for (int i = 0; i < photo.argb().length; i++) {
            // the place is written into the colour
            photo.argb()[i] = Raster.OPAQUE | (i % 600 * 255 / 600) << 16 | i / 600 * 255 / 400;
        }
        var g =
                ((SideRectifier.Outcome.Found)
                                SideRectifier.locate(
                                        List.of(
                                                new Point(60, 50),
                                                new Point(540, 70),
                                                new Point(550, 350),
                                                new Point(50, 330)),
                                        List.of(),
                                        Length.ofMm(1000),
                                        Length.ofMm(500),
                                        lens))
                        .geometry();
        Raster side = g.rectify(photo, 0.3);
        for (int y = 3; y < side.height(); y += 20) {
            for (int x = 3; x < side.width(); x += 20) {
                Point p = g.toPhoto(new Point((x + 0.5) / 0.3, (y + 0.5) / 0.3));
                assertEquals(side.at(x, y) >> 16 & 255, (p.x() - 0.5) * 255 / 600, 2.0);
                assertEquals(side.at(x, y) & 255, (p.y() - 0.5) * 255 / 400, 2.0);
            }
        }
    }

    @Test
    public void theScaleIsLessCertainWhereTheSideRecedes() {
        // the right end is far away: half as high in the photograph
        var g =
                ((SideRectifier.Outcome.Found)
                                SideRectifier.locate(
                                        List.of(
                                                new Point(100, 200),
                                                new Point(1700, 500),
                                                new Point(1700, 1100),
                                                new Point(100, 1400)),
                                        List.of(),
                                        Length.ofMm(6000),
                                        Length.ofMm(2500)))
                        .geometry();
        assertTrue(g.placeSdMm(5800, 1250) > 1.5 * g.placeSdMm(200, 1250));
        assertTrue(g.pxPerMmAlong(5800, 1250) < 0.6 * g.pxPerMmAlong(200, 1250));
        assertTrue(g.scaleSd() > 1e-4 && g.scaleSd() < 5e-3, "" + g.scaleSd());
    }
}
