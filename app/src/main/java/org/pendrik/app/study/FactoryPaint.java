package org.pendrik.app.study;

import org.pendrik.core.colour.Lab;
import org.pendrik.core.units.InvalidInput;

/**
 * The factory colour of a subject where no region of it shows it. It is kept as it was when it was
 * taken over: a bottle that is used up later changes nothing.
 *
 * @param source where it comes from
 * @param name of the bottle, the recipe or the job; empty for a typed one
 */
public record FactoryPaint(Source source, String name, double l, double a, double b) {
    private static final int MOST_LETTERS = 200;
    private static final double MOST_L = 100;
    private static final double MOST_AB = 120;

    /** Where a factory colour comes from. */
    public enum Source {
        TYPED,
        BOTTLE,
        RECIPE,
        JOB,
        MODEL
    }

    public FactoryPaint {
        require("lightness L*", l, 0, MOST_L);
        require("a*", a, -MOST_AB, MOST_AB);
        require("b*", b, -MOST_AB, MOST_AB);
        if (name.length() > MOST_LETTERS) {
            throw new InvalidInput(
                    "Name of the factory colour",
                    name.length() + " letters",
                    "must have at most " + MOST_LETTERS,
                    "Shorten it.");
        }
    }

    private static void require(String what, double v, double least, double most) {
        if (!(v >= least && v <= most)) {
            throw new InvalidInput(
                    "Factory colour, " + what,
                    "" + v,
                    "must be between " + (int) least + " and " + (int) most,
                    "Type what the colour measures in daylight.");
        }
    }

    static FactoryPaint of(Source source, String name, Lab c) {
        return new FactoryPaint(source, name, c.l(), c.a(), c.b());
    }

    /** What it looks like in daylight. */
    Lab colour() {
        return new Lab(l, a, b);
    }
}
