package org.pendrik.app.record;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import tools.jackson.core.JacksonException;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** A job with its pictures as one file: a ZIP of its record and of each file under its hash. */
@Service
class JobArchives {
    private static final String RECORD = "record.json";
    private static final String FILES = "photographs/";
    private static final int MOST_RECORD_BYTES = 16 << 20;
    private static final int MOST_FILE_BYTES = 64 << 20;
    private static final int MOST_FILES = 500;

    private final Records records;
    private final RecordReader reader;
    private final Photographs photographs;
    private final JsonMapper json;

    JobArchives(Records records, RecordReader reader, Photographs photographs, JsonMapper json) {
        this.records = records;
        this.reader = reader;
        this.photographs = photographs;
        this.json = json;
    }

    /** Writes a job; a file that is missing or damaged is left out, the record tells its hash. */
    void write(UUID jobId, OutputStream out) throws IOException {
        JobRecord r = records.of(jobId);
        ZipOutputStream zip = new ZipOutputStream(out);
        put(zip, RECORD, json.writeValueAsBytes(r));
        zip.setLevel(Deflater.NO_COMPRESSION);
        Set<String> hashes = new LinkedHashSet<>();
        r.photographs().forEach(p -> hashes.add(p.sha256()));
        if (r.artworks() != null) {
            r.artworks().forEach(a -> hashes.add(a.sha256()));
        }
        for (String hash : hashes) {
            if (photographs.isWhole(hash)) {
                put(zip, FILES + hash, photographs.file(hash));
            }
        }
        zip.finish();
    }

    private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
        ZipEntry e = new ZipEntry(name);
        e.setTime(0);
        zip.putNextEntry(e);
        zip.write(content);
        zip.closeEntry();
    }

    /**
     * Reads one in as a new job.
     *
     * @throws InvalidInput when it is no such file, is damaged, or its record is refused
     */
    RecordReader.ReadIn readIn(Path file) {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            byte[] record = content(zip, RECORD, MOST_RECORD_BYTES);
            Map<String, Object> tree;
            try {
                tree =
                        json.readValue(
                                record, new TypeReference<LinkedHashMap<String, Object>>() {});
            } catch (JacksonException e) {
                throw refused(RECORD, "is not JSON");
            }
            for (String name : names(zip)) {
                byte[] content = content(zip, name, MOST_FILE_BYTES);
                String hash = photographs.keepFile(content);
                if (!name.equals(FILES + hash)) {
                    throw refused(name, "is damaged: it is not what its name says");
                }
            }
            return reader.readIn(tree);
        } catch (ZipException e) {
            throw refused("the file", "is no archive, or is cut off");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Set<String> names(ZipFile zip) {
        Set<String> out = new LinkedHashSet<>();
        try (Stream<? extends ZipEntry> all = zip.stream()) {
            all.map(ZipEntry::getName).filter(n -> !n.equals(RECORD)).forEach(out::add);
        }
        for (String n : out) {
            if (!n.matches(FILES + "[0-9a-f]{64}")) {
                throw refused(n, "is no part of a job");
            }
        }
        if (out.size() > MOST_FILES) {
            throw refused(out.size() + " files", "are more than " + MOST_FILES);
        }
        return out;
    }

    private static byte[] content(ZipFile zip, String name, int most) throws IOException {
        ZipEntry e = zip.getEntry(name);
        if (e == null) {
            throw refused(name, "is missing");
        }
        try (InputStream in = zip.getInputStream(e)) {
            byte[] all = in.readNBytes(most + 1);
            if (all.length > most) {
                throw refused(name, "is larger than " + (most >> 20) + " MB");
            }
            return all;
        }
    }

    private static InvalidInput refused(String what, String how) {
        return new InvalidInput(
                "Archive of a job", what, how, "Choose a file that Pendrik wrote of a job.");
    }
}
