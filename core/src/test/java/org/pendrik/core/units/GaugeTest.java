package org.pendrik.core.units;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class GaugeTest {
    @DataProvider
    public Object[][] known() {
        return new Object[][] {
            {Gauge.PSI, 20, 1.37895},
            {Gauge.BAR, 1, 14.50377},
            {Gauge.FAHRENHEIT, 212, 100},
            {Gauge.FAHRENHEIT, -40, -40},
            {Gauge.CELSIUS, 21, 69.8}
        };
    }

    @Test(dataProvider = "known")
    public void knownPairs(Gauge from, double value, double other) {
        assertEquals(from.toOther(value), other, 1e-5);
        assertEquals(from.other().toOther(other), value, 1e-4, "and back");
    }

    @Test
    public void bothWaysComeToTheSame() {
        for (Gauge g : Gauge.values()) {
            for (double v = 0; v < 60; v += 0.7) {
                assertEquals(g.other().toOther(g.toOther(v)), v, 1e-9);
            }
        }
    }

    @Test
    public void aNegativePressureIsRefused() {
        assertThrows(InvalidInput.class, () -> Gauge.PSI.toOther(-1));
        assertThrows(InvalidInput.class, () -> Gauge.BAR.toOther(Double.NaN));
    }
}
