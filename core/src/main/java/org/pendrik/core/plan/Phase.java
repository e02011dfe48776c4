package org.pendrik.core.plan;

/**
 * When something happened in the life of the prototype, for an effect that does not stand where its
 * kind usually does: a tag sprayed over the grime, a number painted out before everything else.
 */
public enum Phase {
    /** Where its kind usually stands. */
    USUAL("as it usually comes", -1),
    BEFORE_PAINT("before new paint", 6),
    WITH_PAINT("with the paint", 11),
    WITH_LETTERING("with the lettering", 16),
    BEFORE_DIRT("before any dirt", 26),
    WITH_DIRT("with the dirt all over", 33),
    AFTER_DIRT("over the dirt", 38),
    WITH_CHIPS("with the chips", 42),
    WITH_RUST("with the rust", 51),
    AFTER_RUST("over the rust", 62),
    WITH_DUST("with soot and dust", 72),
    LAST("last, with the powders", 82),
    AFTER_FLAT("after the last flat", 94);

    private final String label;
    private final int age;

    Phase(String label, int age) {
        this.label = label;
        this.age = age;
    }

    /** As said in the page. */
    public String label() {
        return label;
    }

    /** On the same scale as the ages of the techniques. */
    int ageOr(int usual) {
        return age < 0 ? usual : age;
    }
}
