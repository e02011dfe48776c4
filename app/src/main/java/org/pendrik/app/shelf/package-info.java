/** What stands on the shelf, what is mixed of it, and the recipes that are kept. */
@ApplicationModule(allowedDependencies = {"engines", "problem", "store", "task", "workshop"})
@NullMarked
package org.pendrik.app.shelf;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
