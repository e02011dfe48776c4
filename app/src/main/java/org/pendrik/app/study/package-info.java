/** What was seen on the prototype: regions measured and effects noted. */
@ApplicationModule(
        allowedDependencies = {
            "engines",
            "job",
            "photograph",
            "problem",
            "shelf",
            "sides",
            "store",
            "task",
            "workshop"
        })
@NullMarked
package org.pendrik.app.study;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
