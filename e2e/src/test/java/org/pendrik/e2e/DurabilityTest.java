package org.pendrik.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicBoolean;
import org.testng.annotations.Test;

/** What the application said was stored is there after it was killed in the middle of writing. */
public class DurabilityTest {
    private static final int ROUNDS = Integer.getInteger("e2e.rounds", 3);

    static String draft(String name) {
        return """
        {"name": "%s", "kind": "FREIGHT_CAR", "scaleRatio": 87.1, "lengthMm": 6400, "heightMm": 2600,
         "substrate": "FACTORY_FLAT", "wantedOn": null, "note": "", "version": 0}
        """
                .formatted(name);
    }

    @Test
    public void killedWhileWritingLosesNothingThatWasConfirmed()
            throws IOException, InterruptedException {
        Path data = Server.freshFolder();
        List<String> confirmed = Collections.synchronizedList(new ArrayList<>());
        for (int round = 0; round < ROUNDS; round++) {
            try (Server server = Server.start(data)) {
                // the whole list grows with every round: what came last is looked at after each
                // kill
                String all = server.get("/api/jobs");
                for (String id :
                        confirmed.subList(Math.max(0, confirmed.size() - 150), confirmed.size())) {
                    assertTrue(all.contains(id), "lost " + id + " of " + confirmed.size());
                }
                AtomicBoolean dead = new AtomicBoolean();
                int enough = 12 + 17 * (round % 7);
                Semaphore written = new Semaphore(0);
                List<Thread> writers = new ArrayList<>();
                for (int w = 0; w < 3; w++) {
                    writers.add(
                            Thread.ofPlatform()
                                    .start(() -> write(server, confirmed, written, dead)));
                }
                written.acquire(enough);
                server.kill();
                dead.set(true);
                for (Thread t : writers) {
                    t.join();
                }
            }
        }
        try (Server server = Server.start(data)) {
            String all = server.get("/api/jobs");
            long lost = confirmed.stream().filter(id -> !all.contains(id)).count();
            assertEquals(lost, 0L, "of " + confirmed.size());
            // whole or not at all: every job has its zones
            long half =
                    confirmed.stream()
                            .skip(Math.max(0, confirmed.size() - 500))
                            .filter(id -> !server.get("/api/jobs/" + id).contains("left-side"))
                            .count();
            assertEquals(half, 0L);
            System.out.println(
                    "kill -9: "
                            + confirmed.size()
                            + " confirmed writes over "
                            + ROUNDS
                            + " kills, none lost, none half");
        }
    }

    private static void write(
            Server server, List<String> confirmed, Semaphore written, AtomicBoolean dead) {
        while (!dead.get()) {
            String id = UUID.randomUUID().toString();
            try {
                if (server.send("PUT", "/api/jobs/" + id, draft("Written " + id)).statusCode()
                        == 200) {
                    confirmed.add(id);
                    written.release();
                }
            } catch (IOException e) {
                return;
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return;
            }
        }
    }

    @Test
    public void aBusyPortIsSaidClearly() {
        try (Server server = Server.start(Server.freshFolder())) {
            String said =
                    Server.startAndFail(Server.freshFolder(), "--server.port=" + server.port());
            assertTrue(
                    said.contains("Port " + server.port() + " is taken by another program."), said);
        }
    }

    @Test
    public void aFolderThatIsOpenElsewhereIsSaidClearly() {
        Path data = Server.freshFolder();
        try (Server server = Server.start(data)) {
            assertTrue(server.port() > 0);
            assertTrue(
                    Server.startAndFail(data)
                            .contains("The data folder is open in another Pendrik."));
        }
    }

    @Test
    public void anotherAddressIsRefused() {
        String said = Server.startAndFail(Server.freshFolder(), "--server.address=0.0.0.0");
        assertTrue(said.contains("Pendrik listens only to this machine"), said);
    }

    @Test
    public void aFolderThatCannotBeMadeIsSaidClearly() throws IOException {
        Path file = Files.createTempFile("pendrik", ".txt");
        String said = Server.startAndFail(file.resolve("data"));
        assertTrue(said.contains("cannot be made"), said);
    }
}
