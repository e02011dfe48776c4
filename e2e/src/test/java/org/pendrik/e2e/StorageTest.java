package org.pendrik.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.util.FileSystemUtils;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What the disk does to the workshop: archives, damaged files, odd folders, no space. */
public class StorageTest {
    private static final Pattern JOB = Pattern.compile("\\{\"job\":\\{\"id\":\"([-0-9a-f]{36})\"");
    private static final Pattern STEP = Pattern.compile("\\{\"id\":\"([^\"]+)\",\"technique\":");
    private static final Pattern PHOTOGRAPH =
            Pattern.compile("\\{\"id\":\"([-0-9a-f]{36})\",\"jobId\":");

    /** So that what is reckoned from now is the same. */
    private static final String STANDS = "--pendrik.clock-stands=true";

    /** Every view's data of a workshop, by its address. */
    static Map<String, String> views(Server server) {
        Map<String, String> out = new LinkedHashMap<>();
        for (String path :
                List.of(
                        "jobs",
                        "overview",
                        "today",
                        "shelf",
                        "shelf/table.csv",
                        "shelf/palette.gpl",
                        "catalogue",
                        "recipes",
                        "workshop",
                        "schools",
                        "priors",
                        "shopping")) {
            out.put(path, whole(server, path));
        }
        for (String job : found(JOB, out.get("jobs"))) {
            for (String view :
                    List.of(
                            "",
                            "/study",
                            "/sides",
                            "/artworks",
                            "/makeup",
                            "/diary",
                            "/bench",
                            "/photographs",
                            "/compare",
                            "/compare/history",
                            "/record")) {
                String path = "jobs/" + job + view;
                out.put(path, whole(server, path).replaceAll("\"writtenAt\":\"[^\"]*\"", ""));
            }
            for (String step : found(STEP, out.get("jobs/" + job + "/makeup"))) {
                String path =
                        "jobs/"
                                + job
                                + "/steps/"
                                + URLEncoder.encode(step, StandardCharsets.UTF_8)
                                + "/mix";
                out.put(path, whole(server, path));
            }
            for (String photograph : found(PHOTOGRAPH, out.get("jobs/" + job + "/photographs"))) {
                String path = "photographs/" + photograph + "/picture";
                out.put(path, whole(server, path));
            }
        }
        return out;
    }

    static String whole(Server server, String path) {
        try {
            HttpResponse<String> answer = server.send("GET", "/api/" + path, "");
            assertEquals(answer.statusCode(), 200, path + ": " + answer.body());
            return answer.body();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<String> found(Pattern id, @Nullable String body) {
        return id.matcher(String.valueOf(body)).results().map(m -> m.group(1)).distinct().toList();
    }

    /** Where two long texts part, and not the whole of them. */
    static void same(String path, String is, String was) {
        int at = 0;
        while (at < Math.min(is.length(), was.length()) && is.charAt(at) == was.charAt(at)) {
            at++;
        }
        assertEquals(
                is.substring(Math.max(0, at - 60), Math.min(is.length(), at + 200)),
                was.substring(Math.max(0, at - 60), Math.min(was.length(), at + 200)),
                path);
    }

    private static void command(Path script, Path data, String... args)
            throws IOException, InterruptedException {
        ProcessBuilder b =
                new ProcessBuilder(
                                Stream.concat(Stream.of(script.toString()), Stream.of(args))
                                        .toList())
                        .redirectErrorStream(true);
        b.environment().put("PENDRIK_DATA", data.toString());
        Process p = b.start();
        String said = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertEquals(p.waitFor(), 0, said);
    }

    /**
     * From a program that runs, to a folder that nobody has used, and over one that somebody has.
     */
    @Test
    public void aBackupOfTheDemoIsEqualInEveryView() throws IOException, InterruptedException {
        Path script = Path.of("..", "pendrik").toAbsolutePath().normalize();
        Path archive = Server.freshFolder().resolve("all.zip");
        Map<String, String> before;
        try (Server demo = Server.demo(STANDS)) {
            command(script, demo.data(), "backup", archive.toString());
            before = views(demo);
            assertTrue(before.size() > 80, before.keySet().toString());
        }
        Path used = Server.freshFolder();
        try (Server other = Server.start(used)) {
            other.send("PUT", "/api/jobs/" + UUID.randomUUID(), Writers.draft("Of before"));
        }
        for (Path data : List.of(Server.freshFolder(), used)) {
            command(script, data, "restore", archive.toString());
            try (Server restored = Server.start(data, STANDS)) {
                Map<String, String> after = views(restored);
                assertEquals(after.keySet(), before.keySet());
                before.forEach((path, body) -> same(path, after.get(path), body));
                String rust = restored.get("/api/photographs/check");
                assertEquals(rust, "[]");
            }
        }
        try (Stream<Path> kept = Files.walk(used.resolve("kept"))) {
            assertTrue(kept.anyMatch(p -> p.endsWith("pendrik.mv.db")), "the old one is gone");
        }
    }

    @Test
    public void aSemicolonInTheFoldersNameIsNoSetting() throws IOException {
        Path data = Server.freshFolder().resolve("x;INIT=create table evil(a int)");
        String said = Server.startAndFail(data);
        assertTrue(said.contains("has a semicolon in its name"), said);
        assertFalse(said.contains("\tat "), said);
    }

    /** A folder whose program has ended in order. */
    private Path closed;

    @BeforeClass
    public void endInOrder() {
        closed = Server.freshFolder();
        Server.startAlone(closed).close();
    }

    @DataProvider
    public Object[][] damages() {
        return new Object[][] {{"empty"}, {"noise"}, {"cut"}, {"flipped"}};
    }

    @Test(dataProvider = "damages")
    public void aDamagedDatabaseIsNamedInOneSentence(String how) throws IOException {
        Path data = Server.freshFolder();
        FileSystemUtils.copyRecursively(closed, data);
        Path file = data.resolve("pendrik.mv.db");
        byte[] all = Files.readAllBytes(file);
        Random random = new Random(3);
        byte[] bad =
                switch (how) {
                    case "empty" -> new byte[0];
                    case "cut" -> java.util.Arrays.copyOf(all, all.length / 2);
                    case "noise" -> {
                        random.nextBytes(all);
                        yield all;
                    }
                    default -> {
                        for (int i = 0; i < 2000; i++) {
                            all[12_288 + random.nextInt(all.length - 12_288)] ^= (byte) 0xff;
                        }
                        yield all;
                    }
                };
        Files.write(file, bad);
        String said = Server.startAndFail(data);
        assertTrue(said.contains(how.equals("empty") ? "is empty (0 bytes)" : "is damaged"), said);
        assertTrue(said.contains("./pendrik restore FILE"), said);
        assertFalse(said.contains("\tat ") || said.contains("newer Pendrik"), said);
        assertEquals(Files.readAllBytes(file), bad, "it was changed");
    }

    @Test
    public void withoutSpaceNothingIsChangedAndLookingGoesOn()
            throws IOException, InterruptedException {
        try (Server server =
                Server.start(
                        Server.freshFolder(), "--pendrik.disk.least-bytes=" + Long.MAX_VALUE)) {
            var refused =
                    server.send("PUT", "/api/jobs/" + UUID.randomUUID(), Writers.draft("No room"));
            assertEquals(refused.statusCode(), 507);
            assertTrue(refused.body().contains("The disk that holds"), refused.body());
            assertEquals(server.get("/api/jobs"), "[]");
        }
    }

    /** A killed program leaves its address behind, and another workshop may answer there by now. */
    @Test
    public void aBackupIsOfItsOwnWorkshopWhoeverAnswersAtItsAddress()
            throws IOException, InterruptedException {
        Path script = Path.of("..", "pendrik").toAbsolutePath().normalize();
        Path killed = Server.freshFolder();
        Path archive = Server.freshFolder().resolve("own.zip");
        int port;
        try (Server server = Server.startAlone(killed)) {
            port = server.port();
            server.send("PUT", "/api/jobs/" + UUID.randomUUID(), Writers.draft("Its own"));
            server.kill();
        }
        try (Server other = Server.start(Server.freshFolder(), "--server.port=" + port)) {
            other.send("PUT", "/api/jobs/" + UUID.randomUUID(), Writers.draft("Of another"));
            command(script, killed, "backup", archive.toString());
        }
        Path fresh = Server.freshFolder();
        command(script, fresh, "restore", archive.toString());
        try (Server restored = Server.start(fresh)) {
            String jobs = restored.get("/api/jobs");
            assertTrue(jobs.contains("Its own") && !jobs.contains("Of another"), jobs);
        }
    }
}
