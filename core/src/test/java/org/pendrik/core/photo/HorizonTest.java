package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.pendrik.core.units.Length;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Where a photograph still shows the plane of a side, and where it cannot. */
public class HorizonTest {
    private static SideGeometry seen(List<Point> corners) {
        var found = SideRectifier.locate(corners, List.of(), Length.ofMm(2000), Length.ofMm(1000));
        return ((SideRectifier.Outcome.Found) found).geometry();
    }

    /** Sides that shrink to the right and to the left; the horizon lies where their edges meet. */
    @DataProvider
    public Object[][] slanted() {
        return new Object[][] {
            {
                List.of(new Point(0, 0), new Point(100, 20), new Point(100, 60), new Point(0, 80)),
                199.0,
                201.0
            },
            {
                List.of(
                        new Point(300, 20),
                        new Point(400, 0),
                        new Point(400, 80),
                        new Point(300, 60)),
                201.0,
                199.0
            },
        };
    }

    @Test(dataProvider = "slanted")
    public void thePlaneIsSeenUpToItsHorizonAndNoFurther(
            List<Point> corners, double before, double beyond) {
        SideGeometry g = seen(corners);
        corners.forEach(c -> assertTrue(g.seesPlaneAt(c), c.toString()));
        assertTrue(g.seesPlaneAt(new Point(before, 40)));
        assertFalse(g.seesPlaneAt(new Point(200, 40)));
        assertFalse(g.seesPlaneAt(new Point(beyond, 40)));
    }

    @Test(dataProvider = "slanted")
    public void whatIsSeenGoesToTheSideAndBack(List<Point> corners, double before, double beyond) {
        SideGeometry g = seen(corners);
        for (Point side : List.of(new Point(0, 0), new Point(700, 300), new Point(2000, 1000))) {
            Point photo = g.toPhoto(side);
            assertTrue(g.seesPlaneAt(photo));
            assertEquals(g.toSide(photo).distance(side), 0, 1e-6);
        }
    }

    @Test
    public void aSideSeenSquarelyHasNoHorizon() {
        SideGeometry g =
                seen(
                        List.of(
                                new Point(0, 0),
                                new Point(100, 0),
                                new Point(100, 50),
                                new Point(0, 50)));
        assertTrue(g.seesPlaneAt(new Point(-1e5, 1e5)));
        assertTrue(g.seesPlaneAt(new Point(1e5, -1e5)));
    }
}
