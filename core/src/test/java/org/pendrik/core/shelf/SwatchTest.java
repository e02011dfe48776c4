package org.pendrik.core.shelf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

/** What swatches say of a bottle. */
public class SwatchTest {
    private static final Surface FLAT = Surface.of("flat");
    private static final Lab OXIDE = new Lab(38, 28, 24);
    private static final Lab TITANIUM = new Lab(95, -0.5, 2);

    private static Bottle bottle(Optional<Lab> colour, List<Swatch> swatches) {
        Bottle b = ShelfFilesTest.bottle("oxide", OXIDE);
        return BottleBuilder.builder(b).colour(colour).swatches(swatches).build();
    }

    private static Lab over(Paint p, double ground) {
        return Light.D65.lab(FLAT.seen(p.over(Reflectance.level(ground), 10)));
    }

    /** A paint that hides half is not taken for one that hides as paints usually do. */
    @Test
    public void twoGroundsTellHowMuchItHides() {
        for (double hides : new double[] {0.3, 0.6, 0.9}) {
            Paint real = Paint.estimated(OXIDE, FLAT, hides, 10);
            Bottle b =
                    bottle(
                            Optional.of(OXIDE),
                            List.of(
                                    new Swatch(Swatch.Ground.BLACK, 1, over(real, 0.02)),
                                    new Swatch(Swatch.Ground.WHITE, 1, over(real, 0.85))));
            assertEquals(b.paint().origin(), Paint.Origin.GROUNDS);
            assertEquals(b.paint().hiding(10), hides, 0.05);
            Lab full = Light.D65.lab(FLAT.seen(b.paint().masstone()));
            assertTrue(ColourDifference.ciede2000(full, OXIDE) < 0.1, hides + ": " + full);
        }
    }

    /** A paint that tints weakly is found out by its tint. */
    @Test
    public void aLetDownTellsHowStronglyItTints() {
        Paint white = Paint.estimated(TITANIUM, FLAT, 0.9, 10);
        Paint real = Paint.estimated(OXIDE, FLAT, 0.5, 10);
        Lab tint = tint(real, white);
        Bottle b =
                bottle(Optional.of(OXIDE), List.of(new Swatch(Swatch.Ground.LET_DOWN, 0.1, tint)));
        assertEquals(b.paint().origin(), Paint.Origin.DILUTIONS);
        assertTrue(ColourDifference.ciede2000(tint(b.paint(), white), tint) < 0.6);
        Lab guess = tint(bottle(Optional.of(OXIDE), List.of()).paint(), white);
        assertTrue(ColourDifference.ciede2000(guess, tint) > 3, "a guess is as good");
        Lab full = Light.D65.lab(FLAT.seen(b.paint().masstone()));
        assertTrue(ColourDifference.ciede2000(full, OXIDE) < 0.6, full.toString());
    }

    private static Lab tint(Paint p, Paint white) {
        Paint mix = Paint.mix(List.of(new Paint.Part(p, 0.1), new Paint.Part(white, 0.9)));
        return Light.D65.lab(FLAT.seen(mix.masstone()));
    }

    @Test
    public void oneGroundAloneTellsNothing() {
        Swatch one = new Swatch(Swatch.Ground.BLACK, 1, new Lab(30, 20, 15));
        Bottle b = bottle(Optional.of(OXIDE), List.of(one));
        assertEquals(b.paint().origin(), Paint.Origin.ESTIMATED);
    }

    @Test
    public void whatCannotBeIsRefusedWithTheReason() {
        Swatch dark = new Swatch(Swatch.Ground.WHITE, 1, new Lab(30, 20, 15));
        Swatch light = new Swatch(Swatch.Ground.BLACK, 1, new Lab(60, 20, 15));
        InvalidInput mixedUp =
                expectThrows(
                        InvalidInput.class, () -> bottle(Optional.of(OXIDE), List.of(dark, light)));
        assertEquals(mixedUp.remedy(), "See whether the two were mixed up.");
        expectThrows(InvalidInput.class, () -> bottle(Optional.empty(), List.of(dark)));
        expectThrows(InvalidInput.class, () -> new Swatch(Swatch.Ground.LET_DOWN, 1.2, OXIDE));
        for (String bad : List.of("over black", "over blue 1 2 3", "x % 1 2 3", "10 % 1 2 red")) {
            InvalidInput e = expectThrows(InvalidInput.class, () -> Swatch.read(bad));
            assertEquals(e.field(), "Swatches", bad);
        }
    }

    @Test
    public void asTextTheyReadBackAsTheyWere() {
        List<Swatch> all =
                List.of(
                        new Swatch(Swatch.Ground.BLACK, 1, new Lab(30.123456789, -1, 2)),
                        new Swatch(Swatch.Ground.WHITE, 1, new Lab(60, 0, 3)),
                        new Swatch(Swatch.Ground.LET_DOWN, 0.07, new Lab(80, 1.5, -2)));
        assertEquals(Swatch.read(Swatch.write(all)), all);
        assertEquals(Swatch.read(""), List.of());
    }
}
