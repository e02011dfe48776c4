/** What the program is made of, and under which licences. */
@ApplicationModule(allowedDependencies = {})
@NullMarked
package org.pendrik.app.about;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
