package org.pendrik.core.paint;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a nearly black swatch may be taken to say. */
public class DarkPaintTest {
    private static final Surface FLAT = Surface.of("flat");
    private static final Paint WHITE = Paint.estimated(new Lab(96, 0, 2), FLAT, 0.97, 12);

    /** Ten dark earths, ten dark blues, ten dark greens. */
    private static final List<String> DARK =
            List.of(
                    "#3f2a20", "#2e1f18", "#4a2f22", "#352218", "#3b2b24", "#452a1d", "#2a1c17",
                    "#50362a", "#33261f", "#4b3a2c", "#1c2438", "#22304a", "#18202e", "#2a3550",
                    "#1f2b45", "#25303f", "#2b2f4d", "#1a2a3c", "#30405c", "#20283c", "#1f2e22",
                    "#26382a", "#1a2a20", "#2d3f2e", "#24342c", "#2f3b26", "#1d3028", "#33442f",
                    "#223a30", "#283020");

    @DataProvider
    public Object[][] surfaces() {
        return new Object[][] {{"flat"}, {"satin"}, {"gloss"}, {"dead flat"}};
    }

    private static Lab lab(String hex) {
        return Srgb.toLab(Integer.parseInt(hex.substring(1), 16));
    }

    private static double hue(Lab c) {
        return Math.toDegrees(Math.atan2(c.b(), c.a()));
    }

    private static double chroma(Lab c) {
        return Math.hypot(c.a(), c.b());
    }

    private static double turn(Lab a, Lab b) {
        double d = Math.abs(hue(a) - hue(b)) % 360;
        return Math.min(d, 360 - d);
    }

    @Test(dataProvider = "surfaces")
    public void tintsOfDarkPaintsKeepTheirHueAndDoNotFlareUp(String finish) {
        Surface surface = Surface.of(finish);
        List<String> faults = new ArrayList<>();
        for (String hex : DARK) {
            Lab own = lab(hex);
            Paint dark = Paint.estimated(own, surface, 0.95, 12);
            for (int white : new int[] {1, 2, 4, 8, 16, 32}) {
                Lab tint = tint(dark, white, surface);
                boolean turned = chroma(tint) > 5 && turn(own, tint) > 25;
                if (turned || chroma(tint) > 2 * chroma(own) + 15) {
                    faults.add(hex + " 1:" + white + " " + Srgb.toHex(tint));
                }
            }
        }
        assertTrue(faults.isEmpty(), faults.toString());
    }

    private static Lab tint(Paint dark, int white, Surface surface) {
        Paint mix = Paint.mix(List.of(new Paint.Part(dark, 1), new Paint.Part(WHITE, white)));
        return new Look(mix.masstone(), surface).lab(Light.D65);
    }

    @Test
    public void tintsGrowLighterAsWhiteIsAdded() {
        for (String hex : DARK) {
            Paint dark = Paint.estimated(lab(hex), FLAT, 0.95, 12);
            double last = -1;
            for (int white : new int[] {0, 1, 2, 4, 8, 16, 32}) {
                double l = tint(dark, white, FLAT).l();
                assertTrue(l > last, hex + " with " + white + " white");
                last = l;
            }
        }
    }

    @Test(dataProvider = "surfaces")
    public void aColourThatNothingHasGivesAPaintAllTheSame(String finish) {
        Surface surface = Surface.of(finish);
        for (double l : new double[] {0, 1, 5, 20, 60}) {
            for (double a : new double[] {-128, 0, 128}) {
                for (double b : new double[] {-128, 0, 128}) {
                    Lab own = new Lab(l, a, b);
                    assertTrue(surface.timesVeil(own) >= 0, own.toString());
                    Lab tint = tint(Paint.estimated(own, surface, 0.95, 12), 4, surface);
                    assertTrue(Double.isFinite(tint.l() + tint.a() + tint.b()), own.toString());
                }
            }
        }
    }

    /** Twice as light as its surface alone, a swatch says what the paint looks like. */
    @Test(dataProvider = "surfaces")
    public void aDarkSwatchClearOfItsVeilIsTheColourOfThePaint(String finish) {
        Surface surface = Surface.of(finish);
        int told = 0;
        for (String hex : DARK) {
            Lab own = lab(hex);
            if (surface.timesVeil(own) < 2) {
                continue;
            }
            told++;
            Paint p = Paint.estimated(own, surface, 0.95, 12);
            Lab seen = new Look(p.masstone(), surface).lab(Light.D65);
            assertTrue(ColourDifference.ciede2000(own, seen) < 0.1, hex + " seen as " + seen);
        }
        assertTrue(told > 0 || finish.endsWith("flat"), told + " of " + finish);
    }

    @Test
    public void aColourThatCanBeToldIsKept() {
        for (int l = 30; l <= 80; l += 5) {
            for (int a = -30; a <= 30; a += 15) {
                for (int b = -30; b <= 30; b += 15) {
                    Lab own = new Lab(l, a, b);
                    if (SpectrumFit.of(own).clamped() || TintSpan.isDarkerThanVeil(own, FLAT)) {
                        continue;
                    }
                    Paint p = Paint.estimated(own, FLAT, 0.95, 12);
                    Lab seen = new Look(p.masstone(), FLAT).lab(Light.D65);
                    double off = ColourDifference.ciede2000(own, seen);
                    boolean clear = l >= 40 || FLAT.timesVeil(own) >= RatioFit.CLEAR_OF_VEIL;
                    assertTrue(off < (clear ? 0.1 : 2.5), own + " seen as " + seen);
                }
            }
        }
    }

    @Test
    public void howMuchADarkColourSaysOfItsTintsIsSaid() {
        assertTrue(TintSpan.of(new Lab(60, 20, 30), FLAT).isEmpty());
        Lab brown = lab("#3f2a20");
        TintSpan span = TintSpan.of(brown, FLAT).orElseThrow();
        assertTrue(chroma(span.most()) > chroma(span.least()) + 3, span.toString());
        assertTrue(span.darkerThanVeil(), "no flat surface is as dark as L* " + brown.l());
        assertTrue(!TintSpan.of(brown, Surface.of("gloss")).orElseThrow().darkerThanVeil());
        assertTrue(chroma(span.most()) <= 2 * chroma(brown) + 15);
    }

    @Test
    public void littleHidingIsObeyed() {
        for (String hex : List.of("#3f2a20", "#1c2438", "#808080", "#f0f0e8")) {
            Lab own = lab(hex);
            for (double hiding : new double[] {0.01, 0.02, 0.05, 0.2, 0.5, 0.9, 0.99}) {
                Paint p = Paint.estimated(own, FLAT, hiding, 12);
                assertEquals(p.hiding(12), hiding, 1e-3, hex);
            }
        }
    }
}
