package org.pendrik.core.tables;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * One table of priors: comma separated (RFC 4180), a header of column names, comments after {@code
 * #}.
 */
public final class DomainTable {
    private static final CSVFormat FORMAT =
            CSVFormat.RFC4180
                    .builder()
                    .setHeader()
                    .setSkipHeaderRecord(true)
                    .setCommentMarker('#')
                    .setIgnoreEmptyLines(true)
                    .setTrim(true)
                    .get();

    private DomainTable() {}

    /**
     * Reads a table that stands beside a class and maps each row.
     *
     * @param owner the class whose package holds the file
     * @param file the file name
     * @param mapper makes a value of a row; a thrown {@link IllegalArgumentException} becomes a
     *     report of the line
     * @throws IllegalStateException when the file is missing or a line is bad; the message names
     *     file and line
     */
    public static <T> List<T> load(Class<?> owner, String file, Function<Row, T> mapper) {
        var stream = owner.getResourceAsStream(file);
        if (stream == null) {
            throw new IllegalStateException("Table " + file + " is missing from the program.");
        }
        try (Reader reader = new InputStreamReader(stream, StandardCharsets.UTF_8)) {
            return read(file, reader, mapper);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Reads a table from any reader; as {@link #load} otherwise. */
    public static <T> List<T> read(String file, Reader reader, Function<Row, T> mapper)
            throws IOException {
        List<T> out = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(reader, FORMAT)) {
            for (CSVRecord r : parser) {
                long line = parser.getCurrentLineNumber();
                try {
                    if (!r.isConsistent()) {
                        throw new IllegalArgumentException(
                                "it has "
                                        + r.size()
                                        + " columns, the header names "
                                        + parser.getHeaderNames().size());
                    }
                    out.add(mapper.apply(new Row(file, line, r.toMap())));
                } catch (IllegalArgumentException e) {
                    throw new IllegalStateException(
                            file + ", line " + line + ": " + e.getMessage(), e);
                }
            }
        }
        return List.copyOf(out);
    }

    /** One row, read by column name. */
    public static final class Row {
        private final String file;
        private final long line;
        private final Map<String, String> values;

        private Row(String file, long line, Map<String, String> values) {
            this.file = file;
            this.line = line;
            this.values = values;
        }

        /** The columns, in the order of the header. */
        public Set<String> names() {
            return values.keySet();
        }

        /** The same row with other text in some columns. */
        public Row with(Map<String, String> cells) {
            Map<String, String> changed = new LinkedHashMap<>(values);
            changed.putAll(cells);
            return new Row(file, line, changed);
        }

        /**
         * Maps the row.
         *
         * @throws IllegalStateException when it is bad; the message names file and line
         */
        public <T> T read(Function<Row, T> mapper) {
            try {
                return mapper.apply(this);
            } catch (IllegalArgumentException e) {
                throw new IllegalStateException(file + ", line " + line + ": " + e.getMessage(), e);
            }
        }

        /** The text of a column, trimmed, possibly empty. */
        public String text(String column) {
            String t = values.get(column);
            if (t == null) {
                throw new IllegalArgumentException("column " + column + " is missing");
            }
            return t;
        }

        /** Whether the column holds anything in this row. */
        public boolean has(String column) {
            return !text(column).isEmpty();
        }

        /** A number; refuses text that is none. */
        public double number(String column) {
            return parse(column, text(column));
        }

        /** A number, or the fallback when the column is empty. */
        public double number(String column, double fallback) {
            return has(column) ? number(column) : fallback;
        }

        /** A yes/no column; empty is no. */
        public boolean yes(String column) {
            return switch (text(column)) {
                case "yes" -> true;
                case "no", "" -> false;
                default ->
                        throw new IllegalArgumentException(
                                column + " (" + text(column) + ") must be yes, no or empty");
            };
        }

        /** One of an enum's names. */
        public <E extends Enum<E>> E of(String column, Class<E> type) {
            try {
                return Enum.valueOf(type, text(column));
            } catch (IllegalArgumentException e) {
                throw new IllegalArgumentException(
                        column
                                + " ("
                                + text(column)
                                + ") is not one of "
                                + List.of(type.getEnumConstants()),
                        e);
            }
        }

        private static double parse(String column, String text) {
            try {
                return Double.parseDouble(text);
            } catch (NumberFormatException e) {
                throw new IllegalArgumentException(column + " (" + text + ") is not a number", e);
            }
        }
    }
}
