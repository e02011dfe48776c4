/** Who may ask: requests from this machine and this page only. */
@NullMarked
package org.pendrik.app.security;

import org.jspecify.annotations.NullMarked;
