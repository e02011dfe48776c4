package org.pendrik.app.photograph;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Set;

/** The chunks of a PNG file (ISO/IEC 15948). */
final class PngChunks {
    private static final int SIGNATURE = 8;
    private static final int AROUND_DATA = 12;

    /** What of a PNG tells when and with what it was taken. */
    private static final Set<String> TELLING = Set.of("IHDR", "eXIf", "IEND");

    private PngChunks() {}

    /**
     * A PNG with nothing in it but its size and its EXIF; another file as it is. Texts are packed:
     * a few kilobytes of them can unpack to gigabytes.
     */
    static byte[] withoutTexts(byte[] file) {
        if (file.length < SIGNATURE || (file[0] & 255) != 0x89 || file[1] != 'P') {
            return file;
        }
        ByteBuffer in = ByteBuffer.wrap(file);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(file, 0, SIGNATURE);
        int at = SIGNATURE;
        while (at + AROUND_DATA <= file.length) {
            int length = in.getInt(at);
            if (length < 0 || length > file.length - at - AROUND_DATA) {
                break;
            }
            if (TELLING.contains(new String(file, at + 4, 4, StandardCharsets.US_ASCII))) {
                out.write(file, at, AROUND_DATA + length);
            }
            at += AROUND_DATA + length;
        }
        return out.toByteArray();
    }
}
