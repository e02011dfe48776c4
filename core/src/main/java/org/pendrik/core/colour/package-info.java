/**
 * Colour as measured: sRGB, XYZ and CIE L*a*b* under D65, CIEDE2000, the grey balance, and the mean
 * colour of a surface that a second colour covers in part.
 *
 * <p>This package knows no other package.
 */
@NullMarked
package org.pendrik.core.colour;

import org.jspecify.annotations.NullMarked;
