/** Serves the pages that ship with the program. */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package org.pendrik.app.site;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
