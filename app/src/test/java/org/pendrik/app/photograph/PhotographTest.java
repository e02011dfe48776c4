package org.pendrik.app.photograph;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.Base64;
import java.util.Random;
import java.util.UUID;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import org.pendrik.app.AppTest;
import org.pendrik.app.store.DataFolder;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.units.InvalidInput;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PhotographTest extends AppTest {
    @Autowired private DataFolder data;

    /** 60 × 40 with a red upper left corner. */
    static byte[] image(String format) {
        BufferedImage image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 40; y++) {
            for (int x = 0; x < 60; x++) {
                image.setRGB(
                        x,
                        y,
                        x < 20 && y < 14
                                ? Color.RED.getRGB()
                                : new Color(4 * x, 6 * y, 90).getRGB());
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, out);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }

    /** The JPEG with an EXIF block that states an orientation. */
    static byte[] turned(int orientation) {
        return turned(image("jpeg"), orientation);
    }

    private static byte[] turned(byte[] jpeg, int orientation) {
        byte[] tiff = {
            'M',
            'M',
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            1,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            (byte) orientation,
            0,
            0,
            0,
            0,
            0,
            0
        };
        ByteBuffer app1 = ByteBuffer.allocate(4 + 6 + tiff.length);
        app1.put((byte) 0xff).put((byte) 0xe1).putShort((short) (2 + 6 + tiff.length));
        app1.put(new byte[] {'E', 'x', 'i', 'f', 0, 0}).put(tiff);
        ByteBuffer out = ByteBuffer.allocate(jpeg.length + app1.capacity());
        out.put(jpeg, 0, 2).put(app1.array()).put(jpeg, 2, jpeg.length - 2);
        return out.array();
    }

    /** A PNG whose header claims a size that its few bytes do not hold. */
    static byte[] boastful(int width, int height) {
        byte[] png = image("png");
        ByteBuffer b = ByteBuffer.wrap(png);
        b.putInt(16, width).putInt(20, height);
        CRC32 crc = new CRC32();
        crc.update(png, 12, 17);
        b.putInt(29, (int) crc.getValue());
        return png;
    }

    @DataProvider
    public Object[][] orientations() {
        // where the red corner of the stored picture comes to lie when it is upright: right?, low?
        return new Object[][] {
            {1, false, false}, {2, true, false}, {3, true, true}, {4, false, true},
            {5, false, false}, {6, true, false}, {7, true, true}, {8, false, true},
        };
    }

    @Test(dataProvider = "orientations")
    public void orientationIsApplied(int orientation, boolean right, boolean low) {
        byte[] file = turned(orientation);
        var header = PhotographFile.header(file, ZoneOffset.UTC);
        assertEquals(header.orientation(), orientation);
        var upright = PhotographFile.decode(file, header).raster();
        assertEquals(upright.width(), orientation >= 5 ? 40 : 60);
        int p = upright.at(right ? upright.width() - 4 : 3, low ? upright.height() - 4 : 3);
        assertTrue((p >> 16 & 255) > 180 && (p & 255) < 90, Integer.toHexString(p));
    }

    @DataProvider
    public Object[][] large() {
        return new Object[][] {
            {4200, 4000, 1}, {4200, 4000, 3}, {4200, 4000, 6}, {4101, 4001, 1}, {4101, 4001, 3},
        };
    }

    /** Left of an uneven place it is dark, right of it light: that place must not move. */
    @Test(dataProvider = "large")
    public void aLargePictureIsReadAtHalfItsSizeAndDoesNotShift(int w, int h, int orientation)
            throws IOException {
        int edge = 2051;
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_BYTE_GRAY);
        byte[] pixels = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < pixels.length; i++) {
            pixels[i] = (byte) (i % w < edge ? 40 : 200);
        }
        byte[] file = turned(Pictures.jpeg(image, 0.95f), orientation);
        var picture = PhotographFile.decode(file, PhotographFile.header(file, ZoneOffset.UTC));
        assertEquals(picture.step(), 2);
        Raster r = picture.raster();
        boolean down = orientation == 6;
        int n = down ? r.height() : r.width();
        double light = 0;
        for (int i = 0; i < n; i++) {
            int p = down ? r.at(r.width() / 2, i) : r.at(i, r.height() / 2);
            light += ((p & 255) - 40) / 160.0;
        }
        // upside down the light lies first
        double found = orientation == 3 ? light : n - light;
        double truth = (orientation == 3 ? w - edge : edge) / 2.0;
        assertEquals(found, truth, 0.15);
    }

    /** 96 × 64: green over light grey at the left, rust at the right; written by a browser. */
    private static final String LOSSY_WEBP =
            "UklGRnwAAABXRUJQVlA4IHAAAAAwBQCdASpgAEAAPikUiEKhoSEVWwQAGAKEs4BqRIAaAAA30CjM"
                    + "zLFOPoEYGfV2TRtJYAD++kXL1qZGPoxZr4gW68+DFv/Rh/+GH/4Yf30v/gTv/hTX/hTX/AAAW5nI"
                    + "0f2rnM1UTV8RgpmyQfAsZAAA";

    private static final String LOSSLESS_WEBP =
            "UklGRkQAAABXRUJQVlA4TDcAAAAvX8APABcgFkxD/+hiSiCQ6AQx2PhiwcRp7LF1z3+U3gIhAeGk"
                    + "k+ZKEf0PAAAAVVXVz6uqqpYXAA==";

    @DataProvider
    public Object[][] webp() {
        return new Object[][] {{LOSSY_WEBP, 6}, {LOSSLESS_WEBP, 0}};
    }

    @Test(dataProvider = "webp")
    public void aWebPIsReadInItsColours(String base64, int off) {
        byte[] file = Base64.getDecoder().decode(base64);
        var header = PhotographFile.header(file, ZoneOffset.UTC);
        assertEquals(header.mediaType(), "image/webp");
        Raster r = PhotographFile.decode(file, header).raster();
        assertEquals(r.width(), 96);
        assertEquals(r.height(), 64);
        int[][] places = {{20, 12, 0x3c5032}, {72, 40, 0xb45a28}, {20, 50, 0xdcdcdc}};
        for (int[] p : places) {
            for (int shift = 0; shift <= 16; shift += 8) {
                int found = r.at(p[0], p[1]) >> shift & 255;
                int truth = p[2] >> shift & 255;
                assertTrue(Math.abs(found - truth) <= off, found + " for " + truth);
            }
        }
        byte[] cut = Arrays.copyOf(file, file.length - 4);
        expectThrows(InvalidInput.class, () -> PhotographFile.header(cut, ZoneOffset.UTC));
    }

    private static byte[] heic() {
        return "\0\0\0\30ftypheic\0\0\0\0mif1heic".getBytes(StandardCharsets.ISO_8859_1);
    }

    @DataProvider
    public Object[][] bad() {
        byte[] jpeg = image("jpeg");
        return new Object[][] {
            {heic(), "(HEIC) cannot be read here"},
            {new byte[0], "is empty"},
            {Arrays.copyOf(jpeg, jpeg.length * 2 / 3), "is cut short or damaged"},
            {Arrays.copyOf(jpeg, 40), "is cut short or damaged"},
            {Arrays.copyOf(image("png"), 300), "is cut short or damaged"},
            {
                "GIF89a and so on".getBytes(StandardCharsets.US_ASCII),
                "must be a JPEG, PNG or WebP file"
            },
            {boastful(20_000, 10_000), "must have at most 50 megapixels"},
            {boastful(600, 400), "is cut short or damaged"},
        };
    }

    @Test(dataProvider = "bad")
    public void badFilesAreRefusedAndNothingIsStored(byte[] file, String words) {
        UUID job = car("For bad files");
        UUID id = UUID.randomUUID();
        String detail = refused(photograph(job, id, "PROTOTYPE", file), 422);
        assertTrue(detail.startsWith("Photograph (") && detail.contains(words), detail);
        refused(get("/api/photographs/" + id), 404);
        assertEquals(ok(get("/api/jobs/" + job + "/photographs")).size(), 0);
    }

    @Test
    public void thousandsOfDamagedFilesNeverCrashTheReader() {
        Random random = new Random(99);
        for (int i = 0; i < 1500; i++) {
            byte[] file =
                    switch (i % 4) {
                        case 0 -> Base64.getDecoder().decode(LOSSY_WEBP);
                        case 1 -> Base64.getDecoder().decode(LOSSLESS_WEBP);
                        case 2 -> image("jpeg");
                        default -> image("png");
                    };
            for (int k = 0; k <= random.nextInt(12); k++) {
                file[random.nextInt(file.length)] = (byte) random.nextInt(256);
            }
            byte[] cut = Arrays.copyOf(file, 1 + random.nextInt(file.length));
            byte[] tried = random.nextBoolean() ? cut : file;
            try {
                PhotographFile.decode(tried, PhotographFile.header(tried, ZoneOffset.UTC));
            } catch (InvalidInput e) {
                assertEquals(e.field(), "Photograph");
            }
        }
    }

    @Test
    public void theSameFileTwiceIsKeptOnceAndSentTwiceIsTakenOnce() {
        UUID job = car("Twice");
        UUID id = UUID.randomUUID();
        String hash = ok(photograph(job, id, "MODEL", image("jpeg"))).path("hash").asString();
        ok(photograph(job, id, "MODEL", image("jpeg")));
        assertEquals(
                ok(photograph(job, UUID.randomUUID(), "MODEL", image("jpeg")))
                        .path("hash")
                        .asString(),
                hash);
        assertEquals(ok(get("/api/jobs/" + job + "/photographs")).size(), 2);
        ok(delete("/api/photographs/" + id));
        assertEquals(ok(get("/api/jobs/" + job + "/photographs")).size(), 1);
        ok(post("/api/photographs/" + id + "/restore", ""));
        assertEquals(ok(get("/api/jobs/" + job + "/photographs")).size(), 2);
    }

    @Test
    public void cornersThatMakeNoSideAreRefusedAndTheOldOnesStay() {
        UUID job = car("Corners");
        UUID id = UUID.randomUUID();
        ok(photograph(job, id, "PROTOTYPE", image("png")));
        ok(put("/api/photographs/" + id + "/marks", marks("5,5 55,6 54,34 6,33", 1)));
        for (String[] bad :
                new String[][] {
                    {"5,5 30,5 55,5 6,33", "lie in a line"}, {"5,5 54,34 55,6 6,33", "are crossed"},
                    {"55,6 5,5 6,33 54,34", "wrong way round"}, {"5,5 55,6 54,34", "must be four"}
                }) {
            String detail =
                    refused(put("/api/photographs/" + id + "/marks", marks(bad[0], 2)), 422);
            assertTrue(detail.contains(bad[1]), detail);
        }
        var p = ok(get("/api/photographs/" + id));
        assertEquals(p.path("version").asInt(), 2);
        assertEquals(p.path("corners").path("points").get(0).path("x").asDouble(), 5.0);
        assertEquals(
                get("/api/photographs/" + id + "/side").getResponse().getContentType(),
                "image/jpeg");
    }

    private static String marks(String corners, int version) {
        StringBuilder points = new StringBuilder();
        for (String c : corners.split(" ", -1)) {
            String[] xy = c.split(",", -1);
            points.append(points.isEmpty() ? "" : ",")
                    .append("{\"x\":" + xy[0] + ",\"y\":" + xy[1] + "}");
        }
        return "{\"corners\":{\"points\":["
                + points
                + "]},\"knownPoints\":null,\"greyPatch\":null,\"version\":"
                + version
                + "}";
    }

    /** Another picture under its name is not shown for it; the same file mends it. */
    @Test
    public void aDamagedFileIsNamedListedAndMendedByTheSameUpload() throws IOException {
        UUID job = car("Damaged");
        UUID id = UUID.randomUUID();
        byte[] file = image("png");
        String hash = ok(photograph(job, id, "MODEL", file)).path("hash").asString();
        Path place = data.root().resolve("photographs").resolve(hash.substring(0, 2)).resolve(hash);
        assertEquals(broken(id), "[]");
        Files.write(place, image("jpeg"));
        assertTrue(broken(id).contains("\"missing\":false"), broken(id));
        assertTrue(
                refused(get("/api/photographs/" + id + "/picture"), 422)
                        .contains("is damaged in the data folder"));
        assertTrue(
                refused(photograph(job, id, "MODEL", turned(6)), 422)
                        .contains("was put in before with another file"));
        ok(photograph(job, id, "MODEL", file));
        assertEquals(broken(id), "[]");
        assertEquals(get("/api/photographs/" + id + "/picture").getResponse().getStatus(), 200);
        Files.delete(place);
        assertTrue(broken(id).contains("\"missing\":true"), broken(id));
        ok(photograph(job, UUID.randomUUID(), "MODEL", file));
        assertEquals(broken(id), "[]");
    }

    private String broken(UUID id) {
        return ok(get("/api/photographs/check"))
                .valueStream()
                .filter(b -> b.path("id").asString().equals(id.toString()))
                .toList()
                .toString();
    }

    /** A few hundred kilobytes of packed text that would unpack to hundreds of megabytes. */
    @Test
    public void textsPackedIntoAPictureAreNotUnpacked() throws IOException {
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        packed.write("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
        try (DeflaterOutputStream out = new DeflaterOutputStream(packed)) {
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 300; i++) {
                out.write(zeros);
            }
        }
        byte[] chunk = new byte[packed.size() + 12];
        ByteBuffer in = ByteBuffer.wrap(chunk);
        in.putInt(packed.size()).put("zTXt".getBytes(StandardCharsets.US_ASCII));
        in.put(packed.toByteArray());
        CRC32 crc = new CRC32();
        crc.update(chunk, 4, packed.size() + 4);
        in.putInt((int) crc.getValue());
        byte[] png = image("png");
        int afterHeader = 8 + 25;
        byte[] bomb = new byte[png.length + 3 * chunk.length];
        System.arraycopy(png, 0, bomb, 0, afterHeader);
        for (int i = 0; i < 3; i++) {
            System.arraycopy(chunk, 0, bomb, afterHeader + i * chunk.length, chunk.length);
        }
        System.arraycopy(
                png, afterHeader, bomb, afterHeader + 3 * chunk.length, png.length - afterHeader);
        assertTrue(PngChunks.withoutTexts(bomb).length < 100);
        UUID job = car("Bomb");
        ok(photograph(job, UUID.randomUUID(), "MODEL", bomb));
    }

    @Test
    public void aBodyThatIsNoFileIsBounded() {
        String body = "{\"csv\": \"" + "x".repeat(9_000_000) + "\"}";
        assertEquals(post("/api/shelf/table/dry-run", body).getResponse().getStatus(), 413);
    }
}
