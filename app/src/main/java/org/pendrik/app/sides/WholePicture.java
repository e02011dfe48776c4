package org.pendrik.app.sides;

import org.pendrik.core.photo.Colourless;
import org.pendrik.core.photo.Raster;

/**
 * A photograph decoded upright.
 *
 * @param step photograph pixels per raster pixel each way, 1 or 2
 * @param colourless black-and-white or toned: it tells lightness alone
 */
public record WholePicture(Raster raster, int step, boolean colourless) {
    /** Looks whether it has colour. */
    public static WholePicture of(Raster raster, int step) {
        return new WholePicture(raster, step, Colourless.is(raster));
    }
}
