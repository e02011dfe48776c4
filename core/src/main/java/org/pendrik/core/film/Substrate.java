package org.pendrik.core.film;

import org.pendrik.core.colour.Lab;

/** What a zone is made of before the first coat. */
public enum Substrate {
    FACTORY_SEMI_GLOSS("factory paint, semi-gloss", Binder.FACTORY_PAINT, Finish.SEMI_GLOSS),
    FACTORY_FLAT("factory paint, flat", Binder.FACTORY_PAINT, Finish.FLAT),
    PRIMED("primer", Binder.PRIMER, Finish.FLAT),
    BARE("bare plastic", Binder.BARE_PLASTIC, Finish.SEMI_GLOSS),
    /** Windows: nobody paints them on purpose. */
    GLAZING("clear glazing", Binder.BARE_PLASTIC, Finish.GLOSS);

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

    Binder binder() {
        return binder;
    }

    /** The finish before the first coat. */
    public Finish finish() {
        return finish;
    }
}
