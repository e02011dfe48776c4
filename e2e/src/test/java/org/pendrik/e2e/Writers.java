package org.pendrik.e2e;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Semaphore;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes four kinds of things at once into one data folder, while the application that stores them
 * is killed again and again: jobs, bottles, photographs, and the regions of one job, all of which
 * are exchanged by each edit. Knows what was confirmed, and looks for it after each kill.
 */
final class Writers {
    /** What was confirmed in the last kills is looked for one by one, the rest only at the end. */
    private static final int RECENT = 40;

    private static final int REGIONS = 12;

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final Path data = Server.freshFolder();
    private final UUID job = UUID.randomUUID();
    private final Random random = new Random(11);
    private final List<Written> confirmed = new ArrayList<>();
    private final Set<String> lost = new HashSet<>();
    private final Set<String> half = new HashSet<>();
    private int exchanges;
    private Set<String> regions = Set.of();
    private @Nullable Set<String> inFlight = Set.of();

    /** One thing that was confirmed. */
    private record Written(Kind kind, String id) {}

    private enum Kind {
        JOB,
        BOTTLE,
        PHOTOGRAPH
    }

    /** What one thread wrote and was told is stored. */
    @FunctionalInterface
    private interface Act {
        void write(Server server, Semaphore written) throws IOException, InterruptedException;
    }

    static String draft(String name) {
        return """
        {"name": "%s", "kind": "FREIGHT_CAR", "scaleRatio": 87.1, "lengthMm": 6400, "heightMm": 2600,
         "substrate": "FACTORY_FLAT", "wantedOn": null, "note": "", "version": 0}
        """
                .formatted(name);
    }

    /** Starts, looks whether all is there, and kills after so many confirmed writes. */
    void killedAfter(int writes) throws IOException, InterruptedException {
        try (Server server = Server.startAlone(data)) {
            if (confirmed.isEmpty()) {
                server.send("PUT", "/api/jobs/" + job, draft("Regions"));
            }
            look(server, Math.max(0, confirmed.size() - RECENT));
            Queue<Written> now = new ConcurrentLinkedQueue<>();
            Semaphore written = new Semaphore(0);
            List<Thread> threads =
                    Stream.<Act>of(
                                    (s, w) -> keep(now, w, Kind.JOB, job(s)),
                                    (s, w) -> keep(now, w, Kind.BOTTLE, bottle(s)),
                                    (s, w) -> keep(now, w, Kind.PHOTOGRAPH, photograph(s)),
                                    this::exchange)
                            .map(
                                    act ->
                                            Thread.ofPlatform()
                                                    .start(() -> untilDead(server, written, act)))
                            .toList();
            written.acquire(writes);
            server.kill();
            for (Thread t : threads) {
                t.join();
            }
            confirmed.addAll(now);
        }
    }

    /** How many writes were confirmed. */
    int confirmed() {
        return confirmed.size() + exchanges;
    }

    /** How many of them are not there any more. */
    int lost() {
        try (Server server = Server.start(data)) {
            look(server, 0);
        }
        return lost.size();
    }

    /** How many things are there in part. */
    int half() {
        return half.size();
    }

    private static void untilDead(Server server, Semaphore written, Act act) {
        try {
            while (true) {
                act.write(server, written);
            }
        } catch (IOException e) {
            // it was killed
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static void keep(
            Queue<Written> now, Semaphore written, Kind kind, @Nullable String id) {
        if (id != null) {
            now.add(new Written(kind, id));
            written.release();
        }
    }

    private static @Nullable String told(String id, int status) {
        return status == 200 ? id : null;
    }

    private static @Nullable String job(Server server) throws IOException, InterruptedException {
        String id = UUID.randomUUID().toString();
        return told(id, server.send("PUT", "/api/jobs/" + id, draft("Written " + id)).statusCode());
    }

    private static @Nullable String bottle(Server server) throws IOException, InterruptedException {
        String id = UUID.randomUUID().toString();
        String body =
                """
                {"version": null, "bottle": {"name": "%s", "maker": "own", "family": "test acrylic", "kind": "PAINT",
                 "colour": {"l": 40, "a": 3, "b": 5}, "amountMl": 10, "pricePerMl": 0.2}}
                """
                        .formatted(id);
        return told(id, server.send("PUT", "/api/shelf/" + id, body).statusCode());
    }

    private @Nullable String photograph(Server server) throws IOException, InterruptedException {
        String id = UUID.randomUUID().toString();
        String path = "/api/jobs/" + job + "/photographs/" + id + "?role=PROTOTYPE";
        return told(id, server.put(path, picture(random)));
    }

    /** A picture that no other equals. */
    private static byte[] picture(Random random) {
        BufferedImage image = new BufferedImage(32, 24, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                image.setRGB(x, y, random.nextInt(0x1000000));
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Puts other regions in place of all that the job has. */
    private void exchange(Server server, Semaphore written)
            throws IOException, InterruptedException {
        String study = "/api/jobs/" + job + "/study";
        int version = JSON.readTree(server.send("GET", study, "").body()).path("version").asInt();
        Set<String> ids = new HashSet<>();
        List<String> drafts = new ArrayList<>();
        for (int i = 0; i < REGIONS; i++) {
            String id = UUID.randomUUID().toString();
            ids.add(id);
            drafts.add(
                    """
                    {"id": "%s", "name": "Written", "zoneKey": null, "side": "LEFT", "role": "MEASURE", "xMm": 1,
                     "yMm": 1, "widthMm": 100, "heightMm": 100, "factory": false, "outline": []}
                    """
                            .formatted(id));
        }
        inFlight = ids;
        String body = "{\"version\": " + version + ", \"regions\": " + drafts + "}";
        if (server.send("PUT", study + "/regions", body).statusCode() == 200) {
            regions = ids;
            inFlight = null;
            exchanges++;
            written.release();
        }
    }

    private void look(Server server, int from) {
        String jobs = server.get("/api/jobs");
        String shelf = server.get("/api/shelf");
        String photographs = server.get("/api/jobs/" + job + "/photographs");
        for (Written w : confirmed.subList(from, confirmed.size())) {
            boolean there =
                    switch (w.kind) {
                        case JOB -> jobs.contains(w.id);
                        case BOTTLE -> shelf.contains(w.id);
                        case PHOTOGRAPH -> photographs.contains(w.id);
                    };
            if (!there) {
                lost.add(w.id);
            } else if (w.kind == Kind.JOB
                    && !server.get("/api/jobs/" + w.id).contains("left-side")) {
                half.add(w.id);
            }
        }
        // each photograph that is listed has its file, whole
        JSON.readTree(server.get("/api/photographs/check")).forEach(f -> half.add(f.toString()));
        Set<String> there = new HashSet<>();
        JsonNode study = JSON.readTree(server.get("/api/jobs/" + job + "/study"));
        study.path("regions").forEach(r -> there.add(r.path("id").asString()));
        if (!there.equals(regions) && !there.equals(inFlight)) {
            boolean whole = there.size() == REGIONS || there.isEmpty();
            (whole ? lost : half).add("regions " + there);
        }
        // one that was not confirmed may have been stored all the same
        regions = there;
        inFlight = null;
    }
}
