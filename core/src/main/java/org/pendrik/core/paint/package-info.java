/**
 * Paint as paint: spectra, not pixels. Decides what a paint, a mix of paints, and a film of them
 * over something else look like, and under which light.
 *
 * <p>Steps: a swatch becomes a {@link org.pendrik.core.paint.Reflectance}, measured or estimated; a
 * {@link org.pendrik.core.paint.Surface} takes the outer reflection off; {@link
 * org.pendrik.core.paint.Pigment} holds absorption and scattering; {@link
 * org.pendrik.core.paint.KubelkaMunk} mixes them and lays them over each other; a {@link
 * org.pendrik.core.paint.Light} turns what comes back into a colour.
 */
@NullMarked
package org.pendrik.core.paint;

import org.jspecify.annotations.NullMarked;
