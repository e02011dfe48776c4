package org.pendrik.core.photo;

/**
 * A picture as packed ARGB pixels, row by row from the upper left. Alpha 0 marks "outside the
 * photograph".
 *
 * @param width pixels, at least 1
 * @param height pixels, at least 1
 * @param argb {@code width * height} pixels; not copied
 */
@SuppressWarnings("ArrayRecordComponent") // identity is never compared: a raster is a buffer
public record Raster(int width, int height, int[] argb) {
    /** Alpha of a pixel that belongs to the photograph. */
    public static final int OPAQUE = 0xff000000;

    public Raster {
        if (width < 1 || height < 1 || argb.length != (long) width * height) {
            throw new IllegalArgumentException(
                    width + " x " + height + " does not fit " + argb.length + " pixels");
        }
    }

    /** An empty raster, all outside. */
    public static Raster empty(int width, int height) {
        return new Raster(width, height, new int[Math.multiplyExact(width, height)]);
    }

    /** The pixel at a place. */
    public int at(int x, int y) {
        return argb[y * width + x];
    }

    /**
     * Half the size by averaging blocks of four encoded pixels; an odd last row or column is
     * dropped.
     */
    Raster halved() {
        int w = Math.max(1, width / 2);
        int h = Math.max(1, height / 2);
        int[] out = new int[w * h];
        int right = width > 1 ? 1 : 0;
        int down = height > 1 ? width : 0;
        for (int y = 0; y < h; y++) {
            int in = 2 * y * width;
            for (int x = 0; x < w; x++, in += 2) {
                int a = argb[in];
                int b = argb[in + right];
                int c = argb[in + down];
                int d = argb[in + down + right];
                int rb = mean(a, b, c, d, 0x00ff00ff);
                int g = mean(a, b, c, d, 0x0000ff00);
                out[y * w + x] = OPAQUE | rb | g;
            }
        }
        return new Raster(w, h, out);
    }

    private static int mean(int a, int b, int c, int d, int mask) {
        long sum = (long) (a & mask) + (b & mask) + (c & mask) + (d & mask);
        long half = mask == 0x0000ff00 ? 0x200L : 0x00020002L;
        return (int) ((sum + half) >> 2) & mask;
    }
}
