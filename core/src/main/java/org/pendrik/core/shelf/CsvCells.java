package org.pendrik.core.shelf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;

/** The cells of a table that this program wrote. */
final class CsvCells {
    private CsvCells() {}

    static List<List<String>> of(String csv) {
        try (CSVParser p = CSVParser.parse(csv, CSVFormat.RFC4180)) {
            return p.getRecords().stream().map(r -> r.stream().toList()).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
