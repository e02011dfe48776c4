/** The workshop: its air, its bench time, its viewing distance. */
@NullMarked
package org.pendrik.app.workshop;

import org.jspecify.annotations.NullMarked;
