/**
 * From effects seen on the prototype to an ordered list of acts with the coats that they need.
 *
 * <p>Steps: {@link org.pendrik.core.plan.Subjects} knows the zones of a subject; {@link
 * org.pendrik.core.plan.PlanCompiler} searches the order; {@link org.pendrik.core.plan.PlanCheck}
 * judges any list independently of how it came about.
 */
@NullMarked
package org.pendrik.core.plan;

import org.jspecify.annotations.NullMarked;
