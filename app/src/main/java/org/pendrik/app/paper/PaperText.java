package org.pendrik.app.paper;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.jspecify.annotations.Nullable;

/**
 * One line of text on paper in any script: Latin in the face that every reader has, the rest in
 * faces that ship with the program, of which only the letters used are put into the file.
 */
final class PaperText {
    private static final List<String> FACES =
            List.of("/fonts/DejaVuSans.ttf", "/fonts/DroidSansFallbackFull.ttf");
    private static final int LONGEST = 150;

    private final PDDocument document;
    private final PDFont latin = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
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
            PDFont used = font == null ? latin : font;
            if (out.isEmpty() || !out.getLast().font().equals(used)) {
                out.add(new Run(used, new StringBuilder()));
            }
            out.getLast().letters().append(letter);
        }
        return out;
    }

    private @Nullable PDFont fontOf(int cp) throws IOException {
        if ((cp >= ' ' && cp < 127) || (cp >= 0xa1 && cp <= 0xff)) {
            return latin;
        }
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
