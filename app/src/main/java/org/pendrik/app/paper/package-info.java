/** Side cards to print, masks to cut, artwork to print on decal paper. */
@NullMarked
package org.pendrik.app.paper;

import org.jspecify.annotations.NullMarked;
