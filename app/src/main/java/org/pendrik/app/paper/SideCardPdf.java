package org.pendrik.app.paper;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.pdmodel.interactive.viewerpreferences.PDViewerPreferences;
import org.pendrik.core.paper.CardLayout;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;

/**
 * Draws side cards at exact model scale. A ruler on each says whether the printer kept it; the file
 * asks viewers not to scale.
 */
final class SideCardPdf {
    private static final double POINTS_PER_MM = 72 / 25.4;
    private static final float HAIR = 0.25f;
    private static final float SMALL = 7;
    private static final float NAME = 10;
    private static final double FOOT_MM = 304.8;
    private static final double HALF_METRE_MM = 500;

    /** What the grid over the side is spaced by, on the prototype. */
    enum Grid {
        NONE,
        FEET,
        HALF_METRES;

        double spacingMm() {
            return switch (this) {
                case NONE -> 0;
                case FEET -> FOOT_MM;
                case HALF_METRES -> HALF_METRE_MM;
            };
        }
    }

    /** A measured colour. */
    record Chip(String name, int rgb, String lab) {}

    /**
     * A side.
     *
     * @param pxPerMm pixels of the picture per prototype mm
     */
    record Card(
            String name, Raster side, double pxPerMm, double ratio, List<Chip> chips, String note) {
        double lengthMm() {
            return side.width() / pxPerMm / ratio;
        }

        double heightMm() {
            return side.height() / pxPerMm / ratio;
        }
    }

    private final PDDocument document = new PDDocument();
    private final PaperText letters = new PaperText(document);
    private final CardLayout.Paper paper;
    private final Grid grid;

    private SideCardPdf(CardLayout.Paper paper, Grid grid) {
        this.paper = paper;
        this.grid = grid;
        PDViewerPreferences asItIs = new PDViewerPreferences(new COSDictionary());
        asItIs.setPrintScaling(PDViewerPreferences.PRINT_SCALING.None);
        document.getDocumentCatalog().setViewerPreferences(asItIs);
    }

    private PDPageContentStream sheet() throws IOException {
        PDPage page =
                new PDPage(
                        new PDRectangle(
                                (float) (paper.widthMm() * POINTS_PER_MM),
                                (float) (paper.heightMm() * POINTS_PER_MM)));
        document.addPage(page);
        return new PDPageContentStream(document, page);
    }

    static byte[] of(List<Card> cards, CardLayout.Paper paper, Grid grid) {
        List<CardLayout.Placed> placed =
                CardLayout.place(
                        cards.stream()
                                .map(c -> new CardLayout.Card(c.lengthMm(), c.heightMm()))
                                .toList(),
                        paper);
        SideCardPdf pdf = new SideCardPdf(paper, grid);
        try (PDDocument document = pdf.document) {
            pdf.draw(cards, placed);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void draw(List<Card> cards, List<CardLayout.Placed> placed) throws IOException {
        int sheets = placed.getLast().sheet() + 1;
        for (int s = 0; s < sheets; s++) {
            try (PDPageContentStream out = sheet()) {
                for (CardLayout.Placed p : placed) {
                    if (p.sheet() == s) {
                        card(out, cards.get(p.card()), p);
                    }
                }
            }
        }
    }

    private static float x(double mm) {
        return (float) (mm * POINTS_PER_MM);
    }

    private float y(double mm) {
        return (float) ((paper.heightMm() - mm) * POINTS_PER_MM);
    }

    private void card(PDPageContentStream out, Card c, CardLayout.Placed p) throws IOException {
        double width = p.toMm() - p.fromMm();
        Raster part = part(c, p);
        PDImageXObject image = LosslessFactory.createFromImage(document, picture(part));
        // the pixels of the part are whole, so its true width is theirs
        double partMm = part.width() / c.pxPerMm() / c.ratio();
        out.drawImage(image, x(p.xMm()), y(p.yMm() + c.heightMm()), x(partMm), x(c.heightMm()));
        grid(out, c, p, width);
        ruler(out, p, width);
        String piece =
                width < c.lengthMm() - 0.01
                        ? String.format(
                                Locale.ROOT,
                                ", %.0f to %.0f mm, overlap %.0f mm",
                                p.fromMm(),
                                p.toMm(),
                                CardLayout.OVERLAP_MM)
                        : "";
        text(
                out,
                NAME,
                p.xMm(),
                p.yMm() - 10,
                String.format(
                        Locale.ROOT,
                        "%s, 1:%s, %.1f mm long%s",
                        c.name(),
                        plain(c.ratio()),
                        c.lengthMm(),
                        piece));
        chips(out, c, p);
    }

    private static String plain(double v) {
        return v == Math.rint(v) ? Long.toString(Math.round(v)) : Double.toString(v);
    }

    private static Raster part(Card c, CardLayout.Placed p) {
        double px = c.pxPerMm() * c.ratio();
        int from = Math.clamp(Math.round(p.fromMm() * px), 0, c.side().width() - 1);
        int to = Math.clamp(Math.round(p.toMm() * px), from + 1, c.side().width());
        int w = to - from;
        int[] argb = new int[w * c.side().height()];
        for (int y = 0; y < c.side().height(); y++) {
            System.arraycopy(c.side().argb(), y * c.side().width() + from, argb, y * w, w);
        }
        return new Raster(w, c.side().height(), argb);
    }

    private static BufferedImage picture(Raster r) {
        BufferedImage image = new BufferedImage(r.width(), r.height(), BufferedImage.TYPE_INT_RGB);
        int[] rgb = r.argb().clone();
        for (int i = 0; i < rgb.length; i++) {
            rgb[i] = rgb[i] >>> 24 == 0 ? 0xffffff : rgb[i];
        }
        image.setRGB(0, 0, r.width(), r.height(), rgb, 0, r.width());
        return image;
    }

    private void grid(PDPageContentStream out, Card c, CardLayout.Placed p, double width)
            throws IOException {
        double step = grid.spacingMm() / c.ratio();
        if (step <= 0) {
            return;
        }
        out.setLineWidth(HAIR);
        out.setStrokingColor(1f, 1f, 1f);
        for (double mm = Math.ceil(p.fromMm() / step) * step; mm < p.toMm(); mm += step) {
            line(out, p.xMm() + mm - p.fromMm(), p.yMm(), 0, c.heightMm());
        }
        for (double mm = c.heightMm() - step; mm > 0; mm -= step) {
            line(out, p.xMm(), p.yMm() + mm, width, 0);
        }
    }

    private void ruler(PDPageContentStream out, CardLayout.Placed p, double width)
            throws IOException {
        out.setLineWidth(HAIR);
        out.setStrokingColor(0f, 0f, 0f);
        line(out, p.xMm(), p.yMm() - 1, width, 0);
        for (int mm = (int) Math.ceil(p.fromMm()); mm <= p.toMm(); mm++) {
            double high = mm % 10 == 0 ? 3 : mm % 5 == 0 ? 2 : 1.2;
            double at = p.xMm() + mm - p.fromMm();
            line(out, at, p.yMm() - 1 - high, 0, high);
            if (mm % 10 == 0) {
                text(out, SMALL, at + 0.4, p.yMm() - 4.4, Integer.toString(mm));
            }
        }
    }

    private void line(PDPageContentStream out, double xMm, double yMm, double dx, double dy)
            throws IOException {
        out.moveTo(x(xMm), y(yMm));
        out.lineTo(x(xMm + dx), y(yMm + dy));
        out.stroke();
    }

    private void chips(PDPageContentStream out, Card c, CardLayout.Placed p) throws IOException {
        double top = p.yMm() + c.heightMm() + 2;
        double at = p.xMm();
        for (Chip chip : c.chips()) {
            if (at + 34 > paper.widthMm() - 10) {
                break;
            }
            out.setNonStrokingColor(
                    (chip.rgb() >> 16 & 255) / 255f,
                    (chip.rgb() >> 8 & 255) / 255f,
                    (chip.rgb() & 255) / 255f);
            out.addRect(x(at), y(top + 8), x(8), x(8));
            out.fill();
            text(out, SMALL, at + 9, top + 3, chip.name());
            text(out, SMALL, at + 9, top + 6.5, chip.lab());
            at += 38;
        }
        if (!c.note().isBlank()) {
            text(out, SMALL, p.xMm(), top + 13, c.note());
        }
    }

    private void text(PDPageContentStream out, float size, double xMm, double yMm, String said)
            throws IOException {
        out.setNonStrokingColor(0f, 0f, 0f);
        out.beginText();
        out.newLineAtOffset(x(xMm), y(yMm));
        letters.show(out, size, said);
        out.endText();
    }

    /** Artwork at its size, with the outline of the white that lies under it beside it. */
    static byte[] artwork(
            String name,
            BufferedImage art,
            double widthMm,
            List<List<Point>> underlay,
            CardLayout.Paper paper) {
        SideCardPdf pdf = new SideCardPdf(paper, Grid.NONE);
        double heightMm = widthMm * art.getHeight() / art.getWidth();
        try (PDDocument document = pdf.document) {
            try (PDPageContentStream out = pdf.sheet()) {
                double x = 12;
                double y = 26;
                pdf.text(
                        out,
                        NAME,
                        x,
                        14,
                        String.format(
                                Locale.ROOT,
                                "%s, %.1f x %.1f mm. Under it the outline of the white.",
                                name,
                                widthMm,
                                heightMm));
                out.drawImage(
                        LosslessFactory.createFromImage(document, art),
                        x(x),
                        pdf.y(y + heightMm),
                        x(widthMm),
                        x(heightMm));
                boolean beside = y + 2 * heightMm + 8 > paper.heightMm() - 12;
                double ox = beside ? x + widthMm + 8 : x;
                double oy = beside ? y : y + heightMm + 8;
                out.setLineWidth(HAIR);
                out.setStrokingColor(0f, 0f, 0f);
                for (List<Point> ring : underlay) {
                    for (int i = 0; i < ring.size(); i++) {
                        Point q = ring.get(i);
                        if (i == 0) {
                            out.moveTo(x(ox + q.x()), pdf.y(oy + q.y()));
                        } else {
                            out.lineTo(x(ox + q.x()), pdf.y(oy + q.y()));
                        }
                    }
                    out.closePath();
                    out.stroke();
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
