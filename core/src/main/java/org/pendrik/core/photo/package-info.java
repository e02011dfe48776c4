/**
 * Turns a photograph into a measurement of one side: corners to a plane, plane to prototype
 * millimetres, regions to robust colours, and two sides to a verdict.
 *
 * <p>Steps: {@link org.pendrik.core.photo.SideRectifier} finds the geometry and renders the side,
 * {@link org.pendrik.core.photo.LightBalance} takes out the colour of the light, {@link
 * org.pendrik.core.photo.RegionSampler} measures, {@link org.pendrik.core.photo.SideComparison}
 * judges.
 */
@NullMarked
package org.pendrik.core.photo;

import org.jspecify.annotations.NullMarked;
