package org.pendrik.core.units;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class UnitsTest {
    @Test
    public void feetAndInchesAreExact() {
        assertEquals(Length.ofFeetInches(10, 6).mm(), 3200.4, 1e-9);
        assertEquals(Length.ofMm(25.4).inches(), 1.0, 1e-12);
    }

    @Test
    public void scalesGoBothWaysWithoutDrift() {
        for (Scale s : Scale.COMMON) {
            Length l = Length.ofMm(9876.5);
            for (int i = 0; i < 100; i++) {
                l = s.toPrototype(s.toModel(l));
            }
            assertEquals(l.mm(), 9876.5, 1e-6, s.name());
        }
    }

    @Test
    public void aKnownRatioGetsItsName() {
        assertEquals(Scale.ofRatio(87.1).name(), "H0");
        assertEquals(Scale.ofRatio(50).name(), "1:50.0");
    }

    @DataProvider
    public Object[][] nonsense() {
        return new Object[][] {{-1.0}, {Double.NaN}, {Double.POSITIVE_INFINITY}};
    }

    @Test(dataProvider = "nonsense")
    public void aLengthIsANumberThatIsNotNegative(double mm) {
        var e = expectThrows(InvalidInput.class, () -> Length.ofMm(mm));
        assertEquals(e.field(), "Length");
    }

    @Test
    public void aRefusalNamesThingValueRuleAndRemedy() {
        var e = expectThrows(InvalidInput.class, () -> new Climate(20, 1.32));
        assertEquals(
                e.getMessage(),
                "Humidity (132 %) must be from 0 to 100 %. Read it off a hygrometer at the bench.");
    }
}
