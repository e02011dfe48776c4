/** Bench sheets to print, masks to cut, artwork to print on decal paper. */
@ApplicationModule(
        allowedDependencies = {
            "apidocs",
            "job",
            "photograph",
            "problem",
            "shelf",
            "sides",
            "store",
            "study"
        })
@NullMarked
package org.pendrik.app.paper;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
