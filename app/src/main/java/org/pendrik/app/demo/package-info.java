/** The demonstration workshop, always in the middle of things. */
@NullMarked
package org.pendrik.app.demo;

import org.jspecify.annotations.NullMarked;
