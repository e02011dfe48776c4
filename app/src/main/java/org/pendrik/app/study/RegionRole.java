package org.pendrik.app.study;

/** What a region is for. */
public enum RegionRole {
    /** It is measured and compared. */
    MEASURE,
    /** It is left out of every measure: lettering, shadows, mirror images. */
    EXCLUDE,
    /** An edge, along which wear is counted. */
    EDGE,
    /** It is cut as a mask or patch, and not measured. */
    CUT
}
