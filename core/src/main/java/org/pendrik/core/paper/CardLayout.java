package org.pendrik.core.paper;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.units.InvalidInput;

/**
 * Where side cards stand on sheets of paper, at exact model scale: beside each other in rows while
 * they fit, on a new sheet when not. A side longer than the sheet is cut into pieces that overlap,
 * so that they can be joined; each has a row of its own.
 */
public final class CardLayout {
    /** Pieces of one side share this much. */
    public static final double OVERLAP_MM = 8;

    private static final double MARGIN_MM = 10;

    /** Above a side: its name and ruler; below: its cut marks. */
    private static final double HEAD_MM = 16;

    private static final double FOOT_MM = 8;

    /** Between two sides in a row: the cut marks of both. */
    private static final double BESIDE_MM = 13;

    private static final int MOST_SHEETS = 60;

    /** Paper, lying on its long edge. */
    public enum Paper {
        A4(297, 210),
        LETTER(279.4, 215.9);

        private final double widthMm;
        private final double heightMm;

        Paper(double widthMm, double heightMm) {
            this.widthMm = widthMm;
            this.heightMm = heightMm;
        }

        /** Long edge, mm. */
        public double widthMm() {
            return widthMm;
        }

        /** Short edge, mm. */
        public double heightMm() {
            return heightMm;
        }
    }

    /**
     * A side to place.
     *
     * @param lengthMm of the model
     * @param heightMm of the model
     * @param headingMm what its name takes along
     */
    public record Card(double lengthMm, double heightMm, double headingMm) {}

    /**
     * A piece of a side on a sheet.
     *
     * @param card which side, from 0
     * @param sheet which sheet, from 0
     * @param xMm left edge of the piece from the left edge of the sheet
     * @param yMm upper edge of the piece from the upper edge of the sheet
     * @param fromMm where the piece begins on the side, model mm
     * @param toMm where it ends
     */
    public record Placed(int card, int sheet, double xMm, double yMm, double fromMm, double toMm) {}

    private CardLayout() {}

    /**
     * Places cards.
     *
     * @throws InvalidInput when a side is higher than the paper, or they need more than 60 sheets
     */
    public static List<Placed> place(List<Card> cards, Paper paper) {
        double room = paper.widthMm() - 2 * MARGIN_MM;
        List<Placed> out = new ArrayList<>();
        int sheet = 0;
        double x = MARGIN_MM;
        double y = MARGIN_MM;
        double row = 0;
        for (int c = 0; c < cards.size(); c++) {
            Card card = cards.get(c);
            double needs = HEAD_MM + card.heightMm() + FOOT_MM;
            if (needs > paper.heightMm() - 2 * MARGIN_MM) {
                throw new InvalidInput(
                        "Bench sheet",
                        Math.round(card.heightMm()) + " mm high",
                        "must be at most "
                                + (int)
                                        Math.floor(
                                                paper.heightMm()
                                                        - 2 * MARGIN_MM
                                                        - HEAD_MM
                                                        - FOOT_MM)
                                + " mm to fit on the paper",
                        "Choose larger paper or a smaller scale.");
            }
            int pieces =
                    card.lengthMm() <= room
                            ? 1
                            : (int) Math.ceil((card.lengthMm() - OVERLAP_MM) / (room - OVERLAP_MM));
            for (int p = 0; p < pieces; p++) {
                double along = pieces > 1 ? room : Math.max(card.lengthMm(), card.headingMm());
                if (x > MARGIN_MM && x + along > MARGIN_MM + room) {
                    x = MARGIN_MM;
                    y += row;
                    row = 0;
                }
                if (y + needs > paper.heightMm() - MARGIN_MM + 1e-9) {
                    sheet++;
                    x = MARGIN_MM;
                    y = MARGIN_MM;
                    row = 0;
                }
                double from = p * (room - OVERLAP_MM);
                double to = Math.min(card.lengthMm(), from + room);
                out.add(new Placed(c, sheet, x, y + HEAD_MM, from, to));
                x += along + BESIDE_MM;
                row = Math.max(row, needs);
            }
        }
        if (sheet >= MOST_SHEETS) {
            throw new InvalidInput(
                    "Bench sheet",
                    sheet + 1 + " sheets",
                    "must have at most " + MOST_SHEETS,
                    "Print fewer sides at a time.");
        }
        return List.copyOf(out);
    }
}
