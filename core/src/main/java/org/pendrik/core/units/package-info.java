/**
 * Quantities of the bench: lengths, scales, climate, the way long work is watched, and the one
 * exception that carries a refused input.
 *
 * <p>This package decides what a valid quantity is and knows no other package.
 */
@NullMarked
package org.pendrik.core.units;

import org.jspecify.annotations.NullMarked;
