/** One step at a time: what it needs, its clock, and the log of what was really done. */
@NullMarked
package org.pendrik.app.bench;

import org.jspecify.annotations.NullMarked;
