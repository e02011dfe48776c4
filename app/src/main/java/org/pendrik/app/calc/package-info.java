/** The engines' questions without a job: stateless, with worked examples. */
@ApplicationModule(allowedDependencies = {"engines", "photograph", "sides", "store", "task"})
@NullMarked
package org.pendrik.app.calc;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
