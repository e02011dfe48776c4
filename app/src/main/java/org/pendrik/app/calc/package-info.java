/** The engines' questions without a job: stateless, with worked examples. */
@NullMarked
package org.pendrik.app.calc;

import org.jspecify.annotations.NullMarked;
