/** Who may ask: requests from this machine and this page only. */
@ApplicationModule(allowedDependencies = {"problem"})
@NullMarked
package org.pendrik.app.security;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
