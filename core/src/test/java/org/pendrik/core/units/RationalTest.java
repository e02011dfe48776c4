package org.pendrik.core.units;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class RationalTest {
    @DataProvider
    Object[][] numbers() {
        return new Object[][] {
            {"12", 12, 1},
            {"12.50", 25, 2},
            {"12,5", 25, 2},
            {"3/8", 3, 8},
            {"1 3/8", 11, 8},
            {"1-3/8", 11, 8},
            {"-1 1/2", -3, 2},
            {".5", 1, 2},
            {"87.1", 871, 10}
        };
    }

    @Test(dataProvider = "numbers")
    public void numbersAreReadExactly(String text, long above, long below) {
        assertEquals(Rational.parse("Number", text), Rational.of(above, below));
    }

    @Test
    public void whatIsNoNumberIsRefusedWithItsField() {
        for (String bad :
                List.of("", "x", "1/0", "1/-2", "1 2", "1 2 3/4", "1..2", "--1", "1e5", "NaN")) {
            InvalidInput e =
                    org.testng.Assert.expectThrows(
                            InvalidInput.class, () -> Rational.parse("Length", bad));
            assertEquals(e.field(), "Length");
        }
        assertThrows(InvalidInput.class, () -> Rational.parse("Length", "1".repeat(60)));
    }

    /** Lengths worked by hand. */
    @DataProvider
    Object[][] lengths() {
        return new Object[][] {
            {"8ft 6in", 12954, 5},
            {"8' 6 1/2\"", 26035, 10},
            {"40'", 12192, 1},
            {"3/8 in", 381, 40},
            {"10.5 m", 10500, 1},
            {"34", 34, 1},
            {"2 cm", 20, 1},
            {"6 feet", 9144, 5},
            {"7′ 3″", 11049, 5}
        };
    }

    @Test(dataProvider = "lengths")
    public void lengthsAreReadExactly(String text, long above, long below) {
        assertEquals(FeetInches.parse("Length", text), Rational.of(above, below));
    }

    @Test
    public void whatIsNoLengthIsRefused() {
        for (String bad : List.of("", "six feet", "6 ft 3", "6 in 3 ft", "- 4 mm", "4 km", "'")) {
            assertThrows(InvalidInput.class, () -> FeetInches.parse("Length", bad));
        }
    }

    @Test
    public void feetAndInchesAreWrittenToAFraction() {
        assertEquals(FeetInches.write(Rational.of(12954, 5), 16), "8′ 6″");
        assertEquals(FeetInches.write(FeetInches.parse("", "6 1/2 in"), 16), "6 1/2″");
        assertEquals(FeetInches.write(Rational.of(1), 64), "3/64″");
        assertEquals(FeetInches.write(Rational.ZERO, 8), "0″");
        assertEquals(FeetInches.write(FeetInches.parse("", "11 63/64 in"), 8), "1′ 0″");
    }

    /** There and back in every common scale, a thousand times, without drift. */
    @Test
    public void scalesDoNotDrift() {
        for (Scale scale : Scale.COMMON) {
            Rational ratio = Rational.of(scale.ratio());
            for (String text : List.of("40ft", "8ft 6 3/8in", "12345.678 mm", "1/64 in")) {
                Rational start = FeetInches.parse("Length", text);
                Rational at = start;
                for (int i = 0; i < 1000; i++) {
                    at = at.over(ratio).times(ratio);
                }
                assertEquals(at, start, scale.name());
            }
        }
        assertEquals(
                FeetInches.parse("", "40ft").over(Rational.of(87.1)), Rational.of(121920, 871));
    }

    @Test
    public void arithmeticIsThatOfFractions() {
        SplittableRandom r = new SplittableRandom(1);
        for (int i = 0; i < 1000; i++) {
            Rational a = Rational.of(r.nextLong(-999, 999), r.nextLong(1, 99));
            Rational b = Rational.of(r.nextLong(1, 999), r.nextLong(1, 99));
            assertEquals(a.plus(b).minus(b), a);
            assertEquals(a.times(b).over(b), a);
            assertEquals(a.plus(b).value(), a.value() + b.value(), 1e-9);
            Rational step = Rational.of(1, 16);
            Rational near = a.nearest(step);
            assertTrue(Math.abs(near.minus(a).value()) <= 1 / 32.0 + 1e-12);
            assertTrue(a.floor() <= a.value() && a.floor() + 1 > a.value());
            assertEquals(Integer.signum(a.compareTo(b)), Double.compare(a.value(), b.value()));
        }
        assertEquals(Rational.of(1, 3).decimals(3), "0.333");
        assertEquals(Rational.of(100).decimals(2), "100");
    }

    @Test
    public void aCommaThatCouldPartThousandsIsAskedAbout() {
        for (String text : List.of("1,000", "12,125", "999,999")) {
            InvalidInput e = expectThrows(InvalidInput.class, () -> Rational.parse("Length", text));
            assertTrue(e.getMessage().contains("read in two ways"), e.getMessage());
        }
        assertEquals(Rational.parse("Length", "0,125"), Rational.of(1, 8));
        assertEquals(Rational.parse("Length", "12,5"), Rational.of(25, 2));
    }

    @Test
    public void aScaleMayBeWrittenAsTheRatioThatItIs() {
        for (String text : List.of("87.1", "1:87.1", "1 : 87,1", "1/87.1")) {
            assertEquals(Scale.parseRatio(text), Rational.of(871, 10), text);
        }
    }
}
