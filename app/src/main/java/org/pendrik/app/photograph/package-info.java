/** Photographs: taken in, kept by content, located on their side, measured. */
@ApplicationModule(
        allowedDependencies = {"apidocs", "job", "problem", "sides", "store", "workshop"})
@NullMarked
package org.pendrik.app.photograph;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
