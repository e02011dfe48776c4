/** Doing it: what a window clock shows at a given moment. */
@NullMarked
package org.pendrik.core.bench;

import org.jspecify.annotations.NullMarked;
