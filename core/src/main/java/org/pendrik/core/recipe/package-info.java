/**
 * Which drops of which paints make a colour. Decides the best recipe in whole drops that a shelf
 * and some constraints allow, and proves it.
 *
 * <p>Steps: {@link org.pendrik.core.recipe.RecipeQuestion} says what is wanted and what may be
 * used; a climb finds a good recipe; {@link org.pendrik.core.recipe.RecipeSearch} shows that
 * nothing is better by more than a stated difference; the answer tells what each drop does.
 */
@NullMarked
package org.pendrik.core.recipe;

import org.jspecify.annotations.NullMarked;
