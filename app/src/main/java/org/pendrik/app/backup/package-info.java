/** Everything as one open archive: made while the program runs, verified, thinned, restored. */
@ApplicationModule(allowedDependencies = {"apidocs", "problem", "store"})
@NullMarked
package org.pendrik.app.backup;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
