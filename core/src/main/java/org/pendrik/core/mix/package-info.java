/**
 * The arithmetic of cups and bottles: how much of a mix a step takes and how many drops that is.
 */
@NullMarked
package org.pendrik.core.mix;

import org.jspecify.annotations.NullMarked;
