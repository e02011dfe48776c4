package org.pendrik.app.backup;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Reader;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.QuoteMode;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.configuration.FluentConfiguration;
import org.pendrik.app.store.DatabaseFile;
import org.pendrik.app.store.SafeFiles;
import org.pendrik.core.units.InvalidInput;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * A workshop as one file: a ZIP of a table a CSV, the photographs under their hashes, and a
 * manifest with the hash of each. Tables are read in as data and never run, so an archive of a
 * stranger can hold nothing but a workshop.
 */
final class Archive {
    /** What is not quoted and empty is nothing; what is quoted and empty is an empty text. */
    private static final CSVFormat CSV =
            CSVFormat.RFC4180.builder().setQuoteMode(QuoteMode.ALL_NON_NULL).get();

    private static final int MANIFEST_BYTES = 64 * 1024 * 1024;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private Archive() {}

    /**
     * Writes everything as it is at this moment.
     *
     * @param c of a database at rest or one that others go on using; one snapshot is read
     * @param root the data folder
     * @param target replaced when it is there
     */
    static Manifest write(Connection c, Path root, Path target, Instant now)
            throws IOException, SQLException {
        boolean auto = c.getAutoCommit();
        c.setTransactionIsolation(Connection.TRANSACTION_SERIALIZABLE);
        c.setAutoCommit(false);
        try {
            Manifest[] written = new Manifest[1];
            SafeFiles.write(
                    target,
                    out -> {
                        try {
                            written[0] = write(c, root, out, now);
                        } catch (SQLException e) {
                            throw new IOException(e.getMessage(), e);
                        }
                    });
            return written[0];
        } finally {
            c.rollback();
            c.setAutoCommit(auto);
        }
    }

    private static Manifest write(Connection c, Path root, OutputStream out, Instant now)
            throws IOException, SQLException {
        Map<String, Long> rows = new LinkedHashMap<>();
        List<Manifest.Entry> files = new ArrayList<>();
        ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
        for (String table : DatabaseFile.tables(c)) {
            long[] count = new long[1];
            files.add(
                    entry(
                            zip,
                            "tables/" + table.toLowerCase(java.util.Locale.ROOT) + ".csv",
                            now,
                            to -> count[0] = table(c, table, to)));
            rows.put(table.toLowerCase(java.util.Locale.ROOT), count[0]);
        }
        // photographs are packed already
        zip.setLevel(Deflater.NO_COMPRESSION);
        for (Path p : photographs(root)) {
            String name = p.getFileName().toString();
            files.add(
                    entry(
                            zip,
                            "photographs/" + name.substring(0, 2) + "/" + name,
                            now,
                            to -> Files.copy(p, to)));
        }
        zip.setLevel(Deflater.DEFAULT_COMPRESSION);
        Manifest m = new Manifest(Manifest.VERSION, schema(c), now, rows, files);
        ZipEntry e = new ZipEntry(Manifest.NAME);
        e.setTime(now.toEpochMilli());
        zip.putNextEntry(e);
        zip.write(JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(m));
        zip.closeEntry();
        zip.finish();
        zip.flush();
        return m;
    }

    @FunctionalInterface
    private interface Content {
        void to(OutputStream out) throws IOException, SQLException;
    }

    private static Manifest.Entry entry(
            ZipOutputStream zip, String path, Instant now, Content content)
            throws IOException, SQLException {
        ZipEntry e = new ZipEntry(path);
        e.setTime(now.toEpochMilli());
        zip.putNextEntry(e);
        MessageDigest sha = sha256();
        long[] bytes = new long[1];
        OutputStream counted =
                new DigestOutputStream(zip, sha) {
                    @Override
                    public void write(int b) throws IOException {
                        super.write(b);
                        bytes[0]++;
                    }

                    @Override
                    public void write(byte[] b, int from, int length) throws IOException {
                        super.write(b, from, length);
                        bytes[0] += length;
                    }
                };
        content.to(counted);
        counted.flush();
        zip.closeEntry();
        return new Manifest.Entry(path, bytes[0], HexFormat.of().formatHex(sha.digest()));
    }

    /** The photographs of a data folder, in the order of their hashes. */
    private static List<Path> photographs(Path root) throws IOException {
        Path folder = root.resolve("photographs");
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> all = Files.walk(folder, 2)) {
            return all.filter(p -> p.getFileName().toString().matches("[0-9a-f]{64}"))
                    .filter(Files::isRegularFile)
                    .sorted()
                    .toList();
        }
    }

    private static String schema(Connection c) throws SQLException {
        try (Statement s = c.createStatement();
                ResultSet r =
                        s.executeQuery(
                                """
                                select "version" from "flyway_schema_history"
                                where "version" is not null and "success" order by "installed_rank" desc
                                limit 1
                                """)) {
            if (!r.next()) {
                throw new SQLException("the tables have no version");
            }
            return r.getString(1);
        }
    }

    private static List<String> columns(Connection c, String table) throws SQLException {
        List<String> out = new ArrayList<>();
        try (PreparedStatement s =
                c.prepareStatement(
                        """
                        select column_name from information_schema.columns
                        where table_schema = 'PUBLIC' and lower(table_name) = lower(?) and is_generated = 'NEVER'
                        order by ordinal_position
                        """)) {
            s.setString(1, table);
            try (ResultSet r = s.executeQuery()) {
                while (r.next()) {
                    out.add(r.getString(1));
                }
            }
        }
        return out;
    }

    private static String quoted(List<String> names) {
        return names.stream().map(n -> '"' + n + '"').collect(Collectors.joining(", "));
    }

    private static long table(Connection c, String table, OutputStream to)
            throws IOException, SQLException {
        List<String> columns = columns(c, table);
        long rows = 0;
        Writer text = new OutputStreamWriter(to, StandardCharsets.UTF_8);
        try (Statement s = c.createStatement();
                ResultSet r =
                        s.executeQuery(
                                "select "
                                        + quoted(columns)
                                        + " from \""
                                        + table
                                        + "\" order by "
                                        + quoted(columns))) {
            CSVPrinter csv = new CSVPrinter(text, CSV);
            csv.printRecord(
                    columns.stream().map(n -> n.toLowerCase(java.util.Locale.ROOT)).toList());
            while (r.next()) {
                for (int i = 1; i <= columns.size(); i++) {
                    csv.print(r.getString(i));
                }
                csv.println();
                rows++;
            }
            csv.flush();
        }
        return rows;
    }

    /**
     * Restores an archive into an empty folder, every hash and count compared on the way.
     *
     * @throws InvalidInput when it is no archive, is damaged, or of a newer program
     */
    static Manifest unpack(Path archive, Path folder) throws IOException {
        try (ZipFile zip = new ZipFile(archive.toFile(), StandardCharsets.UTF_8)) {
            Manifest m = manifest(zip);
            Set<String> listed = new HashSet<>(Set.of(Manifest.NAME));
            for (Manifest.Entry e : m.files()) {
                listed.add(e.path());
                unpack(zip, e, folder);
            }
            zip.stream()
                    .map(ZipEntry::getName)
                    .filter(n -> !listed.contains(n))
                    .findFirst()
                    .ifPresent(
                            n -> {
                                throw damaged(n, "is not in its manifest");
                            });
            load(m, folder);
            SafeFiles.deleteAll(folder.resolve("tables"));
            return m;
        } catch (java.util.zip.ZipException e) {
            throw damaged(archive.getFileName().toString(), "is no archive, or is cut off");
        } catch (SQLException e) {
            throw new InvalidInput(
                    "Archive",
                    archive.getFileName().toString(),
                    "holds tables that do not fit together: "
                            + String.valueOf(e.getMessage()).lines().findFirst().orElse(""),
                    "Choose another archive.");
        }
    }

    private static InvalidInput damaged(String what, String how) {
        return new InvalidInput("Archive", what, how, "Choose another archive.");
    }

    private static Manifest manifest(ZipFile zip) throws IOException {
        ZipEntry e = zip.getEntry(Manifest.NAME);
        if (e == null) {
            throw damaged("without a manifest", "is not one that Pendrik wrote");
        }
        try (InputStream in = zip.getInputStream(e)) {
            return JSON.readValue(in.readNBytes(MANIFEST_BYTES), Manifest.class);
        } catch (JacksonException bad) {
            for (Throwable t = bad; t != null; t = t.getCause()) {
                if (t instanceof InvalidInput i) {
                    throw i;
                }
            }
            throw damaged(Manifest.NAME, "cannot be read");
        }
    }

    private static void unpack(ZipFile zip, Manifest.Entry e, Path folder) throws IOException {
        ZipEntry entry = zip.getEntry(e.path());
        if (entry == null) {
            throw damaged(e.path(), "is missing");
        }
        MessageDigest sha = sha256();
        Path to = folder.resolve(e.path());
        Files.createDirectories(to.getParent());
        long left = e.bytes();
        try (InputStream in = zip.getInputStream(entry);
                OutputStream out = Files.newOutputStream(to)) {
            byte[] buffer = new byte[1 << 16];
            for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
                left -= n;
                if (left < 0) {
                    break;
                }
                sha.update(buffer, 0, n);
                out.write(buffer, 0, n);
            }
        }
        String hash = HexFormat.of().formatHex(sha.digest());
        boolean named = !e.path().startsWith("photographs/") || e.path().endsWith(hash);
        if (left != 0 || !hash.equals(e.sha256()) || !named) {
            throw damaged(e.path(), "is damaged: it is not what its manifest says");
        }
        SafeFiles.force(to);
    }

    private static void load(Manifest m, Path folder) throws IOException, SQLException {
        FluentConfiguration schema =
                Flyway.configure().dataSource(DatabaseFile.url(folder), "pendrik", "");
        boolean known =
                java.util.Arrays.stream(schema.load().info().all())
                        .anyMatch(i -> String.valueOf(i.getVersion()).equals(m.schema()));
        if (!known) {
            throw new InvalidInput(
                    "Archive",
                    "tables of version " + m.schema(),
                    "was written by a newer Pendrik than this one",
                    "Start the newer program to restore it.");
        }
        schema.target(m.schema()).load().migrate();
        try (Connection c = DatabaseFile.open(folder)) {
            c.setAutoCommit(false);
            List<String> tables = DatabaseFile.tables(c);
            for (String table : tables) {
                String name = table.toLowerCase(java.util.Locale.ROOT);
                Long rows = m.rows().get(name);
                if (rows == null) {
                    throw damaged("tables/" + name + ".csv", "is missing");
                }
                long read = read(c, table, folder.resolve("tables").resolve(name + ".csv"));
                if (read != rows) {
                    throw damaged(name, "has " + read + " rows of " + rows);
                }
            }
            c.commit();
        }
    }

    private static long read(Connection c, String table, Path file)
            throws IOException, SQLException {
        try (Statement s = c.createStatement()) {
            // what a migration has put in is in the archive as well
            s.execute("delete from \"" + table + "\"");
        }
        List<String> columns = columns(c, table);
        try (Reader text =
                        new InputStreamReader(Files.newInputStream(file), StandardCharsets.UTF_8);
                CSVParser csv =
                        CSVParser.builder()
                                .setReader(text)
                                .setFormat(
                                        CSV.builder().setHeader().setSkipHeaderRecord(true).get())
                                .get()) {
            List<String> there =
                    columns.stream()
                            .filter(
                                    n ->
                                            csv.getHeaderNames()
                                                    .contains(n.toLowerCase(java.util.Locale.ROOT)))
                            .toList();
            if (there.size() != csv.getHeaderNames().size()) {
                throw damaged(table, "has columns that this program does not know");
            }
            String marks = there.stream().map(_ -> "?").collect(Collectors.joining(", "));
            long rows = 0;
            try (PreparedStatement put =
                    c.prepareStatement(
                            "insert into \""
                                    + table
                                    + "\" ("
                                    + quoted(there)
                                    + ") values ("
                                    + marks
                                    + ")")) {
                for (CSVRecord r : csv) {
                    for (int i = 0; i < there.size(); i++) {
                        put.setString(
                                i + 1, r.get(there.get(i).toLowerCase(java.util.Locale.ROOT)));
                    }
                    put.executeUpdate();
                    rows++;
                }
            }
            return rows;
        }
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
