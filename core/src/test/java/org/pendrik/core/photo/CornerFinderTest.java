package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class CornerFinderTest {
    private static final int W = 900;
    private static final int H = 600;

    /** A quadrilateral of one colour before a ground of another, both uneven. */
    private static Raster photograph(List<Point> corners, int side, int ground) {
        SplittableRandom random = new SplittableRandom(2);
        Region area = Region.of("side", corners);
        Raster r = Raster.empty(W, H);
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                double share = 0;
                for (int k = 0; k < 64; k++) {
                    // over two pixels each way: no lens is sharper
                    double u = x - 0.4 + (k & 7) * 0.25;
                    double v0 = y - 0.4 + (k >> 3) * 0.25;
                    share += area.contains(u, v0) ? 1 : 0;
                }
                int n = random.nextInt(-9, 10);
                int v = 0;
                for (int shift = 16; shift >= 0; shift -= 8) {
                    double mixed =
                            (ground >> shift & 255)
                                    + share
                                            / 64
                                            * ((side >> shift & 255) - (ground >> shift & 255));
                    v |= Math.clamp(Math.round(mixed) + n, 1, 250) << shift;
                }
                r.argb()[y * W + x] = Raster.OPAQUE | v;
            }
        }
        return r;
    }

    @DataProvider
    public Object[][] sides() {
        return new Object[][] {
            {"square on", List.of(p(150, 170), p(740, 170), p(740, 430), p(150, 430))},
            {"from the left", List.of(p(140, 110), p(780, 190), p(770, 420), p(160, 500))},
            {"held askew", List.of(p(130, 150), p(740, 200), p(725, 450), p(118, 400))},
        };
    }

    private static Point p(double x, double y) {
        return new Point(x, y);
    }

    @Test(dataProvider = "sides")
    public void cornersOfWhatStandsOutAreNearEnoughToBeDragged(String how, List<Point> corners) {
        var found =
                (CornerFinder.Outcome.Proposed)
                        CornerFinder.propose(photograph(corners, 0x3c5a46, 0xb4a890));
        for (int i = 0; i < 4; i++) {
            double off = found.corners().get(i).distance(corners.get(i));
            assertTrue(off < 26, how + ": corner " + i + " is " + off + " px off: " + found);
        }
    }

    @Test
    public void whereNothingStandsOutItSaysSo() {
        List<Point> any = List.of(p(150, 170), p(740, 170), p(740, 430), p(150, 430));
        assertTrue(
                CornerFinder.propose(photograph(any, 0xb4a890, 0xb4a890))
                        instanceof CornerFinder.Outcome.Nothing);
        // a side that runs out of the picture has no corners in it
        List<Point> everywhere = List.of(p(0, 0), p(900, 0), p(900, 560), p(0, 590));
        assertTrue(
                CornerFinder.propose(photograph(everywhere, 0x3c5a46, 0xb4a890))
                        instanceof CornerFinder.Outcome.Nothing);
        var tiny = (CornerFinder.Outcome.Nothing) CornerFinder.propose(Raster.empty(10, 10));
        assertEquals(tiny.remedy(), "Set the four corners by hand.");
    }
}
