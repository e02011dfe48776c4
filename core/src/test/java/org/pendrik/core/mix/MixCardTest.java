package org.pendrik.core.mix;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.OptionalDouble;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class MixCardTest {
    @Test
    public void handWorkedCard() {
        // 4000 mm² × 12 µm = 0.048 ml dry; ÷ 0.3 ÷ 0.35 = 0.457 ml paint; with 1 part in 2 thinner
        // 0.686 ml: 10 and 5 drops
        MixCard c = MixCard.of(new MixCard.Coat(4000, 12, 2, 1, true));
        assertEquals(c.neededMillilitres(), 0.6857, 1e-3);
        assertEquals(c.paintDrops(), 10);
        assertEquals(c.thinnerDrops(), 5);
        assertEquals(c.millilitres(), 0.75, 1e-9);
    }

    @Test
    public void aFadeTakesADropOfPaint() {
        MixCard c = MixCard.of(new MixCard.Coat(4000, 1.5, 1, 20, true));
        assertTrue(c.paintDrops() <= 2, c.toString());
        assertEquals(c.realRatio(), 20.0);
    }

    @Test
    public void theRoundedCardAlwaysSuffices() {
        for (double area = 50; area < 50_000; area *= 1.7) {
            for (int thinner : new int[] {0, 1, 3, 9, 20}) {
                MixCard c = MixCard.of(new MixCard.Coat(area, 8, 2, thinner, thinner > 2));
                assertTrue(c.millilitres() >= c.neededMillilitres() - 0.026, c.toString());
                assertTrue(Math.abs(c.realRatio() - thinner / 2.0) <= 0.5 / c.paintDrops() + 1e-9);
            }
        }
    }

    @Test
    public void anAreaOfNothingIsRefused() {
        expectThrows(InvalidInput.class, () -> new MixCard.Coat(0, 8, 2, 1, true));
    }

    @Test
    public void aRecipeIsHelpedWholeSoThatItsColourStays() {
        // 0.457 ml of paint as above; one helping is 3 · 0.05 + 1 · 0.04 = 0.19 ml, so three of
        // them
        MixCard c =
                MixCard.of(
                        new MixCard.Coat(4000, 12, 2, 1, true),
                        List.of(
                                new MixCard.Portion("brown", 3, 0.05, OptionalDouble.of(0.4), 0.5),
                                new MixCard.Portion("black", 1, 0.04, OptionalDouble.of(9), 1)));
        assertEquals(c.measures().get(0).drops(), 9);
        assertEquals(c.measures().get(1).drops(), 3);
        // 0.57 ml of paint at 1 part in 2 is 0.285 ml of thinner: 5.7 drops, so 6
        assertEquals(c.thinnerDrops(), 6);
        assertEquals(c.millilitres(), 0.87, 1e-9);
        assertEquals(c.realRatio(), 0.3 / 0.57, 1e-9);
        assertEquals(c.cost(), 0.45 * 0.5 + 0.12 * 1, 1e-9);
        assertFalse(c.measures().get(0).enough(), "0.45 ml are not in a bottle with 0.4");
        assertTrue(c.measures().get(1).enough());
    }

    @Test
    public void aDropOfABottleIsWhatItIs() {
        // the same paint from a bottle that drips half drops: 0.457 ml are 19 of 0.025
        MixCard c =
                MixCard.of(
                        new MixCard.Coat(4000, 12, 2, 1, true),
                        List.of(new MixCard.Portion("brown", 1, 0.025, OptionalDouble.empty(), 0)));
        assertEquals(c.paintDrops(), 19);
        assertTrue(c.measures().getFirst().enough(), "nobody knows what is left");
    }
}
