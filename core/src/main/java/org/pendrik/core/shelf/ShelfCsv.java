package org.pendrik.core.shelf;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.units.InvalidInput;

/**
 * A shelf as a table (RFC 4180, UTF-8) with a header that names columns and units. Columns may
 * stand in any order; only name and family are needed. What is written reads back as it was.
 */
public final class ShelfCsv {
    private static final int MOST_LINES = 5000;
    private static final int LONGEST_VALUE = 60;
    private static final CSVFormat FORMAT =
            CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).get();

    /** What a spreadsheet would run, and the apostrophes that keep it from that. */
    private static final Pattern FORMULA = Pattern.compile("'*[=+\\-@\\t\\r]");

    private ShelfCsv() {}

    /** The columns: how they are headed, written and read. Each is read after those above it. */
    @SuppressWarnings("ImmutableEnumChecker") // the functions keep nothing
    private enum Column {
        NAME("name", b -> disarmed(b.name()), text(BottleBuilder::name)),
        MAKER("maker", b -> disarmed(b.maker()), text(BottleBuilder::maker)),
        FAMILY("family", b -> disarmed(b.family()), text(BottleBuilder::family)),
        KIND("kind", b -> b.kind().title(), (c, at) -> set(BottleBuilder::kind, c.kind(at))),
        FINISH("finish", Bottle::finish, (c, at) -> set(BottleBuilder::finish, c.finish(at))),
        L("L*", b -> part(b, Lab::l), withTheOthers()),
        A("a*", b -> part(b, Lab::a), withTheOthers()),
        B("b*", b -> part(b, Lab::b), withTheOthers()),
        SRGB("sRGB", b -> b.colour().map(Srgb::toHex).orElse(""), withTheOthers()),
        SOURCE(
                "colour from",
                b -> b.source().name().toLowerCase(Locale.ROOT),
                (c, at) -> set(BottleBuilder::source, c.source(at))),
        HIDING(
                "hiding [%]",
                b -> number(b.hiding() * 100),
                numbers(100 * Bottle.USUAL_HIDING, (out, v) -> out.hiding(v / 100))),
        AMOUNT("amount [ml]", b -> number(b.amountMl()), numbers(0, BottleBuilder::amountMl)),
        FULL(
                "bottle [ml]",
                b -> number(b.fullMl()),
                (c, at) -> {
                    if (c.text(at).isEmpty()) {
                        return out -> out.fullMl(out.amountMl());
                    }
                    return set(BottleBuilder::fullMl, c.number(at, 0));
                }),
        OPENED("opened", b -> date(b.opened()), dates(BottleBuilder::opened)),
        KEEPS("keeps until", b -> date(b.keepsUntil()), dates(BottleBuilder::keepsUntil)),
        PRICE("price [per ml]", b -> number(b.pricePerMl()), numbers(0, BottleBuilder::pricePerMl)),
        PLACE("stands", b -> disarmed(b.place()), text(BottleBuilder::place)),
        DROP(
                "drop [ml]",
                b -> number(b.dropMl()),
                numbers(Ingredient.USUAL_DROP_ML, BottleBuilder::dropMl)),
        STRENGTH("strength", b -> number(b.strength()), numbers(1, BottleBuilder::strength)),
        NOTES("notes", b -> disarmed(b.notes()), text(BottleBuilder::notes)),
        SWATCHES(
                "swatches",
                b -> Swatch.write(b.swatches()),
                (c, at) -> set(BottleBuilder::swatches, Swatch.read(c.text(at))));

        private final String heading;
        private final Function<Bottle, String> cell;
        private final Reading reading;

        Column(String heading, Function<Bottle, String> cell, Reading reading) {
            this.heading = heading;
            this.cell = cell;
            this.reading = reading;
        }

        static Optional<Column> of(String heading) {
            String h = heading.strip().toLowerCase(Locale.ROOT);
            for (Column c : values()) {
                if (c.heading.toLowerCase(Locale.ROOT).equals(h)) {
                    return Optional.of(c);
                }
            }
            return Optional.empty();
        }

        /** Not by itself: together the columns of a colour are one value. */
        private static Reading withTheOthers() {
            return (_, _) -> _ -> {};
        }

        private static Reading text(BiConsumer<BottleBuilder, String> field) {
            return (c, at) -> set(field, c.text(at));
        }

        private static Reading numbers(double usual, BiConsumer<BottleBuilder, Double> field) {
            return (c, at) -> set(field, c.number(at, usual));
        }

        private static Reading dates(BiConsumer<BottleBuilder, Optional<LocalDate>> field) {
            return (c, at) -> set(field, c.date(at));
        }

        private static String part(Bottle b, ToDoubleFunction<Lab> part) {
            return b.colour().map(c -> number(part.applyAsDouble(c))).orElse("");
        }

        private static String date(Optional<LocalDate> date) {
            return date.map(LocalDate::toString).orElse("");
        }
    }

    /** What a cell makes of a bottle. */
    @FunctionalInterface
    private interface Reading {
        Consumer<BottleBuilder> of(Cells cells, Column at);
    }

    /** Up to four columns are one colour. */
    private static final Set<Column> COLOUR = EnumSet.of(Column.L, Column.A, Column.B, Column.SRGB);

    private static <T> Consumer<BottleBuilder> set(BiConsumer<BottleBuilder, T> field, T value) {
        return out -> field.accept(out, value);
    }

    /**
     * What is wrong with a line.
     *
     * @param line of the file, 1 is the header
     * @param column heading; empty when it is the whole line
     * @param value as it stands there
     * @param rule that it breaks
     * @param remedy what helps
     */
    public record Fault(long line, String column, String value, String rule, String remedy) {}

    /**
     * A line that holds.
     *
     * @param line of the file
     * @param bottle a new one that it describes
     * @param over a bottle as the line changes it: what the table has no column for stays as it is;
     *     throws {@link InvalidInput} where the two do not go together
     */
    public record Line(long line, Bottle bottle, UnaryOperator<Bottle> over) {}

    /**
     * Lines that hold, and what is wrong with the others.
     *
     * @param columns that the table has, by their heading
     */
    public record Read(List<Line> lines, List<Fault> faults, Set<String> columns) {
        public Read {
            lines = List.copyOf(lines);
            faults = List.copyOf(faults);
            columns = Set.copyOf(columns);
        }
    }

    /** A bottle as a line changes it. */
    static Read over(Bottle is, Line line, Set<String> columns) {
        try {
            Line changed = new Line(line.line(), line.over().apply(is), line.over());
            return new Read(List.of(changed), List.of(), columns);
        } catch (InvalidInput e) {
            return new Read(List.of(), List.of(fault(line.line(), e)), columns);
        }
    }

    private static Fault fault(long line, InvalidInput e) {
        return new Fault(line, heading(e.field()), shortened(e.value()), e.rule(), e.remedy());
    }

    private static List<Column> written() {
        return Arrays.stream(Column.values()).filter(c -> c != Column.SRGB).toList();
    }

    /** Reads a table; never throws for what stands in it. */
    public static Read read(String text) {
        List<Line> lines = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        String body = text.startsWith("\uFEFF") ? text.substring(1) : text;
        Map<Column, Integer> at = new LinkedHashMap<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(body), FORMAT)) {
            boolean first = true;
            for (CSVRecord r : parser) {
                long line = parser.getCurrentLineNumber();
                if (first) {
                    first = false;
                    if (!header(r, at, faults)) {
                        return new Read(lines, faults, headings(at));
                    }
                    continue;
                }
                if (lines.size() + faults.size() > MOST_LINES) {
                    faults.add(
                            new Fault(
                                    line,
                                    "",
                                    "",
                                    "is beyond " + MOST_LINES + " lines",
                                    "Split the file."));
                    break;
                }
                line(r, line, at, faults).ifPresent(lines::add);
            }
            if (first) {
                faults.add(new Fault(1, "", "", "is empty", "The first line names the columns."));
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            faults.add(
                    new Fault(
                            0,
                            "",
                            "",
                            "is no table: a quotation mark is not closed, or stands within a value",
                            "Put values with commas or quotation marks in quotation marks, and"
                                    + " double those within."));
        }
        return new Read(lines, faults, headings(at));
    }

    private static Set<String> headings(Map<Column, Integer> at) {
        Set<String> out = new LinkedHashSet<>();
        at.keySet().forEach(c -> out.add(c.heading));
        return out;
    }

    private static boolean header(CSVRecord r, Map<Column, Integer> at, List<Fault> faults) {
        int before = faults.size();
        for (int i = 0; i < r.size(); i++) {
            String heading = r.get(i);
            int place = i;
            Optional<Column> c = Column.of(heading);
            if (c.isEmpty()) {
                faults.add(
                        new Fault(
                                1,
                                shortened(heading),
                                shortened(heading),
                                "is no column of a shelf",
                                "Columns are "
                                        + String.join(
                                                ", ",
                                                Arrays.stream(Column.values())
                                                        .map(x -> x.heading)
                                                        .toList())
                                        + "."));
            } else if (at.putIfAbsent(c.get(), place) != null) {
                faults.add(
                        new Fault(1, heading, heading, "is named twice", "Name each column once."));
            }
        }
        for (Column needed : List.of(Column.NAME, Column.FAMILY)) {
            if (!at.containsKey(needed)) {
                faults.add(
                        new Fault(
                                1,
                                needed.heading,
                                "",
                                "is missing from the header",
                                "Add the column; the others may be left out."));
            }
        }
        return faults.size() == before;
    }

    private static String shortened(String v) {
        return v.length() > LONGEST_VALUE ? v.substring(0, LONGEST_VALUE) + "…" : v;
    }

    /** A cell that is being read. */
    private static final class Cells {
        private final CSVRecord record;
        private final long line;
        private final Map<Column, Integer> at;
        private final List<Fault> faults;

        Cells(CSVRecord record, long line, Map<Column, Integer> at, List<Fault> faults) {
            this.record = record;
            this.line = line;
            this.at = at;
            this.faults = faults;
        }

        String text(Column c) {
            Integer i = at.get(c);
            return i == null || i >= record.size() ? "" : armed(record.get(i).strip());
        }

        void wrong(Column c, String rule, String remedy) {
            faults.add(new Fault(line, c.heading, shortened(text(c)), rule, remedy));
        }

        double number(Column c, double fallback) {
            String t = text(c);
            if (t.isEmpty()) {
                return fallback;
            }
            try {
                double v = Double.parseDouble(t);
                if (Double.isFinite(v) && t.matches("[-+0-9.eE]+")) {
                    return v;
                }
            } catch (NumberFormatException e) {
                // told below
            }
            wrong(c, "is not a number", "Use a point for decimals and no unit.");
            return fallback;
        }

        Optional<LocalDate> date(Column c) {
            String t = text(c);
            if (t.isEmpty()) {
                return Optional.empty();
            }
            try {
                return Optional.of(LocalDate.parse(t));
            } catch (DateTimeParseException e) {
                wrong(c, "is not a date", "Write it as year-month-day: 2026-03-14.");
                return Optional.empty();
            }
        }

        Bottle.Kind kind(Column c) {
            if (text(c).isEmpty()) {
                return Bottle.Kind.PAINT;
            }
            Optional<Bottle.Kind> kind = Bottle.Kind.of(text(c));
            if (kind.isEmpty()) {
                wrong(
                        c,
                        "is not a kind",
                        "Use paint, clear, metallic, fluorescent, powder or liquid.");
            }
            return kind.orElse(Bottle.Kind.PAINT);
        }

        String finish(Column c) {
            String finish = text(c).toLowerCase(Locale.ROOT);
            return finish.isEmpty() ? Bottle.USUAL_FINISH : finish;
        }

        Bottle.Source source(Column c) {
            String source = text(c).toLowerCase(Locale.ROOT);
            if (!List.of("", "typed", "measured").contains(source)) {
                wrong(c, "is not known", "Use typed or measured.");
            }
            return source.equals("measured") ? Bottle.Source.MEASURED : Bottle.Source.TYPED;
        }

        Optional<Lab> colour() {
            String hex = text(Column.SRGB);
            boolean lab =
                    !text(Column.L).isEmpty()
                            || !text(Column.A).isEmpty()
                            || !text(Column.B).isEmpty();
            if (lab) {
                return Optional.of(
                        new Lab(number(Column.L, 0), number(Column.A, 0), number(Column.B, 0)));
            }
            if (hex.isEmpty()) {
                return Optional.empty();
            }
            if (!hex.matches("#?[0-9a-fA-F]{6}")) {
                wrong(Column.SRGB, "is not a colour", "Write it as #rrggbb.");
                return Optional.empty();
            }
            return Optional.of(Srgb.toLab(Integer.parseInt(hex.substring(hex.length() - 6), 16)));
        }
    }

    private static Optional<Line> line(
            CSVRecord r, long line, Map<Column, Integer> at, List<Fault> faults) {
        int before = faults.size();
        Cells c = new Cells(r, line, at, faults);
        if (r.size() > at.size()) {
            faults.add(
                    new Fault(
                            line,
                            "",
                            r.size() + " values",
                            "must have no more values than the header names",
                            "Put values with commas in quotation marks."));
            return Optional.empty();
        }
        try {
            List<Consumer<BottleBuilder>> said = new ArrayList<>();
            for (Column column : Column.values()) {
                if (at.containsKey(column)) {
                    said.add(column.reading.of(c, column));
                }
            }
            if (!Collections.disjoint(at.keySet(), COLOUR)) {
                said.add(set(BottleBuilder::colour, c.colour()));
            }
            if (faults.size() > before) {
                return Optional.empty();
            }
            Bottle fresh = built(Bottle.usual(), said);
            return Optional.of(
                    new Line(
                            line,
                            at.containsKey(Column.FULL)
                                    ? fresh
                                    : BottleBuilder.builder(fresh).fullMl(fresh.amountMl()).build(),
                            is -> built(BottleBuilder.builder(is), said)));
        } catch (InvalidInput e) {
            faults.add(fault(line, e));
            return Optional.empty();
        }
    }

    private static Bottle built(BottleBuilder from, List<Consumer<BottleBuilder>> said) {
        said.forEach(s -> s.accept(from));
        return from.build();
    }

    /** The column that a field of a bottle stands in. */
    private static String heading(String field) {
        return switch (field) {
            case "Hiding" -> Column.HIDING.heading;
            case "Amount" -> Column.AMOUNT.heading;
            case "Bottle" -> Column.FULL.heading;
            case "Price" -> Column.PRICE.heading;
            case "Place" -> Column.PLACE.heading;
            case "Drop" -> Column.DROP.heading;
            case "Share in the white",
                    "Swatch over black",
                    "L* of a swatch",
                    "a* of a swatch",
                    "b* of a swatch" ->
                    Column.SWATCHES.heading;
            default -> Column.of(field).map(c -> c.heading).orElse(field.toLowerCase(Locale.ROOT));
        };
    }

    /** The table of a shelf, all columns but sRGB. */
    public static String write(List<Bottle> bottles) {
        return write(bottles, written());
    }

    /** The table of some colours and no more: read over a shelf, it leaves the rest as it is. */
    public static String writeColours(List<Bottle> bottles) {
        return write(
                bottles,
                List.of(Column.NAME, Column.MAKER, Column.FAMILY, Column.L, Column.A, Column.B));
    }

    private static String write(List<Bottle> bottles, List<Column> columns) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(out, FORMAT)) {
            printer.printRecord(columns.stream().map(c -> c.heading).toList());
            for (Bottle b : bottles) {
                printer.printRecord(columns.stream().map(c -> c.cell.apply(b)).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /**
     * A text as a spreadsheet may open it: one that begins like a formula gets an apostrophe in
     * front, and so does one that begins with such an apostrophe, so that reading gives it back.
     */
    static String disarmed(String text) {
        return FORMULA.matcher(text).lookingAt() ? "'" + text : text;
    }

    private static String armed(String text) {
        return text.startsWith("'") && FORMULA.matcher(text).lookingAt() ? text.substring(1) : text;
    }

    /** At most six places, without zeros at the end. */
    static String number(double v) {
        return java.math.BigDecimal.valueOf(v)
                .setScale(6, java.math.RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
