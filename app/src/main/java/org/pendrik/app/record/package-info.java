/** The record of a job: to print, to take along, to read in again. */
@NullMarked
package org.pendrik.app.record;

import org.jspecify.annotations.NullMarked;
