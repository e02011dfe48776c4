/**
 * What no recipe of some paints can do. Decides, without trying them, that all recipes of a choice
 * of paints, or of a part of its recipes, are farther from a target than what is already found.
 *
 * <p>Steps: {@link org.pendrik.core.recipe.bound.NearColours} encloses the colours that would be
 * better; a {@link org.pendrik.core.recipe.bound.Relaxation} bounds them by half-spaces of X, Y, Z;
 * tangents and chords of {@link org.pendrik.core.recipe.bound.MixColour} bound the mixes; a {@link
 * org.pendrik.core.recipe.bound.ChoiceBound} prunes choices of paints by sums over their pairs, a
 * {@link org.pendrik.core.recipe.bound.CellBound} the cells of a {@link
 * org.pendrik.core.recipe.bound.Lattice} of recipes.
 */
@NullMarked
package org.pendrik.core.recipe.bound;

import org.jspecify.annotations.NullMarked;
