package org.pendrik.app.shelf;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.problem.StaleVersion;
import org.pendrik.app.store.Years;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Look;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.paint.TintSpan;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.shelf.Bottle;
import org.pendrik.core.shelf.GimpPalette;
import org.pendrik.core.shelf.ShelfChanges;
import org.pendrik.core.shelf.ShelfCsv;
import org.pendrik.core.shelf.ShelfRail;
import org.pendrik.core.shelf.Substitutes;
import org.pendrik.core.shelf.Swatch;
import org.pendrik.core.units.InvalidInput;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the bottles. */
@Service
@Transactional
public class Shelf {
    /** A bottle that perishes within this time is told of. */
    private static final int SOON_DAYS = 60;

    /** A bottle with less than this share left is nearly empty. */
    private static final double NEARLY_EMPTY = 0.15;

    private final ShelfMapper mapper;
    private final Workshops workshops;
    private final ShelfStock stock;
    private final Clock clock;

    Shelf(ShelfMapper mapper, Workshops workshops, ShelfStock stock, Clock clock) {
        this.stock = stock;
        this.mapper = mapper;
        this.workshops = workshops;
        this.clock = clock;
    }

    /**
     * What a user says of a bottle.
     *
     * @param colour null for liquids, clears, and where it is not known
     * @param swatches of it over grounds and let down; null for none
     */
    record BottleDraft(
            String name,
            @Nullable String maker,
            String family,
            Bottle.Kind kind,
            @Nullable String finish,
            @Nullable Lab colour,
            Bottle.@Nullable Source source,
            @Nullable Double hiding,
            double amountMl,
            @Nullable Double fullMl,
            @Nullable LocalDate opened,
            @Nullable LocalDate keepsUntil,
            @Nullable Double pricePerMl,
            @Nullable String place,
            @Nullable Double dropMl,
            @Nullable Double strength,
            @Nullable String notes,
            @Nullable List<Swatch> swatches) {
        Bottle bottle() {
            return new Bottle(
                    name,
                    or(maker),
                    family,
                    kind,
                    finish == null ? Bottle.USUAL_FINISH : finish,
                    Optional.ofNullable(colour),
                    source == null ? Bottle.Source.TYPED : source,
                    or(hiding, Bottle.USUAL_HIDING),
                    amountMl,
                    or(fullMl, amountMl),
                    Optional.ofNullable(opened),
                    Optional.ofNullable(keepsUntil),
                    or(pricePerMl, 0),
                    or(place),
                    or(dropMl, Ingredient.USUAL_DROP_ML),
                    or(strength, 1),
                    or(notes),
                    swatches == null ? List.of() : swatches);
        }

        private static String or(@Nullable String s) {
            return s == null ? "" : s;
        }

        private static double or(@Nullable Double d, double fallback) {
            return d == null ? fallback : d;
        }

        static BottleDraft of(Bottle b) {
            return new BottleDraft(
                    b.name(),
                    b.maker(),
                    b.family(),
                    b.kind(),
                    b.finish(),
                    b.colour().orElse(null),
                    b.source(),
                    b.hiding(),
                    b.amountMl(),
                    b.fullMl(),
                    b.opened().orElse(null),
                    b.keepsUntil().orElse(null),
                    b.pricePerMl(),
                    b.place(),
                    b.dropMl(),
                    b.strength(),
                    b.notes(),
                    b.swatches());
        }
    }

    /** What needs an eye on it. */
    enum BottleState {
        FINE,
        NEARLY_EMPTY,
        EMPTY,
        PERISHES_SOON,
        PERISHED
    }

    /**
     * A bottle as it would be seen.
     *
     * @param rail on which it stands
     * @param under its colour under each lamp, as a screen shows it; empty without a colour
     * @param clamped whether a screen cannot show it
     * @param mixes whether it can be a part of a recipe
     * @param whyNot why it cannot; empty when it can
     * @param provenance of its spectrum, in words
     * @param tints what its colour leaves open of its tints; null where it says enough
     */
    record BottleView(
            UUID id,
            int version,
            BottleDraft bottle,
            ShelfRail rail,
            Map<Light, String> under,
            boolean clamped,
            boolean mixes,
            String whyNot,
            String provenance,
            @Nullable TintView tints,
            BottleState state) {}

    /**
     * What a nearly black colour may come to with four parts of white.
     *
     * @param darkerThanVeil darker than its finish can be
     */
    record TintView(String leastHex, String mostHex, boolean darkerThanVeil) {}

    /**
     * The shelf.
     *
     * @param lamps how the lights are called
     */
    record ShelfView(List<BottleView> bottles, Map<Light, String> lamps) {}

    /** All bottles that stand there, by hue and value: greys first, from dark to light. */
    public ShelfView view() {
        List<BottleView> out = new ArrayList<>();
        rows().values().stream()
                .sorted(
                        java.util.Comparator.comparingInt((ShelfMapper.BottleRow r) -> hueFamily(r))
                                .thenComparingDouble(r -> r.colourL() == null ? 101 : r.colourL())
                                .thenComparing(ShelfMapper.BottleRow::name))
                .forEach(r -> out.add(view(r)));
        Map<Light, String> lamps = new EnumMap<>(Light.class);
        for (Light l : Light.values()) {
            lamps.put(l, l.title());
        }
        return new ShelfView(out, lamps);
    }

    /** 0 for greys, then hues in twelfths from red on, 99 for what has no colour. */
    private static int hueFamily(ShelfMapper.BottleRow r) {
        if (r.colourL() == null || r.colourA() == null || r.colourB() == null) {
            return 99;
        }
        Lab c = new Lab(r.colourL(), r.colourA(), r.colourB());
        return c.chroma() < 6 ? 0 : 1 + (int) (c.hueDegrees() / 30);
    }

    private BottleView view(ShelfMapper.BottleRow r) {
        Bottle b = r.bottle();
        Map<Light, String> under = new EnumMap<>(Light.class);
        b.colour()
                .ifPresent(
                        c -> {
                            var seen = SpectrumFit.of(c).reflectance();
                            for (Light l : Light.values()) {
                                under.put(l, Srgb.toHex(l.lab(seen)));
                            }
                        });
        String why =
                b.mixes()
                        ? ""
                        : b.kind() == Bottle.Kind.PAINT
                                ? "It has no colour yet: type one or measure a swatch."
                                : b.kind().whyNot();
        return new BottleView(
                r.id(),
                r.version(),
                BottleDraft.of(b),
                ShelfRail.of(b.colour()),
                under,
                b.colour().filter(c -> !Srgb.inGamut(c)).isPresent(),
                b.mixes(),
                why,
                provenance(b),
                tints(b),
                state(b));
    }

    /** Where swatches let down with white tell how it tints, nothing is open. */
    private static @Nullable TintView tints(Bottle b) {
        if (!tintsAreOpen(b)) {
            return null;
        }
        return TintSpan.of(b.colour().orElseThrow(), Surface.of(b.finish()))
                .map(
                        t ->
                                new TintView(
                                        Srgb.toHex(t.least()),
                                        Srgb.toHex(t.most()),
                                        t.darkerThanVeil()))
                .orElse(null);
    }

    /** Too dark to tell its tints, and no swatch let down with white does. */
    private static boolean tintsAreOpen(Bottle b) {
        return b.mixes()
                && b.paint().origin() != Paint.Origin.DILUTIONS
                && TintSpan.saysLittle(b.colour().orElseThrow(), Surface.of(b.finish()));
    }

    /** Names of the bottles of a mix that are too dark to tell what they do to the others. */
    static List<String> tooDark(List<Bottle> mix) {
        return mix.size() < 2
                ? List.of()
                : mix.stream().filter(Shelf::tintsAreOpen).map(Bottle::name).toList();
    }

    private static String provenance(Bottle b) {
        return switch (b.mixes() ? b.paint().origin() : Paint.Origin.ESTIMATED) {
            case GROUNDS ->
                    "covering power measured over black and white, spectrum estimated from these"
                            + " colours";
            case DILUTIONS ->
                    "strength and scatter measured in white, spectrum estimated from these colours";
            case ESTIMATED, MIXED ->
                    b.source() == Bottle.Source.MEASURED
                            ? "spectrum estimated from a colour measured on a photograph"
                            : "spectrum estimated from a typed colour";
        };
    }

    private BottleState state(Bottle b) {
        LocalDate today =
                LocalDate.ofInstant(clock.instant(), ZoneId.of(workshops.current().zoneId()));
        if (b.keepsUntil().filter(d -> !d.isAfter(today)).isPresent()) {
            return BottleState.PERISHED;
        }
        if (b.amountMl() <= 0) {
            return BottleState.EMPTY;
        }
        if (b.keepsUntil().filter(d -> d.isBefore(today.plusDays(SOON_DAYS))).isPresent()) {
            return BottleState.PERISHES_SOON;
        }
        return b.amountMl() < NEARLY_EMPTY * b.fullMl()
                ? BottleState.NEARLY_EMPTY
                : BottleState.FINE;
    }

    /** What stands there now, by id. */
    Map<UUID, ShelfMapper.BottleRow> rows() {
        Map<UUID, ShelfMapper.BottleRow> out = new LinkedHashMap<>();
        mapper.bottles().stream().filter(r -> !r.gone()).forEach(r -> out.put(r.id(), r));
        return out;
    }

    /** What stands there now, as values by the text of their id. */
    Map<String, Bottle> bottles() {
        Map<String, Bottle> out = new LinkedHashMap<>();
        rows().forEach((id, r) -> out.put(id.toString(), r.bottle()));
        return out;
    }

    /** Every bottle there was, also what is gone. */
    Map<String, Bottle> everything() {
        Map<String, Bottle> out = new LinkedHashMap<>();
        mapper.bottles().forEach(r -> out.put(r.id().toString(), r.bottle()));
        return out;
    }

    /**
     * Puts a bottle there or changes one.
     *
     * @param version that was seen; null for a new one. Sending a new one twice keeps it once.
     */
    public BottleView put(UUID id, @Nullable Integer version, BottleDraft draft) {
        Bottle b = dated(draft.bottle());
        ShelfMapper.BottleRow old = find(id).orElse(null);
        if (old == null) {
            onlyOne(b.name(), () -> mapper.add(ShelfMapper.BottleRow.of(id, 1, b)));
        } else if (version != null) {
            onlyOne(
                    b.name(),
                    () ->
                            StaleVersion.unlessOne(
                                    mapper.change(ShelfMapper.BottleRow.of(id, version, b)),
                                    "The bottle"));
        } else if (old.gone() || !old.bottle().equals(b)) {
            throw new InvalidInput(
                    "Bottle",
                    b.name(),
                    "was put there before with other figures",
                    "Change that bottle, or put this one there anew.");
        }
        stock.useWhenStored();
        return one(id);
    }

    private static Bottle dated(Bottle b) {
        Years.require("Opened", b.opened().orElse(null), Years.OF_WORK);
        Years.require("Keeps until", b.keepsUntil().orElse(null), Years.OF_WORK);
        return b;
    }

    /** Stores a bottle; the database lets only one of a name and maker stand there. */
    private static void onlyOne(String name, Runnable change) {
        try {
            change.run();
        } catch (DuplicateKeyException e) {
            throw new InvalidInput(
                    "Name",
                    name,
                    "stands on the shelf already, of the same maker",
                    "Change that bottle, or name this one otherwise.");
        }
    }

    private Optional<ShelfMapper.BottleRow> find(UUID id) {
        return mapper.bottles().stream().filter(r -> r.id().equals(id)).findFirst();
    }

    /**
     * How a thing stands now, be it there or taken away.
     *
     * @param version of now
     */
    public record Standing(int version, boolean gone) {}

    /** How a bottle stands now, for taking a change back. */
    public Standing standing(UUID id) {
        return find(id).map(r -> new Standing(r.version(), r.gone()))
                .orElseThrow(() -> new NotFound("The bottle", "the shelf"));
    }

    private BottleView one(UUID id) {
        ShelfMapper.BottleRow r = rows().get(id);
        if (r == null) {
            throw new NotFound("The bottle", "the shelf");
        }
        return view(r);
    }

    /** Takes a bottle away, or puts it back. */
    public void setGone(UUID id, int version, boolean gone) {
        ShelfMapper.BottleRow row =
                find(id).orElseThrow(() -> new NotFound("The bottle", "the shelf"));
        onlyOne(
                row.name(),
                () -> StaleVersion.unlessOne(mapper.setGone(id, version, gone), "The bottle"));
        stock.useWhenStored();
    }

    /** What may stand in for a bottle. */
    public List<Substitutes.Substitute> substitutes(UUID id) {
        return Substitutes.of(id.toString(), bottles(), 4);
    }

    /** What a bottle is called so that it is told from others of its name. */
    static String told(UUID id, Map<String, Bottle> all) {
        Bottle b = Objects.requireNonNull(all.get(id.toString()));
        List<Map.Entry<String, Bottle>> others =
                all.entrySet().stream()
                        .filter(e -> !e.getKey().equals(id.toString()))
                        .filter(e -> e.getValue().name().equalsIgnoreCase(b.name()))
                        .toList();
        if (others.isEmpty()) {
            return b.name();
        }
        boolean byMaker =
                others.stream().noneMatch(e -> e.getValue().maker().equalsIgnoreCase(b.maker()));
        String maker = b.maker().isEmpty() ? "no maker" : b.maker();
        return b.name()
                + " ("
                + (byMaker ? maker : maker + ", " + id.toString().substring(0, 4))
                + ")";
    }

    /** What a table would change; nothing is stored. */
    public ShelfChanges.Dry dry(String csv) {
        return ShelfChanges.of(ShelfCsv.read(csv), bottles());
    }

    /** Stores what a table changes, all or nothing. */
    public int store(String csv) {
        ShelfChanges.Dry dry = dry(csv);
        if (!dry.faults().isEmpty()) {
            ShelfCsv.Fault f = dry.faults().getFirst();
            throw new InvalidInput(
                    "Line " + f.line() + (f.column().isEmpty() ? "" : ", " + f.column()),
                    f.value(),
                    f.rule(),
                    f.remedy());
        }
        Map<UUID, ShelfMapper.BottleRow> rows = rows();
        int stored = 0;
        dry.changes().forEach(c -> dated(c.bottle()));
        for (ShelfChanges.Change c : dry.changes()) {
            if (c.what() == ShelfChanges.What.NEW) {
                onlyOne(
                        c.bottle().name(),
                        () ->
                                mapper.add(
                                        ShelfMapper.BottleRow.of(
                                                UUID.randomUUID(), 1, c.bottle())));
                stored++;
            } else if (c.what() == ShelfChanges.What.CHANGED) {
                UUID id = UUID.fromString(c.key().orElseThrow());
                ShelfMapper.BottleRow now = rows.get(id);
                if (now == null) {
                    throw new NotFound("The bottle", "the shelf");
                }
                onlyOne(
                        c.bottle().name(),
                        () ->
                                StaleVersion.unlessOne(
                                        mapper.change(
                                                ShelfMapper.BottleRow.of(
                                                        id, now.version(), c.bottle())),
                                        "The bottle"));
                stored++;
            }
        }
        stock.useWhenStored();
        return stored;
    }

    /** The shelf as a table. */
    public String csv() {
        return ShelfCsv.write(List.copyOf(bottles().values()));
    }

    /** The colours of the shelf as a palette. */
    public String palette() {
        return GimpPalette.write("Shelf", List.copyOf(bottles().values()));
    }

    /** A palette as a table that can be looked through and stored. */
    String tableOf(GimpPalette.Read palette, String family) {
        List<Bottle> out = new ArrayList<>();
        for (GimpPalette.Entry e : palette.entries()) {
            out.add(
                    new BottleDraft(
                                    e.name().isEmpty() ? "colour " + e.hex() : e.name(),
                                    null,
                                    family,
                                    Bottle.Kind.PAINT,
                                    null,
                                    Srgb.toLab(e.rgb()),
                                    null,
                                    null,
                                    0,
                                    null,
                                    null,
                                    null,
                                    null,
                                    null,
                                    null,
                                    null,
                                    null,
                                    null)
                            .bottle());
        }
        return ShelfCsv.writeColours(out);
    }

    static String hex(Look look, Light light) {
        return Srgb.toHex(light.lab(look.seen()));
    }

    static Surface surface(String name) {
        try {
            return Surface.of(name);
        } catch (IllegalArgumentException e) {
            throw new InvalidInput(
                    "Surface",
                    name,
                    "is not known",
                    "Use gloss, semi-gloss, satin, flat or powder.");
        }
    }
}
