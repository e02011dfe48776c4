package org.pendrik.core.paint;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import org.pendrik.core.colour.Lab;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class FadeTest {
    private static final Surface FLAT = Surface.of("flat");

    @Test
    public void fadesByWhatIsAskedForAndGetsPaler() {
        Lab red = new Lab(38, 33, 23);
        double before = 38;
        for (double by = 2; by <= 20; by += 2) {
            Fade.Faded f = Fade.of(red, FLAT, by);
            assertEquals(f.deltaE00(), by, 0.01);
            assertTrue(f.colour().l() > before && f.colour().chroma() < red.chroma());
            before = f.colour().l();
        }
        assertEquals(Fade.of(red, FLAT, 0).micrometres(), 0, 1e-6);
    }

    @Test
    public void whatIsChalkAlreadyFadesNoFurther() {
        Fade.Faded f = Fade.of(new Lab(90, 0, 5), FLAT, 10);
        assertTrue(f.deltaE00() < 1);
        assertThrows(InvalidInput.class, () -> Fade.of(new Lab(50, 0, 0), FLAT, -1));
    }
}
