/**
 * When to do it: places hands-on steps into the hours that the person has, with minimum and maximum
 * lags between them, and says what drives the finish.
 */
@NullMarked
package org.pendrik.core.diary;

import org.jspecify.annotations.NullMarked;
