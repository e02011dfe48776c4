package org.pendrik.app.photograph;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import org.pendrik.app.sides.WholePicture;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Black-and-white files come in as light as they were written, and are known to have no colour. */
public class GreyFilesTest {
    private static final int SIZE = 64;

    /** Colour types of ISO/IEC 15948, table 11.1. */
    private static final int GREY = 0;

    private static final int GREY_ALPHA = 4;

    private static WholePicture decoded(byte[] file) {
        return PhotographFile.decode(file, PhotographFile.header(file, ZoneOffset.UTC));
    }

    /** A PNG of one grey, as a scanner writes it. */
    private static byte[] png(int colourType, int bits, int sample) throws IOException {
        ByteArrayOutputStream rows = new ByteArrayOutputStream();
        for (int y = 0; y < SIZE; y++) {
            rows.write(0);
            int opaque = (1 << bits) - 1;
            if (bits < 8) {
                int packed = 0;
                for (int i = 0; i < 8 / bits; i++) {
                    packed |= sample << (i * bits);
                }
                byte[] row = new byte[SIZE * bits / 8];
                Arrays.fill(row, (byte) packed);
                rows.write(row);
                continue;
            }
            for (int x = 0; x < SIZE; x++) {
                write(rows, sample, bits);
                if (colourType == GREY_ALPHA) {
                    write(rows, opaque, bits);
                }
            }
        }
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        try (var deflater = new DeflaterOutputStream(packed)) {
            deflater.write(rows.toByteArray());
        }
        ByteArrayOutputStream head = new ByteArrayOutputStream();
        DataOutputStream h = new DataOutputStream(head);
        h.writeInt(SIZE);
        h.writeInt(SIZE);
        h.write(new byte[] {(byte) bits, (byte) colourType, 0, 0, 0});
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'});
        chunk(out, "IHDR", head.toByteArray());
        chunk(out, "IDAT", packed.toByteArray());
        chunk(out, "IEND", new byte[0]);
        return out.toByteArray();
    }

    private static void write(ByteArrayOutputStream out, int sample, int bits) {
        if (bits == 16) {
            out.write(sample >> 8);
        }
        out.write(sample);
    }

    private static void chunk(ByteArrayOutputStream out, String type, byte[] data)
            throws IOException {
        DataOutputStream d = new DataOutputStream(out);
        CRC32 crc = new CRC32();
        crc.update(type.getBytes(StandardCharsets.US_ASCII));
        crc.update(data);
        d.writeInt(data.length);
        d.write(type.getBytes(StandardCharsets.US_ASCII));
        d.write(data);
        d.writeInt((int) crc.getValue());
    }

    @DataProvider
    public Object[][] scans() {
        return new Object[][] {
            {GREY, 1, 0, 0},
            {GREY, 1, 1, 255},
            {GREY, 2, 1, 85},
            {GREY, 4, 7, 119},
            {GREY, 8, 119, 119},
            {GREY, 16, 0x7777, 119},
            {GREY_ALPHA, 8, 119, 119},
            {GREY_ALPHA, 16, 0x7777, 119},
            {GREY_ALPHA, 16, 0xffff, 255},
        };
    }

    @Test(dataProvider = "scans")
    public void aGreyIsAsLightAsItWasWritten(int colourType, int bits, int sample, int level)
            throws IOException {
        WholePicture p = decoded(png(colourType, bits, sample));
        assertEquals(p.raster().at(9, 7) & 0xffffff, 0x010101 * level);
        assertTrue(p.colourless());
    }

    @Test
    public void aGreyJpegToo() throws IOException {
        BufferedImage image = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_BYTE_GRAY);
        for (int i = 0; i < SIZE * SIZE; i++) {
            image.getRaster().setSample(i % SIZE, i / SIZE, 0, 119);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        WholePicture p = decoded(out.toByteArray());
        assertEquals(p.raster().at(9, 7) & 255, 119, 1.0);
        assertTrue(p.colourless());
    }

    @Test
    public void artworkOfGreysKeepsItsTransparency() throws IOException {
        byte[] half = png(GREY_ALPHA, 8, 119);
        assertEquals(Pictures.transparent(half).at(3, 3), 0xff777777);
    }

    @Test
    public void aPictureInColourHasColour() {
        assertFalse(decoded(PhotographTest.image("jpeg")).colourless());
    }
}
