package org.pendrik.app.workshop;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.store.Kept;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the one workshop of this data folder; makes it with plain settings before anybody asks. */
@Service
public class Workshops implements SmartInitializingSingleton {
    private final WorkshopMapper mapper;
    private final ApplicationEventPublisher events;
    private @Nullable Kept<Workshop> kept;

    Workshops(WorkshopMapper mapper, ApplicationEventPublisher events) {
        this.mapper = mapper;
        this.events = events;
    }

    /**
     * The settings were changed.
     *
     * @param workshop as it is now
     */
    record Changed(Workshop workshop) {}

    /** Two first questions at once must not both make it, so it is made before the first. */
    @Override
    public void afterSingletonsInstantiated() {
        if (mapper.find() == null) {
            Workshop fresh = fresh();
            mapper.insert(fresh);
            fresh.benchTime().forEach(mapper::addBenchTime);
        }
        kept = new Kept<>(read());
    }

    /** The workshop as it is. */
    public Workshop current() {
        return Objects.requireNonNull(kept, "asked for before the start was over").get();
    }

    private Workshop read() {
        WorkshopMapper.Row row = Objects.requireNonNull(mapper.find());
        return new Workshop(
                row.name(),
                row.zoneId(),
                row.celsius(),
                row.humidity(),
                row.viewingMm(),
                mapper.benchTime(),
                row.version());
    }

    /** Stores changed settings. */
    @Transactional
    public Workshop save(Workshop changed) {
        StaleVersion.unlessOne(mapper.update(changed), "The workshop");
        mapper.clearBenchTime();
        changed.benchTime().forEach(mapper::addBenchTime);
        Workshop stored = read();
        Objects.requireNonNull(kept).set(stored);
        events.publishEvent(new Changed(stored));
        return stored;
    }

    private static Workshop fresh() {
        List<Workshop.BenchTime> times = new ArrayList<>();
        for (DayOfWeek d : DayOfWeek.values()) {
            boolean saturday = d == DayOfWeek.SATURDAY;
            if (d != DayOfWeek.SUNDAY) {
                times.add(
                        new Workshop.BenchTime(
                                d,
                                LocalTime.of(saturday ? 10 : 19, 0),
                                LocalTime.of(saturday ? 17 : 22, 0)));
            }
        }
        return new Workshop("My workshop", ZoneId.systemDefault().getId(), 21, 0.5, 600, times, 0);
    }
}
