/** Where data lies: the data folder, its lock, and the value types that the database knows. */
@NullMarked
package org.pendrik.app.store;

import org.jspecify.annotations.NullMarked;
