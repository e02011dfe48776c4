/** The engines of the core as beans, and the lists that the interface offers. */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package org.pendrik.app.engines;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
