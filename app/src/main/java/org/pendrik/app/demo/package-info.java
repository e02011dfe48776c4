/** The demonstration workshop, always in the middle of things. */
@ApplicationModule(
        allowedDependencies = {
            "bench",
            "diary",
            "job",
            "makeup",
            "photograph",
            "shelf",
            "sides",
            "standins",
            "store",
            "study",
            "workshop"
        })
@NullMarked
package org.pendrik.app.demo;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
