package org.pendrik.core.catalogue;

import java.util.Locale;

/** What is left of a coat when it has dried, or what a substrate is made of. */
public enum Binder {
    WATERBORNE_ACRYLIC(0.9, Drying.WATER),
    ALCOHOL_ACRYLIC(0.9, Drying.EVAPORATION),
    LACQUER(0.8, Drying.EVAPORATION),
    ENAMEL(0.7, Drying.OXIDATION),
    OIL(0.7, Drying.OXIDATION),
    FLOOR_POLISH(0.9, Drying.WATER),
    RELEASE_LAYER(0.9, Drying.WATER),
    DECAL_FILM(0.9, Drying.WATER),
    FACTORY_PAINT(0, Drying.NONE),
    FACTORY_LETTERING(0, Drying.NONE),
    PRIMER(0, Drying.NONE),
    BARE_PLASTIC(0, Drying.NONE),
    METAL(0, Drying.NONE),
    WOOD(0, Drying.NONE),
    LOOSE_POWDER(0, Drying.NONE);

    /** What drives the cure. */
    public enum Drying {
        WATER,
        EVAPORATION,
        OXIDATION,
        NONE
    }

    private final double tightAt;
    private final Drying drying;

    Binder(double tightAt, Drying drying) {
        this.tightAt = tightAt;
        this.drying = drying;
    }

    /** The cure fraction from which a film lets no carrier through; 0 for what is always tight. */
    public double tightAt() {
        return tightAt;
    }

    /** As it is said at the bench. */
    String spoken() {
        return name().toLowerCase(Locale.ROOT)
                .replace('_', ' ')
                .replace("waterborne", "water-borne");
    }

    /** What drives its cure. */
    public Drying drying() {
        return drying;
    }

    /** Cures slowly by taking up oxygen and stays soft for days. */
    public boolean isOxidative() {
        return drying == Drying.OXIDATION;
    }

    /** Dries by giving off water. */
    public boolean isWaterborne() {
        return drying == Drying.WATER && this != DECAL_FILM;
    }

    /**
     * Wet coats of the two run into one: oil and enamel are one family, water-borne acrylics are
     * one.
     */
    public boolean blendsWith(Binder other) {
        return isOxidative() ? other.isOxidative() : this == WATERBORNE_ACRYLIC && other == this;
    }

    /** A liquid that can carry its paint: one of its own family, or one that mixes with it. */
    boolean thinsWith(Carrier liquid) {
        if (liquid instanceof Carrier.Dry) {
            return false;
        }
        boolean alcohol = liquid instanceof Carrier.Alcohol;
        if (!(liquid instanceof Carrier.Named named)) {
            return alcohol
                    && switch (this) {
                        case WATERBORNE_ACRYLIC, ALCOHOL_ACRYLIC, FLOOR_POLISH, LOOSE_POWDER ->
                                true;
                        default -> false;
                    };
        }
        boolean water =
                named == Carrier.Named.WATER
                        || named == Carrier.Named.WARM_WATER
                        || named == Carrier.Named.SOAPY_WATER;
        return switch (this) {
            case WATERBORNE_ACRYLIC ->
                    water
                            || named == Carrier.Named.ACRYLIC_REDUCER
                            || named == Carrier.Named.DECAL_SETTER;
            case FLOOR_POLISH, RELEASE_LAYER, DECAL_FILM -> water;
            case ALCOHOL_ACRYLIC -> named == Carrier.Named.ACRYLIC_REDUCER;
            case LACQUER -> named == Carrier.Named.LACQUER_THINNER;
            case ENAMEL, OIL ->
                    named == Carrier.Named.ODOURLESS_SPIRIT
                            || named == Carrier.Named.ENAMEL_THINNER;
            case LOOSE_POWDER -> true;
            default -> false;
        };
    }

    /** Its solvent bites almost everything as it lands. */
    public boolean isHot() {
        return this == LACQUER;
    }

    /** Lies loose until a clear binds it. */
    public boolean isLoose() {
        return this == LOOSE_POWDER;
    }
}
