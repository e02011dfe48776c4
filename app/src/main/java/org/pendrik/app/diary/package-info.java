/**
 * When each step is done: of a job on its drying rail, and of the whole workshop in its sittings.
 */
@ApplicationModule(allowedDependencies = {"engines", "job", "makeup", "store", "task", "workshop"})
@NullMarked
package org.pendrik.app.diary;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
