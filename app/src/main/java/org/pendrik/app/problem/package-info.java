/** Errors as problem details (RFC 9457): what was refused, the rule, and what helps. */
@ApplicationModule(allowedDependencies = {"store"})
@NullMarked
package org.pendrik.app.problem;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
