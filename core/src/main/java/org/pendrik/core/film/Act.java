package org.pendrik.core.film;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Errand;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.catalogue.WashBehaviour;
import org.pendrik.core.catalogue.Works;
import org.pendrik.core.units.InvalidInput;

/**
 * One thing done, or to be done, on some zones.
 *
 * @param id names it in findings
 * @param technique how
 * @param material what with
 * @param thickness how thick
 * @param zones keys of the zones, at least one, in order
 * @param atMinute when it begins, minutes from any fixed moment
 * @param minutes hands-on minutes; the coat counts as laid when they are over
 * @param done it has happened and cannot be moved
 * @param takesBack the coat of an earlier act that it takes off or thins
 * @param madeFor what it is there for
 * @param means coats that it means to work, where that is not what its technique means
 * @param rounds how it goes from zone to zone
 * @param errand what the user says of it; {@link Errand#NONE} when nothing
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record Act(
        StepId id,
        Technique technique,
        Material material,
        Thickness thickness,
        Set<String> zones,
        long atMinute,
        int minutes,
        boolean done,
        Optional<TakenBack> takesBack,
        MadeFor madeFor,
        Optional<Means> means,
        Rounds rounds,
        Errand errand) {
    /**
     * A coat that is taken back.
     *
     * @param actId the act that laid it
     * @param share how much of it comes off, above 0 to 1
     */
    public record TakenBack(StepId actId, double share) {
        public TakenBack {
            InvalidInput.requireWithin(
                    "Share to take back", share, "", 0.05, 1, "1 takes all of it off.");
        }
    }

    /**
     * Coats of earlier acts that an act means to work together.
     *
     * @param actIds the acts that laid them, at least one, in any order
     * @param must what has to happen to the lowest of them
     */
    public record Means(Set<StepId> actIds, Must must) {
        public Means {
            actIds = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(actIds));
            if (actIds.isEmpty()) {
                throw new InvalidInput(
                        "What it works", "no step", "must name at least one", "Name the coat.");
            }
        }
    }

    /** A coat that leaves less than this of what lies beneath to be seen hides it. */
    private static final double HIDES_FROM = 0.8;

    private static final double MOST_OF_IT = 0.5;

    private static final double MIST_PASS_UM = 15;
    private static final double LIGHT_UM = 25;
    private static final double NORMAL_UM = 40;

    /** A wash that wipes off less cleanly than this has stained. */
    private static final double STAINS_BELOW = 0.4;

    /** Part of a zone up to which work by hand is local. */
    private static final double LOCAL_SHARE = 0.3;

    public Act {
        zones = java.util.Collections.unmodifiableSet(new LinkedHashSet<>(zones));
        if (zones.isEmpty()) {
            throw new InvalidInput(
                    "Step " + technique.name(),
                    "no zone",
                    "must cover at least one zone",
                    "Choose where it goes.");
        }
        if (minutes < 0) {
            throw new IllegalArgumentException("hands-on minutes must not be negative");
        }
    }

    /** An act that takes nothing back and is there for itself. */
    public Act(
            StepId id,
            Technique technique,
            Material material,
            Thickness thickness,
            Set<String> zones,
            long atMinute,
            int minutes,
            boolean done) {
        this(
                id,
                technique,
                material,
                thickness,
                zones,
                atMinute,
                minutes,
                done,
                Optional.empty(),
                MadeFor.ITSELF,
                Optional.empty(),
                Rounds.equalParts(zones, minutes),
                Errand.NONE);
    }

    /** A step still to do, with the technique's own thickness and minutes. */
    public static Act planned(
            StepId id, Technique technique, Material material, Collection<Zone> zones) {
        return planned(id, technique, material, technique.thickness(), zones);
    }

    /** A step still to do, as thick as said, with the technique's own minutes. */
    public static Act planned(
            StepId id,
            Technique technique,
            Material material,
            Thickness thickness,
            Collection<Zone> zones) {
        Set<String> keys = new LinkedHashSet<>();
        zones.forEach(z -> keys.add(z.key()));
        Act act =
                new Act(
                        id,
                        technique,
                        material,
                        thickness,
                        keys,
                        0,
                        technique.minutes(zones.size(), Zone.dm2(zones)),
                        false);
        return act.inRounds(Rounds.inOneGo(technique, zones));
    }

    /** The minute in which it is over. */
    public long endMinute() {
        return atMinute + minutes;
    }

    /** It lay there when the job began. */
    public boolean isFound() {
        return madeFor instanceof MadeFor.Found;
    }

    /** As said at the bench: in the user's own words, else as its technique is called. */
    public String name() {
        return errand.text().isEmpty() ? technique.name() : errand.text();
    }

    /** The minute from which the next step may begin: when it is over and its rest has passed. */
    public long freeMinute() {
        return endMinute() + errand.restMinutes();
    }

    /**
     * The minute in which it begins on a zone. What keeps no window is taken to begin on all zones
     * at once: that is never too late for what lies there.
     */
    public long beginOn(String zone) {
        return atMinute + lead(zone);
    }

    /** Minutes from its begin to its begin on a zone, negative for the work of an early round. */
    int lead(String zone) {
        return keepsWindow() ? span(zone).from() : 0;
    }

    /** The minute in which it is over on a zone: a coat is as old there as from then on. */
    public long endOn(String zone) {
        return atMinute + span(zone).until();
    }

    /**
     * Minutes from its begin in which it is on a zone. What works a coat in its window begins with
     * the first zone at once: swabs and liquid are laid out while the coat is open.
     */
    Rounds.Span span(String zone) {
        Rounds.Span s = rounds.spans().get(zone);
        if (s == null) {
            return new Rounds.Span(0, minutes);
        }
        boolean first = !rounds.prepared() && s.from() == rounds.setup() && keepsWindow();
        return first ? new Rounds.Span(0, s.until()) : s;
    }

    /** The same at another time. */
    public Act at(long minute) {
        return copy().atMinute(minute).build();
    }

    /** The same as something that has happened, from a minute on and for so many minutes. */
    public Act doneAt(long minute, int took) {
        return copy().atMinute(minute)
                .minutes(took)
                .done(true)
                .rounds(rounds.filling(took))
                .build();
    }

    /** The same with another material. */
    public Act with(Material other) {
        return copy().material(other).build();
    }

    /** The same as thick as said. */
    public Act with(Thickness other) {
        return copy().thickness(other).build();
    }

    /** The same done another way, with the material given, in so many minutes. */
    public Act with(Technique other, Material otherMaterial, int otherMinutes) {
        return copy().technique(other)
                .material(otherMaterial)
                .minutes(otherMinutes)
                .rounds(rounds.filling(otherMinutes))
                .build();
    }

    /** The same under another id. */
    public Act named(StepId otherId) {
        return copy().id(otherId).build();
    }

    /** The same on other zones, which take as long. */
    public Act on(Set<String> others) {
        ActBuilder c = copy();
        c.zones(others);
        if (!others.equals(zones)) {
            c.rounds(Rounds.equalParts(others, minutes));
        }
        return c.build();
    }

    /** The same as something that takes a coat back. */
    public Act takingBack(TakenBack what) {
        return copy().takesBack(Optional.of(what)).build();
    }

    /** The same as something that is there for what is said. */
    public Act madeFor(MadeFor what) {
        return copy().madeFor(what).build();
    }

    /** The same as work on the coats that are named. */
    public Act working(Means what) {
        return copy().means(Optional.of(what)).build();
    }

    /** The same going from zone to zone as said. */
    public Act inRounds(Rounds how) {
        return copy().rounds(how).build();
    }

    /** What it asks of the model. */
    public Technique.Handling handling() {
        return errand.over(technique.handling());
    }

    /** The same with what the user says of it. */
    public Act saying(Errand what) {
        return copy().errand(what).build();
    }

    /** The same in so many hands-on minutes. */
    public Act taking(int otherMinutes) {
        return copy().minutes(otherMinutes).rounds(rounds.filling(otherMinutes)).build();
    }

    private ActBuilder copy() {
        return ActBuilder.builder(this);
    }

    /** The liquid that touches the surface. */
    public Carrier carrier() {
        if (technique.action().isDry()) {
            return new Carrier.Dry();
        }
        return material.isThinned()
                ? material.carrier()
                : technique.carrier().orElse(material.carrier());
    }

    /** What it does there, as thick as it is laid. */
    Action action() {
        return material.deposits() ? technique.action().laid(thickness) : technique.action();
    }

    /** Leaves a film: a liquid that dries, not powder and not the traces of a dry tool. */
    public boolean laysFilm() {
        return material.deposits() && !technique.action().isDry();
    }

    /** By brush, swab or dry tool on a small part of the zone, so that it is seen as it happens. */
    boolean isLocal() {
        return technique.local() && action().byHand() && technique.share() <= LOCAL_SHARE + 1e-9;
    }

    /**
     * Wet film of the mix as it is laid, in micrometres, before it dries: a mist 15 a pass, in two
     * to four passes by strength; a light coat 25, a normal one 40, wet and flooded ones twice and
     * four times that. Workshop priors.
     */
    public double wetMicrometres() {
        boolean mist = technique.action() == Action.MIST;
        return switch (thickness) {
            case MIST -> mist ? 2 * MIST_PASS_UM : MIST_PASS_UM;
            case LIGHT -> mist ? 3 * MIST_PASS_UM : LIGHT_UM;
            case NORMAL -> mist ? 4 * MIST_PASS_UM : NORMAL_UM;
            case WET -> 2 * NORMAL_UM;
            case FLOOD -> 4 * NORMAL_UM;
        };
    }

    /** How far its coat closes the zone: 1 at least light on most of it, half as a mist, else 0. */
    public double closes() {
        if (!laysFilm() || isDecal() || technique.share() < Layer.MOST_OF_A_ZONE) {
            return 0;
        }
        return Layer.closedBy(thickness.factor());
    }

    /** A film that leaves next to nothing of what lies beneath to be seen, on most of the zone. */
    public boolean hides() {
        return laysFilm()
                && technique.share() > MOST_OF_IT
                && material.cover(thickness) >= HIDES_FROM;
    }

    /** It means to work coats that lie, or takes one back. */
    boolean worksOnCoats() {
        return technique.worksOnCoats() || takesBack.isPresent() || means.isPresent();
    }

    /** It does without the coats that it means as well. */
    boolean isOptional() {
        return means.isEmpty()
                && takesBack.isEmpty()
                && (technique.works().optional() || technique.works().meansWhatever());
    }

    /**
     * How bad a surface of this tooth is for it; empty where it works well. A wash on a rough
     * surface stains, which people want or not; a decal silvers over the whole of it, however small
     * it is, and other small work by hand is seen while it happens.
     *
     * @param tooth 0 (slick) to 1
     */
    public Optional<Finding.Severity> onTooth(double tooth) {
        if (technique.role() != Technique.Role.EFFECT || technique.tooth().isIdeal(tooth)) {
            return Optional.empty();
        }
        boolean bad = !technique.tooth().isTolerable(tooth) && !stainsOn(tooth);
        return Optional.of(
                bad && (!isLocal() || isDecal()) ? Finding.Severity.WARN : Finding.Severity.NOTE);
    }

    /** A wash that soaks in and does not wipe clean any more. */
    boolean stainsOn(double tooth) {
        return technique.follow().isPresent()
                && tooth > technique.tooth().idealMax()
                && WashBehaviour.on(tooth).removability() < STAINS_BELOW;
    }

    boolean isDecal() {
        return material.binder().filter(b -> b == Binder.DECAL_FILM).isPresent();
    }

    /** What has to happen to the lowest of the coats that it means; thinning asks for less. */
    Must must() {
        return means.map(Means::must)
                .or(() -> takesBack.map(t -> t.share() < 1 ? Must.MOVED : Must.REMOVED))
                .orElse(technique.works().must());
    }

    /** What bounds the time in which it can be done. */
    Works.Window window() {
        if (means.isPresent()) {
            // what is taken off altogether asks no window, only that it comes off
            return means.get().must() == Must.REMOVED ? Works.Window.BITE : Works.Window.MATERIAL;
        }
        return takesBack.isPresent() ? Works.Window.NONE : technique.works().window();
    }

    /** Must be done inside a window. */
    public boolean keepsWindow() {
        return window() != Works.Window.NONE;
    }
}
