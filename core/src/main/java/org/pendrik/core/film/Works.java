package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The coats that a technique means to work on.
 *
 * @param on alternatives, each a set of technique keys whose coats it works together; empty for
 *     what only lays something
 * @param window when it may be done
 * @param wanted what must happen to the deepest of the coats
 */
public record Works(List<List<String>> on, Window window, Reach.Effect wanted) {
    /** Stands in {@link #on} for the factory's own lettering. */
    static final String LETTERING = "factory-lettering";

    /** What bounds the time in which a coat can be worked. */
    public enum Window {
        /** Nothing but how far it has cured. */
        NONE,
        /** The work window of the coat's material. */
        MATERIAL,
        /** From touch dry for as long as the carrier still gets through to the deepest coat. */
        BITE
    }

    static final Works NOTHING = new Works(List.of(), Window.NONE, Reach.Effect.UNTOUCHED);

    public Works {
        on = on.stream().map(List::copyOf).toList();
    }

    /** Reads the alternatives as the table writes them: | is or, + is both. */
    static List<List<String>> parse(String text) {
        List<List<String>> out = new ArrayList<>();
        if (!text.isEmpty()) {
            for (String one : text.split("\\|", -1)) {
                out.add(Arrays.asList(one.split("\\+", -1)));
            }
        }
        return out;
    }

    /** Whether it may work the coats of a technique. */
    public boolean means(String technique) {
        return on.stream().anyMatch(a -> a.contains(technique));
    }

    /** Works the factory's lettering, which is no coat. */
    boolean meansLettering() {
        return means(LETTERING);
    }
}
