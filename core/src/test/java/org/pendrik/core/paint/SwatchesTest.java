package org.pendrik.core.paint;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Paint.Part;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class SwatchesTest {
    private static final Surface FLAT = Surface.of("flat");
    private static final Reflectance BLACK = Reflectance.level(0.03);
    private static final Reflectance WHITE = Reflectance.level(0.8);

    private static Paint paint(SplittableRandom r) {
        double[] k = new double[Reflectance.BANDS];
        double[] s = new double[Reflectance.BANDS];
        for (int i = 0; i < k.length; i++) {
            k[i] = 0.002 + 0.3 * r.nextDouble();
            s[i] = 0.02 + 0.2 * r.nextDouble();
        }
        return Paint.of(k, s, Paint.Origin.GROUNDS);
    }

    /** A layer of a paint that is known, over two grounds, gives its K and S back. */
    @Test
    public void twoGroundsGiveBothConstants() {
        SplittableRandom r = new SplittableRandom(5);
        for (int trial = 0; trial < 40; trial++) {
            Paint p = paint(r);
            double um = 2 + 4 * r.nextDouble();
            Paint found =
                    Swatches.overGrounds(
                            BLACK,
                            WHITE,
                            FLAT.seen(p.over(BLACK, um)),
                            FLAT.seen(p.over(WHITE, um)),
                            FLAT,
                            um);
            for (int i = 0; i < Reflectance.BANDS; i++) {
                assertEquals(found.absorbs()[i], p.absorbs()[i], 1e-4 + 0.01 * p.absorbs()[i]);
                assertEquals(found.scatters()[i], p.scatters()[i], 1e-4 + 0.01 * p.scatters()[i]);
            }
            assertEquals(found.origin(), Paint.Origin.GROUNDS);
        }
    }

    @Test
    public void dilutionsGiveBothConstants() {
        SplittableRandom r = new SplittableRandom(6);
        Paint white = Paint.estimated(new Lab(95, 0, 2), FLAT, 0.9, 10);
        for (int trial = 0; trial < 40; trial++) {
            Paint p = paint(r);
            List<Swatches.Dilution> swatches =
                    List.of(1.0, 0.5, 0.1).stream()
                            .map(
                                    share ->
                                            new Swatches.Dilution(
                                                    share,
                                                    FLAT.seen(
                                                            Paint.mix(
                                                                            List.of(
                                                                                    new Part(
                                                                                            p,
                                                                                            share),
                                                                                    new Part(
                                                                                            white,
                                                                                            1
                                                                                                    - share)))
                                                                    .masstone())))
                            .toList();
            Paint found = Swatches.inDilutions(white, swatches, FLAT);
            for (int i = 0; i < Reflectance.BANDS; i++) {
                assertEquals(found.absorbs()[i], p.absorbs()[i], 1e-4 + 0.01 * p.absorbs()[i]);
                assertEquals(found.scatters()[i], p.scatters()[i], 1e-4 + 0.01 * p.scatters()[i]);
            }
        }
    }

    @Test
    public void mixedUpSwatchesAreRefused() {
        Paint p = Paint.estimated(new Lab(60, 10, 30), FLAT, 0.5, 10);
        assertThrows(
                InvalidInput.class,
                () ->
                        Swatches.overGrounds(
                                BLACK,
                                WHITE,
                                FLAT.seen(p.over(WHITE, 5)),
                                FLAT.seen(p.over(BLACK, 5)),
                                FLAT,
                                5));
        assertThrows(
                InvalidInput.class,
                () ->
                        Swatches.inDilutions(
                                p,
                                List.of(new Swatches.Dilution(1, Reflectance.level(0.3))),
                                FLAT));
    }

    /** A clear film: the ground shows through as it is, and no constant is made up. */
    @Test
    public void aClearLayerHasHardlyAnyK() {
        Paint found =
                Swatches.overGrounds(BLACK, WHITE, FLAT.seen(BLACK), FLAT.seen(WHITE), FLAT, 10);
        for (double k : found.absorbs()) {
            assertEquals(k, 0, 1e-3);
        }
    }
}
