/**
 * What may go over what, and when: columns of coats, their cure, what a carrier reaches, what a
 * surface lets happen.
 *
 * <p>Steps: data tables are loaded into a {@link org.pendrik.core.catalogue.Catalogue}; a {@link
 * org.pendrik.core.film.FilmCase} holds zones and acts; {@link org.pendrik.core.film.FilmCheck}
 * lays the acts one by one and reports findings; {@link org.pendrik.core.film.Mends} offers changes
 * that were themselves checked; {@link org.pendrik.core.film.Timing} says how long each act must
 * wait.
 */
@NullMarked
package org.pendrik.core.film;

import org.jspecify.annotations.NullMarked;
