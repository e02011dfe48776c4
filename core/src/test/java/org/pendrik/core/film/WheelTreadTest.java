package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class WheelTreadTest {
    /** A wheel of 33 inches in H0 is 9.62 mm, 30.2 mm around. */
    @Test
    public void aStripGoesAroundAndLaps() {
        WheelTread t = new WheelTread(33 * 25.4 / 87.1, 1.3);
        assertEquals(t.aroundMm(), 30.23, 0.01);
        assertEquals(t.stripMm(), 31.23, 0.01);
    }

    @Test
    public void aTreadWiderThanItsWheelIsRefused() {
        assertThrows(InvalidInput.class, () -> new WheelTread(5, 6));
    }
}
