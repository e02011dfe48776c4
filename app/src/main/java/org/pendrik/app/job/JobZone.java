package org.pendrik.app.job;

/**
 * A zone of a job.
 *
 * @param zoneKey stable name
 * @param name as said at the bench
 * @param lettering factory lettering lies on it
 * @param areaShare share of length times height of the side
 */
public record JobZone(String zoneKey, String name, boolean lettering, double areaShare) {}
