/** When each step is done, on the drying rail. */
@ApplicationModule(allowedDependencies = {"engines", "job", "makeup", "task", "workshop"})
@NullMarked
package org.pendrik.app.diary;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
