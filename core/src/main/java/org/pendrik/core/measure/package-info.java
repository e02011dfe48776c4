/**
 * Says what lies on a rectified side: how much of it is rust, grime or bare metal, how large the
 * spots are, which way the streaks run, how high the dust stands.
 *
 * <p>Steps: {@link org.pendrik.core.measure.LabPlane} takes the light out of every pixel, {@link
 * org.pendrik.core.measure.ClassModel} learns the classes from samples that a person picked and
 * sorts the pixels, {@link org.pendrik.core.measure.SideMeasurer} asks the single measures region
 * by region. Every number comes with what it may be off by, or with the reason why there is none.
 */
@NullMarked
package org.pendrik.core.measure;

import org.jspecify.annotations.NullMarked;
