/** What was seen on the prototype: regions measured and effects noted. */
@NullMarked
package org.pendrik.app.study;

import org.jspecify.annotations.NullMarked;
