/** When each step is done, on the drying rail. */
@NullMarked
package org.pendrik.app.diary;

import org.jspecify.annotations.NullMarked;
