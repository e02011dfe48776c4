/** The plan of a job: compiled, edited, checked, mended, drawn as cores. */
@NullMarked
package org.pendrik.app.makeup;

import org.jspecify.annotations.NullMarked;
