package org.pendrik.app.shelf;

import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.CureAnchors;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Stock;
import org.pendrik.core.catalogue.WorkWindow;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.units.InvalidInput;

/**
 * A material of the workshop's own that stands on no shelf yet: what it does not say is as its
 * family has it.
 *
 * @param key stable name, own- and letters, digits or hyphens
 * @param name as said at the bench
 * @param family as the materials are grouped, such as artist oil
 * @param clear it changes the surface and not the colour
 * @param finish that it leaves
 * @param colour as {@code #rrggbb}
 * @param touchMin minutes until it is touch dry; the four are given together or not at all
 * @param workFromMin minutes after laying from which it can be worked; given with the end
 * @param gone it was taken away and stays for the plans that have it
 */
public record OwnMaterial(
        String key,
        String name,
        String family,
        boolean clear,
        @Nullable Finish finish,
        @Nullable String colour,
        @Nullable Double touchMin,
        @Nullable Double handleMin,
        @Nullable Double recoatMin,
        @Nullable Double fullMin,
        @Nullable Double workFromMin,
        @Nullable Double workUntilMin,
        @Nullable Boolean gone) {
    private static final Pattern KEY = Pattern.compile("(own|bottle|recipe)-[a-z0-9-]{1,50}");
    private static final Pattern HEX = Pattern.compile("#[0-9a-f]{6}");
    private static final int LONGEST = 80;

    public OwnMaterial {
        name = name.strip();
        family = family.strip();
        if (!KEY.matcher(key).matches()) {
            throw new InvalidInput(
                    "Key of " + name,
                    key.length() > 60 ? key.substring(0, 60) + " …" : key,
                    "must be own- and lower case letters, digits and hyphens",
                    "Load the page again.");
        }
        if (name.isEmpty() || name.length() > LONGEST) {
            throw new InvalidInput(
                    "Name",
                    name.isEmpty() ? "empty" : name.length() + " letters",
                    "must have from 1 to " + LONGEST + " letters",
                    "Write what the bottle says.");
        }
        if (family.length() > LONGEST) {
            throw new InvalidInput(
                    "Family",
                    family.length() + " letters",
                    "must have at most " + LONGEST,
                    "Choose one of the list.");
        }
        if (colour != null && !HEX.matcher(colour).matches()) {
            throw new InvalidInput(
                    "Colour", colour, "must be # and six digits", "Write it like #6b5a40.");
        }
        long times =
                Stream.of(touchMin, handleMin, recoatMin, fullMin)
                        .filter(OwnMaterial::said)
                        .count();
        if (times != 0 && times != 4) {
            throw new InvalidInput(
                    "Times of " + name,
                    times + " of 4",
                    "must be given together: touch dry, to be handled, next coat, fully cured",
                    "Fill in the rest, or leave all of them to its family.");
        }
        if (said(workFromMin) != said(workUntilMin)) {
            throw new InvalidInput(
                    "Window of " + name,
                    "one end",
                    "needs begin and end",
                    "Fill in the other, or leave both to its family.");
        }
        if (touchMin != null && handleMin != null && recoatMin != null && fullMin != null) {
            requireRising(name, touchMin, handleMin, recoatMin, fullMin);
        }
        if (workFromMin != null
                && workUntilMin != null
                && !(workFromMin >= 0 && workUntilMin > workFromMin && workUntilMin <= 100_000)) {
            throw new InvalidInput(
                    "Window of " + name,
                    workFromMin + " to " + workUntilMin + " min",
                    "must end after it begins",
                    "Say when it can first be worked and when it no longer moves.");
        }
    }

    private static boolean said(@Nullable Double v) {
        return v != null;
    }

    private static void requireRising(
            String name, double touch, double handle, double recoat, double full) {
        try {
            new CureAnchors(touch, handle, recoat, full);
        } catch (IllegalArgumentException e) {
            throw new InvalidInput(
                    "Times of " + name,
                    touch + ", " + handle + ", " + recoat + ", " + full + " min",
                    "must each be more than the one before",
                    "Touch dry comes first, fully cured last.");
        }
    }

    Stock stock() {
        return new Stock(
                key,
                name,
                family,
                clear,
                Optional.ofNullable(finish),
                Optional.ofNullable(colour)
                        .map(c -> Srgb.toLab(Integer.parseInt(c.substring(1), 16))),
                touchMin == null || handleMin == null || recoatMin == null || fullMin == null
                        ? Optional.empty()
                        : Optional.of(new CureAnchors(touchMin, handleMin, recoatMin, fullMin)),
                workFromMin == null || workUntilMin == null
                        ? Optional.empty()
                        : Optional.of(new WorkWindow(workFromMin, workUntilMin)));
    }
}
