package org.pendrik.core.catalogue;

import org.pendrik.core.colour.Lab;

/** What a zone is made of before the first coat. */
public enum Substrate {
    FACTORY_SEMI_GLOSS("factory paint, semi-gloss", Binder.FACTORY_PAINT, Finish.SEMI_GLOSS),
    FACTORY_FLAT("factory paint, flat", Binder.FACTORY_PAINT, Finish.FLAT),
    PRIMED("primer", Binder.PRIMER, Finish.FLAT),
    BARE("bare plastic", Binder.BARE_PLASTIC, Finish.SEMI_GLOSS),
    /** Windows: nobody paints them on purpose. */
    GLAZING("clear glazing", Binder.BARE_PLASTIC, Finish.GLOSS),
    WHITE_METAL("white metal", Binder.METAL, Finish.SATIN),
    BRASS("brass", Binder.METAL, Finish.SEMI_GLOSS),
    /** Takes paint by itself: it soaks in. */
    WOOD("wood", Binder.WOOD, Finish.MATTE),
    /** Brick, plaster and card, coloured in the mass or painted flat. */
    MASONRY("brick or plaster", Binder.PRIMER, Finish.MATTE);

    /** The colour of a substrate when nothing was measured: a plain mid grey. */
    public static final Lab UNKNOWN_COLOUR = new Lab(48, 0, 0);

    private final String label;
    private final Binder binder;
    private final Finish finish;

    Substrate(String label, Binder binder, Finish finish) {
        this.label = label;
        this.binder = binder;
        this.finish = finish;
    }

    /** As said at the bench. */
    public String label() {
        return label;
    }

    /** What carriers meet on it where no coat lies. */
    public Binder binder() {
        return binder;
    }

    /** Paint has no hold on it without a primer. */
    public boolean needsPrimer() {
        return this == BARE || this == WHITE_METAL || this == BRASS;
    }

    /** The finish before the first coat. */
    public Finish finish() {
        return finish;
    }
}
