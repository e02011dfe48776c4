/** Photographs: taken in, kept by content, located on their side, measured. */
@NullMarked
package org.pendrik.app.photograph;

import org.jspecify.annotations.NullMarked;
