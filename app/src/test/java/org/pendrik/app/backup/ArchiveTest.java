package org.pendrik.app.backup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.pendrik.app.AppTest;
import org.pendrik.app.store.DataFolder;
import org.pendrik.app.store.DatabaseFile;
import org.pendrik.core.units.InvalidInput;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** What an archive holds comes back as it was; what is no archive changes nothing. */
public class ArchiveTest extends AppTest {
    @Autowired private DataFolder data;
    private Path archive;
    private UUID job;

    @BeforeClass
    public void workshop() throws IOException {
        clock.set(NOON);
        job = car("Kept, \\\"quoted\\\"\\nand äöü 火");
        plan(job, "FADE", "DUST");
        ok(
                put(
                        "/api/shelf/" + UUID.randomUUID(),
                        """
                        {"version": null, "bottle": {"name": "=1+1", "maker": "", "family": "waterborne acrylic",
                         "kind": "PAINT", "finish": null, "colour": null, "source": null, "hiding": null,
                         "amountMl": 9, "fullMl": null, "opened": null, "keepsUntil": null, "pricePerMl": null,
                         "place": null, "dropMl": null, "strength": null, "notes": null, "swatches": null}}
                        """));
        String name = ok(post("/api/backups", "{}")).path("name").asString();
        archive = Files.createTempFile("archive", ".zip");
        Files.write(archive, get("/api/backups/" + name).getResponse().getContentAsByteArray());
    }

    private static Map<String, String> rows(Connection c) throws SQLException {
        Map<String, String> out = new LinkedHashMap<>();
        for (String table : DatabaseFile.tables(c)) {
            StringBuilder text = new StringBuilder();
            try (Statement s = c.createStatement();
                    ResultSet r = s.executeQuery("select * from \"" + table + "\" order by 1, 2")) {
                while (r.next()) {
                    for (int i = 1; i <= r.getMetaData().getColumnCount(); i++) {
                        text.append(r.getString(i)).append('|');
                    }
                    text.append('\n');
                }
            }
            out.put(table, text.toString());
        }
        return out;
    }

    @Test
    public void everyRowComesBackAsItWas() throws IOException, SQLException {
        Path folder = Files.createTempDirectory("restored");
        Manifest m = Archive.unpack(archive, folder);
        assertTrue(m.rows().get("plan_step") > 2);
        try (Connection c = DatabaseFile.open(folder)) {
            Map<String, String> back = rows(c);
            assertTrue(back.toString().contains("Kept, \"quoted\"\nand äöü 火"));
            assertTrue(back.toString().contains("=1+1"));
            Path again = Files.createTempFile("again", ".zip");
            Archive.write(c, folder, again, NOON);
            Path third = Files.createTempDirectory("third");
            Archive.unpack(again, third);
            try (Connection d = DatabaseFile.open(third)) {
                assertEquals(rows(d), back);
            }
        }
    }

    @Test
    public void theListTellsItAndAnUnknownOneIsMissing() {
        assertTrue(ok(get("/api/backups")).size() >= 1);
        assertTrue(
                refused(get("/api/backups/pendrik-2020-01-01T000000.zip"), 404)
                        .contains("list of backups"));
        assertEquals(get("/api/backups/..%2Fpendrik.mv.db").getResponse().getStatus() / 100, 4);
    }

    private Path changed(UnaryOperator<Map<String, byte[]>> how) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(archive))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                ByteArrayOutputStream all = new ByteArrayOutputStream();
                in.transferTo(all);
                entries.put(e.getName(), all.toByteArray());
            }
        }
        Path out = Files.createTempFile("changed", ".zip");
        try (OutputStream file = Files.newOutputStream(out);
                ZipOutputStream zip = new ZipOutputStream(file)) {
            for (var e : how.apply(entries).entrySet()) {
                zip.putNextEntry(new ZipEntry(e.getKey()));
                zip.write(e.getValue());
                zip.closeEntry();
            }
        }
        return out;
    }

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    @Test
    public void whatIsNoArchiveIsRefusedAndLeavesNothing() throws IOException {
        Map<String, UnaryOperator<Map<String, byte[]>>> bad = new LinkedHashMap<>();
        bad.put(
                "is damaged",
                m -> {
                    m.replace("tables/job.csv", bytes("\"id\"\n"));
                    return m;
                });
        bad.put(
                "is missing",
                m -> {
                    m.remove("tables/zone.csv");
                    return m;
                });
        bad.put(
                "is not one that Pendrik wrote",
                m -> {
                    m.remove("manifest.json");
                    return m;
                });
        bad.put(
                "is not in its manifest",
                m -> {
                    m.put("../../evil.sh", bytes("echo"));
                    return m;
                });
        bad.put(
                "newer Pendrik",
                m -> {
                    m.compute(
                            "manifest.json",
                            (_, b) ->
                                    bytes(
                                            new String(b, StandardCharsets.UTF_8)
                                                    .replaceFirst(
                                                            "\"schema\" : \"\\d+\"",
                                                            "\"schema\" : \"999\"")));
                    return m;
                });
        bad.put(
                "no part of a workshop",
                m -> {
                    m.compute(
                            "manifest.json",
                            (_, b) ->
                                    bytes(
                                            new String(b, StandardCharsets.UTF_8)
                                                    .replaceFirst(
                                                            "tables/job.csv",
                                                            "tables/../job.csv")));
                    return m;
                });
        Path root = Files.createTempDirectory("root");
        for (var e : bad.entrySet()) {
            Path file = changed(e.getValue());
            InvalidInput said =
                    expectThrows(
                            e.getKey(), InvalidInput.class, () -> Restore.stage(file, root, NOON));
            assertTrue(said.getMessage().contains(e.getKey()), said.getMessage());
            assertFalse(Files.exists(root.resolve("restore")), e.getKey());
        }
        Path cut = Files.createTempFile("cut", ".zip");
        byte[] all = Files.readAllBytes(archive);
        Files.write(cut, java.util.Arrays.copyOf(all, all.length / 2));
        assertThrows(InvalidInput.class, () -> Restore.stage(cut, root, NOON));
        Files.write(cut, bytes("no archive"));
        assertThrows(InvalidInput.class, () -> Restore.stage(cut, root, NOON));
    }

    /** Cut off after each move, the next start ends it; the old workshop is kept. */
    @Test
    public void aRestoreThatIsCutOffIsEndedByTheNextStart() throws IOException {
        for (int moves = 0; moves < 4; moves++) {
            Path root = Files.createTempDirectory("used");
            Files.writeString(root.resolve("pendrik.mv.db"), "old");
            Files.createDirectories(root.resolve("photographs"));
            Files.writeString(root.resolve("photographs").resolve("old"), "old");
            Path kept = Restore.stage(archive, root, NOON);
            Path fresh = root.resolve("restore").resolve("new");
            Files.createDirectories(kept);
            if (moves > 0) {
                Files.move(root.resolve("pendrik.mv.db"), kept.resolve("pendrik.mv.db"));
            }
            if (moves > 1) {
                Files.move(fresh.resolve("pendrik.mv.db"), root.resolve("pendrik.mv.db"));
            }
            if (moves > 2) {
                Files.move(root.resolve("photographs"), kept.resolve("photographs"));
            }
            assertTrue(Restore.finish(root).orElseThrow().contains(kept.toString()));
            assertEquals(Files.readString(kept.resolve("pendrik.mv.db")), "old");
            assertTrue(Files.exists(kept.resolve("photographs").resolve("old")));
            assertTrue(Files.size(root.resolve("pendrik.mv.db")) > 4096);
            assertFalse(Files.exists(root.resolve("restore")));
            assertTrue(Restore.finish(root).isEmpty());
        }
        assertTrue(Files.exists(data.root()));
    }
}
