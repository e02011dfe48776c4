/** Simulated outside things: a camera that renders photographs with known truth. */
@NullMarked
package org.pendrik.app.standins;

import org.jspecify.annotations.NullMarked;
