package org.pendrik.app.standins;

import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import org.pendrik.app.Shots;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionSampler;
import org.pendrik.core.photo.SideGeometry;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Photographs with known truth, taken by the stand-in camera: perspective, uneven coloured light,
 * noise, JPEG.
 */
public class PhotographTruthTest {
    private static final double OUT_PX_PER_MM = 1600 / HopperSide.LENGTH_MM;

    @DataProvider
    public Object[][] shots() {
        return new Object[][] {
            {"prototype", Shots.prototype(), Weathering.PROTOTYPE, new Lab(58, 1, 5)},
            {
                "model",
                Shots.model(new Weathering(1.0, 0.9, 0.8, 0, 0, 0)),
                new Weathering(1.0, 0.9, 0.8, 0, 0, 0),
                new Lab(66, 0, 1)
            },
        };
    }

    private static Raster decode(byte[] jpeg) {
        try {
            BufferedImage i = ImageIO.read(new ByteArrayInputStream(jpeg));
            int w = i.getWidth();
            return new Raster(w, i.getHeight(), i.getRGB(0, 0, w, i.getHeight(), null, 0, w));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * The median of the scene's own texture under the light at its place, relative to that on the
     * card.
     */
    private static Lab truth(Raster texture, Region r, StandInCamera camera, SideGeometry g) {
        double cardX = camera.card().get(0) + camera.card().get(2) / 2;
        double cardY = camera.card().get(1) + camera.card().get(3) / 2;
        double onCard = camera.light().level(cardX / camera.width(), cardY / camera.height());
        List<Double> red = new ArrayList<>();
        List<Double> green = new ArrayList<>();
        List<Double> blue = new ArrayList<>();
        double perMm = HopperSide.PX_PER_MM;
        for (int y = (int) (r.yMm() * perMm); y < (r.yMm() + r.heightMm()) * perMm; y++) {
            for (int x = (int) (r.xMm() * perMm); x < (r.xMm() + r.widthMm()) * perMm; x++) {
                Point px = g.toPhoto(new Point((x + 0.5) / perMm, (y + 0.5) / perMm));
                double level =
                        camera.light().level(px.x() / camera.width(), px.y() / camera.height())
                                / onCard;
                int p = texture.at(x, y);
                red.add(Srgb.linear(p >> 16) * level);
                green.add(Srgb.linear(p >> 8) * level);
                blue.add(Srgb.linear(p) * level);
            }
        }
        return Srgb.linearToLab(median(red), median(green), median(blue));
    }

    private static double median(List<Double> v) {
        v.sort(null);
        return v.get(v.size() / 2);
    }

    @Test(dataProvider = "shots")
    public void mediansComeOutAsTheyAreUnderTheLight(
            String name, DemoShots.Shot shot, Weathering w, Lab surround) {
        StandInCamera camera = shot.camera();
        Raster texture = HopperSide.picture(w, surround, "3041");
        SideGeometry g = camera.geometry(HopperSide.LENGTH_MM, HopperSide.HEIGHT_MM);
        Raster photo = decode(shot.jpeg());
        Region card =
                new Region(
                        "card",
                        camera.card().get(0) + 12,
                        camera.card().get(1) + 12,
                        camera.card().get(2) - 24,
                        camera.card().get(3) - 24);
        double[] grey = RegionSampler.meanLinear(photo, 1, card).orElseThrow();
        GreyBalance light = GreyBalance.of(grey[0], grey[1], grey[2], StandInCamera.CARD_L);
        Raster side = g.rectify(photo, OUT_PX_PER_MM);
        double worst = 0;
        for (Region r :
                List.of(
                        new Region("plate", 3345, 660, 220, 290),
                        new Region("panel 2", 1640, 620, 420, 420),
                        new Region("panel 5", 4500, 180, 360, 300),
                        new Region("below rib 3", 2240, 640, 130, 420),
                        new Region("foot", 2700, 1380, 500, 140),
                        new Region("sill", 700, 1600, 900, 90))) {
            Lab measured =
                    RegionSampler.measure(side, OUT_PX_PER_MM, r, light).orElseThrow().median();
            double d = ColourDifference.ciede2000(truth(texture, r, camera, g), measured);
            worst = Math.max(worst, d);
            assertTrue(d <= 1.5, name + ", " + r.name() + ": ΔE00 " + d);
        }
        System.out.printf("%s: worst median of six regions ΔE00 %.2f%n", name, worst);
    }

    @Test
    public void cornersOfARenderedSideLandWhereTheyBelong() {
        // a side with a cross at each of 12 known places: where do they come out on the rectified
        // side?
        Random random = new Random(20);
        double sum = 0;
        int count = 0;
        for (int shot = 0; shot < 3; shot++) {
            double slant = 60 + 60 * shot;
            List<Point> corners =
                    List.of(
                            new Point(150 + 20 * random.nextDouble(), 150 + slant),
                            new Point(1850, 150 + 20 * random.nextDouble()),
                            new Point(1840, 900 - slant / 2),
                            new Point(170, 850 + 20 * random.nextDouble()));
            var camera =
                    new StandInCamera(
                            2000,
                            1100,
                            corners,
                            new StandInCamera.Light(1, 0.9, 0.75, 0.2, -0.1),
                            new Lab(60, 0, 0),
                            List.of(1000.0, 1000.0, 60.0, 60.0),
                            1.8,
                            0.9f);
            Raster side = crosses();
            SideGeometry g = camera.geometry(HopperSide.LENGTH_MM, HopperSide.HEIGHT_MM);
            Raster flat =
                    g.rectify(
                            decode(camera.photograph(side, HopperSide.PX_PER_MM, shot)),
                            OUT_PX_PER_MM);
            for (Point mm : places()) {
                Point found = centroid(flat, mm.x() * OUT_PX_PER_MM, mm.y() * OUT_PX_PER_MM);
                sum +=
                        Math.hypot(
                                found.x() - mm.x() * OUT_PX_PER_MM,
                                found.y() - mm.y() * OUT_PX_PER_MM);
                count++;
            }
        }
        System.out.printf(
                "rectification: %d known points off by %.3f px on average%n", count, sum / count);
        assertTrue(sum / count <= 0.5, "off by " + sum / count);
    }

    private static List<Point> places() {
        List<Point> out = new ArrayList<>();
        for (double x : new double[] {120, 2200, 4300, 6280}) {
            for (double y : new double[] {120, 1300, 2480}) {
                out.add(new Point(x, y));
            }
        }
        return out;
    }

    /** A light side with dark discs of 120 mm. */
    private static Raster crosses() {
        Raster r =
                Raster.empty(
                        (int) (HopperSide.LENGTH_MM * HopperSide.PX_PER_MM),
                        (int) (HopperSide.HEIGHT_MM * HopperSide.PX_PER_MM));
        for (int y = 0; y < r.height(); y++) {
            for (int x = 0; x < r.width(); x++) {
                double xm = (x + 0.5) / HopperSide.PX_PER_MM;
                double ym = (y + 0.5) / HopperSide.PX_PER_MM;
                boolean dark =
                        places().stream().anyMatch(p -> Math.hypot(p.x() - xm, p.y() - ym) < 60);
                r.argb()[y * r.width() + x] = Raster.OPAQUE | (dark ? 0x202020 : 0xd0d0d0);
            }
        }
        return r;
    }

    /** The centre of darkness within 100 mm of a place. */
    private static Point centroid(Raster r, double cx, double cy) {
        int reach = (int) (100 * OUT_PX_PER_MM);
        double weight = 0;
        double sx = 0;
        double sy = 0;
        for (int y = Math.max(0, (int) cy - reach);
                y <= Math.min(r.height() - 1, cy + reach);
                y++) {
            for (int x = Math.max(0, (int) cx - reach);
                    x <= Math.min(r.width() - 1, cx + reach);
                    x++) {
                double w = Math.max(0, 0.35 - Srgb.linear(r.at(x, y) >> 8));
                weight += w;
                sx += w * (x + 0.5);
                sy += w * (y + 0.5);
            }
        }
        return new Point(sx / weight, sy / weight);
    }
}
