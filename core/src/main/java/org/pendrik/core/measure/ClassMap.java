package org.pendrik.core.measure;

import org.pendrik.core.photo.PixelBox;
import org.pendrik.core.photo.Region;

/**
 * Which class every pixel of a side shows, or which two it mixes.
 *
 * <p>{@code first} and {@code second} are places in {@link WeatherClass}, {@code share} is how much
 * of the pixel is {@code first}. Pixels that are not measured have −1.
 */
public final class ClassMap {
    static final byte NONE = -1;
    private static final WeatherClass[] CLASSES = WeatherClass.values();

    private final int width;
    private final int height;
    private final double pxPerMm;
    private final byte[] first;
    private final byte[] second;
    private final float[] share;
    private final boolean[] unsure;

    ClassMap(
            int width,
            int height,
            double pxPerMm,
            byte[] first,
            byte[] second,
            float[] share,
            boolean[] unsure) {
        this.width = width;
        this.height = height;
        this.pxPerMm = pxPerMm;
        this.first = first;
        this.second = second;
        this.share = share;
        this.unsure = unsure;
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

    @SuppressWarnings("EnumOrdinal") // a dense code inside this package, never stored
    static byte code(WeatherClass c) {
        return (byte) c.ordinal();
    }

    /** Whether a pixel was measured. */
    public boolean measured(int x, int y) {
        return first[y * width + x] != NONE;
    }

    /** What most of a measured pixel shows. */
    public WeatherClass at(int x, int y) {
        int i = y * width + x;
        return CLASSES[share[i] >= 0.5f ? first[i] : second[i]];
    }

    /** How much of a pixel is of a class, 0 to 1. */
    public float share(WeatherClass c, int x, int y) {
        int i = y * width + x;
        byte code = code(c);
        return first[i] == code ? share[i] : second[i] == code ? 1 - share[i] : 0;
    }

    /** Adds the shares of a measured pixel to those of all classes, by their codes. */
    void addShares(double[] sum, int x, int y) {
        int i = y * width + x;
        sum[first[i]] += share[i];
        if (second[i] != first[i]) {
            sum[second[i]] += 1 - share[i];
        }
    }

    /** Whether a pixel was a near thing. */
    boolean unsure(int x, int y) {
        return unsure[y * width + x];
    }

    /** The part of a plane that a class makes up inside a region, 0 elsewhere; NaN unmeasured. */
    float[] part(WeatherClass c, Region r, PixelBox box) {
        float[] out = new float[box.area()];
        for (int y = box.top(); y < box.low(); y++) {
            for (int x = box.left(); x < box.right(); x++) {
                int o = (y - box.top()) * box.width() + x - box.left();
                boolean in = measured(x, y) && r.contains((x + 0.5) / pxPerMm, (y + 0.5) / pxPerMm);
                out[o] = in ? share(c, x, y) : Float.NaN;
            }
        }
        return out;
    }
}
