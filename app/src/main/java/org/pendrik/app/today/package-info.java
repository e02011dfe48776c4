/** What is open, closing and drying across all jobs, and what is at risk. */
@NullMarked
package org.pendrik.app.today;

import org.jspecify.annotations.NullMarked;
