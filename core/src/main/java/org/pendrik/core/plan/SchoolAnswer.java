package org.pendrik.core.plan;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * Answers of schools.csv that the compiler itself goes by; all others choose ways in ways.csv.
 * Names are those of the table: {@code WashSurface.MATTE} is the answer {@code matte} to {@code
 * wash-surface}. Reading the table fails when they are not the same.
 */
sealed interface SchoolAnswer {
    /** What paint and clears are laid with. */
    enum Applicator implements SchoolAnswer {
        AIRBRUSH,
        CANS,
        HANDS,
        BRUSH
    }

    /** The finish that has to lie under a wash. */
    enum WashSurface implements SchoolAnswer {
        OPEN,
        GLOSS,
        SATIN,
        MATTE
    }

    /** Whether a clear goes under whatever is wiped with spirit. */
    enum ClearBeforeWipe implements SchoolAnswer {
        NO,
        YES
    }

    /** When graffiti and decals go on. */
    enum Lettering implements SchoolAnswer {
        BEFORE,
        AFTER
    }

    /** Whether roof or sides come first. */
    enum Faces implements SchoolAnswer {
        OPEN,
        ROOF_FIRST,
        SIDES_FIRST
    }

    /** What becomes of clears that only save waiting. */
    enum Patience implements SchoolAnswer {
        BARRIER,
        WAIT
    }

    /** What lies over everything. */
    enum LastClear implements SchoolAnswer {
        FLAT,
        NONE
    }

    /** The last step. */
    enum Ends implements SchoolAnswer {
        FLAT,
        ASSEMBLED,
        PACKED
    }

    /** The key of the question that a type answers. */
    static String question(Class<?> type) {
        return type.getSimpleName().replaceAll("(?<=.)(?=[A-Z])", "-").toLowerCase(Locale.ROOT);
    }

    /** The keys of all answers of a type. */
    static List<String> keys(Class<?> type) {
        return Arrays.stream(type.getEnumConstants())
                .map(a -> ((Enum<?>) a).name().toLowerCase(Locale.ROOT).replace('_', '-'))
                .toList();
    }
}
