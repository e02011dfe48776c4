package org.pendrik.app.paper;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.pendrik.core.paper.CardLayout;
import org.pendrik.core.photo.Point;

/** Artwork at its size, with the outline of the white that lies under it beside it. */
final class ArtworkPdf {
    private ArtworkPdf() {}

    static byte[] of(
            String name,
            BufferedImage art,
            double widthMm,
            List<List<Point>> underlay,
            CardLayout.Paper paper) {
        double heightMm = widthMm * art.getHeight() / art.getWidth();
        try (Sheet sheet = new Sheet(paper, name)) {
            double x = 12;
            double y = 26;
            sheet.text(
                    Sheet.NAME,
                    x,
                    14,
                    String.format(
                            Locale.ROOT,
                            "%s, %.1f x %.1f mm. Under it the outline of the white.",
                            name,
                            widthMm,
                            heightMm));
            sheet.picture(
                    name,
                    LosslessFactory.createFromImage(sheet.document, art),
                    x,
                    y,
                    widthMm,
                    heightMm);
            boolean beside = y + 2 * heightMm + 8 > paper.heightMm() - 12;
            sheet.pen(Sheet.HAIR, 0);
            for (List<Point> ring : underlay) {
                sheet.ring(ring, beside ? x + widthMm + 8 : x, beside ? y : y + heightMm + 8);
            }
            return sheet.file();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
