/** Simulated outside things: a camera that renders photographs with known truth. */
@ApplicationModule(allowedDependencies = {"photograph"})
@NullMarked
package org.pendrik.app.standins;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
