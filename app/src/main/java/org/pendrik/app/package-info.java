/** Pendrik as a local web application. */
@NullMarked
package org.pendrik.app;

import org.jspecify.annotations.NullMarked;
