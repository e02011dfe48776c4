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
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps the one workshop of this data folder; makes it with plain settings before anybody asks. */
@Service
public class Workshops implements SmartInitializingSingleton {
    private final WorkshopMapper mapper;
    private final ApplicationEventPublisher events;
    private final TransactionTemplate transaction;
    private @Nullable Kept<Workshop> kept;

    Workshops(
            WorkshopMapper mapper,
            ApplicationEventPublisher events,
            PlatformTransactionManager transactions) {
        this.mapper = mapper;
        this.events = events;
        this.transaction = new TransactionTemplate(transactions);
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
        transaction.executeWithoutResult(_ -> makeWhole());
        kept = new Kept<>(read());
    }

    /**
     * Settings that nobody has stored yet are the plain ones, all of them: a first start may have
     * been cut off when the workshop was there and its bench time was not.
     */
    private void makeWhole() {
        WorkshopMapper.Row row = mapper.find();
        List<Workshop.BenchTime> usual = usualBenchTime();
        if (row == null) {
            mapper.insert(
                    new Workshop(
                            "My workshop", ZoneId.systemDefault().getId(), 21, 0.5, 600, usual, 0));
        }
        if (row == null || (row.version() == 0 && mapper.benchTime().size() < usual.size())) {
            mapper.clearBenchTime();
            usual.forEach(mapper::addBenchTime);
        }
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

    /** The bench time of a workshop that has not told its own: the evenings and a Saturday. */
    public static List<Workshop.BenchTime> usualBenchTime() {
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
        return times;
    }
}
