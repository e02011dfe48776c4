/** The model's side against the prototype's. */
@ApplicationModule(
        allowedDependencies = {
            "bench",
            "engines",
            "job",
            "makeup",
            "photograph",
            "problem",
            "sides",
            "store",
            "study",
            "task",
            "workshop"
        })
@NullMarked
package org.pendrik.app.compare;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
