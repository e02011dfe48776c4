package org.pendrik.core.paper;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pendrik.core.paper.CutSheet.Kept;
import org.pendrik.core.paper.CutSheet.Piece;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

/** Everything is read back out of the SVG, as a cutter would. */
public class CutSheetTest {
    private static final List<Point> PATCH =
            List.of(new Point(20, 10), new Point(32, 10), new Point(32, 15), new Point(20, 15));
    private static final WiperArc WIPER = new WiperArc(14, 9, 7, 10, 6.5, 5, -40, 40);

    private static List<Point> places(String svg) {
        List<Point> out = new ArrayList<>();
        Matcher m = Pattern.compile("[ML](-?[\\d.]+) (-?[\\d.]+)").matcher(svg);
        while (m.find()) {
            out.add(new Point(Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2))));
        }
        return out;
    }

    private static double width(List<Point> p) {
        return p.stream().mapToDouble(Point::x).max().orElseThrow()
                - p.stream().mapToDouble(Point::x).min().orElseThrow();
    }

    private static double height(List<Point> p) {
        return p.stream().mapToDouble(Point::y).max().orElseThrow()
                - p.stream().mapToDouble(Point::y).min().orElseThrow();
    }

    private static double area(List<Point> p) {
        double sum = 0;
        for (int i = 0; i < p.size(); i++) {
            Point a = p.get(i);
            Point b = p.get((i + 1) % p.size());
            sum += a.x() * b.y() - b.x() * a.y();
        }
        return Math.abs(sum) / 2;
    }

    @Test
    public void aPieceKeepsItsMillimetres() {
        String svg = CutSheet.of(List.of(new Piece("patch", PATCH)), 0, Kept.PIECE).svg();
        assertEquals(width(places(svg)), 12, 0.001);
        assertEquals(height(places(svg)), 5, 0.001);
        assertTrue(
                svg.contains(
                        "width=\"18.000mm\" height=\"11.000mm\" viewBox=\"0 0 18.000 11.000\""),
                svg);
    }

    @Test
    public void theKerfIsGivenToPiecesAndTakenFromOpenings() {
        var piece = List.of(new Piece("patch", PATCH));
        String out = CutSheet.of(piece, 0.2, Kept.PIECE).svg();
        String in = CutSheet.of(piece, 0.2, Kept.OPENING).svg();
        assertEquals(width(places(out)), 12.2, 0.001);
        assertEquals(height(places(out)), 5.2, 0.001);
        assertEquals(width(places(in)), 11.8, 0.001);
        assertEquals(height(places(in)), 4.8, 0.001);
    }

    @Test
    public void piecesStandToEachOtherAsOnTheSide() {
        List<Point> far = PATCH.stream().map(p -> new Point(p.x() + 40, p.y() + 3)).toList();
        String svg =
                CutSheet.of(List.of(new Piece("a", PATCH), new Piece("b", far)), 0, Kept.PIECE)
                        .svg();
        assertEquals(width(places(svg)), 52, 0.001);
        assertEquals(height(places(svg)), 8, 0.001);
    }

    @Test
    public void theWiperSweepsASectorOfARing() {
        WiperArc free = new WiperArc(40, 40, 20, 30, 6.5, 5, -40, 40);
        double truth = Math.toRadians(80) / 2 * (9 * 9 - 4 * 4);
        assertEquals(area(free.piece().outline()), truth, truth * 0.002);
        for (Point p : free.piece().outline()) {
            double r = Math.hypot(p.x() - 20, p.y() - 30);
            double turn = Math.toDegrees(Math.atan2(p.x() - 20, 30 - p.y()));
            assertTrue(r >= 4 - 0.006 && r <= 9.001, "radius " + r);
            assertTrue(Math.abs(turn) <= 40.01, "angle " + turn);
        }
    }

    /** A sector of a ring of 80°, from 4 to 9 mm, all of it within a pane of 40 × 40 mm. */
    @Test
    public void aWiperKeepsItsRingClean() {
        double ring = Math.PI * (81 - 16) * 80 / 360;
        double share = new WiperArc(40, 40, 20, 30, 6.5, 5, -40, 40).cleanShare();
        assertEquals(share, ring / 1600, 1e-4);
    }

    @Test
    public void theSweepEndsAtThePane() {
        for (Point p : WIPER.piece().outline()) {
            assertTrue(p.x() >= -1e-9 && p.x() <= 14 + 1e-9 && p.y() >= -1e-9 && p.y() <= 9 + 1e-9);
        }
    }

    @Test
    public void aWiperBesideThePaneIsRefused() {
        InvalidInput e =
                expectThrows(
                        InvalidInput.class,
                        () -> new WiperArc(14, 9, 7, 40, 6.5, 5, -40, 40).piece());
        assertTrue(e.getMessage().contains("does not reach the pane"), e.getMessage());
    }

    @Test
    public void namesCannotBreakOutOfTheFile() {
        String svg =
                CutSheet.of(List.of(new Piece("</title><script>", PATCH)), 0, Kept.PIECE).svg();
        assertTrue(svg.contains("&lt;/title&gt;&lt;script&gt;"), svg);
    }

    @Test
    public void aPieceThinnerThanItsCutIsRefusedByName() {
        List<Point> thin =
                List.of(new Point(0, 0), new Point(10, 0), new Point(10, 0.15), new Point(0, 0.15));
        InvalidInput e =
                expectThrows(
                        InvalidInput.class,
                        () -> CutSheet.of(List.of(new Piece("slit", thin)), 0.2, Kept.OPENING));
        assertTrue(e.getMessage().startsWith("Piece slit"), e.getMessage());
    }

    /** A ring of opaque pixels: 60 × 40 with a hole of 20 × 10. */
    private static Raster ring() {
        Raster r = Raster.empty(100, 60);
        for (int y = 10; y < 50; y++) {
            for (int x = 20; x < 80; x++) {
                boolean hole = x >= 40 && x < 60 && y >= 25 && y < 35;
                r.argb()[y * 100 + x] = hole ? 0 : 0xff404040;
            }
        }
        return r;
    }

    @Test
    public void theWhiteFollowsTheInkAndItsHoles() {
        var rings = Underlay.outline(ring(), 50, 0);
        assertEquals(rings.size(), 2);
        assertEquals(area(rings.get(0)), 30 * 20, 1);
        assertEquals(area(rings.get(1)), 10 * 5, 1);
        var choked = Underlay.outline(ring(), 50, 0.5);
        assertEquals(width(choked.get(0)), 29, 0.05);
        assertEquals(width(choked.get(1)), 11, 0.05);
    }

    @Test
    public void touchingCornersKeepTheirOwnRings() {
        Raster r = Raster.empty(30, 30);
        for (int i = 0; i < 100; i++) {
            r.argb()[(5 + i / 10) * 30 + 5 + i % 10] = 0xff000000;
            r.argb()[(15 + i / 10) * 30 + 15 + i % 10] = 0xff000000;
        }
        var rings = Underlay.outline(r, 30, 0);
        assertEquals(rings.size(), 2);
        assertEquals(area(rings.get(0)), 100, 1);
        assertEquals(area(rings.get(1)), 100, 1);
    }

    @Test
    public void sidesStandInRowsAndLongOnesAreCutWithAnOverlap() {
        var placed =
                CardLayout.place(
                        List.of(
                                new CardLayout.Card(73.5, 29.9, 88),
                                new CardLayout.Card(73.5, 45, 90),
                                new CardLayout.Card(73.5, 29.9, 88),
                                new CardLayout.Card(600, 80, 95)),
                        CardLayout.Paper.A4);
        assertEquals(placed.get(0).sheet(), 0);
        assertEquals(placed.get(1).sheet(), 0);
        // beside each other as far as names and cut marks let them, else in the next row
        assertEquals(placed.get(1).yMm(), placed.get(0).yMm());
        assertTrue(placed.get(1).xMm() >= placed.get(0).xMm() + 88 + 10);
        assertEquals(placed.get(2).xMm(), placed.get(0).xMm());
        assertTrue(placed.get(2).yMm() > placed.get(1).yMm() + 45);
        var pieces = placed.stream().filter(p -> p.card() == 3).toList();
        assertEquals(pieces.size(), 3);
        for (int i = 1; i < pieces.size(); i++) {
            assertEquals(
                    pieces.get(i - 1).toMm() - pieces.get(i).fromMm(), CardLayout.OVERLAP_MM, 1e-9);
        }
        assertEquals(pieces.getLast().toMm(), 600, 1e-9);
        for (var p : placed) {
            assertTrue(p.xMm() + p.toMm() - p.fromMm() <= 297 - 9.9);
        }
    }

    @Test
    public void sidesAndTheirNamesLieOnThePaperAndNeverOnEachOther() {
        SplittableRandom random = new SplittableRandom(12);
        for (int k = 0; k < 300; k++) {
            List<CardLayout.Card> cards = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                cards.add(
                        new CardLayout.Card(
                                random.nextDouble(15, 400),
                                random.nextDouble(10, 160),
                                random.nextDouble(60, 110)));
            }
            List<Rectangle2D> taken = new ArrayList<>();
            List<Integer> sheets = new ArrayList<>();
            for (CardLayout.Placed p : CardLayout.place(cards, CardLayout.Paper.A4)) {
                CardLayout.Card c = cards.get(p.card());
                double along = Math.max(p.toMm() - p.fromMm(), c.headingMm());
                var box =
                        new Rectangle2D.Double(
                                p.xMm(), p.yMm() - 15.99, along, c.heightMm() + 23.98);
                assertTrue(new Rectangle2D.Double(9.9, 9.9, 277.2, 190.2).contains(box), "" + box);
                for (int i = 0; i < taken.size(); i++) {
                    assertFalse(
                            sheets.get(i) == p.sheet() && taken.get(i).intersects(box), "" + box);
                }
                taken.add(box);
                sheets.add(p.sheet());
            }
        }
    }

    @Test
    public void aSideHigherThanThePaperIsRefused() {
        InvalidInput e =
                expectThrows(
                        InvalidInput.class,
                        () ->
                                CardLayout.place(
                                        List.of(new CardLayout.Card(100, 190, 80)),
                                        CardLayout.Paper.A4));
        assertTrue(e.getMessage().contains("at most 166 mm"), e.getMessage());
    }

    @Test
    public void controlCharactersNeverReachTheDrawing() {
        String svg =
                CutSheet.of(List.of(new Piece("a\u0000b\u0007c\ud800d 火", PATCH)), 0, Kept.PIECE)
                        .svg();
        assertTrue(svg.contains("<title>abcd 火</title>"), svg);
    }
}
