/** Which of several accepted ways the workshop takes, and where a job takes another. */
@ApplicationModule(allowedDependencies = {"store"})
@NullMarked
package org.pendrik.app.school;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
