package org.pendrik.core.paint;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Paint.Part;
import org.testng.annotations.Test;

public class PaintTest {
    private static final Surface FLAT = Surface.of("flat");

    private static Paint paint(double l, double a, double b) {
        return Paint.estimated(new Lab(l, a, b), FLAT, 0.95, 10);
    }

    private static Lab mixed(Paint one, double o, Paint two, double t) {
        Paint mix = Paint.mix(List.of(new Part(one, o), new Part(two, t)));
        return new Look(mix.masstone(), FLAT).lab(Light.D65);
    }

    @Test
    public void aPaintLooksAsItsSwatch() {
        for (Lab lab : List.of(new Lab(60, 20, 30), new Lab(25, 5, -8), new Lab(90, 0, 4))) {
            Paint p = Paint.estimated(lab, FLAT, 0.95, 10);
            Lab seen = new Look(p.masstone(), FLAT).lab(Light.D65);
            assertTrue(ColourDifference.ciede2000(lab, seen) < 0.1, lab + " is seen as " + seen);
            assertEquals(p.hiding(10), 0.95, 1e-6);
        }
    }

    /** What averaging pixels gets wrong. */
    @Test
    public void blueAndYellowGiveGreen() {
        Lab green = mixed(paint(35, 5, -40), 1, paint(80, 2, 75), 2);
        assertTrue(green.a() < -10, "not green: " + green);
        Lab mean = new Lab(35, 5, -40).towards(new Lab(80, 2, 75), 2 / 3.0);
        assertTrue(mean.a() > -1, "the average of the swatches is no green");
    }

    @Test
    public void blackAndYellowGiveOlive() {
        Lab olive = mixed(paint(80, 2, 75), 9, paint(20, 0, 0), 1);
        assertTrue(olive.a() < -3 && olive.b() > 15, "not olive: " + olive);
    }

    @Test
    public void whiteMakesThingsBluerAsWellAsLighter() {
        Paint white = paint(95, 0, 2);
        Lab grey = mixed(white, 4, paint(15, 0, 0), 1);
        assertTrue(grey.b() < -1.5, "black in white is bluish: " + grey);
        for (Lab lab : List.of(new Lab(38, 50, 32), new Lab(32, 14, 22), new Lab(55, 8, 45))) {
            Lab tint = mixed(paint(lab.l(), lab.a(), lab.b()), 1, white, 3);
            Paint level = Paint.of(level(white.absorbs(), white), level(white), white.origin());
            Lab without = mixed(paint(lab.l(), lab.a(), lab.b()), 1, level, 3);
            assertTrue(tint.l() > lab.l() + 10);
            assertTrue(tint.b() < without.b() - 1, lab + ": " + tint + " against " + without);
        }
    }

    /** The S of a paint, levelled. */
    private static double[] level(Paint p) {
        double[] s = new double[Reflectance.BANDS];
        java.util.Arrays.fill(s, java.util.Arrays.stream(p.scatters()).average().orElseThrow());
        return s;
    }

    /** The K that keeps the masstone when S is levelled. */
    private static double[] level(double[] k, Paint p) {
        double[] s = p.scatters();
        double[] flat = level(p);
        for (int i = 0; i < k.length; i++) {
            k[i] *= flat[i] / s[i];
        }
        return k;
    }

    @Test
    public void limitsOfTheFilmHold() {
        SplittableRandom random = new SplittableRandom(11);
        for (int trial = 0; trial < 500; trial++) {
            double k = random.nextDouble() * 3;
            double s = 0.001 + random.nextDouble() * 3;
            double base = random.nextDouble();
            assertEquals(KubelkaMunk.over(base, k, s, 0), base, 1e-12);
            assertEquals(KubelkaMunk.over(base, k, s, 1e6), KubelkaMunk.masstone(k / s), 1e-9);
            double before = 2;
            for (double x = 0; x < 20; x += 0.5) {
                double gap = KubelkaMunk.over(1, k, s, x) - KubelkaMunk.over(0, k, s, x);
                assertTrue(gap <= before + 1e-12, "hiding falls at " + x);
                before = gap;
            }
            assertEquals(KubelkaMunk.ratio(KubelkaMunk.masstone(k / s)), k / s, 1e-6 * (1 + k / s));
        }
    }

    /** A film laid in two goes is the film laid in one. */
    @Test
    public void filmsAddUp() {
        double base = 0.3;
        double twice = KubelkaMunk.over(KubelkaMunk.over(base, 0.2, 0.4, 1.5), 0.2, 0.4, 2.5);
        assertEquals(twice, KubelkaMunk.over(base, 0.2, 0.4, 4), 1e-12);
        assertEquals(KubelkaMunk.over(base, 0.2, 0, 2), base * Math.exp(-0.8), 1e-12);
        assertEquals(KubelkaMunk.over(base, 0, 0.5, 2), 1 / 1.7, 1e-9);
    }

    @Test
    public void surfacesTakeOffWhatTheyPutOn() {
        for (String name : List.of("gloss", "semi-gloss", "satin", "flat", "powder")) {
            Surface s = Surface.of(name);
            for (double r = 0.001; r < 0.99; r += 0.01) {
                assertEquals(s.inside(s.seen(r)), r, 1e-12);
            }
        }
        assertThrows(IllegalArgumentException.class, () -> Surface.of("velvet"));
    }

    @Test
    public void glossDeepensAndMattePales() {
        Look dark = Look.of(new Lab(30, 20, 10), Surface.of("satin"));
        Lab gloss = dark.under(Surface.of("gloss")).lab(Light.D65);
        Lab flat = dark.under(FLAT).lab(Light.D65);
        assertTrue(gloss.l() < 30 && flat.l() > 30);
        assertTrue(gloss.chroma() > flat.chroma());
    }

    @Test
    public void aThinFilmOfWhiteFades() {
        Look base = Look.of(new Lab(35, 30, 20), FLAT);
        Paint white = paint(94, 0, 3);
        double before = 0;
        for (double um = 0; um < 12; um += 1) {
            Lab c = base.coated(white, um, 1).lab(Light.D65);
            double faded = ColourDifference.ciede2000(new Lab(35, 30, 20), c);
            assertTrue(faded >= before - 1e-9 && c.l() >= 35 - 0.1);
            before = faded;
        }
        assertTrue(before > 20);
    }
}
