package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** An outline goes round its region once: one that crosses itself would lose a part of it. */
public class RegionTest {
    private static Region outline(double... xy) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < xy.length; i += 2) {
            points.add(new Point(xy[i], xy[i + 1]));
        }
        return Region.of("door", points);
    }

    /** Points of a ring, every {@code step}-th after the other. */
    private static Region star(int corners, int step) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < corners; i++) {
            double angle = 2 * Math.PI * i * step / corners;
            points.add(new Point(500 + 300 * Math.cos(angle), 500 + 300 * Math.sin(angle)));
        }
        return Region.of("door", points);
    }

    @DataProvider
    public Object[][] crossed() {
        return new Object[][] {
            {outline(0, 0, 400, 300, 400, 0, 0, 300), "edges 1 and 3"},
            {star(5, 2), "edges 1 and 3"},
            {outline(0, 0, 400, 0, 400, 300, 200, 100, 200, 400, 0, 300, 260, 50), "cross"},
        };
    }

    @Test(dataProvider = "crossed")
    public void oneThatCrossesItselfIsRefusedByName(Region r, String words) {
        String said = expectThrows(InvalidInput.class, r::requireUncrossed).getMessage();
        assertTrue(said.startsWith("Outline of door (") && said.contains(words), said);
    }

    @Test
    public void whatGoesRoundOnceIsTaken() {
        outline(0, 0, 400, 0, 400, 300, 0, 300).requireUncrossed();
        outline(0, 0, 400, 0, 400, 100, 100, 100, 100, 300, 0, 300).requireUncrossed();
        // a corner that touches another edge leaves nothing out
        outline(0, 0, 400, 0, 400, 300, 200, 0, 0, 300).requireUncrossed();
        SplittableRandom random = new SplittableRandom(11);
        for (int k = 0; k < 300; k++) {
            List<Point> round = new ArrayList<>();
            int n = random.nextInt(3, 60);
            for (int i = 0; i < n; i++) {
                double angle = 2 * Math.PI * (i + random.nextDouble(0.9)) / n;
                double r = random.nextDouble(100, 400);
                round.add(new Point(500 + r * Math.cos(angle), 500 + r * Math.sin(angle)));
            }
            Region.of("round", round).requireUncrossed();
        }
    }

    /**
     * Of the three orders of four corners two cross; none does when one corner lies among the
     * others.
     */
    @Test
    public void ofFourCornersTwoOrdersCross() {
        SplittableRandom random = new SplittableRandom(4);
        int[][] orders = {{0, 1, 2, 3}, {0, 1, 3, 2}, {0, 2, 1, 3}};
        for (int k = 0; k < 500; k++) {
            List<Point> p = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                p.add(new Point(random.nextDouble(900), random.nextDouble(900)));
            }
            int crossed = 0;
            for (int[] o : orders) {
                Region r =
                        Region.of(
                                "four",
                                List.of(p.get(o[0]), p.get(o[1]), p.get(o[2]), p.get(o[3])));
                try {
                    r.requireUncrossed();
                } catch (InvalidInput e) {
                    crossed++;
                }
            }
            boolean among = false;
            for (int i = 0; i < 4; i++) {
                List<Point> rest = new ArrayList<>(p);
                Point one = rest.remove(i);
                among |= Region.of("three", rest).contains(one.x(), one.y());
            }
            assertEquals(crossed, among ? 0 : 2);
        }
    }

    @Test
    public void whatLiesInABoxIsCountedFromItsCorner() {
        Region window = new Region("window", 1000, 200, 800, 600);
        Region whole = Region.of("in it", List.of(p(1100, 300), p(1300, 300), p(1200, 500)));
        assertTrue(window.holds(whole));
        Region cut = window.cut(whole).orElseThrow();
        assertEquals(cut.xMm(), 100.0);
        assertTrue(cut.contains(200, 150) && !cut.contains(110, 290));
        // part of it lies outside: the outline still says where it ends
        Region over = Region.of("over", List.of(p(900, 300), p(1300, 300), p(900, 500)));
        assertFalse(window.holds(over));
        Region left = window.cut(over).orElseThrow();
        assertEquals(left.xMm(), 0.0);
        assertEquals(left.widthMm(), 300.0);
        assertTrue(left.contains(20, 120) && !left.contains(280, 180));
        assertTrue(window.cut(new Region("beside", 100, 200, 900.5, 90)).isEmpty());
        SplittableRandom random = new SplittableRandom(9);
        for (int k = 0; k < 2000; k++) {
            double x = random.nextDouble(1000, 1800);
            double y = random.nextDouble(200, 800);
            assertEquals(over.contains(x, y), left.contains(x - 1000, y - 200), x + ", " + y);
        }
    }

    private static Point p(double x, double y) {
        return new Point(x, y);
    }
}
