/** The engines of the core as beans, and the lists that the interface offers. */
@NullMarked
package org.pendrik.app.engines;

import org.jspecify.annotations.NullMarked;
