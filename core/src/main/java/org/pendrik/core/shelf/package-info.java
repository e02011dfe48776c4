/**
 * What stands on the shelf. Decides what a bottle may be, how a shelf is read from and written to
 * files, what a file would change, what can stand in for what, what perishes, and what a test card
 * teaches.
 */
@NullMarked
package org.pendrik.core.shelf;

import org.jspecify.annotations.NullMarked;
