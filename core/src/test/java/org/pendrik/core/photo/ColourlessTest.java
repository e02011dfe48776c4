package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;

import java.util.SplittableRandom;
import java.util.function.IntBinaryOperator;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What tells lightness alone is known from what has colours, however few. */
public class ColourlessTest {
    private static final int WIDTH = 640;
    private static final int HEIGHT = 400;

    /** A picture of light and dark patches with a grain, as light as a side, a yard and a sky. */
    private static double lightness(int x, int y, SplittableRandom random) {
        double sky = y < HEIGHT / 3 ? 75 + 10.0 * x / WIDTH : 0;
        double side = y >= HEIGHT / 3 && y < 3 * HEIGHT / 4 ? 35 + 8 * Math.sin(x / 23.0) : 0;
        double yard = y >= 3 * HEIGHT / 4 ? 20 + 25 * Math.abs(Math.sin(x * y / 900.0)) : 0;
        return Math.clamp(sky + side + yard + random.nextDouble(-6, 6), 1, 99);
    }

    private static Raster picture(IntBinaryOperator pixel) {
        int[] argb = new int[WIDTH * HEIGHT];
        for (int i = 0; i < argb.length; i++) {
            argb[i] = Raster.OPAQUE | pixel.applyAsInt(i % WIDTH, i / WIDTH);
        }
        return new Raster(WIDTH, HEIGHT, argb);
    }

    /** A print toned in one hue: nothing in the darkest and the lightest, most between. */
    private static Raster toned(double strength, double hueDegrees, double noise) {
        SplittableRandom random = new SplittableRandom(3);
        return picture(
                (x, y) -> {
                    double l = lightness(x, y, random);
                    double c = strength * 4 * l * (100 - l) / 10_000;
                    double h = Math.toRadians(hueDegrees);
                    return Srgb.toPixel(
                            new Lab(
                                    l,
                                    c * Math.cos(h) + noise * random.nextDouble(-1, 1),
                                    c * Math.sin(h) + noise * random.nextDouble(-1, 1)));
                });
    }

    /** A photograph in which a share of the side has this colour; the rest is grey paint. */
    private static Raster coloured(double share, double a, double b, double noise) {
        SplittableRandom random = new SplittableRandom(5);
        return picture(
                (x, y) -> {
                    double l = lightness(x, y, random);
                    boolean there = x < share * WIDTH;
                    return Srgb.toPixel(
                            new Lab(
                                    l,
                                    (there ? a : 0.5) + noise * random.nextDouble(-1, 1),
                                    (there ? b : 1.5) + noise * random.nextDouble(-1, 1)));
                });
    }

    @DataProvider
    public Object[][] pictures() {
        return new Object[][] {
            {"black and white", toned(0, 0, 0), true},
            {"a warm print", toned(6, 80, 0.8), true},
            {"a sepia print", toned(22, 72, 1.2), true},
            {"a blue print", toned(18, 270, 1.2), true},
            {"a grey car with a little rust", coloured(0.01, 18, 24, 1.5), false},
            {"a green car", coloured(0.6, -14, 9, 1.5), false},
            {"a brown car", coloured(0.6, 14, 16, 1.5), false},
            {"grey paint, in colour", coloured(0, 0, 0, 4), false},
            // a picture of one paint and nothing else is not told from a print toned so
            {"nothing but green", coloured(1, -14, 9, 1.5), true},
        };
    }

    @Test(dataProvider = "pictures")
    public void itIsKnown(String name, Raster picture, boolean colourless) {
        assertEquals(Colourless.is(picture), colourless, name);
    }

    @Test
    public void twoPlainColoursAreColours() {
        Raster flat = picture((x, _) -> x < WIDTH / 2 ? 0x4e6046 : 0x96573a);
        assertEquals(Colourless.is(flat), false);
    }
}
