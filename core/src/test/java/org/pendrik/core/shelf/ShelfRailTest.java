package org.pendrik.core.shelf;

import static org.testng.Assert.assertEquals;

import java.util.Optional;
import org.pendrik.core.colour.Lab;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Where bottles stand. */
public class ShelfRailTest {
    @DataProvider
    public Object[][] colours() {
        return new Object[][] {
            {60, 30, ShelfRail.REDS},
            {30, -5, ShelfRail.REDS},
            {20, 35, ShelfRail.ORANGES},
            {5, 40, ShelfRail.YELLOWS},
            {-20, 15, ShelfRail.GREENS},
            {-5, -30, ShelfRail.BLUES},
            {20, -20, ShelfRail.VIOLETS},
            {3, 4, ShelfRail.GREYS},
        };
    }

    @Test(dataProvider = "colours")
    public void aBottleStandsWithItsHue(double a, double b, ShelfRail rail) {
        assertEquals(ShelfRail.of(Optional.of(new Lab(40, a, b))), rail);
    }

    @Test
    public void whatHasNoColourStandsLast() {
        assertEquals(ShelfRail.of(Optional.empty()), ShelfRail.WITHOUT_COLOUR);
    }
}
