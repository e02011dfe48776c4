/** The model's side against the prototype's. */
@NullMarked
package org.pendrik.app.compare;

import org.jspecify.annotations.NullMarked;
