package org.pendrik.app.sides;

import org.pendrik.core.photo.Raster;

/**
 * A photograph decoded upright.
 *
 * @param step photograph pixels per raster pixel, 1 or 2
 */
public record WholePicture(Raster raster, int step) {}
