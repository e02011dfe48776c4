/** Long work that can be watched and stopped. */
@NullMarked
package org.pendrik.app.task;

import org.jspecify.annotations.NullMarked;
