package org.pendrik.core.catalogue;

import io.soabase.recordbuilder.core.RecordBuilder;
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
 * @param carrier what it works with, where that is not the material's own carrier
 * @param tooth the surface it needs
 * @param works the coats that it means to work on
 * @param follow the technique that has to come inside this coat's work window
 * @param blends techniques into whose open coat it is worked as a matter of course
 * @param local by brush, swab or dry tool, seen while it happens
 * @param pressure comes with air that moves loose powder
 * @param embeds what is loose is held by the coat it is dropped in
 * @param hands what it takes of a person's time
 * @param share part of the zone that it touches, 0 to 1
 * @param materials keys of what it may use, the starting choice first
 * @param handling what it asks of the model
 * @param texts what is shown at the bench
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record Technique(
        String key,
        String name,
        Role role,
        int age,
        Action action,
        Optional<Carrier> carrier,
        Band tooth,
        Works works,
        Optional<String> follow,
        List<String> blends,
        boolean local,
        boolean pressure,
        boolean embeds,
        Hands hands,
        double share,
        Thickness thickness,
        List<String> materials,
        Handling handling,
        Texts texts) {

    /** Stands in {@link #blends} for the open coats of any technique. */
    public static final String BLENDS_WITH_ANY = "any";

    /** Cure fraction that burnished tape asks for. */
    private static final double TAPED = 0.7;

    private static final int OLDEST_WEATHERING = 12;

    /** What a technique is there for. */
    public enum Role {
        /** A coat that only prepares or protects. */
        CLEAR,
        /** Something that will be seen. */
        EFFECT,
        /** Work on a coat that is already there; leaves nothing. */
        WORK,
        /** Masking, taking apart and together, packing: touches the model and leaves nothing. */
        HANDLING
    }

    /** How the model lies while it is done. */
    public enum Orientation {
        UPRIGHT,
        /** The face that is worked lies up. */
        FACE_UP,
        ON_ITS_SIDE,
        UPSIDE_DOWN
    }

    /**
     * What a technique takes of a person's time.
     *
     * @param baseMinutes whatever the size
     * @param zoneMinutes for each zone
     * @param dm2Minutes for each square decimetre of model
     * @param booth sprays, so needs the booth
     */
    public record Hands(double baseMinutes, double zoneMinutes, double dm2Minutes, boolean booth) {
        public Hands {
            if (!(baseMinutes >= 0 && zoneMinutes >= 0 && dm2Minutes >= 0)
                    || baseMinutes + zoneMinutes + dm2Minutes > 10_000) {
                throw new IllegalArgumentException(
                        "hands-on minutes must be from 0 to 10000: "
                                + baseMinutes
                                + ", "
                                + zoneMinutes
                                + ", "
                                + dm2Minutes);
            }
        }
    }

    /**
     * What a technique asks of the model.
     *
     * @param handles it is taken in the hand, taped or packed, so that loose matter is moved
     * @param needsCure the least cure fraction of every coat on its zones, 0 to 1
     * @param lowTack a film laid on lightly and lifted the same sitting
     * @param masking what has to be masked first; empty when nothing
     */
    public record Handling(
            Orientation orientation,
            boolean handles,
            double needsCure,
            boolean lowTack,
            String masking) {
        public Handling {
            if (!(needsCure >= 0 && needsCure < 1)) {
                throw new IllegalArgumentException(
                        "needs_cure (" + needsCure + ") must be from 0 to below 1");
            }
        }
    }

    /**
     * What is shown at the bench.
     *
     * @param stroke which way the tool goes
     * @param stopRule when to stop
     * @param inspection what to look at before going on; may be empty
     * @param caution what can hurt, beside what the material says; may be empty
     */
    public record Texts(String stroke, String stopRule, String inspection, String caution) {}

    public Technique {
        materials = List.copyOf(materials);
        blends = List.copyOf(blends);
        if (!(share >= 0 && share <= 1)) {
            throw new IllegalArgumentException("share (" + share + ") must be from 0 to 1");
        }
    }

    /** It means to work a coat that lies, and leaves its mark only there. */
    public boolean worksOnCoats() {
        return !works.on().isEmpty();
    }

    /** Must be done inside a window. */
    public boolean keepsWindow() {
        return works.window() == Works.Window.MATERIAL || works.window() == Works.Window.BITE;
    }

    /** The same done another way, on another part of the zone. */
    public Technique as(
            Action otherAction,
            Optional<Carrier> otherCarrier,
            double otherShare,
            List<String> otherBlends) {
        return as(
                otherAction,
                otherCarrier,
                otherShare,
                otherBlends,
                local || !otherBlends.isEmpty() || otherAction.byHand());
    }

    private Technique as(
            Action otherAction,
            Optional<Carrier> otherCarrier,
            double otherShare,
            List<String> otherBlends,
            boolean otherLocal) {
        return TechniqueBuilder.builder(this)
                .action(otherAction)
                .carrier(otherCarrier)
                .blends(otherBlends)
                .local(otherLocal)
                .share(otherShare)
                .build();
    }

    /** The same on another part of the zone. */
    public Technique sharing(double otherShare) {
        return as(action, carrier, otherShare, blends, local);
    }

    /** Needs the booth. */
    public boolean booth() {
        return hands.booth();
    }

    /** Something that rubs off or tears is stuck onto the model. */
    public boolean tapes() {
        return handling.handles()
                && role == Role.HANDLING
                && handling.needsCure() >= TAPED
                && !packs();
    }

    /** The model is wrapped and shaken. */
    public boolean packs() {
        return handling.needsCure() >= CureAnchors.Q_FULL;
    }

    /** Belongs to what is there before anything is weathered: primers, bases, release layers. */
    public boolean isGround() {
        return age < OLDEST_WEATHERING;
    }

    /**
     * Hands-on minutes on a number of zones.
     *
     * @param dm2 their area on the model in square decimetres
     */
    public int minutes(int zones, double dm2) {
        return (int)
                Math.round(
                        hands.baseMinutes()
                                + hands.zoneMinutes() * zones
                                + hands.dm2Minutes() * dm2);
    }
}
