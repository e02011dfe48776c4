package org.pendrik.core.mix;

import org.pendrik.core.units.InvalidInput;

/**
 * How much paint a surface takes.
 *
 * <p>Volume of dry film = area × film × coats; of paint from the bottle = that ÷ solids ÷ what
 * reaches the model (transfer); of the mix = paint × (1 + thinner). What a cup holds back (0.15 ml
 * a filling, a prior) is added.
 *
 * @param paintMl from the bottle
 * @param mixMl thinned
 * @param cups fillings
 * @param paintDrops of 0.05 ml, rounded up
 * @param share of a bottle, 0 upwards
 * @param cost in the workshop's own money
 */
public record Amount(
        double paintMl, double mixMl, int cups, int paintDrops, double share, double cost) {
    private static final double LOST_ML = 0.15;
    private static final double ML_PER_DROP = 0.05;

    /** Solids by volume of a paint whose label is silent. */
    public static final double USUAL_SOLIDS = 0.3;

    /** Share of what leaves an airbrush that reaches the model. */
    public static final double USUAL_TRANSFER = 0.35;

    /**
     * What is painted with what.
     *
     * @param areaMm2 of one model, 1 to 1e6 mm²
     * @param models 1 to 100
     * @param coats 1 to 20
     * @param filmMicrometres dry, of one coat
     * @param solids of the paint by volume, 0.02 to 1
     * @param transfer what reaches the model, 0.05 to 1
     * @param thinnerPerPaint by volume, 0 to 100
     * @param cupMl that a filling holds
     * @param bottleMl that a bottle holds
     * @param pricePerMl of the paint
     */
    public record PaintedArea(
            double areaMm2,
            int models,
            int coats,
            double filmMicrometres,
            double solids,
            double transfer,
            double thinnerPerPaint,
            double cupMl,
            double bottleMl,
            double pricePerMl) {
        public PaintedArea {
            InvalidInput.requireWithin(
                    "Area", areaMm2, " mm²", 1, 1e6, "Length by height of what is painted.");
            InvalidInput.requireWithin("Models", models, "", 1, 100, "Count them.");
            InvalidInput.requireWithin("Coats", coats, "", 1, 20, "Count the wet coats.");
            InvalidInput.requireWithin(
                    "Dry film", filmMicrometres, " µm", 0.5, 500, "A mist is 2, a coat 10.");
            InvalidInput.requireWithin(
                    "Solids", solids * 100, " %", 2, 100, "30 % when the label is silent.");
            InvalidInput.requireWithin(
                    "Transfer", transfer * 100, " %", 5, 100, "Airbrush 35, brush 80, can 25.");
            InvalidInput.requireWithin(
                    "Thinner to paint", thinnerPerPaint, "", 0, 100, "0 for as it comes.");
            InvalidInput.requireWithin("Cup", cupMl, " ml", 0.3, 200, "What it holds when full.");
            InvalidInput.requireWithin("Bottle", bottleMl, " ml", 1, 2000, "Read the label.");
            InvalidInput.requireWithin("Price", pricePerMl, " a ml", 0, 1000, "0 when unknown.");
        }
    }

    /** What a job takes. */
    public static Amount of(PaintedArea j) {
        double dry = j.areaMm2 * j.models * j.coats * j.filmMicrometres / 1e6;
        double paint = dry / j.solids / j.transfer;
        double mix = paint * (1 + j.thinnerPerPaint);
        int cups = 1;
        while (mix + cups * LOST_ML > cups * j.cupMl) {
            cups++;
        }
        double whole = mix + cups * LOST_ML;
        double fromBottle = whole / (1 + j.thinnerPerPaint);
        return new Amount(
                fromBottle,
                whole,
                cups,
                (int) Math.ceil(fromBottle / ML_PER_DROP - 1e-9),
                fromBottle / j.bottleMl,
                fromBottle * j.pricePerMl);
    }
}
