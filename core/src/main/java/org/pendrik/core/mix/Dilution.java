package org.pendrik.core.mix;

import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Rational;

/**
 * Strengths and volumes: what is dissolved stays the same, C₁V₁ = C₂V₂. Exact fractions; volumes
 * are taken to add, which for alcohol and water is 3 % too much at the worst.
 *
 * @param stockMl of the stronger liquid
 * @param weakMl of the weaker one or of water
 * @param percent of the result
 */
public record Dilution(Rational stockMl, Rational weakMl, Rational percent) {
    private static final Rational HUNDRED = Rational.of(100);

    /**
     * How much stock and weaker liquid make a strength.
     *
     * @param stockPercent above the wanted one, to 100
     * @param weakPercent 0 for water, below the wanted one
     * @param wantedPercent between the two
     * @param wantedMl above 0
     */
    public static Dilution make(
            Rational stockPercent,
            Rational weakPercent,
            Rational wantedPercent,
            Rational wantedMl) {
        percent("Strength of the stock", stockPercent);
        percent("Strength of the weaker liquid", weakPercent);
        percent("Strength wanted", wantedPercent);
        positive(wantedMl);
        if (stockPercent.compareTo(weakPercent) <= 0
                || wantedPercent.compareTo(weakPercent) < 0
                || wantedPercent.compareTo(stockPercent) > 0) {
            throw new InvalidInput(
                    "Strength wanted",
                    wantedPercent.decimals(2) + " %",
                    "must be from "
                            + weakPercent.decimals(2)
                            + " to "
                            + stockPercent.decimals(2)
                            + " %",
                    "No mix of two liquids is stronger or weaker than both.");
        }
        Rational share = wantedPercent.minus(weakPercent).over(stockPercent.minus(weakPercent));
        Rational stock = wantedMl.times(share);
        return new Dilution(stock, wantedMl.minus(stock), wantedPercent);
    }

    /** What a mixture of two liquids comes to. */
    public static Dilution mixture(
            Rational onePercent, Rational oneMl, Rational otherPercent, Rational otherMl) {
        percent("Strength of the first", onePercent);
        percent("Strength of the second", otherPercent);
        positive(oneMl.plus(otherMl));
        Rational dissolved = onePercent.times(oneMl).plus(otherPercent.times(otherMl));
        return new Dilution(oneMl, otherMl, dissolved.over(oneMl.plus(otherMl)));
    }

    private static void percent(String field, Rational p) {
        if (p.signum() < 0 || p.compareTo(HUNDRED) > 0) {
            throw new InvalidInput(
                    field, p.decimals(2) + " %", "must be from 0 to 100 %", "Read the label.");
        }
    }

    private static void positive(Rational ml) {
        if (ml.signum() <= 0) {
            throw new InvalidInput(
                    "Amount",
                    ml.decimals(3) + " ml",
                    "must be above 0 ml",
                    "Say how much you need.");
        }
    }
}
