/**
 * The description of the API: what every record says of itself, so that clients are generated from
 * it.
 */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package org.pendrik.app.apidocs;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
