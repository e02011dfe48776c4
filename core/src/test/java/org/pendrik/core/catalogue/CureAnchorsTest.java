package org.pendrik.core.catalogue;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The curve of cure against its definition. */
public class CureAnchorsTest {
    private static final CureAnchors OIL = new CureAnchors(360, 1440, 3600, 14_400);

    @Test
    public void theAnchorsHaveTheirValues() {
        assertEquals(OIL.fraction(-5), 0.0);
        assertEquals(OIL.fraction(0), 0.0);
        assertEquals(OIL.fraction(360), 0.30, 1e-12);
        assertEquals(OIL.fraction(1440), 0.50, 1e-12);
        assertEquals(OIL.fraction(3600), 0.70, 1e-12);
        assertEquals(OIL.fraction(14_400), 0.98, 1e-12);
    }

    @Test
    public void betweenAnchorsItIsLinearInTheLogarithmOfTime() {
        // halfway between log 361 and log 1441 lies the root of their product
        double middle = Math.sqrt(361.0 * 1441.0) - 1;
        assertEquals(OIL.fraction(middle), 0.40, 1e-12);
    }

    @Test
    public void itGrowsWithoutJumpsAndNeverReachesOne() {
        double last = 0;
        for (double t = 0.1; t < 1e7; t *= 1.01) {
            double q = OIL.fraction(t);
            assertTrue(q > last && q < 1, "at " + t);
            assertTrue(q - last < 0.02, "a jump at " + t);
            last = q;
        }
        assertTrue(last > 0.999);
    }

    @Test
    public void beyondTheLastAnchorWhatIsMissingHalvesAsTimeDoubles() {
        double missing = 1 - OIL.fraction(14_400);
        assertEquals(1 - OIL.fraction(2 * 14_401 - 1), missing / 2, 1e-12);
    }

    /** Times that do not grow, or that no coat takes. */
    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {
            {0, 10, 20, 30},
            {-1, 10, 20, 30},
            {10, 10, 20, 30},
            {10, 9, 20, 30},
            {10, 20, 20, 30},
            {10, 20, 30, 30},
            {Double.NaN, 20, 30, 40},
            {10, 20, 30, Double.NaN},
            {10, 20, 30, Double.POSITIVE_INFINITY},
            {10, 20, 30, 6e6},
        };
    }

    @Test(dataProvider = "nonsense")
    public void timesThatDoNotGrowAreRefused(
            Number touch, Number handle, Number recoat, Number full) {
        assertThrows(
                IllegalArgumentException.class,
                () ->
                        new CureAnchors(
                                touch.doubleValue(),
                                handle.doubleValue(),
                                recoat.doubleValue(),
                                full.doubleValue()));
    }
}
