package org.pendrik.app.workshop;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import org.pendrik.core.diary.Availability;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;

/**
 * The workshop.
 *
 * @param name what it is called
 * @param zoneId time zone of the clock on its wall
 * @param celsius temperature at the bench
 * @param humidity relative, 0 to 1
 * @param viewingMm distance from which the models are looked at
 * @param benchTime the weekly pattern of bench time
 * @param version of these settings
 */
public record Workshop(
        String name,
        String zoneId,
        double celsius,
        double humidity,
        int viewingMm,
        List<BenchTime> benchTime,
        int version) {

    /** One stretch of bench time. */
    public record BenchTime(DayOfWeek weekday, LocalTime fromTime, LocalTime untilTime) {}

    public Workshop {
        benchTime =
                benchTime.stream()
                        .sorted(
                                Comparator.comparing(BenchTime::weekday)
                                        .thenComparing(BenchTime::fromTime))
                        .toList();
        if (name.isBlank() || name.length() > 120) {
            throw new InvalidInput(
                    "Workshop name",
                    name,
                    "must have from 1 to 120 letters",
                    "Give it a name that you know it by.");
        }
        new Climate(celsius, humidity);
        InvalidInput.requireWithin(
                "Viewing distance",
                viewingMm,
                " mm",
                100,
                5000,
                "Measure from the eye to the model on its layout.");
        try {
            ZoneId.of(zoneId);
        } catch (DateTimeException e) {
            throw new InvalidInput(
                    "Time zone", zoneId, "is not known", "Use a name such as Europe/Paris.");
        }
        pattern(benchTime, zoneId);
    }

    /** The air at the bench. */
    public Climate air() {
        return new Climate(celsius, humidity);
    }

    /** The bench time as the diary takes it. */
    public Availability availability() {
        return pattern(benchTime, zoneId);
    }

    private static Availability pattern(List<BenchTime> times, String zoneId) {
        return new Availability(
                times.stream()
                        .map(t -> new Availability.Slot(t.weekday(), t.fromTime(), t.untilTime()))
                        .toList(),
                ZoneId.of(zoneId));
    }
}
