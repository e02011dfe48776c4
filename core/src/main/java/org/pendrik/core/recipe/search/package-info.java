/**
 * The search for the best recipe. Finds a good one quickly and goes through all others that cannot
 * be ruled out.
 *
 * <p>Steps: {@link org.pendrik.core.recipe.search.Climb} finds the first incumbent; {@link
 * org.pendrik.core.recipe.search.BranchAndBound} goes through the choices of paints, a {@link
 * org.pendrik.core.recipe.search.ChoiceSearch} through the recipes of one, a {@link
 * org.pendrik.core.recipe.search.Trial} computes many recipes side by side.
 */
@NullMarked
package org.pendrik.core.recipe.search;

import org.jspecify.annotations.NullMarked;
