package org.pendrik.core.mix;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.Gauge;
import org.pendrik.core.units.InvalidInput;

/**
 * Where to begin with the airbrush, and whether its tip will dry.
 *
 * <p>Pressure, needle and distance come from airbrush.csv, moved within their span by the scale:
 * smaller models want the lower pressure and the shorter distance. Tip-dry goes with how fast the
 * carrier leaves: the clock factor of the film engine for a waterborne mist (exp(0.035 (T − 21)) ×
 * (1 − RH) / 0.5), × 1.5 for low pressure close to the model, × 0.4 for a retarder, × what the
 * carrier is; below 0.8 it is low, above 1.6 high: priors.
 *
 * @param fromBar pressure
 * @param toBar pressure
 * @param fromPsi the same pressure
 * @param toPsi the same pressure
 * @param needleMm nozzle
 * @param fromMm distance to the model
 * @param toMm distance to the model
 * @param milk how thin the mix is, in words
 * @param risk of the tip drying, 1 is usual
 * @param tipDry in words
 * @param lowers what lowers the risk, what helps most first
 */
public record Airbrush(
        double fromBar,
        double toBar,
        double fromPsi,
        double toPsi,
        double needleMm,
        double fromMm,
        double toMm,
        String milk,
        double risk,
        TipDry tipDry,
        List<String> lowers) {
    private static final List<Row> ROWS =
            DomainTable.load(
                    Airbrush.class,
                    "airbrush.csv",
                    r ->
                            new Row(
                                    r.text("effect"),
                                    r.text("name"),
                                    r.number("from_bar"),
                                    r.number("to_bar"),
                                    r.number("needle_mm"),
                                    r.number("from_mm"),
                                    r.number("to_mm"),
                                    r.text("consistency")));
    private static final double LOW_BAR = 1.2;
    private static final double LOW = 0.8;
    private static final double HIGH = 1.6;

    public Airbrush {
        lowers = List.copyOf(lowers);
    }

    private record Row(
            String effect,
            String name,
            double fromBar,
            double toBar,
            double needleMm,
            double fromMm,
            double toMm,
            String consistency) {}

    /** How likely the tip dries. */
    public enum TipDry {
        LOW,
        USUAL,
        HIGH
    }

    /** What carries the paint. */
    public enum Carries {
        WATER(1),
        ALCOHOL(1.4),
        SPIRIT(0.3),
        LACQUER_THINNER(0.6);

        private final double factor;

        Carries(double factor) {
            this.factor = factor;
        }
    }

    /**
     * An effect that the table knows.
     *
     * @param key of airbrush.csv
     * @param name in words
     */
    public record SprayEffect(String key, String name) {}

    /** The effects of the table, in its order. */
    public static List<SprayEffect> effects() {
        return ROWS.stream().map(r -> new SprayEffect(r.effect, r.name)).toList();
    }

    /**
     * Start values.
     *
     * @param effect a key of airbrush.csv
     * @param ratio of the scale, 1 to 1000
     * @throws InvalidInput when the effect is not known
     */
    public static Airbrush start(
            String effect, double ratio, Carries carries, boolean retarder, Climate climate) {
        InvalidInput.requireWithin(
                "Scale", ratio, "", 1, 1000, "Give the second figure of the ratio.");
        Row row =
                ROWS.stream()
                        .filter(r -> r.effect.equals(effect))
                        .findFirst()
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "SprayEffect",
                                                effect,
                                                "is not known",
                                                "Use one of "
                                                        + String.join(
                                                                ", ",
                                                                ROWS.stream()
                                                                        .map(Row::effect)
                                                                        .toList())
                                                        + "."));
        // 1:32 and larger take the upper half, 1:160 and smaller the lower
        double small = Math.clamp(Math.log(ratio / 32) / Math.log(5), 0, 1);
        double middle = (row.fromBar + row.toBar) / 2;
        double fromBar = row.fromBar + (1 - small) * (middle - row.fromBar);
        double toBar = row.toBar - small * (row.toBar - middle);
        double middleMm = (row.fromMm + row.toMm) / 2;
        double fromMm = row.fromMm + (1 - small) * (middleMm - row.fromMm);
        double toMm = row.toMm - small * (row.toMm - middleMm);
        double dry =
                Math.exp(0.035 * (climate.celsius() - 21))
                        * Math.max(0.25, (1 - climate.relativeHumidity()) / 0.5);
        double risk =
                (carries == Carries.WATER || carries == Carries.ALCOHOL
                                ? dry
                                : Math.exp(0.035 * (climate.celsius() - 21)))
                        * carries.factor
                        * (fromBar < LOW_BAR ? 1.5 : 1)
                        * (retarder ? 0.4 : 1);
        TipDry tip = risk < LOW ? TipDry.LOW : risk > HIGH ? TipDry.HIGH : TipDry.USUAL;
        return new Airbrush(
                fromBar,
                toBar,
                Gauge.BAR.toOther(fromBar),
                Gauge.BAR.toOther(toBar),
                row.needleMm,
                fromMm,
                toMm,
                row.consistency,
                risk,
                tip,
                lowers(tip, carries, retarder, climate, fromBar));
    }

    private static List<String> lowers(
            TipDry tip, Carries carries, boolean retarder, Climate climate, double fromBar) {
        List<String> out = new ArrayList<>();
        if (tip == TipDry.LOW) {
            return out;
        }
        if (!retarder && carries == Carries.WATER) {
            out.add("A drop of retarder in the cup.");
        }
        if (carries == Carries.ALCOHOL) {
            out.add("Thin with the maker's reducer in place of alcohol.");
        }
        if (climate.relativeHumidity() < 0.4) {
            out.add("Damper air: a wet cloth beside the booth.");
        }
        if (climate.celsius() > 24) {
            out.add("Spray in the cool of the morning.");
        }
        if (fromBar < LOW_BAR) {
            out.add("A little more pressure, from a little further off.");
        }
        out.add("Wipe the tip with a damp brush after every pass.");
        return out;
    }
}
