package org.pendrik.core.measure;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class SpacingTest {
    private static final Sight H0 = new Sight(400, 87.1);

    /** 12 m with a streak every 0.6 m: 21 streaks, 6.9 mm apart in H0, all to be told apart. */
    @Test
    public void whatIsFarApartIsMadeAsItIs() {
        Spacing s = new Spacing(12_000, 600, H0);
        assertEquals(s.onPrototype(), 21);
        assertEquals(s.oneIn(), 1);
        assertEquals(s.onModel(), 21);
        assertEquals(s.modelMm(), 6.889, 1e-3);
    }

    /** One minute of arc at 400 mm is 0.116 mm, 10.1 mm in H0: a mark and a gap need 20.3 mm. */
    @Test
    public void whatRunsTogetherIsThinnedOut() {
        Spacing s = new Spacing(100, 8, H0);
        assertEquals(s.onPrototype(), 13);
        assertEquals(s.oneIn(), 3);
        assertEquals(s.onModel(), 5);
        assertEquals(s.modelMm(), 24 / 87.1, 1e-9);
    }

    @Test
    public void marksOnTheModelCanBeToldApart() {
        for (double apart = 0.5; apart < 40; apart += 0.37) {
            Spacing s = new Spacing(2000, apart, H0);
            assertEquals(s.modelMm() >= 2 * H0.smallestModelMm() - 1e-9, true, "apart " + apart);
            assertEquals(s.onModel() <= s.onPrototype(), true);
        }
    }

    @Test
    public void aSpacingLongerThanItsRowIsRefused() {
        assertThrows(InvalidInput.class, () -> new Spacing(100, 101, H0));
    }
}
