/**
 * Reads the domain tables: files of named columns whose bad lines are reported with file and line.
 */
@NullMarked
package org.pendrik.core.tables;

import org.jspecify.annotations.NullMarked;
