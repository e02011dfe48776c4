package org.pendrik.app.backup;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.pendrik.core.units.InvalidInput;

/**
 * What an archive holds; itself the first entry that is read.
 *
 * @param version of the form of archives, {@value #VERSION}
 * @param schema version of the tables
 * @param writtenAt when
 * @param rows of each table, in the order in which they are read in
 * @param files all other entries
 */
record Manifest(
        int version, String schema, Instant writtenAt, Map<String, Long> rows, List<Entry> files) {
    static final int VERSION = 1;
    static final String NAME = "manifest.json";

    /**
     * One entry.
     *
     * @param path in the archive
     * @param bytes unpacked
     * @param sha256 of its content, hexadecimal
     */
    record Entry(String path, long bytes, String sha256) {
        Entry {
            if (!path.matches("tables/[a-z_]{1,60}\\.csv|photographs/[0-9a-f]{2}/[0-9a-f]{64}")
                    || bytes < 0) {
                throw new InvalidInput(
                        "Archive",
                        path,
                        "holds something that is no part of a workshop",
                        "Choose an archive that Pendrik wrote.");
            }
        }
    }

    Manifest {
        if (version != VERSION) {
            throw new InvalidInput(
                    "Archive",
                    "version " + version,
                    "was written by a newer Pendrik than this one",
                    "Start the newer program to restore it.");
        }
    }
}
