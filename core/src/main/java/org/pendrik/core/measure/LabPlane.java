package org.pendrik.core.measure;

import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.PixelBox;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.Sharpness;
import org.pendrik.core.photo.Usable;

/**
 * A rectified side with the light taken out: X, Y, Z over white, in which mixtures of light add up,
 * and L*a*b*, in which differences are judged. 24 bytes a pixel.
 */
public final class LabPlane {
    private static final int STRIPS = 12;

    private final int width;
    private final int height;
    private final double pxPerMm;
    private final Raster raster;
    private final GreyBalance light;
    private final Usable usable;
    private final boolean colourless;
    private final float[][] xyz = new float[3][];
    private final float[][] lab = new float[3][];
    private @Nullable List<Sharpness.Strip> strips;

    private final Evenness evenness;

    /** How well the level of the light is known over a side. */
    @FunctionalInterface
    public interface Evenness {
        /** One standard deviation of the level at a place in prototype mm, as a share of it. */
        double sdAt(double xMm, double yMm);
    }

    private LabPlane(
            Raster raster,
            double pxPerMm,
            GreyBalance light,
            Usable usable,
            boolean colourless,
            Evenness evenness) {
        this.evenness = evenness;
        this.raster = raster;
        this.width = raster.width();
        this.height = raster.height();
        this.pxPerMm = pxPerMm;
        this.light = light;
        this.usable = usable;
        this.colourless = colourless;
        for (int k = 0; k < 3; k++) {
            xyz[k] = new float[width * height];
            lab[k] = new float[width * height];
        }
    }

    /**
     * Takes the light out of a side.
     *
     * @param excluded regions that are not measured
     */
    public static LabPlane of(
            Raster side, double pxPerMm, GreyBalance light, List<Region> excluded) {
        return of(side, pxPerMm, light, excluded, false, (_, _) -> 0);
    }

    /**
     * As {@link #of(Raster, double, GreyBalance, List)}, where the light is taken for even.
     *
     * @param colourless the photograph tells lightness alone
     */
    public static LabPlane of(
            Raster side,
            double pxPerMm,
            GreyBalance light,
            List<Region> excluded,
            boolean colourless,
            Evenness evenness) {
        Usable usable = Usable.of(side, pxPerMm, light, excluded);
        LabPlane out = new LabPlane(side, pxPerMm, light, usable, colourless, evenness);
        IntStream.range(0, side.height()).parallel().forEach(out::fillRow);
        return out;
    }

    private void fillRow(int y) {
        double[] v = new double[3];
        for (int i = y * width; i < (y + 1) * width; i++) {
            light.relative(raster.argb()[i], v);
            Lab c = Srgb.relativeToLab(v[0], v[1], v[2]);
            for (int k = 0; k < 3; k++) {
                xyz[k][i] = (float) v[k];
            }
            lab[0][i] = (float) c.l();
            lab[1][i] = (float) c.a();
            lab[2][i] = (float) c.b();
        }
    }

    /** Columns. */
    public int width() {
        return width;
    }

    /** Rows. */
    public int height() {
        return height;
    }

    /** Pixels per prototype mm. */
    public double pxPerMm() {
        return pxPerMm;
    }

    /** Whether the photograph tells lightness alone. */
    public boolean colourless() {
        return colourless;
    }

    /**
     * One standard deviation of the level of the light in the middle of a region, a share of it.
     */
    double levelSd(Region r) {
        return evenness.sdAt(r.xMm() + r.widthMm() / 2, r.yMm() + r.heightMm() / 2);
    }

    /** Which pixels count. */
    public Usable usable() {
        return usable;
    }

    /** The side as it was rectified. */
    public Raster raster() {
        return raster;
    }

    /** What takes the light out. */
    public GreyBalance light() {
        return light;
    }

    /** X, Y or Z over white, row by row; not to be changed. */
    float[] xyz(int k) {
        return xyz[k];
    }

    /** L*, a* or b*, row by row; not to be changed. */
    float[] lab(int k) {
        return lab[k];
    }

    /** The pixels of a region's box. */
    PixelBox box(Region r) {
        return PixelBox.of(r, pxPerMm, width, height);
    }

    /** The focus in strips along the side, looked at once. */
    synchronized List<Sharpness.Strip> strips() {
        List<Sharpness.Strip> known = strips;
        if (known == null) {
            known = List.of(Sharpness.strips(raster, pxPerMm, STRIPS));
            strips = known;
        }
        return known;
    }

    /** Whether a pixel is usable and in a region. */
    boolean has(Region r, int x, int y) {
        return usable.at(x, y) && r.contains((x + 0.5) / pxPerMm, (y + 0.5) / pxPerMm);
    }
}
