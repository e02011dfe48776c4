package org.pendrik.app.photograph;

import static org.testng.Assert.assertEquals;

import java.awt.image.BufferedImage;
import java.util.Random;
import org.pendrik.core.photo.Raster;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Pixels come out of pictures as Java's own way gives them, and go in and out of files whole. */
public class PicturesTest {
    private static final int WIDTH = 37;
    private static final int HEIGHT = 23;

    @DataProvider
    public Object[][] types() {
        return new Object[][] {
            {BufferedImage.TYPE_3BYTE_BGR},
            {BufferedImage.TYPE_INT_RGB},
            {BufferedImage.TYPE_INT_ARGB},
            {BufferedImage.TYPE_4BYTE_ABGR},
            {BufferedImage.TYPE_BYTE_GRAY},
        };
    }

    private static int[] noise(int n) {
        return new Random(7).ints(n).toArray();
    }

    @Test(dataProvider = "types")
    public void everyPixelIsThatOfTheColourModel(int type) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, type);
        image.setRGB(0, 0, WIDTH, HEIGHT, noise(WIDTH * HEIGHT), 0, WIDTH);
        assertEquals(Pictures.pixels(image), image.getRGB(0, 0, WIDTH, HEIGHT, null, 0, WIDTH));
    }

    @Test
    public void aPartOfAPictureIsTakenFromWhereItLies() {
        BufferedImage whole = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_3BYTE_BGR);
        whole.setRGB(0, 0, WIDTH, HEIGHT, noise(WIDTH * HEIGHT), 0, WIDTH);
        BufferedImage part = whole.getSubimage(5, 3, 11, 9);
        assertEquals(Pictures.pixels(part), part.getRGB(0, 0, 11, 9, null, 0, 11));
    }

    @Test
    public void aPngKeepsEveryPixelWithItsTransparency() {
        Raster raster = new Raster(WIDTH, HEIGHT, noise(WIDTH * HEIGHT));
        assertEquals(Pictures.transparent(Pictures.png(raster)).argb(), raster.argb());
    }
}
