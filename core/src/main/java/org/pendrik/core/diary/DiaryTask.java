package org.pendrik.core.diary;

import java.util.OptionalLong;

/**
 * Hands-on work of one step.
 *
 * @param id names it
 * @param name as said at the bench
 * @param minutes without interruption
 * @param doneAtMinute when it began, if it is done; it is not moved then
 */
public record DiaryTask(String id, String name, int minutes, OptionalLong doneAtMinute) {}
