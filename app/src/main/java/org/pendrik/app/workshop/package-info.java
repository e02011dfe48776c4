/** The workshop: its air, its bench time, its viewing distance. */
@ApplicationModule(allowedDependencies = {"problem", "store"})
@NullMarked
package org.pendrik.app.workshop;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
