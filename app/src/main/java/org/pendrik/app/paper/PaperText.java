package org.pendrik.app.paper;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jspecify.annotations.Nullable;

/**
 * One line of text on paper in any script, in faces that ship with the program; of each only the
 * letters used are put into the file.
 */
final class PaperText {
    private static final List<String> FACES =
            List.of(
                    // of the library that writes the file
                    "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf",
                    "/fonts/DejaVuSans.ttf",
                    "/fonts/DroidSansFallbackFull.ttf");
    private static final int LONGEST = 150;

    private final PDDocument document;
    private final List<@Nullable PDFont> loaded = new ArrayList<>();

    PaperText(PDDocument document) {
        this.document = document;
        FACES.forEach(_ -> loaded.add(null));
    }

    private record Run(PDFont font, StringBuilder letters) {}

    /** Shows a line from where the stream stands. */
    void show(PDPageContentStream out, float size, String said) throws IOException {
        for (Run r : runs(oneLine(said))) {
            out.setFont(r.font(), size);
            out.showText(r.letters().toString());
        }
    }

    /** How wide a line becomes, in points. */
    double width(float size, String said) throws IOException {
        double width = 0;
        for (Run r : runs(oneLine(said))) {
            width += r.font().getStringWidth(r.letters().toString()) / 1000 * size;
        }
        return width;
    }

    /** The words of a text in lines of at most so many points; a longer word stands alone. */
    List<String> wrapped(float size, String said, double most) throws IOException {
        List<String> out = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : said.strip().split("\\s+", -1)) {
            if (!line.isEmpty() && width(size, line + " " + word) > most) {
                out.add(line.toString());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        if (!line.isEmpty()) {
            out.add(line.toString());
        }
        return out;
    }

    private static String oneLine(String s) {
        String line = s.replaceAll("\\s+", " ").replaceAll("\\p{Cntrl}", "");
        return line.codePointCount(0, line.length()) > LONGEST
                ? line.substring(0, line.offsetByCodePoints(0, LONGEST - 1)) + "…"
                : line;
    }

    private List<Run> runs(String line) throws IOException {
        List<Run> out = new ArrayList<>();
        for (int cp : line.codePoints().toArray()) {
            PDFont font = fontOf(cp);
            // a letter that no face knows is shown as missing, not left out
            String letter = font == null ? "?" : Character.toString(cp);
            PDFont used = font == null ? face(0) : font;
            if (out.isEmpty() || !out.getLast().font().equals(used)) {
                out.add(new Run(used, new StringBuilder()));
            }
            out.getLast().letters().append(letter);
        }
        return out;
    }

    private @Nullable PDFont fontOf(int cp) throws IOException {
        for (int i = 0; i < FACES.size(); i++) {
            PDFont face = face(i);
            try {
                face.encode(Character.toString(cp));
                return face;
            } catch (IllegalArgumentException e) {
                // it does not know this letter; the next may
            }
        }
        return null;
    }

    private PDFont face(int i) throws IOException {
        PDFont face = loaded.get(i);
        if (face == null) {
            try (InputStream in = PaperText.class.getResourceAsStream(FACES.get(i))) {
                if (in == null) {
                    throw new IllegalStateException(FACES.get(i) + " is missing from the program");
                }
                face = PDType0Font.load(document, in, true);
            }
            loaded.set(i, face);
        }
        return face;
    }
}
