package org.pendrik.app.workshop;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.Kept;
import org.pendrik.core.diary.Availability.Span;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When somebody is busy elsewhere, by the calendars that were read in. */
@Service
public class BusyTimes implements SmartInitializingSingleton {
    private static final int ROWS_AT_ONCE = 500;

    private final BusyMapper mapper;
    private @Nullable Kept<List<BusyCalendar>> kept;

    BusyTimes(BusyMapper mapper) {
        this.mapper = mapper;
    }

    @Override
    public void afterSingletonsInstantiated() {
        kept = new Kept<>(stored());
    }

    /** All calendars, by name. */
    public List<BusyCalendar> all() {
        return Objects.requireNonNull(kept, "asked for before the start was over").get();
    }

    /** All busy times, in any order; they may overlap. */
    List<Span> busy() {
        return all().stream().flatMap(c -> c.busy().stream()).toList();
    }

    /** Reads a calendar in; one of the same name is replaced. */
    @Transactional
    public List<BusyCalendar> put(BusyCalendar calendar) {
        mapper.delete(calendar.name());
        mapper.insert(new BusyMapper.Row(calendar.name(), calendar.readAt()));
        List<BusyMapper.TimeRow> rows =
                calendar.busy().stream()
                        .distinct()
                        .map(
                                s ->
                                        new BusyMapper.TimeRow(
                                                calendar.name(), s.fromMinute(), s.untilMinute()))
                        .toList();
        for (int i = 0; i < rows.size(); i += ROWS_AT_ONCE) {
            mapper.insertTimes(rows.subList(i, Math.min(rows.size(), i + ROWS_AT_ONCE)));
        }
        return reread();
    }

    /** Lets a calendar go. */
    @Transactional
    public List<BusyCalendar> delete(String name) {
        mapper.delete(name);
        return reread();
    }

    private List<BusyCalendar> reread() {
        List<BusyCalendar> fresh = stored();
        Objects.requireNonNull(kept).set(fresh);
        return fresh;
    }

    private List<BusyCalendar> stored() {
        Map<String, List<Span>> byName = new HashMap<>();
        for (BusyMapper.TimeRow t : mapper.times()) {
            byName.computeIfAbsent(t.calendar(), _ -> new ArrayList<>())
                    .add(new Span(t.fromMinute(), t.untilMinute()));
        }
        return mapper.calendars().stream()
                .map(
                        r ->
                                new BusyCalendar(
                                        r.name(),
                                        r.readAt(),
                                        byName.getOrDefault(r.name(), List.of())))
                .toList();
    }
}
