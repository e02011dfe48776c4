/** Jobs and their zones. */
@ApplicationModule(allowedDependencies = {"problem", "store", "workshop"})
@NullMarked
package org.pendrik.app.job;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
