package org.pendrik.app.paper;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import org.pendrik.core.paper.CardLayout;
import org.pendrik.core.photo.Point;

/**
 * Sheets of paper that are drawn on in millimetres from their upper left corner. The file asks
 * viewers not to scale, holds the letters that it uses, and says in which order it is read.
 */
final class Sheet implements AutoCloseable {
    static final float HAIR = 0.25f;
    static final float SMALL = 7;
    static final float NAME = 10;
    private static final double POINTS_PER_MM = 72 / 25.4;

    final PDDocument document = new PDDocument();
    private final PaperText letters = new PaperText(document);
    private final Tags tags = new Tags(document);
    private final CardLayout.Paper paper;
    private final String title;
    private PDPageContentStream out;

    Sheet(CardLayout.Paper paper, String title) throws IOException {
        this.paper = paper;
        this.title = title;
        PDViewerPreferences asItIs = new PDViewerPreferences(new COSDictionary());
        asItIs.setPrintScaling(PDViewerPreferences.PRINT_SCALING.None);
        asItIs.setDisplayDocTitle(true);
        document.getDocumentCatalog().setViewerPreferences(asItIs);
        document.getDocumentCatalog().setLanguage("en");
        out = page();
    }

    CardLayout.Paper paper() {
        return paper;
    }

    /** Goes on on the next sheet. */
    void next() throws IOException {
        out.close();
        out = page();
    }

    private PDPageContentStream page() throws IOException {
        PDPage page =
                new PDPage(
                        new PDRectangle(
                                (float) (paper.widthMm() * POINTS_PER_MM),
                                (float) (paper.heightMm() * POINTS_PER_MM)));
        document.addPage(page);
        tags.on(page);
        return new PDPageContentStream(document, page);
    }

    /** All that was drawn, as a file. */
    byte[] file() throws IOException {
        out.close();
        tags.close(title);
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        document.save(file);
        return file.toByteArray();
    }

    @Override
    public void close() throws IOException {
        document.close();
    }

    static float points(double mm) {
        return (float) (mm * POINTS_PER_MM);
    }

    private float y(double mm) {
        return (float) ((paper.heightMm() - mm) * POINTS_PER_MM);
    }

    /** A picture by its upper left corner and its size, and what it shows in words. */
    void picture(
            String words,
            org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject image,
            double xMm,
            double yMm,
            double widthMm,
            double heightMm)
            throws IOException {
        tags.read(
                out,
                Tags.Kind.PICTURE,
                words,
                () ->
                        out.drawImage(
                                image,
                                points(xMm),
                                y(yMm + heightMm),
                                points(widthMm),
                                points(heightMm)));
    }

    void pen(double width, int rgb) throws IOException {
        out.setLineWidth((float) width);
        out.setStrokingColor((rgb >> 16 & 255) / 255f, (rgb >> 8 & 255) / 255f, (rgb & 255) / 255f);
    }

    void line(double xMm, double yMm, double dx, double dy) throws IOException {
        Tags.seen(
                out,
                () -> {
                    out.moveTo(points(xMm), y(yMm));
                    out.lineTo(points(xMm + dx), y(yMm + dy));
                    out.stroke();
                });
    }

    /** The outline of a closed shape that begins at a place of the sheet. */
    void ring(List<Point> ring, double xMm, double yMm) throws IOException {
        Tags.seen(
                out,
                () -> {
                    for (int i = 0; i < ring.size(); i++) {
                        Point q = ring.get(i);
                        if (i == 0) {
                            out.moveTo(points(xMm + q.x()), y(yMm + q.y()));
                        } else {
                            out.lineTo(points(xMm + q.x()), y(yMm + q.y()));
                        }
                    }
                    out.closePath();
                    out.stroke();
                });
    }

    void box(double xMm, double yMm, double widthMm, double heightMm) throws IOException {
        Tags.seen(
                out,
                () -> {
                    out.addRect(points(xMm), y(yMm + heightMm), points(widthMm), points(heightMm));
                    out.stroke();
                });
    }

    void fill(double xMm, double yMm, double widthMm, double heightMm, int rgb) throws IOException {
        out.setNonStrokingColor(
                (rgb >> 16 & 255) / 255f, (rgb >> 8 & 255) / 255f, (rgb & 255) / 255f);
        Tags.seen(
                out,
                () -> {
                    out.addRect(points(xMm), y(yMm + heightMm), points(widthMm), points(heightMm));
                    out.fill();
                });
    }

    /** Text in black, its baseline at a place. */
    void text(float size, double xMm, double yMm, String said) throws IOException {
        out.setNonStrokingColor(0f, 0f, 0f);
        tags.read(
                out,
                size >= NAME ? Tags.Kind.HEADING : Tags.Kind.LINE,
                "",
                () -> {
                    out.beginText();
                    out.newLineAtOffset(points(xMm), y(yMm));
                    letters.show(out, size, said);
                    out.endText();
                });
    }

    /** The words of a text in lines that are at most so wide. */
    List<String> wrapped(float size, String said, double widthMm) throws IOException {
        return letters.wrapped(size, said, points(widthMm));
    }

    double widthMm(float size, String said) throws IOException {
        return letters.width(size, said) / POINTS_PER_MM;
    }
}
