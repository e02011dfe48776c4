package org.pendrik.app.store;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** The file of the database, looked at before anything opens it. */
public final class DatabaseFile {
    static final String NAME = "pendrik.mv.db";
    private static final String CLOSED = "closed-at-bytes";
    private static final byte[] HEAD = "H:2,".getBytes(StandardCharsets.US_ASCII);
    private static final String HELP =
            " Restore a backup: ./pendrik restore FILE; the daily ones lie in ";

    private DatabaseFile() {}

    /** Where it lies in a data folder. */
    public static Path in(Path root) {
        return root.resolve(NAME);
    }

    /**
     * Refuses what is no database, so that it is not opened as an empty workshop.
     *
     * @throws DataFolder.Unusable when the file is there and empty, or begins like no database
     */
    public static void require(Path root) {
        Path file = in(root);
        if (!Files.exists(file)) {
            return;
        }
        byte[] head = new byte[HEAD.length];
        int read;
        try (InputStream in = Files.newInputStream(file)) {
            read = in.readNBytes(head, 0, head.length);
        } catch (IOException e) {
            throw new DataFolder.Unusable("The database " + file + " cannot be read.", e);
        }
        requireWhole(root, file);
        if (read == 0) {
            throw new DataFolder.Unusable(
                    "The database " + file + " is empty (0 bytes)." + help(root), null);
        }
        if (!java.util.Arrays.equals(head, HEAD)) {
            throw new DataFolder.Unusable(damaged(root), null);
        }
    }

    /** Notes how long the file is, once the program has closed it. */
    public static void closed(Path root) {
        try {
            String size = Long.toString(Files.size(in(root)));
            SafeFiles.write(
                    root.resolve(CLOSED),
                    out -> out.write(size.getBytes(StandardCharsets.US_ASCII)));
        } catch (IOException e) {
            // without the note a cut is seen only where it hurts
        }
    }

    /**
     * A file that was cut opens as it was some time ago, so its length is compared with that when
     * it was closed. After a kill there is no note, and no cut either.
     */
    private static void requireWhole(Path root, Path file) {
        Path note = root.resolve(CLOSED);
        try {
            if (!Files.exists(note)) {
                return;
            }
            long was = Long.parseLong(Files.readString(note).strip());
            long is = Files.size(file);
            if (is < was && is > 0) {
                throw new DataFolder.Unusable(
                        damaged(root)
                                + " (It has "
                                + is
                                + " bytes and had "
                                + was
                                + " when it was closed. If you have put it there yourself, delete "
                                + note
                                + ".)",
                        null);
            }
        } catch (IOException | NumberFormatException e) {
            throw new DataFolder.Unusable("The file " + note + " cannot be read. Delete it.", e);
        }
    }

    /** The database is open from now on: what was noted when it was closed no longer holds. */
    public static void opened(Path root) {
        try {
            Files.deleteIfExists(root.resolve(CLOSED));
        } catch (IOException e) {
            throw new DataFolder.Unusable(
                    "The file " + root.resolve(CLOSED) + " cannot be deleted. Delete it.", e);
        }
    }

    /** What is said of a damaged one. */
    public static String damaged(Path root) {
        return "The database " + in(root) + " is damaged." + help(root);
    }

    private static String help(Path root) {
        return HELP + root.resolve("backups") + ".";
    }

    /** Opens one that no program has open. */
    public static Connection open(Path root) throws SQLException {
        return DriverManager.getConnection(url(root), "pendrik", "");
    }

    /** The address of the database in a folder. */
    public static String url(Path root) {
        return "jdbc:h2:file:" + root.resolve("pendrik") + ";WRITE_DELAY=0;DB_CLOSE_ON_EXIT=FALSE";
    }

    /** The tables that hold what people put in, each after those that it refers to. */
    public static List<String> tables(Connection c) throws SQLException {
        List<String> all = new ArrayList<>();
        try (Statement s = c.createStatement();
                ResultSet r =
                        s.executeQuery(
                                """
                                select table_name from information_schema.tables
                                where table_schema = 'PUBLIC' and table_type = 'BASE TABLE'
                                  and table_name <> 'flyway_schema_history'
                                order by table_name
                                """)) {
            while (r.next()) {
                all.add(r.getString(1));
            }
        }
        List<String> out = new ArrayList<>();
        while (out.size() < all.size()) {
            int before = out.size();
            for (String t : all) {
                if (!out.contains(t) && out.containsAll(referred(c, t))) {
                    out.add(t);
                }
            }
            if (out.size() == before) {
                throw new IllegalStateException("tables refer to each other in a circle: " + all);
            }
        }
        return out;
    }

    private static List<String> referred(Connection c, String table) throws SQLException {
        List<String> out = new ArrayList<>();
        try (ResultSet r = c.getMetaData().getImportedKeys(null, "PUBLIC", table)) {
            while (r.next()) {
                String other = r.getString("PKTABLE_NAME");
                if (!other.equals(table)) {
                    out.add(other);
                }
            }
        }
        return out;
    }

    /**
     * Reads every row of every table, so that a damaged page is met now and not later.
     *
     * @return how many rows there are
     */
    public static long readAll(Connection c) throws SQLException {
        long rows = 0;
        for (String t : tables(c)) {
            try (Statement s = c.createStatement();
                    ResultSet r = s.executeQuery("select * from \"" + t + "\"")) {
                int columns = r.getMetaData().getColumnCount();
                while (r.next()) {
                    rows++;
                    for (int i = 1; i <= columns; i++) {
                        r.getObject(i);
                    }
                }
            }
        }
        return rows;
    }
}
