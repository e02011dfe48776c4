package org.pendrik.core.shelf;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
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

    /** The columns, by their heading. */
    private enum Column {
        NAME("name"),
        MAKER("maker"),
        FAMILY("family"),
        KIND("kind"),
        FINISH("finish"),
        L("L*"),
        A("a*"),
        B("b*"),
        SRGB("sRGB"),
        SOURCE("colour from"),
        HIDING("hiding [%]"),
        AMOUNT("amount [ml]"),
        FULL("bottle [ml]"),
        OPENED("opened"),
        KEEPS("keeps until"),
        PRICE("price [per ml]"),
        PLACE("stands"),
        DROP("drop [ml]"),
        STRENGTH("strength"),
        NOTES("notes"),
        SWATCHES("swatches");

        private final String heading;

        Column(String heading) {
            this.heading = heading;
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
     */
    public record Line(long line, Bottle bottle) {}

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

    /**
     * A bottle as a line changes it: what the table has no column for stays as it is.
     *
     * @param columns that the table has
     */
    static Read over(Bottle is, Line line, Set<String> columns) {
        Values v = new Values(is, line.bottle(), columns);
        try {
            Bottle changed =
                    new Bottle(
                            v.of(Bottle::name, Column.NAME),
                            v.of(Bottle::maker, Column.MAKER),
                            v.of(Bottle::family, Column.FAMILY),
                            v.of(Bottle::kind, Column.KIND),
                            v.of(Bottle::finish, Column.FINISH),
                            v.of(Bottle::colour, Column.L, Column.A, Column.B, Column.SRGB),
                            v.of(Bottle::source, Column.SOURCE),
                            v.of(Bottle::hiding, Column.HIDING),
                            v.of(Bottle::amountMl, Column.AMOUNT),
                            v.of(Bottle::fullMl, Column.FULL),
                            v.of(Bottle::opened, Column.OPENED),
                            v.of(Bottle::keepsUntil, Column.KEEPS),
                            v.of(Bottle::pricePerMl, Column.PRICE),
                            v.of(Bottle::place, Column.PLACE),
                            v.of(Bottle::dropMl, Column.DROP),
                            v.of(Bottle::strength, Column.STRENGTH),
                            v.of(Bottle::notes, Column.NOTES),
                            v.of(Bottle::swatches, Column.SWATCHES));
            return new Read(List.of(new Line(line.line(), changed)), List.of(), columns);
        } catch (InvalidInput e) {
            return new Read(List.of(), List.of(fault(line.line(), e)), columns);
        }
    }

    /** The values of a line where the table has their column, else those of a bottle. */
    private record Values(Bottle is, Bottle said, Set<String> columns) {
        <T> T of(Function<Bottle, T> field, Column... any) {
            boolean named = Arrays.stream(any).anyMatch(c -> columns.contains(c.heading));
            return field.apply(named ? said : is);
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
                bottle(r, line, at, faults).ifPresent(b -> lines.add(new Line(line, b)));
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

    private static Optional<Bottle> bottle(
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
        String kindText = c.text(Column.KIND);
        Bottle.Kind kind =
                kindText.isEmpty()
                        ? Bottle.Kind.PAINT
                        : Bottle.Kind.of(kindText)
                                .orElseGet(
                                        () -> {
                                            c.wrong(
                                                    Column.KIND,
                                                    "is not a kind",
                                                    "Use paint, clear, metallic, fluorescent, powder"
                                                            + " or liquid.");
                                            return Bottle.Kind.PAINT;
                                        });
        Optional<Lab> colour = c.colour();
        double hiding = c.number(Column.HIDING, 90);
        double amount = c.number(Column.AMOUNT, 0);
        double full = c.number(Column.FULL, amount);
        Optional<LocalDate> opened = c.date(Column.OPENED);
        Optional<LocalDate> keeps = c.date(Column.KEEPS);
        double price = c.number(Column.PRICE, 0);
        double drop = c.number(Column.DROP, Ingredient.USUAL_DROP_ML);
        double strength = c.number(Column.STRENGTH, 1);
        String source = c.text(Column.SOURCE).toLowerCase(Locale.ROOT);
        if (!List.of("", "typed", "measured").contains(source)) {
            c.wrong(Column.SOURCE, "is not known", "Use typed or measured.");
        }
        String finish = c.text(Column.FINISH).toLowerCase(Locale.ROOT);
        if (faults.size() > before) {
            return Optional.empty();
        }
        try {
            return Optional.of(
                    new Bottle(
                            c.text(Column.NAME),
                            c.text(Column.MAKER),
                            c.text(Column.FAMILY),
                            kind,
                            finish.isEmpty() ? "flat" : finish,
                            colour,
                            source.equals("measured")
                                    ? Bottle.Source.MEASURED
                                    : Bottle.Source.TYPED,
                            hiding / 100,
                            amount,
                            full,
                            opened,
                            keeps,
                            price,
                            c.text(Column.PLACE),
                            drop,
                            strength,
                            c.text(Column.NOTES),
                            Swatch.read(c.text(Column.SWATCHES))));
        } catch (InvalidInput e) {
            faults.add(fault(line, e));
            return Optional.empty();
        }
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
                printer.printRecord(columns.stream().map(c -> cell(b, c)).toList());
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

    private static String cell(Bottle b, Column c) {
        return switch (c) {
            case NAME -> disarmed(b.name());
            case MAKER -> disarmed(b.maker());
            case FAMILY -> disarmed(b.family());
            case KIND -> b.kind().title();
            case FINISH -> b.finish();
            case L -> b.colour().map(x -> number(x.l())).orElse("");
            case A -> b.colour().map(x -> number(x.a())).orElse("");
            case B -> b.colour().map(x -> number(x.b())).orElse("");
            case SRGB -> b.colour().map(Srgb::toHex).orElse("");
            case SOURCE -> b.source().name().toLowerCase(Locale.ROOT);
            case HIDING -> number(b.hiding() * 100);
            case AMOUNT -> number(b.amountMl());
            case FULL -> number(b.fullMl());
            case OPENED -> b.opened().map(LocalDate::toString).orElse("");
            case KEEPS -> b.keepsUntil().map(LocalDate::toString).orElse("");
            case PRICE -> number(b.pricePerMl());
            case PLACE -> disarmed(b.place());
            case DROP -> number(b.dropMl());
            case STRENGTH -> number(b.strength());
            case NOTES -> disarmed(b.notes());
            case SWATCHES -> Swatch.write(b.swatches());
        };
    }

    /** At most six places, without zeros at the end. */
    static String number(double v) {
        return java.math.BigDecimal.valueOf(v)
                .setScale(6, java.math.RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
