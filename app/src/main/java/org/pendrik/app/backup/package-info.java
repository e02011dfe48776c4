/** Everything as one open archive: made while the program runs, verified, thinned, restored. */
@NullMarked
package org.pendrik.app.backup;

import org.jspecify.annotations.NullMarked;
