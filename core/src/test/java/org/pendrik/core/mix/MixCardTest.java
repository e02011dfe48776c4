package org.pendrik.core.mix;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.OptionalDouble;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class MixCardTest {
    @Test
    public void handWorkedCard() {
        // 4000 mm² × 60 µm wet = 0.24 ml; ÷ 0.35 = 0.686 ml, of which two thirds are paint: 0.457
        // ml
        // are 10 drops, and 5 of thinner
        MixCard c = MixCard.of(new MixCard.Coat(4000, 60, 2, 1, true));
        assertEquals(c.neededMillilitres(), 0.6857, 1e-3);
        assertEquals(c.paintDrops(), 10);
        assertEquals(c.thinnerDrops(), 5);
        assertEquals(c.millilitres(), 0.75, 1e-9);
    }

    /** Drops of paint that a freight car in H0 takes, about 160 cm² in all, from practice. */
    @DataProvider
    public Object[][] practice() {
        return new Object[][] {
            {"mist-fade", Thickness.MIST, 1, 2},
            {"mist-fade", Thickness.LIGHT, 1, 3},
            {"mist-fade", Thickness.NORMAL, 1, 4},
            {"seal-satin", Thickness.LIGHT, 8, 20},
            {"final-flat", Thickness.LIGHT, 8, 20},
            {"base-coat", Thickness.NORMAL, 15, 35},
            {"prime", Thickness.LIGHT, 10, 20},
            {"soot", Thickness.LIGHT, 1, 3},
            {"airbrush-dust", Thickness.LIGHT, 1, 6},
            {"dirt-mist", Thickness.LIGHT, 1, 6},
            {"truck-tones", Thickness.LIGHT, 2, 10},
            {"grime-wash", Thickness.LIGHT, 1, 4},
            {"oil-wash", Thickness.LIGHT, 1, 4},
            {"sludge-wash", Thickness.LIGHT, 1, 2},
            {"pin-wash", Thickness.LIGHT, 1, 2},
            {"oil-streak", Thickness.LIGHT, 1, 2},
            {"dot-filter", Thickness.LIGHT, 1, 4},
            {"sponge-chip", Thickness.LIGHT, 1, 2},
            {"roof-rust", Thickness.NORMAL, 6, 15},
            {"stencil-graffiti", Thickness.LIGHT, 2, 8},
        };
    }

    @Test(dataProvider = "practice")
    public void aFreightCarTakesWhatItTakesAtTheBench(
            String technique, Thickness thickness, int least, int most) {
        Technique t = Catalogue.load().technique(technique);
        Material m = Catalogue.load().startingMaterial(t);
        Zone car =
                new Zone(
                        "car",
                        "car",
                        Substrate.FACTORY_FLAT,
                        false,
                        Substrate.UNKNOWN_COLOUR,
                        16_000,
                        false);
        Act act = Act.planned(new StepId("a"), t, m, thickness, List.of(car));
        MixCard c =
                MixCard.of(
                        new MixCard.Coat(
                                car.areaMm2() * t.share(),
                                act.wetMicrometres(),
                                m.mix().paintParts(),
                                m.mix().thinnerParts(),
                                t.booth()));
        assertTrue(c.paintDrops() >= least && c.paintDrops() <= most, c.toString());
        assertEquals(
                c.realRatio(),
                m.mix().thinnerParts() / m.mix().paintParts(),
                0.5 / c.paintDrops() + 1e-9);
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
                        new MixCard.Coat(4000, 60, 2, 1, true),
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
                        new MixCard.Coat(4000, 60, 2, 1, true),
                        List.of(new MixCard.Portion("brown", 1, 0.025, OptionalDouble.empty(), 0)));
        assertEquals(c.paintDrops(), 19);
        assertTrue(c.measures().getFirst().enough(), "nobody knows what is left");
    }
}
