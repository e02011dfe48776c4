/** Serves the pages that ship with the program. */
@NullMarked
package org.pendrik.app.site;

import org.jspecify.annotations.NullMarked;
