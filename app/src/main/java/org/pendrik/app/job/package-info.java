/** Jobs and their zones. */
@NullMarked
package org.pendrik.app.job;

import org.jspecify.annotations.NullMarked;
