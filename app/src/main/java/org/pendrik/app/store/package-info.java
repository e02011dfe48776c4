/**
 * Where data lies: the data folder, its lock, the value types that the database knows, and what is
 * kept at hand.
 */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package org.pendrik.app.store;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
