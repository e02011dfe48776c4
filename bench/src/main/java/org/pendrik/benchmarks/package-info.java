/** Benchmarks of the engines, each beside a peer or a bound in the same run. */
@NullMarked
package org.pendrik.benchmarks;

import org.jspecify.annotations.NullMarked;
