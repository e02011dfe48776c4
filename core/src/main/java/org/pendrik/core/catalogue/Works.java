package org.pendrik.core.catalogue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The coats that a technique means to work on.
 *
 * @param on alternatives, each a set of technique keys whose coats it works together, of which the
 *     upper come off with the deepest; empty for what only lays something
 * @param optional it does without them as well
 * @param window when it may be done
 * @param must what has to happen to the deepest of the coats
 */
public record Works(List<List<String>> on, boolean optional, Window window, Must must) {
    /** Stands in {@link #on} for the factory's own lettering. */
    static final String LETTERING = "factory-lettering";

    /** Stands in {@link #on} for powder that nothing binds. */
    public static final String LOOSE = "loose";

    /** Stands in {@link #on} for all coats that lie. */
    static final String WHATEVER = "whatever";

    private static final List<String> NO_TECHNIQUES = List.of(LETTERING, LOOSE, WHATEVER);

    /** What bounds the time in which a coat can be worked. */
    public enum Window {
        /** Nothing but how far it has cured. */
        NONE,
        /** The work window of the coat's material. */
        MATERIAL,
        /**
         * As long as the carrier does what must happen; where a top coat comes off with what lies
         * beneath, from its touch dry.
         */
        BITE
    }

    static final Works NOTHING = new Works(List.of(), false, Window.NONE, Must.NOTHING);

    public Works {
        on = on.stream().map(List::copyOf).toList();
    }

    /** Reads the alternatives as the table writes them: | is or, + is both, ? in front is may. */
    static Works parse(String text, Window window, Must must) {
        boolean optional = text.startsWith("?");
        List<List<String>> out = new ArrayList<>();
        String all = optional ? text.substring(1) : text;
        if (!all.isEmpty()) {
            for (String one : all.split("\\|", -1)) {
                out.add(Arrays.asList(one.split("\\+", -1)));
            }
        }
        return new Works(out, optional, window, must);
    }

    /** The techniques named. */
    List<String> techniques() {
        return on.stream().flatMap(List::stream).filter(k -> !NO_TECHNIQUES.contains(k)).toList();
    }

    /** Whether it may work the coats of a technique. */
    public boolean means(String technique) {
        for (List<String> all : on) {
            if (all.contains(technique)) {
                return true;
            }
        }
        return false;
    }

    /** Works the factory's lettering, which is no coat. */
    public boolean meansLettering() {
        return means(LETTERING);
    }

    /** Works all that lies. */
    public boolean meansWhatever() {
        return means(WHATEVER);
    }
}
