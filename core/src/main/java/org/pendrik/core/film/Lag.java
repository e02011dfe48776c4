package org.pendrik.core.film;

import java.util.OptionalLong;

/**
 * A span that must lie between the end of one act and the begin of another.
 *
 * @param fromActId the earlier act
 * @param toActId the later act
 * @param minMinutes at least this long
 * @param maxMinutes at most this long, where a window closes
 * @param why what the wait is for
 */
public record Lag(
        StepId fromActId, StepId toActId, long minMinutes, OptionalLong maxMinutes, String why) {}
