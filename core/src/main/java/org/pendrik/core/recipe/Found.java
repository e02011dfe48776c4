package org.pendrik.core.recipe;

import java.util.Arrays;

/** Drops by paint, and how far off their mix is. */
@SuppressWarnings("ArrayRecordComponent")
record Found(int[] drops, double off) {
    static final Found NONE = new Found(new int[0], Double.POSITIVE_INFINITY);

    int paints() {
        return (int) Arrays.stream(drops).filter(d -> d > 0).count();
    }

    int total() {
        return Arrays.stream(drops).sum();
    }
}
