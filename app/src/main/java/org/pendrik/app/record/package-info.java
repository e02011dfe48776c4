/** The record of a job: to print, to take along, to read in again. */
@ApplicationModule(
        allowedDependencies = {
            "apidocs",
            "bench",
            "engines",
            "job",
            "makeup",
            "paper",
            "photograph",
            "priors",
            "school",
            "shelf",
            "sides",
            "store",
            "study"
        })
@NullMarked
package org.pendrik.app.record;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
