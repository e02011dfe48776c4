package org.pendrik.core.catalogue;

import org.pendrik.core.units.InvalidInput;

/** The liquid that carries or thins a material. */
public sealed interface Carrier {
    /** Dry work. */
    record Dry() implements Carrier {}

    /** A carrier of the bite table other than alcohol. */
    enum Named implements Carrier {
        WATER(Solvent.W, "water"),
        WARM_WATER(Solvent.W, "warm water"),
        SOAPY_WATER(Solvent.WD, "water with detergent"),
        ACRYLIC_REDUCER(Solvent.AR, "acrylic reducer"),
        ODOURLESS_SPIRIT(Solvent.MS, "odourless spirit"),
        ENAMEL_THINNER(Solvent.ET, "enamel thinner"),
        LACQUER_THINNER(Solvent.LT, "lacquer thinner"),
        DECAL_SETTER(Solvent.DS, "decal setter"),
        DECAL_SOFTENER(Solvent.DX, "decal softener"),
        AMMONIA(Solvent.NH, "ammonia cleaner");

        private final Solvent column;
        private final String label;

        Named(Solvent column, String label) {
            this.column = column;
            this.label = label;
        }

        Solvent column() {
            return column;
        }

        /** As it stands on the bottle. */
        public String label() {
            return label;
        }
    }

    /**
     * Alcohol in water.
     *
     * @param percent by volume, 0 to 100
     */
    record Alcohol(double percent) implements Carrier {
        public Alcohol {
            InvalidInput.requireWithin(
                    "Alcohol strength", percent, " %", 0, 100, "Read the strength off the bottle.");
        }
    }

    /**
     * What reaches the topmost coat, where a liquid at room temperature is 1: warm water gets half
     * as far again.
     */
    default double reach() {
        return this == Named.WARM_WATER ? 1.5 : 1;
    }

    /** The name a person knows it by. */
    default String spoken() {
        return switch (this) {
            case Dry _ -> "nothing";
            case Named n -> n.label();
            case Alcohol a -> "alcohol " + Math.round(a.percent()) + " %";
        };
    }

    /**
     * Reads a carrier as the tables write it: NONE, I with a strength for alcohol, or a column of
     * the bite table, WW for warm water.
     *
     * @throws IllegalArgumentException when it is none of these
     */
    public static Carrier parse(String text) {
        if (text.equals("NONE")) {
            return new Dry();
        }
        if (text.matches("I\\d{1,3}")) {
            return new Alcohol(Integer.parseInt(text.substring(1)));
        }
        if (text.equals("WW")) {
            return Named.WARM_WATER;
        }
        return switch (Solvent.valueOf(text)) {
            case Solvent s -> {
                for (Named n : Named.values()) {
                    if (n.column() == s) {
                        yield n;
                    }
                }
                throw new IllegalArgumentException("carrier " + text + " has no name");
            }
        };
    }
}
