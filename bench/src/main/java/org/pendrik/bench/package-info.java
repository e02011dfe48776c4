/** Benchmarks of the engines, each beside a peer or a bound in the same run. */
@NullMarked
package org.pendrik.bench;

import org.jspecify.annotations.NullMarked;
