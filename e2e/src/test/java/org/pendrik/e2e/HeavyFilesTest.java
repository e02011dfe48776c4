package org.pendrik.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import javax.imageio.ImageIO;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Files that are too much for the program as it is shipped, with its heap of 512 MB: refused with
 * words, and nobody else is kept from working.
 */
public class HeavyFilesTest {
    private static final String JOB = "22222222-2222-4222-8222-222222222222";
    private static final int MB = 1024 * 1024;

    private Server server;
    private final HttpClient client = HttpClient.newHttpClient();

    @BeforeClass
    public void open() throws IOException, InterruptedException {
        server = Server.start(Server.freshFolder());
        server.send("PUT", "/api/jobs/" + JOB, Writers.draft("Heavy"));
    }

    @AfterClass(alwaysRun = true)
    public void shut() {
        server.close();
    }

    private HttpResponse<String> put(byte[] file, String type)
            throws IOException, InterruptedException {
        String path = "/api/jobs/" + JOB + "/photographs/" + UUID.randomUUID() + "?role=PROTOTYPE";
        return client.send(
                HttpRequest.newBuilder(URI.create(server.url(path)))
                        .header("Content-Type", type)
                        .PUT(HttpRequest.BodyPublishers.ofByteArray(file))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private static byte[] png(int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY), "png", out);
        return out.toByteArray();
    }

    /** A picture with a compressed text of a gigabyte behind its header. */
    private static byte[] textBomb() throws IOException {
        Deflater deflater = new Deflater(Deflater.BEST_SPEED);
        byte[] zeros = new byte[MB];
        byte[] packed = new byte[MB];
        ByteArrayOutputStream text = new ByteArrayOutputStream();
        text.writeBytes("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
        for (int i = 0; i <= 1024; i++) {
            deflater.setInput(zeros);
            if (i == 1024) {
                deflater.finish();
            }
            while (!deflater.needsInput() && !deflater.finished()) {
                text.write(packed, 0, deflater.deflate(packed));
            }
        }
        while (!deflater.finished()) {
            text.write(packed, 0, deflater.deflate(packed));
        }
        deflater.end();
        byte[] picture = png(64, 64);
        int header = 8 + 25;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(picture, 0, header);
        byte[] body = text.toByteArray();
        byte[] name = "zTXt".getBytes(StandardCharsets.US_ASCII);
        CRC32 crc = new CRC32();
        crc.update(name);
        crc.update(body);
        try (DataOutputStream chunk = new DataOutputStream(out)) {
            chunk.writeInt(body.length);
            chunk.write(name);
            chunk.write(body);
            chunk.writeInt((int) crc.getValue());
        }
        out.write(picture, header, picture.length - header);
        return out.toByteArray();
    }

    @Test
    public void aTextThatUnpacksToAGigabyteIsNotUnpacked()
            throws IOException, InterruptedException {
        byte[] bomb = textBomb();
        assertTrue(bomb.length < 16 * MB, bomb.length + " bytes");
        HttpResponse<String> answer = put(bomb, "application/octet-stream");
        assertEquals(answer.statusCode(), 200, answer.body());
        assertEquals(server.send("GET", "/api/jobs", "").statusCode(), 200);
    }

    @DataProvider
    public Object[][] tooLarge() {
        return new Object[][] {
            {"application/octet-stream", "must have at most 64 MB"},
            {"image/jpeg", "must have at most 64 MB"},
            {"application/json", "A picture in it has to be smaller"},
        };
    }

    @Test(dataProvider = "tooLarge")
    public void aPictureOfNinetyMegabytesIsToldSo(String type, String words)
            throws IOException, InterruptedException {
        byte[] file = new byte[90 * MB];
        Arrays.fill(file, (byte) 1);
        HttpResponse<String> answer = put(file, type);
        assertTrue(answer.statusCode() == 422 || answer.statusCode() == 413, answer.body());
        assertTrue(answer.body().contains(words), answer.body());
    }

    /** The largest that are taken, all at once; another user goes on meanwhile. */
    @Test
    public void fourOfFiftyMegapixelsAtOnceDisturbNobody()
            throws IOException, InterruptedException {
        byte[] file = png(8000, 6200);
        Queue<String> answers = new ConcurrentLinkedQueue<>();
        AtomicBoolean done = new AtomicBoolean();
        List<Integer> others = new ArrayList<>();
        Thread other =
                Thread.ofPlatform()
                        .start(
                                () -> {
                                    while (!done.get()) {
                                        others.add(today());
                                    }
                                });
        List<Thread> clients = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            clients.add(Thread.ofPlatform().start(() -> answers.add(status(file))));
        }
        for (Thread t : clients) {
            t.join();
        }
        done.set(true);
        other.join();
        assertEquals(answers.size(), 4);
        assertTrue(answers.contains("200"), answers.toString());
        for (String a : answers) {
            assertTrue(a.equals("200") || a.contains("429"), a);
        }
        assertTrue(others.stream().allMatch(s -> s == 200), others.toString());
    }

    private int today() {
        try {
            return server.send("GET", "/api/today", "").statusCode();
        } catch (IOException e) {
            return -1;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return -2;
        }
    }

    private String status(byte[] file) {
        try {
            HttpResponse<String> r = put(file, "image/png");
            return r.statusCode() == 200 ? "200" : r.statusCode() + r.body();
        } catch (IOException e) {
            return String.valueOf(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return "interrupted";
        }
    }
}
