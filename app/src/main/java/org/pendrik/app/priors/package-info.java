/** The workshop's own figures in place of the tables', and the pace learned from its bench. */
@ApplicationModule(allowedDependencies = {"engines", "problem", "store"})
@NullMarked
package org.pendrik.app.priors;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
