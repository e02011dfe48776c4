package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Arrays;
import java.util.List;
import org.pendrik.core.colour.GreyBalance;
import org.testng.annotations.Test;

public class UsableTest {
    private static final int W = 40;
    private static final int H = 20;
    private static final Region ALL = new Region("all", 0, 0, W, H);

    private static Raster grey() {
        Raster r = Raster.empty(W, H);
        Arrays.fill(r.argb(), Raster.OPAQUE | 0x808080);
        return r;
    }

    @Test
    public void aChannelAtItsEndIsClippedAndSoIsWhatItBloomsInto() {
        Raster r = grey();
        r.argb()[10 * W + 20] = Raster.OPAQUE | 0xfe4010;
        r.argb()[10 * W + 5] = Raster.OPAQUE;
        Usable u = Usable.of(r, 1, GreyBalance.NONE, List.of());
        for (int x : new int[] {5, 20}) {
            assertEquals(u.stateAt(x, 10), Usable.State.CLIPPED);
            assertEquals(u.stateAt(x + 2, 8), Usable.State.CLIPPED);
            assertEquals(u.stateAt(x + 3, 10), Usable.State.USABLE);
        }
        assertEquals(u.share(Usable.State.CLIPPED, ALL, 1), 2 * 25 / (double) (W * H), 1e-12);
    }

    @Test
    public void brighterThanWhiteIsGlareOnceACardTellsTheLevel() {
        Raster r = grey();
        r.argb()[10 * W + 20] = Raster.OPAQUE | 0xf0f0f0;
        assertTrue(Usable.of(r, 1, GreyBalance.NONE, List.of()).at(20, 10));
        // a card of L* 60 that is as dark as the side: light of which 0xf0 is more than white
        double level = Math.pow((0x80 / 255.0 + 0.055) / 1.055, 2.4);
        GreyBalance light = GreyBalance.of(level, level, level, 60);
        Usable u = Usable.of(r, 1, light, List.of());
        assertEquals(u.stateAt(20, 10), Usable.State.GLARE);
        assertEquals(u.stateAt(19, 11), Usable.State.GLARE);
        assertTrue(u.at(30, 10));
    }

    @Test
    public void whatLiesOutsideThePhotographCountsNowhere() {
        Raster r = grey();
        Arrays.fill(r.argb(), 0, 10 * W, 0);
        Region upper = new Region("upper", 0, 0, W, 12);
        Usable u = Usable.of(r, 1, GreyBalance.NONE, List.of(new Region("left", 0, 0, 10, H)));
        assertEquals(u.stateAt(3, 3), Usable.State.OUTSIDE, "leaving it out does not make it seen");
        assertEquals(u.stateAt(3, 15), Usable.State.EXCLUDED);
        assertEquals(u.share(Usable.State.EXCLUDED, upper, 1), 10.0 / W, 1e-12);
        assertEquals(u.share(Usable.State.EXCLUDED, new Region("sky", 0, 0, W, 8), 1), 0.0);
        assertFalse(u.at(3, 3));
    }

    @Test
    public void anOutlineLeavesOutOnlyWhatLiesInIt() {
        Region corner =
                Region.of("corner", List.of(new Point(0, 0), new Point(20, 0), new Point(0, 20)));
        Usable u = Usable.of(grey(), 1, GreyBalance.NONE, List.of(corner));
        assertFalse(u.at(2, 2));
        assertTrue(u.at(15, 15), "in the box of it, not in it");
    }
}
