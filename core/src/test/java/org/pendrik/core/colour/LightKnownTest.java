package org.pendrik.core.colour;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Random;
import org.testng.annotations.Test;

/** What is left open of colours, held against colours under lights that are off by as much. */
public class LightKnownTest {
    private static final int LIGHTS = 4_000;

    /** X and Y of a colour times what the light adds to each, and what becomes of it. */
    private static double moved(Lab c, LightKnown by, Random random) {
        double level = 1 + by.levelSd() * random.nextGaussian();
        double[] f = new double[3];
        double y = (c.l() + 16) / 116;
        f[0] = y + c.a() / 500;
        f[1] = y;
        f[2] = y - c.b() / 200;
        for (int i = 0; i < 3; i++) {
            // green is what the level is taken by, so red and blue are off against it
            double own = i == 1 ? 1 : 1 + by.castSd() * random.nextGaussian();
            f[i] = Math.cbrt(Math.max(0, f[i] * f[i] * f[i] * level * own));
        }
        return c.distance(new Lab(116 * f[1] - 16, 500 * (f[0] - f[1]), 200 * (f[1] - f[2])));
    }

    @Test
    public void itIsAsWideAsTheLightsAreApart() {
        Random random = new Random(3);
        for (LightKnown by : LightKnown.values()) {
            for (Lab c :
                    new Lab[] {
                        new Lab(38, 27, 19),
                        new Lab(70, -3, 12),
                        new Lab(25, 0, 0),
                        new Lab(55, -20, 10)
                    }) {
                double squares = 0;
                for (int i = 0; i < LIGHTS; i++) {
                    squares += Math.pow(moved(c, by, random), 2);
                }
                double seen = Math.sqrt(squares / LIGHTS);
                assertEquals(by.opens(c), seen, 0.12 * seen + 1e-9, by + " on " + c);
            }
        }
    }

    @Test
    public void onlyWhatIsAsLightAsKnownTellsTheLevel() {
        assertTrue(LightKnown.LETTERING.levelTold());
        assertFalse(LightKnown.BALLAST.levelTold());
        assertFalse(GreyBalance.NONE.known().levelTold());
    }
}
