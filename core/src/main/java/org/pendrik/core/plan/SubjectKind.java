package org.pendrik.core.plan;

/** The kinds of subject that have a set of zones. */
public enum SubjectKind {
    FREIGHT_CAR,
    LOCOMOTIVE,
    STRUCTURE
}
