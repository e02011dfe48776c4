package org.pendrik.core.plan;

import java.util.Locale;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;

/**
 * What a strength comes to in a technique: marks cover more of the zone, films are thicker, paint
 * is laid once more, work goes over more of the zone. Workshop priors.
 *
 * @param thickness of its coat
 * @param share part of the zone that it touches
 * @param passes how often it is laid
 */
record Dose(Thickness thickness, double share, int passes) {
    /** Up to this share it is a mark on the zone, beyond it a film over it. */
    private static final double MARKS_UP_TO = 0.3;

    private static final double[] OF_A_MARK = {0.5, 1, 1.6};
    private static final double[] OF_WORK = {0.5, 0.75, 1};
    private static final double[] OF_A_THICK_MARK = {0.6, 1, 1.25};
    private static final double MOST_OF_A_THICK_MARK = 0.88;

    /** As the technique has it by itself. */
    static Dose usual(Technique t) {
        return new Dose(t.thickness(), t.share(), 1);
    }

    /**
     * For a strength.
     *
     * @param strength 1 a trace, 2 plain, 3 heavy
     */
    static Dose of(Technique t, int strength) {
        int s = strength - 1;
        if (t.share() <= MARKS_UP_TO) {
            return new Dose(t.thickness(), Math.min(MARKS_UP_TO, t.share() * OF_A_MARK[s]), 1);
        }
        if (t.role() != Technique.Role.EFFECT) {
            return new Dose(t.thickness(), t.share() * OF_WORK[s], 1);
        }
        if (t.local()) {
            // dots that are blended: more of them, not thicker ones
            double share = t.share() * OF_A_THICK_MARK[s];
            return new Dose(t.thickness(), Math.min(MOST_OF_A_THICK_MARK, share), 1);
        }
        return switch (t.thickness()) {
            case MIST, LIGHT -> new Dose(film(strength), t.share(), 1);
            default -> {
                if (t.action() == Action.DRY) {
                    yield new Dose(heap(strength), t.share(), 1);
                }
                if (t.share() < MOST_OF_A_THICK_MARK) {
                    double share = t.share() * OF_A_THICK_MARK[s];
                    yield new Dose(t.thickness(), Math.min(MOST_OF_A_THICK_MARK, share), 1);
                }
                yield new Dose(
                        strength == 1 ? Thickness.LIGHT : t.thickness(),
                        t.share(),
                        strength == 3 ? 2 : 1);
            }
        };
    }

    private static Thickness film(int strength) {
        return switch (strength) {
            case 1 -> Thickness.MIST;
            case 2 -> Thickness.LIGHT;
            default -> Thickness.NORMAL;
        };
    }

    private static Thickness heap(int strength) {
        return switch (strength) {
            case 1 -> Thickness.LIGHT;
            case 2 -> Thickness.NORMAL;
            default -> Thickness.WET;
        };
    }

    /** In words for the line of the plan. */
    String said(Technique t) {
        if (passes > 1) {
            return "in two coats";
        }
        if (t.share() <= MARKS_UP_TO || share != t.share()) {
            double percent = 100 * share;
            return String.format(
                    Locale.ROOT,
                    percent < 10 ? "on %.1f %% of the zone" : "on %.0f %% of the zone",
                    percent);
        }
        return switch (thickness) {
            case MIST -> "as a mist";
            case LIGHT -> "in a light coat";
            case NORMAL -> "in a full coat";
            case WET, FLOOD -> "heaped";
        };
    }
}
