package org.pendrik.core.film;

import java.util.List;
import java.util.Optional;

/**
 * A way of working: what it needs of the surface, what it does to it, and what the bench has to
 * know.
 *
 * @param key stable name in files
 * @param name as said at the bench
 * @param age when the effect happened in the life of the prototype; on a shared zone lower goes
 *     first
 * @param tooth the surface it needs
 * @param actsOn the technique whose coat it means to work on
 * @param keepsWindow must start inside the work window of that coat
 * @param follow the technique that has to come inside this coat's work window
 * @param baseMinutes hands-on minutes, whatever the size
 * @param zoneMinutes hands-on minutes more for each zone
 * @param booth sprays, so needs the booth
 * @param share part of the zone that it touches, 0 to 1
 * @param materials keys of what it may use, the starting choice first
 */
public record Technique(
        String key,
        String name,
        Role role,
        int age,
        Action action,
        Band tooth,
        Optional<String> actsOn,
        boolean keepsWindow,
        Optional<String> follow,
        int baseMinutes,
        int zoneMinutes,
        boolean booth,
        double share,
        Thickness thickness,
        List<String> materials,
        String stroke,
        String stopRule) {

    /** What a technique is there for. */
    public enum Role {
        /** A coat that only prepares or protects. */
        CLEAR,
        /** Something that will be seen. */
        EFFECT,
        /** Work on a coat that is already there; leaves nothing. */
        WORK
    }

    public Technique {
        materials = List.copyOf(materials);
    }

    /** Hands-on minutes on a number of zones. */
    public int minutes(int zones) {
        return baseMinutes + zoneMinutes * zones;
    }
}
