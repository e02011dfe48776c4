package org.pendrik.core.photo;

/**
 * The pixels of a rectified side that a region's box covers.
 *
 * @param left first column
 * @param top first row
 * @param right column after the last
 * @param low row after the last
 */
public record PixelBox(int left, int top, int right, int low) {
    /** The box of a region, cut to the side. */
    public static PixelBox of(Region r, double pxPerMm, int width, int height) {
        int x0 = Math.clamp(Math.round(r.xMm() * pxPerMm), 0, width);
        int y0 = Math.clamp(Math.round(r.yMm() * pxPerMm), 0, height);
        int x1 = Math.clamp(Math.round((r.xMm() + r.widthMm()) * pxPerMm), x0, width);
        int y1 = Math.clamp(Math.round(r.lowMm() * pxPerMm), y0, height);
        return new PixelBox(x0, y0, x1, y1);
    }

    /** Columns. */
    public int width() {
        return right - left;
    }

    /** Rows. */
    public int height() {
        return low - top;
    }

    /** Pixels. */
    public int area() {
        return width() * height();
    }
}
