package org.pendrik.core.mix;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class MixCardTest {
    @Test
    public void handWorkedCard() {
        // 4000 mm² × 12 µm = 0.048 ml dry; ÷ 0.3 ÷ 0.35 = 0.457 ml paint; with 1 part in 2 thinner
        // 0.686 ml: 10 and 5 drops
        MixCard c = MixCard.of(4000, 12, 2, 1, true);
        assertEquals(c.neededMillilitres(), 0.6857, 1e-3);
        assertEquals(c.paintDrops(), 10);
        assertEquals(c.thinnerDrops(), 5);
        assertEquals(c.millilitres(), 0.75, 1e-9);
    }

    @Test
    public void aFadeTakesADropOfPaint() {
        MixCard c = MixCard.of(4000, 1.5, 1, 20, true);
        assertTrue(c.paintDrops() <= 2, c.toString());
        assertEquals(c.realRatio(), 20.0);
    }

    @Test
    public void theRoundedCardAlwaysSuffices() {
        for (double area = 50; area < 50_000; area *= 1.7) {
            for (int thinner : new int[] {0, 1, 3, 9, 20}) {
                MixCard c = MixCard.of(area, 8, 2, thinner, thinner > 2);
                assertTrue(c.millilitres() >= c.neededMillilitres() - 0.026, c.toString());
                assertTrue(Math.abs(c.realRatio() - thinner / 2.0) <= 0.5 / c.paintDrops() + 1e-9);
            }
        }
    }

    @Test
    public void anAreaOfNothingIsRefused() {
        expectThrows(InvalidInput.class, () -> MixCard.of(0, 8, 2, 1, true));
    }
}
