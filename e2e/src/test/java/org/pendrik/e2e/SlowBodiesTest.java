package org.pendrik.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import javax.imageio.ImageIO;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Requests that come slowly, or all at once, do not keep others from being answered. */
public class SlowBodiesTest {
    private static final String JOB = "11111111-1111-4111-8111-111111111111";
    private static final int TRICKLE_MS = 200;
    private static final int PATIENCE_MS = 2_000;
    private static final int LONGEST_MS = 20_000;

    private Server server;

    @BeforeClass
    public void open() throws IOException, InterruptedException {
        server =
                Server.start(
                        Server.freshFolder(),
                        "--pendrik.patience=" + PATIENCE_MS + "ms",
                        "--server.tomcat.connection-timeout=" + PATIENCE_MS + "ms");
        server.send("PUT", "/api/jobs/" + JOB, Writers.draft("Slow"));
    }

    @AfterClass(alwaysRun = true)
    public void shut() {
        server.close();
    }

    @DataProvider
    public Object[][] bodies() {
        String photograph =
                "/api/jobs/" + JOB + "/photographs/" + UUID.randomUUID() + "?role=PROTOTYPE";
        return new Object[][] {
            {"/api/jobs/" + UUID.randomUUID(), "application/json", false},
            {"/api/jobs/" + UUID.randomUUID(), "application/json", true},
            {photograph, "application/octet-stream", false},
            {photograph, "application/octet-stream", true},
        };
    }

    /**
     * One that stops in the middle, and one that gives a byte now and then, are told and let go.
     */
    @Test(dataProvider = "bodies")
    public void aBodyThatHardlyComesLetsItsThreadGo(String path, String type, boolean trickles)
            throws IOException, InterruptedException {
        long since = System.nanoTime();
        try (Socket s = new Socket(InetAddress.getLoopbackAddress(), server.port())) {
            s.setSoTimeout(LONGEST_MS);
            OutputStream out = s.getOutputStream();
            out.write(
                    ("PUT "
                                    + path
                                    + " HTTP/1.1\r\nHost: 127.0.0.1:"
                                    + server.port()
                                    + "\r\nContent-Type: "
                                    + type
                                    + "\r\nContent-Length: 100000\r\n\r\n{")
                            .getBytes(StandardCharsets.US_ASCII));
            Thread.ofVirtual().start(() -> trickle(out, trickles));
            InputStream in = s.getInputStream();
            String answer = new String(in.readNBytes(12), StandardCharsets.US_ASCII);
            assertEquals(answer, "HTTP/1.1 408");
        }
        long ms = (System.nanoTime() - since) / 1_000_000;
        assertTrue(ms < LONGEST_MS, ms + " ms");
    }

    /** A connection waits for its next request longer than for the rest of a body. */
    @Test
    public void aConnectionMayRestBetweenTwoRequests() throws IOException, InterruptedException {
        byte[] request =
                ("HEAD /api/jobs HTTP/1.1\r\nHost: 127.0.0.1:" + server.port() + "\r\n\r\n")
                        .getBytes(StandardCharsets.US_ASCII);
        try (Socket s = new Socket(InetAddress.getLoopbackAddress(), server.port())) {
            s.setSoTimeout(LONGEST_MS);
            BufferedReader in =
                    new BufferedReader(
                            new InputStreamReader(s.getInputStream(), StandardCharsets.US_ASCII));
            s.getOutputStream().write(request);
            assertEquals(in.readLine(), "HTTP/1.1 200 ");
            while (!in.readLine().isEmpty()) {
                // the headers
            }
            // once a second the server looks whose time is over
            Thread.sleep(2 * PATIENCE_MS);
            s.getOutputStream().write(request);
            assertEquals(in.readLine(), "HTTP/1.1 200 ");
        }
    }

    private static void trickle(OutputStream out, boolean trickles) {
        try {
            while (trickles) {
                out.write(' ');
                out.flush();
                Thread.sleep(TRICKLE_MS);
            }
        } catch (IOException e) {
            // it was let go
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Eight photographs of twelve million pixels at once: taken in turn, or refused with words. */
    @Test
    public void eightLargePhotographsAtOnceAreTakenInTurn()
            throws IOException, InterruptedException {
        BufferedImage image = new BufferedImage(4000, 3000, BufferedImage.TYPE_INT_RGB);
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        Queue<Integer> answers = new ConcurrentLinkedQueue<>();
        List<Thread> clients = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            image.setRGB(i, i, -1);
            jpeg.reset();
            ImageIO.write(image, "jpeg", jpeg);
            byte[] file = jpeg.toByteArray();
            clients.add(Thread.ofPlatform().start(() -> answers.add(status(file))));
        }
        for (Thread t : clients) {
            t.join();
        }
        assertEquals(answers.size(), 8);
        assertTrue(answers.contains(200), answers.toString());
        assertTrue(answers.stream().allMatch(a -> a == 200 || a == 429), answers.toString());
        assertEquals(server.send("GET", "/api/jobs", "").statusCode(), 200);
    }

    private int status(byte[] file) {
        try {
            return server.put(
                    "/api/jobs/" + JOB + "/photographs/" + UUID.randomUUID() + "?role=PROTOTYPE",
                    file);
        } catch (IOException e) {
            return -1;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return -2;
        }
    }
}
