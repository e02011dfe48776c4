package org.pendrik.core.paint;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import org.pendrik.core.colour.Lab;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class LightTest {
    /** Tristimulus values of the lights, CIE 15:2004, table T.3, 2° observer. */
    @DataProvider
    Object[][] whites() {
        return new Object[][] {
            {Light.D65, 95.04, 108.88},
            {Light.D50, 96.42, 82.51},
            {Light.A, 109.85, 35.58}
        };
    }

    @Test(dataProvider = "whites")
    public void whitesAreThePublishedOnes(Light light, double x, double z) {
        double[] white = light.white();
        assertEquals(100 * white[0], x, 0.005);
        assertEquals(white[1], 1, 1e-12);
        assertEquals(100 * white[2], z, 0.005);
    }

    /** Chromaticities of LED-B1 and LED-B5, CIE 15:2018. */
    @DataProvider
    Object[][] leds() {
        return new Object[][] {{Light.LED_WARM, 0.4560, 0.4078}, {Light.LED_COOL, 0.3118, 0.3236}};
    }

    @Test(dataProvider = "leds")
    public void lampsHaveTheChromaticityTheyStandFor(Light light, double x, double y) {
        double[] w = light.white();
        double sum = w[0] + w[1] + w[2];
        assertEquals(w[0] / sum, x, 0.001);
        assertEquals(w[1] / sum, y, 0.001);
    }

    @Test
    public void weightsSumToTheWhite() {
        for (Light light : Light.values()) {
            double[] level = light.xyz(Reflectance.level(1));
            double[] white = light.white();
            for (int i = 0; i < 3; i++) {
                assertEquals(level[i], white[i], 1e-12);
            }
            Lab grey = light.lab(Reflectance.level(0.184));
            assertEquals(grey.l(), 49.98, 0.02);
            assertEquals(grey.chroma(), 0, 1e-9);
            assertEquals(light.xyz(new Lab(100, 0, 0))[2], white[2], 1e-12);
        }
    }

    @Test
    public void reflectancesOutOfBoundsAreRefused() {
        assertThrows(IllegalArgumentException.class, () -> Reflectance.level(1.01));
        assertThrows(IllegalArgumentException.class, () -> Reflectance.of(0.5));
        double[] bad = Reflectance.level(0.2).values();
        bad[7] = Double.NaN;
        assertThrows(IllegalArgumentException.class, () -> Reflectance.of(bad));
    }

    @Test
    public void whatMatchesUnderOneLightPartsUnderAnother() {
        Reflectance smooth = SpectrumFit.of(new Lab(50, 10, 20)).reflectance();
        assertEquals(Metamerism.index(smooth, smooth, Light.D65, Light.A), 0, 1e-9);
        double[] bumpy = smooth.values();
        bumpy[22] = 0;
        bumpy[25] = 0.9;
        Reflectance other = Reflectance.of(bumpy);
        assertTrue(Metamerism.index(smooth, other, Light.D65, Light.A) > 1);
        assertEquals(Metamerism.index(smooth, other, Light.D65, Light.D65), 0, 1e-9);
    }
}
