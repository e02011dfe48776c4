/**
 * What things are: materials and techniques with their figures, what carriers do to binders, and
 * the words for finishes, thicknesses and what a coat lies on. What happens when coats meet is the
 * matter of {@link org.pendrik.core.film}.
 *
 * <p>{@link org.pendrik.core.catalogue.Catalogue} loads the tables, with what a workshop overrules
 * and what stands on its shelf.
 */
@NullMarked
package org.pendrik.core.catalogue;

import org.jspecify.annotations.NullMarked;
