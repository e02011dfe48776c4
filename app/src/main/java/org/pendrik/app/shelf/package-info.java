/** What stands on the shelf, what is mixed of it, and the recipes that are kept. */
@NullMarked
package org.pendrik.app.shelf;

import org.jspecify.annotations.NullMarked;
