package org.pendrik.app.paper;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.pendrik.core.paper.CardLayout;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;

/**
 * The sheet that lies on the bench: the sides at exact model scale with their regions numbered,
 * each region's colour with what is nearest to it on the shelf and what was measured there in
 * millimetres of the model, the effects as a list to tick. Two rulers of 100 mm on every sheet say
 * whether the printer kept the scale, each way.
 */
final class BenchSheetPdf {
    private static final double FOOT_MM = 304.8;
    private static final double HALF_METRE_MM = 500;
    private static final double MARGIN_MM = 10;

    /** Lines and columns of what stands below the sides. */
    private static final double LINE_MM = 3.2;

    private static final int COLUMNS = 3;

    /** A note of so many lines is not torn. */
    private static final int TOGETHER = 12;

    private static final double GAP_MM = 6;
    private static final double PATCH_MM = 9;
    private static final int BLACK = 0;
    private static final int WHITE = 0xffffff;

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

    /**
     * A region drawn on its side.
     *
     * @param outline prototype mm
     */
    record Outlined(String number, List<Point> outline) {}

    /**
     * A side.
     *
     * @param pxPerMm pixels of the picture per prototype mm
     */
    record Card(String name, Raster side, double pxPerMm, double ratio, List<Outlined> regions) {
        double lengthMm() {
            return side.width() / pxPerMm / ratio;
        }

        double heightMm() {
            return side.height() / pxPerMm / ratio;
        }
    }

    /**
     * What the sheet says of a region.
     *
     * @param side that it lies on, where there are several
     * @param lines each wrapped to the column
     */
    record Entry(String number, String name, String side, int rgb, List<String> lines) {}

    /** An effect to tick. */
    record Tick(String what, String where) {}

    /** All that is on the paper. */
    record Content(List<Card> cards, List<Entry> entries, List<Tick> ticks, String note) {}

    private final Sheet sheet;
    private final Grid grid;
    private int column;

    /** How far down each column is filled. */
    private final double[] ends = new double[COLUMNS];

    private double top;
    private double at;

    private BenchSheetPdf(Sheet sheet, Grid grid) {
        this.sheet = sheet;
        this.grid = grid;
    }

    static byte[] of(Content content, CardLayout.Paper paper, Grid grid) {
        try (Sheet sheet = new Sheet(paper, "Bench sheet")) {
            List<CardLayout.Card> cards = new ArrayList<>();
            for (Card c : content.cards()) {
                double heading = sheet.widthMm(Sheet.NAME, heading(c));
                cards.add(new CardLayout.Card(c.lengthMm(), c.heightMm(), heading));
            }
            new BenchSheetPdf(sheet, grid).draw(content, CardLayout.place(cards, paper));
            return sheet.file();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void draw(Content content, List<CardLayout.Placed> placed) throws IOException {
        int on = 0;
        rulers();
        for (CardLayout.Placed p : placed) {
            if (p.sheet() > on) {
                next();
                on = p.sheet();
            }
            Card c = content.cards().get(p.card());
            card(c, p);
            top = Math.max(top, p.yMm() + c.heightMm() + 8);
        }
        begin();
        for (Entry e : content.entries()) {
            entry(e);
        }
        if (!content.ticks().isEmpty()) {
            room(2 * LINE_MM + 6);
            sheet.text(Sheet.NAME, x(), at + 3.5, "To do");
            at += 6;
            for (Tick t : content.ticks()) {
                tick(t);
            }
        }
        if (!content.note().isBlank()) {
            List<String> lines = sheet.wrapped(Sheet.SMALL, content.note(), columnMm());
            at += 1;
            room(Math.min(lines.size(), TOGETHER) * LINE_MM);
            for (String line : lines) {
                room(LINE_MM);
                sheet.text(Sheet.SMALL, x(), at + 2.5, line);
                at += LINE_MM;
            }
        }
    }

    private double columnMm() {
        return (sheet.paper().widthMm() - 2 * MARGIN_MM - (COLUMNS - 1) * GAP_MM) / COLUMNS;
    }

    private double x() {
        return MARGIN_MM + column * (columnMm() + GAP_MM);
    }

    /** Goes to the next column in which a block fits, to one before it, or to a new sheet. */
    private void room(double mm) throws IOException {
        if (fits(at, mm)) {
            return;
        }
        ends[column] = at;
        for (int k = 1; k < COLUMNS; k++) {
            int next = (column + k) % COLUMNS;
            if (fits(ends[next], mm)) {
                column = next;
                at = ends[next];
                return;
            }
        }
        next();
    }

    private boolean fits(double from, double mm) {
        return from + mm <= sheet.paper().heightMm() - MARGIN_MM - 4;
    }

    private void next() throws IOException {
        sheet.next();
        rulers();
        top = MARGIN_MM;
        begin();
    }

    /** Columns begin below what stands on the sheet. */
    private void begin() {
        column = 0;
        at = top;
        Arrays.fill(ends, top);
    }

    /** 100 mm along the lower edge, and 100 mm up the right one. */
    private void rulers() throws IOException {
        double low = sheet.paper().heightMm() - 6;
        double right = sheet.paper().widthMm() - 5;
        sheet.pen(Sheet.HAIR, BLACK);
        sheet.line(MARGIN_MM, low, 100, 0);
        sheet.line(right, low - 100, 0, 100);
        for (int mm = 0; mm <= 100; mm += 5) {
            double high = mm % 50 == 0 ? 3 : mm % 10 == 0 ? 2 : 1.2;
            sheet.line(MARGIN_MM + mm, low - high, 0, high);
            sheet.line(right - high, low - mm, high, 0);
        }
        sheet.text(Sheet.SMALL, MARGIN_MM + 102, low, "100 mm: else the printer scaled it");
    }

    private void card(Card c, CardLayout.Placed p) throws IOException {
        double width = p.toMm() - p.fromMm();
        Raster part = part(c, p);
        // the pixels of the part are whole, so its true width is theirs
        double partMm = part.width() / c.pxPerMm() / c.ratio();
        sheet.picture(
                c.name() + " at model scale, its regions numbered",
                LosslessFactory.createFromImage(sheet.document, picture(part)),
                p.xMm(),
                p.yMm(),
                partMm,
                c.heightMm());
        grid(c, p, width);
        for (Outlined r : c.regions()) {
            outlined(r, c, p, width);
        }
        ruler(p, width);
        cutMarks(p, width, c.heightMm());
        String piece =
                width < c.lengthMm() - 0.01
                        ? String.format(
                                Locale.ROOT,
                                ", %.0f to %.0f mm, overlap %.0f mm",
                                p.fromMm(),
                                p.toMm(),
                                CardLayout.OVERLAP_MM)
                        : "";
        sheet.text(Sheet.NAME, p.xMm(), p.yMm() - 8, heading(c) + piece);
    }

    private static String heading(Card c) {
        return String.format(
                Locale.ROOT, "%s, 1:%s, %.1f mm long", c.name(), plain(c.ratio()), c.lengthMm());
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
            rgb[i] = rgb[i] >>> 24 == 0 ? WHITE : rgb[i];
        }
        image.setRGB(0, 0, r.width(), r.height(), rgb, 0, r.width());
        return image;
    }

    private void grid(Card c, CardLayout.Placed p, double width) throws IOException {
        double step = grid.spacingMm() / c.ratio();
        if (step <= 0) {
            return;
        }
        sheet.pen(Sheet.HAIR, WHITE);
        for (double mm = Math.ceil(p.fromMm() / step) * step; mm < p.toMm(); mm += step) {
            sheet.line(p.xMm() + mm - p.fromMm(), p.yMm(), 0, c.heightMm());
        }
        for (double mm = c.heightMm() - step; mm > 0; mm -= step) {
            sheet.line(p.xMm(), p.yMm() + mm, width, 0);
        }
    }

    /** Black on white, so that it stands out from any paint and on any printer. */
    private void outlined(Outlined r, Card c, CardLayout.Placed p, double width)
            throws IOException {
        List<Point> ring =
                r.outline().stream()
                        .map(q -> new Point(q.x() / c.ratio() - p.fromMm(), q.y() / c.ratio()))
                        .toList();
        double left = ring.stream().mapToDouble(Point::x).min().orElse(0);
        double right = ring.stream().mapToDouble(Point::x).max().orElse(0);
        double high = ring.stream().mapToDouble(Point::y).min().orElse(0);
        if (left < 0 || right > width) {
            // it is whole on the next piece, or cut by the overlap: a half outline misleads
            return;
        }
        sheet.pen(0.9, WHITE);
        sheet.ring(ring, p.xMm(), p.yMm());
        sheet.pen(0.4, BLACK);
        sheet.ring(ring, p.xMm(), p.yMm());
        double wide = sheet.widthMm(5, r.number()) + 0.8;
        sheet.fill(p.xMm() + left, p.yMm() + high, wide, 2.2, WHITE);
        sheet.text(5, p.xMm() + left + 0.4, p.yMm() + high + 1.8, r.number());
    }

    private void ruler(CardLayout.Placed p, double width) throws IOException {
        sheet.pen(Sheet.HAIR, BLACK);
        sheet.line(p.xMm(), p.yMm() - 1, width, 0);
        for (int mm = (int) Math.ceil(p.fromMm()); mm <= p.toMm(); mm++) {
            double high = mm % 10 == 0 ? 3 : mm % 5 == 0 ? 2 : 1.2;
            double x = p.xMm() + mm - p.fromMm();
            sheet.line(x, p.yMm() - 1 - high, 0, high);
            if (mm % 10 == 0) {
                sheet.text(Sheet.SMALL, x + 0.4, p.yMm() - 4.4, Integer.toString(mm));
            }
        }
    }

    private void cutMarks(CardLayout.Placed p, double width, double height) throws IOException {
        for (double y : new double[] {p.yMm(), p.yMm() + height}) {
            sheet.line(p.xMm() - 5, y, 4, 0);
            sheet.line(p.xMm() + width + 1, y, 4, 0);
        }
        for (double x : new double[] {p.xMm(), p.xMm() + width}) {
            sheet.line(x, p.yMm() + height + 1, 0, 4);
        }
    }

    private void entry(Entry e) throws IOException {
        double textX = PATCH_MM + 2;
        List<String> lines =
                new ArrayList<>(
                        sheet.wrapped(
                                8, e.number() + "  " + e.name() + e.side(), columnMm() - textX));
        int heads = lines.size();
        for (String l : e.lines()) {
            lines.addAll(sheet.wrapped(Sheet.SMALL, l, columnMm() - textX));
        }
        double high = Math.max(PATCH_MM, lines.size() * LINE_MM) + 2.4;
        room(high);
        sheet.fill(x(), at, PATCH_MM, PATCH_MM, e.rgb());
        sheet.pen(Sheet.HAIR, BLACK);
        sheet.box(x(), at, PATCH_MM, PATCH_MM);
        for (int i = 0; i < lines.size(); i++) {
            sheet.text(
                    i < heads ? 8 : Sheet.SMALL, x() + textX, at + 2.6 + i * LINE_MM, lines.get(i));
        }
        at += high;
    }

    private void tick(Tick t) throws IOException {
        double textX = 5;
        List<String> what = sheet.wrapped(8, t.what(), columnMm() - textX);
        List<String> where = sheet.wrapped(Sheet.SMALL, t.where(), columnMm() - textX);
        double high = (what.size() + where.size()) * LINE_MM + 1.4;
        room(high);
        sheet.pen(0.5, BLACK);
        sheet.box(x(), at, 3, 3);
        double y = at + 2.6;
        for (String l : what) {
            sheet.text(8, x() + textX, y, l);
            y += LINE_MM;
        }
        for (String l : where) {
            sheet.text(Sheet.SMALL, x() + textX, y, l);
            y += LINE_MM;
        }
        at += high;
    }
}
