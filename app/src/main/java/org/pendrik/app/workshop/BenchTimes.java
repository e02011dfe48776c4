package org.pendrik.app.workshop;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.Kept;
import org.pendrik.core.diary.Availability;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When somebody is at the bench: the week of the workshop, and the days that are otherwise. */
@Service
public class BenchTimes implements SmartInitializingSingleton {
    private final Workshops workshops;
    private final BenchChangeMapper mapper;
    private final BusyTimes busyTimes;
    private @Nullable Kept<List<BenchChange>> kept;

    BenchTimes(Workshops workshops, BenchChangeMapper mapper, BusyTimes busyTimes) {
        this.busyTimes = busyTimes;
        this.workshops = workshops;
        this.mapper = mapper;
    }

    @Override
    public void afterSingletonsInstantiated() {
        kept = new Kept<>(mapper.all());
    }

    /** Days that are otherwise, in their order. */
    public List<BenchChange> changes() {
        return Objects.requireNonNull(kept, "asked for before the start was over").get();
    }

    /**
     * The bench time as the diary takes it, without what other calendars have taken.
     *
     * @param fromMinute minutes since 1970-01-01 UTC
     */
    public List<Availability.Span> spans(long fromMinute, int days) {
        return Availability.without(availability().spans(fromMinute, days), busyTimes.busy());
    }

    private Availability availability() {
        Workshop w = workshops.current();
        Availability week = w.availability();
        return new Availability(
                week.slots(), week.zone(), changes().stream().map(BenchChange::asAsked).toList());
    }

    /** Says how a day is otherwise; saying it again changes it. */
    @Transactional
    public List<BenchChange> put(BenchChange change) {
        mapper.put(change);
        return reread();
    }

    /** The day is as its week again. */
    @Transactional
    public List<BenchChange> delete(UUID id) {
        mapper.delete(id);
        return reread();
    }

    private List<BenchChange> reread() {
        List<BenchChange> stored = mapper.all();
        Objects.requireNonNull(kept).set(stored);
        return stored;
    }
}
