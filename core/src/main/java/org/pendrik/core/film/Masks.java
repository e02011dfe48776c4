package org.pendrik.core.film;

/** Which acts put masks on and take them off: by the keys of their techniques. */
final class Masks {
    private static final String ON = "mask-windows";
    private static final String OFF = "unmask";

    private Masks() {}

    static boolean changedBy(Act act) {
        return act.technique().key().equals(ON) || act.technique().key().equals(OFF);
    }

    /** Whether a zone is masked after an act on it. */
    static boolean after(Act act, boolean before) {
        return switch (act.technique().key()) {
            case ON -> true;
            case OFF -> false;
            default -> before;
        };
    }
}
