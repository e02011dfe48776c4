package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Random;
import org.pendrik.core.photo.SideRectifier.Mark;
import org.pendrik.core.photo.SideRectifier.Outcome;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SideRectifierTest {
    private static final Length LENGTH = Length.ofMm(8000);
    private static final Length HEIGHT = Length.ofMm(2500);
    private static final List<Point> CORNERS =
            List.of(
                    new Point(210, 180),
                    new Point(1720, 260),
                    new Point(1650, 830),
                    new Point(160, 760));

    private static SideGeometry found(List<Point> corners, List<Mark> extra) {
        return ((Outcome.Found) SideRectifier.locate(corners, extra, LENGTH, HEIGHT)).geometry();
    }

    @Test
    public void fourCornersFitExactly() {
        var g = found(CORNERS, List.of());
        assertEquals(g.residualMm(), 0.0);
        assertEquals(g.toSide(CORNERS.get(2)).distance(new Point(8000, 2500)), 0, 1e-6);
        assertEquals(g.toPhoto(new Point(8000, 0)).distance(CORNERS.get(1)), 0, 1e-6);
        assertTrue(g.slipMm() > 3 && g.slipMm() < 20, "slip " + g.slipMm());
    }

    @Test
    public void aKnownMapIsRecoveredFromManyNoisyPoints() {
        var truth = found(CORNERS, List.of());
        Random random = new Random(3);
        List<Mark> marks = new java.util.ArrayList<>();
        for (int i = 0; i < 60; i++) {
            Point mm = new Point(random.nextDouble() * 8000, random.nextDouble() * 2500);
            Point px = truth.toPhoto(mm);
            marks.add(
                    new Mark(
                            new Point(
                                    px.x() + random.nextGaussian(), px.y() + random.nextGaussian()),
                            mm));
        }
        var fitted = found(CORNERS, marks);
        // one pixel is about 5 mm here: the residual must say so, and the fit must beat a single
        // point
        assertTrue(
                fitted.residualMm() > 2 && fitted.residualMm() < 12,
                "residual " + fitted.residualMm());
        Point centre = fitted.toPhoto(new Point(4000, 1250));
        assertTrue(centre.distance(truth.toPhoto(new Point(4000, 1250))) < 0.6);
    }

    @Test
    public void aWrongExtraPointShowsInTheResidual() {
        var g = found(CORNERS, List.of(new Mark(new Point(900, 500), new Point(1000, 300))));
        assertTrue(g.worstMm() > 100, "worst " + g.worstMm());
    }

    @DataProvider
    public Object[][] badCorners() {
        Point a = CORNERS.get(0);
        Point b = CORNERS.get(1);
        Point c = CORNERS.get(2);
        Point d = CORNERS.get(3);
        return new Object[][] {
            {List.of(a, b, new Point(965, 221), d), "lie in a line"},
            {List.of(a, a, c, d), "lie in a line"},
            {List.of(a, a, a, a), "lie in a line"},
            {List.of(a, c, b, d), "crossed"},
            {List.of(b, a, d, c), "wrong way round"},
        };
    }

    @Test(dataProvider = "badCorners")
    public void impossibleCornersAreRefusedWithTheReason(List<Point> corners, String word) {
        var refused = (Outcome.Refused) SideRectifier.locate(corners, List.of(), LENGTH, HEIGHT);
        assertTrue(refused.reason().contains(word), refused.reason());
    }

    @Test
    public void sizesThatNoSideHasAreRefused() {
        for (double mm : new double[] {0, 5, 1e9}) {
            expectThrows(
                    InvalidInput.class,
                    () -> SideRectifier.locate(CORNERS, List.of(), Length.ofMm(mm), HEIGHT));
        }
    }

    @Test
    public void tenThousandKnownPointsAreTooMany() {
        List<Mark> marks =
                java.util.Collections.nCopies(
                        10_000, new Mark(new Point(900, 500), new Point(4000, 1250)));
        String words = expectThrows(InvalidInput.class, () -> found(CORNERS, marks)).getMessage();
        assertTrue(words.contains("Known points (10000) must be at most 200"), words);
    }

    /**
     * The textbook renderer: one projective map, four reads and floating weights for each pixel.
     */
    static Raster naive(Raster photo, SideGeometry g, double pxPerMm) {
        Raster out =
                Raster.empty(
                        (int) Math.rint(g.length().mm() * pxPerMm),
                        (int) Math.rint(g.height().mm() * pxPerMm));
        for (int y = 0; y < out.height(); y++) {
            for (int x = 0; x < out.width(); x++) {
                Point p = g.toPhoto(new Point((x + 0.5) / pxPerMm, (y + 0.5) / pxPerMm));
                double px = p.x() - 0.5;
                double py = p.y() - 0.5;
                int ix = (int) Math.floor(px);
                int iy = (int) Math.floor(py);
                if (ix < 0 || iy < 0 || ix >= photo.width() - 1 || iy >= photo.height() - 1) {
                    continue;
                }
                int argb = 0xff;
                for (int shift = 16; shift >= 0; shift -= 8) {
                    double top =
                            mix(
                                    photo.at(ix, iy) >> shift & 255,
                                    photo.at(ix + 1, iy) >> shift & 255,
                                    px - ix);
                    double low =
                            mix(
                                    photo.at(ix, iy + 1) >> shift & 255,
                                    photo.at(ix + 1, iy + 1) >> shift & 255,
                                    px - ix);
                    argb = argb << 8 | (int) Math.round(mix(top, low, py - iy));
                }
                out.argb()[y * out.width() + x] = argb;
            }
        }
        return out;
    }

    private static double mix(double a, double b, double t) {
        return a + (b - a) * t;
    }

    @Test
    public void theFastRendererEqualsTheTextbookOne() {
        Random random = new Random(11);
        Raster photo = Raster.empty(1900, 1000);
        for (int i = 0; i < photo.argb().length; i++) {
            int x = i % 1900;
            photo.argb()[i] =
                    Raster.OPAQUE
                            | (x / 8 & 255) << 16
                            | (i / 1900 / 4 & 255) << 8
                            | random.nextInt(256);
        }
        var g = found(CORNERS, List.of());
        double pxPerMm = 0.15;
        Raster fast = g.rectify(photo, pxPerMm);
        Raster slow = naive(photo, g, pxPerMm);
        assertEquals(fast.width(), 1200);
        assertEquals(fast.height(), 375);
        for (int i = 0; i < fast.argb().length; i++) {
            for (int shift = 0; shift < 32; shift += 8) {
                int d = (fast.argb()[i] >>> shift & 255) - (slow.argb()[i] >>> shift & 255);
                assertTrue(
                        Math.abs(d) <= 3, "pixel " + i + " channel " + shift + " differs by " + d);
            }
        }
    }

    @Test
    public void placesOutsideThePhotographAreMarked() {
        Raster small = Raster.empty(800, 400);
        java.util.Arrays.fill(small.argb(), Raster.OPAQUE | 0x808080);
        Raster side = found(CORNERS, List.of()).rectify(small, 0.1);
        assertEquals(side.at(10, 10) >>> 24, 255);
        assertEquals(side.at(side.width() - 5, 10) >>> 24, 0);
    }

    @Test
    public void halvingAveragesBlocks() {
        Raster r = new Raster(2, 2, new int[] {0xff000000, 0xff040404, 0xff080808, 0xff0c0c0c});
        assertEquals(r.halved().at(0, 0), 0xff060606);
        Raster big = new Raster(3, 1, new int[] {0xff102030, 0xff102030, 0xffffffff});
        assertEquals(big.halved().width(), 1);
        assertEquals(big.halved().at(0, 0), 0xff102030);
    }

    @Test
    public void aPartOfASideIsASideOfItsOwn() {
        SideGeometry whole = found(CORNERS, List.of());
        Region window = new Region("part", 5200, 700, 1600, 900);
        // laid over another side, on which everything lies 30 mm to the left and a little turned
        double[] moved = {0.999, 0.004, 30, -0.002, 1.001, -8};
        SideGeometry part = whole.part(window, moved);
        assertEquals(part.length().mm(), 1600.0);
        for (double x : new double[] {0, 700, 1600}) {
            for (double y : new double[] {0, 400, 900}) {
                double onX = 5200 + x;
                double onY = 700 + y;
                Point own =
                        new Point(
                                moved[0] * onX + moved[1] * onY + moved[2],
                                moved[3] * onX + moved[4] * onY + moved[5]);
                Point seen = part.toPhoto(new Point(x, y));
                assertEquals(seen.distance(whole.toPhoto(own)), 0, 1e-6);
                assertEquals(part.toSide(seen).distance(new Point(x, y)), 0, 1e-6);
                assertEquals(
                        part.placeSdMm(x, y), whole.placeSdMm(own.x(), own.y()), 0.01, x + " " + y);
                assertTrue(part.seesPlaneAt(seen));
            }
        }
        assertTrue(part.scaleSd() > whole.scaleSd(), "a shorter piece is known less well");
        assertTrue(part.finestPxPerMm() <= whole.finestPxPerMm());
    }
}
