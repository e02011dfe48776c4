/**
 * Sides of subjects laid flat out of photographs: what is marked on a picture, the flat side, its
 * colours pixel by pixel, its classes, and two sides laid over each other. All of it is kept in one
 * cache, each thing under all that it hangs on.
 */
@ApplicationModule(allowedDependencies = {"store"})
@NullMarked
package org.pendrik.app.sides;

import org.jspecify.annotations.NullMarked;
import org.springframework.modulith.ApplicationModule;
