package org.pendrik.core.diary;

import java.util.OptionalLong;

/**
 * What must lie between the end of one task and the begin of another.
 *
 * @param fromId the earlier task
 * @param toId the later task
 * @param minMinutes at least this long
 * @param maxMinutes at most this long
 * @param why what the wait is for
 */
public record TimeLag(
        String fromId, String toId, long minMinutes, OptionalLong maxMinutes, String why) {
    /** The same without a most. */
    TimeLag withoutEnd() {
        return new TimeLag(fromId, toId, minMinutes, OptionalLong.empty(), why);
    }
}
