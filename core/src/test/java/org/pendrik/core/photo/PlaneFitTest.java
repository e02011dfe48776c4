package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.pendrik.core.photo.KnownLine.Along;
import org.pendrik.core.photo.SideRectifier.Mark;
import org.pendrik.core.photo.SideRectifier.Outcome;
import org.pendrik.core.units.Length;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Sides of which only a part is in the picture, seen by cameras that stand in space: the truth
 * comes from turned and projected places, not from a map of planes.
 */
public class PlaneFitTest {
    private static final Length LENGTH = Length.ofMm(12_000);
    private static final Length HEIGHT = Length.ofMm(3_000);
    private static final Lens LENS = Lens.straight(2400, 1600);
    private static final double HAND_PX = 0.7;

    /** A camera somewhere before the right half of the side, turned a little every way. */
    private record Camera(double x, double y, double away, double yaw, double pitch, double roll) {
        static Camera any(Random r) {
            return new Camera(
                    7_000 + 3_000 * r.nextDouble(),
                    1_000 + 1_500 * r.nextDouble(),
                    6_500 + 2_000 * r.nextDouble(),
                    0.35 * (2 * r.nextDouble() - 1),
                    0.12 * (2 * r.nextDouble() - 1),
                    0.05 * (2 * r.nextDouble() - 1));
        }

        Point sees(double xMm, double yMm) {
            double px = xMm - x;
            double py = yMm - y;
            double pz = away;
            double ax = Math.cos(yaw) * px + Math.sin(yaw) * pz;
            double az = -Math.sin(yaw) * px + Math.cos(yaw) * pz;
            double by = Math.cos(pitch) * py - Math.sin(pitch) * az;
            double bz = Math.sin(pitch) * py + Math.cos(pitch) * az;
            double cx = Math.cos(roll) * ax - Math.sin(roll) * by;
            double cy = Math.sin(roll) * ax + Math.cos(roll) * by;
            return new Point(1200 + 2000 * cx / bz, 800 + 2000 * cy / bz);
        }
    }

    /** What a hand marks: it misses by a pixel or so. */
    private record Hand(Camera camera, Random random) {
        Point at(double xMm, double yMm) {
            Point p = camera.sees(xMm, yMm);
            return new Point(
                    p.x() + HAND_PX * random.nextGaussian(),
                    p.y() + HAND_PX * random.nextGaussian());
        }

        Mark point(double xMm, double yMm) {
            return new Mark(at(xMm, yMm), new Point(xMm, yMm));
        }

        KnownLine level(double from, double to, double yMm, boolean measured) {
            return new KnownLine(
                    at(from, yMm),
                    at(to, yMm),
                    Along.LEVEL,
                    measured ? OptionalDouble.of(to - from) : OptionalDouble.empty());
        }

        KnownLine upright(double xMm, double from, double to, boolean measured) {
            return new KnownLine(
                    at(xMm, from),
                    at(xMm, to),
                    Along.UPRIGHT,
                    measured ? OptionalDouble.of(to - from) : OptionalDouble.empty());
        }
    }

    private interface Marking {
        Outcome by(Hand h);
    }

    private static Outcome locate(List<Mark> marks, KnownLine... lines) {
        return SideRectifier.locateByParts(marks, List.of(lines), LENGTH, HEIGHT, LENS);
    }

    @DataProvider
    public Object[][] markings() {
        Marking lengths =
                h ->
                        locate(
                                List.of(h.point(11_900, 2_900)),
                                h.level(5_500, 11_800, 100, false),
                                h.level(6_000, 11_800, 2_700, true),
                                h.upright(6_200, 200, 2_800, false),
                                h.upright(11_500, 150, 2_850, true));
        Marking places =
                h ->
                        locate(
                                List.of(h.point(6_000, 300), h.point(11_800, 2_800)),
                                h.level(5_500, 11_800, 100, false),
                                h.level(6_000, 11_800, 2_900, false),
                                h.upright(6_200, 200, 2_800, false),
                                h.upright(11_500, 150, 2_850, false));
        Marking points =
                h ->
                        locate(
                                List.of(
                                        h.point(5_600, 200),
                                        h.point(11_800, 150),
                                        h.point(11_700, 2_900),
                                        h.point(6_100, 2_800),
                                        h.point(9_000, 1_400)));
        return new Object[][] {{"lengths", lengths}, {"places", places}, {"points", points}};
    }

    /** What is seen lies where it is, and the stated ± says how far off it may be. */
    @Test(dataProvider = "markings")
    public void aPartOfTheSideIsLocated(String name, Marking marking) {
        Random random = new Random(11);
        int seen = 0;
        int within = 0;
        List<Double> off = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            Camera camera = Camera.any(random);
            Outcome o = marking.by(new Hand(camera, random));
            assertTrue(o instanceof Outcome.Found, name + ": " + o);
            SideGeometry g = ((Outcome.Found) o).geometry();
            for (double x = 6_000; x <= 11_800; x += 1_450) {
                for (double y = 200; y <= 2_800; y += 1_300) {
                    Point told = g.toSide(camera.sees(x, y));
                    off.add(told.distance(new Point(x, y)));
                    double plusMinus = 2 * g.placeSdMm(x, y);
                    seen += 2;
                    within += Math.abs(told.x() - x) <= plusMinus ? 1 : 0;
                    within += Math.abs(told.y() - y) <= plusMinus ? 1 : 0;
                }
            }
        }
        off.sort(null);
        double median = off.get(off.size() / 2);
        assertTrue(median < 8, name + " is off by " + median + " mm");
        double share = (double) within / seen;
        assertTrue(share > 0.85 && share < 0.995, name + ": ± holds " + share);
    }

    /** Four corners by the other way give the same side. */
    @Test
    public void cornersAsKnownPointsAreTheSame() {
        Camera c = new Camera(6_000, 1_400, 16_000, 0.1, 0.02, 0.01);
        List<Point> mm =
                List.of(
                        new Point(0, 0),
                        new Point(12_000, 0),
                        new Point(12_000, 3_000),
                        new Point(0, 3_000));
        List<Point> px = mm.stream().map(p -> c.sees(p.x(), p.y())).toList();
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            marks.add(new Mark(px.get(i), mm.get(i)));
        }
        var byCorners = (Outcome.Found) SideRectifier.locate(px, List.of(), LENGTH, HEIGHT);
        var byPoints = (Outcome.Found) locate(marks);
        Point at = new Point(3_300, 2_100);
        assertEquals(
                byPoints.geometry().toPhoto(at).distance(byCorners.geometry().toPhoto(at)),
                0,
                1e-6);
        assertEquals(byPoints.geometry().residualMm(), 0, 1e-9);
        assertEquals(
                byPoints.geometry().scaleSd(),
                byCorners.geometry().scaleSd(),
                0.02 * byCorners.geometry().scaleSd());
    }

    @Test
    public void whatIsStillNeededIsSaid() {
        Hand h = new Hand(new Camera(9_000, 1_500, 7_000, 0.1, 0, 0), new Random(1));
        assertEquals(
                SideRectifier.needed(List.of(), List.of()).orElseThrow(),
                "Still to be marked: two lines that are level; a known point; two lines that are"
                        + " upright. Four known points would do as well.");
        KnownLine[] four = {
            h.level(6_000, 11_000, 200, false),
            h.level(6_000, 11_000, 2_800, true),
            h.upright(6_200, 200, 2_800, false),
            h.upright(11_000, 200, 2_800, false)
        };
        assertEquals(
                SideRectifier.needed(List.of(h.point(11_000, 2_800)), List.of(four)).orElseThrow(),
                "Still to be marked: the length of an upright line, or a known point higher or"
                        + " lower. Four known points would do as well.");
        assertTrue(
                SideRectifier.needed(
                                List.of(h.point(11_000, 2_800), h.point(11_000, 300)),
                                List.of(four))
                        .isEmpty());
        assertTrue(locate(List.of(), four) instanceof Outcome.Refused);
    }

    /** Level lines called upright, places that lie elsewhere, four in a row: refused with words. */
    @Test
    public void whatCannotBeIsRefused() {
        Hand h = new Hand(new Camera(9_000, 1_500, 7_000, 0.1, 0, 0), new Random(1));
        KnownLine a = h.level(6_000, 11_000, 200, true);
        KnownLine b = h.level(6_000, 11_000, 2_800, false);
        KnownLine wrong = new KnownLine(a.from(), a.to(), Along.UPRIGHT, OptionalDouble.of(2_600));
        KnownLine alike = new KnownLine(b.from(), b.to(), Along.UPRIGHT, OptionalDouble.empty());
        List<Mark> one = List.of(h.point(11_000, 2_800));
        assertTrue(locate(one, a, b, wrong, alike) instanceof Outcome.Refused);
        List<Mark> row =
                List.of(
                        h.point(6_000, 500),
                        h.point(7_500, 500),
                        h.point(9_000, 500),
                        h.point(11_000, 500));
        assertTrue(locate(row) instanceof Outcome.Refused, "four in a row");
        List<Mark> mirrored = new ArrayList<>();
        for (double[] p :
                new double[][] {{6_000, 300}, {11_000, 300}, {11_000, 2_800}, {6_000, 2_800}}) {
            mirrored.add(new Mark(h.at(17_000 - p[0], p[1]), new Point(p[0], p[1])));
        }
        assertTrue(locate(mirrored) instanceof Outcome.Refused, "mirrored");
    }
}
