/** What is open, closing and drying across all jobs, and what is at risk. */
@ApplicationModule(
        allowedDependencies = {
            "bench",
            "diary",
            "engines",
            "job",
            "makeup",
            "photograph",
            "sides",
            "study"
        })
@NullMarked
package org.pendrik.app.today;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
