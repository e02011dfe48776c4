package org.pendrik.app.photograph;

import java.awt.color.ICC_Profile;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.zip.InflaterInputStream;

/**
 * The colour profile of a PNG: its iCCP chunk (PNG specification, third edition, 11.3.2.3), which
 * ImageIO reads over. A profile that cannot be read counts as none.
 */
final class PngProfile {
    private static final int SIGNATURE = 8;
    private static final int AROUND_DATA = 12;
    private static final int MOST_BYTES = 4 * 1024 * 1024;

    private PngProfile() {}

    static Optional<ICC_Profile> of(byte[] file) {
        ByteBuffer in = ByteBuffer.wrap(file);
        int at = SIGNATURE;
        while (at + AROUND_DATA <= file.length) {
            int length = in.getInt(at);
            String type = new String(file, at + 4, 4, StandardCharsets.US_ASCII);
            if (length < 0 || length > file.length - at - AROUND_DATA || type.equals("IDAT")) {
                return Optional.empty();
            }
            if (type.equals("iCCP")) {
                return inflated(file, at + 8, length);
            }
            at += AROUND_DATA + length;
        }
        return Optional.empty();
    }

    private static Optional<ICC_Profile> inflated(byte[] file, int from, int length) {
        int name = 0;
        while (name < length && file[from + name] != 0) {
            name++;
        }
        int start = name + 2;
        if (start >= length) {
            return Optional.empty();
        }
        try (var in =
                new InflaterInputStream(
                        new ByteArrayInputStream(file, from + start, length - start))) {
            return Optional.of(ICC_Profile.getInstance(in.readNBytes(MOST_BYTES)));
        } catch (IOException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
