package org.pendrik.app.calc;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A question that can be asked as it stands; the description of the API shows it. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
@interface WorkedExample {
    /** What it is about, a few words. */
    String name();

    /** The body of the request, JSON. */
    String body();
}
