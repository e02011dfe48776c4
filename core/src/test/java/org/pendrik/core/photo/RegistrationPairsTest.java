package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import org.testng.annotations.Test;

/**
 * Pairs that are of one side and pairs that are not, drawn by Java's own graphics. With {@code
 * -Dregistration.pairs=200} it tells the figures of the docs.
 */
public class RegistrationPairsTest {
    private static final int PAIRS = Integer.getInteger("registration.pairs", 18);

    /** Corners set by hand, pixels of 1600: what one is off by as a rule. */
    private static final double BY_HAND_PX = 3;

    private static Raster nothing(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double noise = new double[] {0, 2, 12, 50}[(int) (seed % 4)];
        int ground = random.nextInt(60, 200);
        Raster out = Raster.empty(DrawnCar.WIDTH, DrawnCar.HEIGHT);
        for (int i = 0; i < out.argb().length; i++) {
            int c = (int) Math.clamp(ground + noise * random.nextGaussian(), 0, 255);
            out.argb()[i] = Raster.OPAQUE | c << 16 | c << 8 | c;
        }
        return out;
    }

    /** How far the corners of the side come to lie from where they belong, the worst in pixels. */
    private static double off(Registration.Fit fit, AffineTransform one, AffineTransform two)
            throws NoninvertibleTransformException {
        double[] m = fit.onModel();
        double worst = 0;
        for (Point c : DrawnCar.corners()) {
            Point2D onCar = one.inverseTransform(new Point2D.Double(c.x(), c.y()), null);
            Point2D truth = two.transform(onCar, null);
            double u = m[0] * c.x() + m[1] * c.y() + m[2] - truth.getX();
            double v = m[3] * c.x() + m[4] * c.y() + m[5] - truth.getY();
            worst = Math.max(worst, Math.hypot(u, v));
        }
        return worst;
    }

    @Test
    public void sidesOfOneCarAreFoundAndLieWhereTheyBelong()
            throws NoninvertibleTransformException {
        int refused = 0;
        List<Double> off = new ArrayList<>();
        for (int i = 0; i < PAIRS; i++) {
            SplittableRandom random = new SplittableRandom(1000 + i);
            DrawnCar car = new DrawnCar(i, i % 3 == 2);
            AffineTransform one = DrawnCar.setByHand(BY_HAND_PX, random);
            AffineTransform two = DrawnCar.setByHand(i % 4 == 0 ? 0 : BY_HAND_PX, random);
            Raster prototype = car.side(random.nextDouble(), one, 2L * i);
            Raster model = car.side(i % 2 == 0 ? random.nextDouble() : 0, two, 2L * i + 1);
            Registration.Fit fit = Registration.find(prototype, model);
            if (fit.sure()) {
                off.add(off(fit, one, two));
            } else {
                refused++;
            }
        }
        Collections.sort(off);
        double worst = off.getLast();
        System.out.printf(
                "registration of %d sides: %d refused, median %.2f px off, 95 %% within %.2f, worst %.2f%n",
                PAIRS, refused, off.get(off.size() / 2), off.get(off.size() * 95 / 100), worst);
        assertTrue(refused <= PAIRS / 50, refused + " refused");
        assertTrue(off.get(off.size() / 2) < 0.5, off.toString());
        assertTrue(off.get(off.size() * 4 / 5) < 1 && worst < 3, off.toString());
    }

    @Test
    public void otherCarsAndPicturesOfNothingAreRefused() {
        List<String> wrong = new ArrayList<>();
        for (int i = 0; i < PAIRS; i++) {
            SplittableRandom random = new SplittableRandom(5000 + i);
            Raster side =
                    new DrawnCar(i, i % 3 == 2)
                            .side(
                                    random.nextDouble(),
                                    DrawnCar.setByHand(BY_HAND_PX, random),
                                    2L * i);
            Raster other =
                    i % 3 == 0
                            ? nothing(i / 3)
                            : new DrawnCar(10_000 + i, i % 2 == 0)
                                    .side(
                                            random.nextDouble(),
                                            DrawnCar.setByHand(BY_HAND_PX, random),
                                            2L * i + 1);
            if (Registration.find(side, other).sure()) {
                wrong.add(i % 3 == 0 ? "nothing " + i : "another car " + i);
            }
        }
        assertEquals(wrong, List.of());
    }
}
