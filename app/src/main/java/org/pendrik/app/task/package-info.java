/** Long work that can be watched and stopped. */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package org.pendrik.app.task;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
