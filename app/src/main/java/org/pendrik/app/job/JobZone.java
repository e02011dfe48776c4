package org.pendrik.app.job;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Face;
import org.pendrik.core.units.InvalidInput;

/**
 * A zone of a job.
 *
 * @param zoneKey stable name, lower case letters, digits and hyphens
 * @param name as said at the bench
 * @param lettering factory lettering lies on it
 * @param areaShare share of length times height of the side
 * @param face the way it faces; null only while a record of an older form is read
 * @param substrate what it is made of where that is not what the subject is; null as the subject
 * @param keptClean glass: what is sprayed beside it must not stay there
 * @param box x, y, width and height in the side drawing, shares of length and height from the upper
 *     left; empty when it is not seen from the left side
 */
public record JobZone(
        String zoneKey,
        String name,
        boolean lettering,
        double areaShare,
        @Nullable Face face,
        @Nullable Substrate substrate,
        @Nullable Boolean keptClean,
        @Nullable String box) {
    private static final Pattern KEY = Pattern.compile("[a-z0-9][a-z0-9-]{0,29}");
    private static final int LONGEST_NAME = 60;

    public JobZone {
        name = name.strip();
        if (!KEY.matcher(zoneKey).matches()) {
            throw new InvalidInput(
                    "Key of the zone " + name,
                    zoneKey,
                    "must be 1 to 30 lower case letters, digits and hyphens",
                    "Load the page again.");
        }
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            throw new InvalidInput(
                    "Name of the zone",
                    name.isEmpty() ? "empty" : name.length() + " letters",
                    "must have from 1 to " + LONGEST_NAME + " letters",
                    "Call it what you call it at the bench.");
        }
        InvalidInput.requireWithin(
                "Area of the " + name,
                areaShare,
                " of the side",
                0.001,
                10,
                "1 is length times height of the side.");
        if (box != null && !box.isEmpty()) {
            requireBox(name, box);
        }
    }

    private static void requireBox(String name, String box) {
        List<String> parts = Arrays.asList(box.split(" ", -1));
        boolean good =
                parts.size() == 4
                        && parts.stream().allMatch(p -> p.matches("[0-9]{1,2}(\\.[0-9]{1,6})?"))
                        && parts.stream()
                                .mapToDouble(Double::parseDouble)
                                .allMatch(v -> v <= 1.0001)
                        && Double.parseDouble(parts.get(2)) > 0
                        && Double.parseDouble(parts.get(3)) > 0;
        if (!good) {
            throw new InvalidInput(
                    "Place of the " + name,
                    box.length() > 40 ? box.substring(0, 40) + " …" : box,
                    "must be four shares of the side from 0 to 1",
                    "Draw it on the side.");
        }
    }

    /** The same under another key. */
    JobZone keyed(String other) {
        return new JobZone(other, name, lettering, areaShare, face, substrate, keptClean, box);
    }
}
