package org.pendrik.app.sides;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

/** How marks are kept. */
public class MarksTest {
    @Test
    public void marksSurviveTheirTextForm() {
        var corners = new Marks.CornersHandler();
        var c = corners.read("1.5 2.0 3.0 4.25 5.0 6.0 7.0 8.0");
        assertEquals(corners.read(corners.write(c)), c);
        var known = new Marks.KnownPointsHandler();
        assertEquals(known.read("").points().size(), 0);
        var k = known.read("1.0 2.0 300.0 400.5");
        assertEquals(known.read(known.write(k)), k);
        var grey = new Marks.GreyPatchHandler();
        var g = grey.read("1.0 2.0 30.0 40.0 50.0");
        assertEquals(grey.read(grey.write(g)), g);
        assertTrue(
                expectThrows(InvalidInput.class, () -> new Marks.GreyPatch(1, 1, 2, 9, 50))
                        .getMessage()
                        .contains("Grey card (2 px)"));
    }
}
