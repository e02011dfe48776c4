package org.pendrik.app.photograph;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import javax.imageio.ImageIO;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Raster;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Photographs in Display P3, as telephones write them, come in as sRGB. */
public class ColourProfileTest {
    /** Display P3 primaries under D50, columns of the matrix as its profile states them. */
    private static final double[][] P3 = {
        {0.515102, 0.241182, -0.001050},
        {0.291965, 0.692236, 0.041882},
        {0.157153, 0.066582, 0.784378},
    };

    /** A version 2 matrix profile with a gamma of 2.2 in each channel. */
    private static byte[] profile() {
        String[] tags = {"wtpt", "rXYZ", "gXYZ", "bXYZ", "rTRC", "gTRC", "bTRC", "desc", "cprt"};
        int data = 128 + 4 + 12 * tags.length;
        ByteBuffer out = ByteBuffer.allocate(data + 4 * 20 + 3 * 16 + 108 + 12);
        out.position(4);
        out.putInt(0).putInt(0x02400000);
        out.put("mntrRGB XYZ ".getBytes(StandardCharsets.US_ASCII));
        out.position(36);
        out.put("acsp".getBytes(StandardCharsets.US_ASCII));
        out.position(68);
        out.putInt(fixed(0.9642)).putInt(fixed(1)).putInt(fixed(0.8249));
        out.position(128);
        out.putInt(tags.length);
        int at = data;
        int[] size = {20, 20, 20, 20, 16, 16, 16, 108, 12};
        for (int i = 0; i < tags.length; i++) {
            out.put(tags[i].getBytes(StandardCharsets.US_ASCII));
            out.putInt(at).putInt(i >= 4 && i <= 6 ? 14 : size[i]);
            at += size[i];
        }
        xyz(out, 0.9642, 1, 0.8249);
        for (double[] column : P3) {
            xyz(out, column[0], column[1], column[2]);
        }
        for (int i = 0; i < 3; i++) {
            out.put("curv".getBytes(StandardCharsets.US_ASCII));
            out.putInt(0).putInt(1).putShort((short) Math.round(2.2 * 256)).putShort((short) 0);
        }
        out.put("desc".getBytes(StandardCharsets.US_ASCII));
        out.putInt(0).putInt(3).put("P3\0".getBytes(StandardCharsets.US_ASCII));
        out.position(at - 12);
        out.put("text".getBytes(StandardCharsets.US_ASCII));
        out.putInt(0).put("CC0\0".getBytes(StandardCharsets.US_ASCII));
        out.putInt(0, out.capacity());
        return out.array();
    }

    private static int fixed(double v) {
        return (int) Math.round(v * 65536);
    }

    private static void xyz(ByteBuffer out, double x, double y, double z) {
        out.put("XYZ ".getBytes(StandardCharsets.US_ASCII));
        out.putInt(0).putInt(fixed(x)).putInt(fixed(y)).putInt(fixed(z));
    }

    private static BufferedImage flat(int rgb, int type) {
        BufferedImage image = new BufferedImage(40, 30, type);
        for (int y = 0; y < 30; y++) {
            for (int x = 0; x < 40; x++) {
                image.setRGB(x, y, 0xff000000 | rgb);
            }
        }
        return image;
    }

    private static byte[] file(String format, BufferedImage image) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        assertTrue(ImageIO.write(image, format, out));
        return out.toByteArray();
    }

    /** A PNG with the profile in its iCCP chunk, right after the header. */
    private static byte[] png(int rgb, int type) throws IOException {
        byte[] plain = file("png", flat(rgb, type));
        Deflater deflater = new Deflater();
        deflater.setInput(profile());
        deflater.finish();
        byte[] packed = new byte[4000];
        int n = deflater.deflate(packed);
        ByteBuffer chunk = ByteBuffer.allocate(12 + 4 + n);
        chunk.putInt(4 + n).put("iCCPP3\0\0".getBytes(StandardCharsets.US_ASCII));
        chunk.put(packed, 0, n);
        CRC32 crc = new CRC32();
        crc.update(chunk.array(), 4, 8 + n);
        chunk.putInt((int) crc.getValue());
        int head = 8 + 25;
        ByteBuffer out = ByteBuffer.allocate(plain.length + chunk.capacity());
        out.put(plain, 0, head).put(chunk.array()).put(plain, head, plain.length - head);
        return out.array();
    }

    /** A JPEG with the profile in an APP2 segment, right after its start. */
    private static byte[] jpeg(int rgb) throws IOException {
        byte[] plain = Pictures.jpeg(flat(rgb, BufferedImage.TYPE_INT_RGB), 0.98f);
        byte[] profile = profile();
        ByteBuffer out = ByteBuffer.allocate(plain.length + profile.length + 18);
        out.put(plain, 0, 2);
        out.put((byte) 0xff).put((byte) 0xe2).putShort((short) (profile.length + 16));
        out.put("ICC_PROFILE\0".getBytes(StandardCharsets.US_ASCII)).put((byte) 1).put((byte) 1);
        out.put(profile).put(plain, 2, plain.length - 2);
        return out.array();
    }

    /** What the profile says the samples are, through XYZ, computed here on its own. */
    private static int expected(int rgb) {
        double[] linear = new double[3];
        for (int k = 0; k < 3; k++) {
            linear[k] = Math.pow(((rgb >> (16 - 8 * k)) & 255) / 255.0, 2.2);
        }
        double[] d50 = new double[3];
        for (int k = 0; k < 3; k++) {
            for (int i = 0; i < 3; i++) {
                d50[i] += P3[k][i] * linear[k];
            }
        }
        // D50 to D65 after Bradford
        double x = 0.9555766 * d50[0] - 0.0230393 * d50[1] + 0.0631636 * d50[2];
        double y = -0.0282895 * d50[0] + 1.0099416 * d50[1] + 0.0210077 * d50[2];
        double z = 0.0122982 * d50[0] - 0.0204830 * d50[1] + 1.3299098 * d50[2];
        double[] s = Srgb.xyzToLinear(x, y, z);
        return Srgb.pack(s[0], s[1], s[2]);
    }

    @DataProvider
    public Object[][] colours() {
        return new Object[][] {{0xa05030}, {0x4a6a48}, {0x808080}, {0x2c3a60}};
    }

    @Test(dataProvider = "colours")
    public void displayP3ComesInAsSrgb(int rgb) throws IOException {
        for (byte[] file :
                new byte[][] {
                    jpeg(rgb),
                    png(rgb, BufferedImage.TYPE_3BYTE_BGR),
                    png(rgb, BufferedImage.TYPE_4BYTE_ABGR)
                }) {
            Raster r =
                    PhotographFile.decode(file, PhotographFile.header(file, ZoneOffset.UTC))
                            .raster();
            int want = expected(rgb);
            for (int shift = 0; shift <= 16; shift += 8) {
                assertEquals(
                        r.at(20, 15) >> shift & 255,
                        want >> shift & 255,
                        3.0,
                        Integer.toHexString(rgb) + " became " + Integer.toHexString(r.at(20, 15)));
            }
        }
    }

    @Test
    public void aPlainFileIsLeftAsItIs() throws IOException {
        byte[] file = file("png", flat(0x336699, BufferedImage.TYPE_3BYTE_BGR));
        var header = PhotographFile.header(file, ZoneOffset.UTC);
        assertEquals(header.profile(), Optional.empty());
        assertEquals(PhotographFile.decode(file, header).raster().at(5, 5) & 0xffffff, 0x336699);
    }

    @Test
    public void aBrokenProfileIsReadOver() throws IOException {
        byte[] file = png(0x808080, BufferedImage.TYPE_3BYTE_BGR);
        // in the middle of the packed profile
        for (int i = 60; i < 120; i++) {
            file[i] = 0x55;
        }
        var header = PhotographFile.header(file, ZoneOffset.UTC);
        assertEquals(header.profile(), Optional.empty());
    }
}
