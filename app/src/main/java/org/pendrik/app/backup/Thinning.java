package org.pendrik.app.backup;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.YearMonth;
import java.time.temporal.TemporalAdjusters;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * Which backups stay: the newest of each of the last seven days, four weeks and twelve months that
 * have one.
 */
final class Thinning {
    private static final int DAYS = 7;
    private static final int WEEKS = 4;
    private static final int MONTHS = 12;

    private Thinning() {}

    /** The moments among these that stay. */
    static Set<LocalDateTime> kept(Collection<LocalDateTime> all) {
        List<LocalDateTime> newestFirst =
                all.stream().sorted(Comparator.reverseOrder()).distinct().toList();
        Set<LocalDateTime> out = new HashSet<>();
        keep(newestFirst, DAYS, LocalDateTime::toLocalDate, out);
        keep(newestFirst, WEEKS, Thinning::week, out);
        keep(newestFirst, MONTHS, YearMonth::from, out);
        return out;
    }

    /** The Monday of its week. */
    private static LocalDate week(LocalDateTime t) {
        return t.toLocalDate().with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
    }

    private static void keep(
            List<LocalDateTime> newestFirst,
            int most,
            Function<LocalDateTime, Object> span,
            Set<LocalDateTime> out) {
        Set<Object> seen = new HashSet<>();
        for (LocalDateTime t : newestFirst) {
            if (seen.size() < most && seen.add(span.apply(t))) {
                out.add(t);
            }
        }
    }
}
