/** The plan of a job: compiled, edited, checked, mended, drawn as cores. */
@ApplicationModule(
        allowedDependencies = {
            "engines",
            "job",
            "problem",
            "school",
            "shelf",
            "store",
            "study",
            "workshop"
        })
@NullMarked
package org.pendrik.app.makeup;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
