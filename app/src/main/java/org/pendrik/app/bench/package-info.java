/** One step at a time: what it needs, its clock, and the log of what was really done. */
@ApplicationModule(
        allowedDependencies = {
            "engines",
            "job",
            "makeup",
            "photograph",
            "priors",
            "problem",
            "shelf",
            "store"
        })
@NullMarked
package org.pendrik.app.bench;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
