package org.pendrik.core.shelf;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What a file would change on a shelf, before anything is changed. A line means the bottle of the
 * same name and maker; bottles that the file does not name stay, and so does what it has no column
 * for.
 */
public final class ShelfChanges {
    private ShelfChanges() {}

    /** What happens to a bottle. */
    public enum What {
        NEW,
        CHANGED,
        SAME
    }

    /**
     * One field that changes.
     *
     * @param field in words
     * @param from as it is
     * @param to as it would be
     */
    public record Field(String field, String from, String to) {}

    /**
     * What a line does.
     *
     * @param line of the file
     * @param key of the bottle that changes; empty for a new one
     * @param fields that change; empty for a new one
     */
    public record Change(
            long line, What what, Optional<String> key, Bottle bottle, List<Field> fields) {}

    /**
     * The changes of a file, and faults: those of its lines, and bottles that it names twice.
     *
     * @param faults nothing may be stored while there are any
     */
    public record Dry(List<Change> changes, List<ShelfCsv.Fault> faults) {
        public Dry {
            changes = List.copyOf(changes);
            faults = List.copyOf(faults);
        }
    }

    /** A dry run on a shelf, its bottles by key. */
    public static Dry of(ShelfCsv.Read read, Map<String, Bottle> shelf) {
        List<Change> changes = new ArrayList<>();
        List<ShelfCsv.Fault> faults = new ArrayList<>(read.faults());
        List<ShelfCsv.Line> seen = new ArrayList<>();
        for (ShelfCsv.Line l : read.lines()) {
            Bottle b = l.bottle();
            Optional<ShelfCsv.Line> twin =
                    seen.stream().filter(o -> o.bottle().isCalled(b)).findFirst();
            if (twin.isPresent()) {
                faults.add(
                        new ShelfCsv.Fault(
                                l.line(),
                                "name",
                                b.name(),
                                "is named in line " + twin.get().line() + " already",
                                "Keep one of the two lines."));
                continue;
            }
            seen.add(l);
            Optional<Map.Entry<String, Bottle>> known =
                    shelf.entrySet().stream().filter(e -> e.getValue().isCalled(b)).findFirst();
            if (known.isEmpty()) {
                changes.add(new Change(l.line(), What.NEW, Optional.empty(), b, List.of()));
                continue;
            }
            Bottle is = known.get().getValue();
            ShelfCsv.Read over = ShelfCsv.over(is, l, read.columns());
            faults.addAll(over.faults());
            for (ShelfCsv.Line becomes : over.lines()) {
                List<Field> fields = fields(is, becomes.bottle());
                changes.add(
                        new Change(
                                l.line(),
                                fields.isEmpty() ? What.SAME : What.CHANGED,
                                Optional.of(known.get().getKey()),
                                becomes.bottle(),
                                fields));
            }
        }
        return new Dry(changes, faults);
    }

    private static List<Field> fields(Bottle from, Bottle to) {
        Map<String, String> before = written(from);
        Map<String, String> after = written(to);
        List<Field> out = new ArrayList<>();
        before.forEach(
                (k, v) -> {
                    String w = after.getOrDefault(k, "");
                    if (!v.equals(w)) {
                        out.add(new Field(k, v, w));
                    }
                });
        return out;
    }

    /** A bottle by its columns, as a file would have it. */
    private static Map<String, String> written(Bottle b) {
        List<List<String>> rows = CsvCells.of(ShelfCsv.write(List.of(b)));
        Map<String, String> out = new LinkedHashMap<>();
        for (int i = 0; i < rows.getFirst().size(); i++) {
            out.put(rows.get(0).get(i), rows.get(1).get(i));
        }
        return out;
    }
}
