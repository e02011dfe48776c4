/**
 * What leaves the screen: masks to cut at 1:1, the place of side cards on sheets of paper, the
 * outline of the white under printed artwork. All lengths here are millimetres of the model.
 */
@NullMarked
package org.pendrik.core.paper;

import org.jspecify.annotations.NullMarked;
