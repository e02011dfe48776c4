package org.pendrik.core.catalogue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.tables.DomainTable.Row;
import org.pendrik.core.units.InvalidInput;

/**
 * The materials and techniques of a workshop: the tables of priors, what the workshop has overruled
 * of them, and the pace that it has learned, checked against each other.
 */
public final class Catalogue {
    private static final String MATERIALS = "materials.csv";
    private static final String TECHNIQUES = "techniques.csv";
    private static final List<Line> MATERIAL_LINES = lines(MATERIALS);
    private static final List<Line> TECHNIQUE_LINES = lines(TECHNIQUES);
    private static final BiteTable BITES = BiteTable.load();

    private BiteTable bites = BITES;
    private final Map<String, Material> materials = new LinkedHashMap<>();
    private final Map<String, Technique> techniques = new LinkedHashMap<>();
    private final Map<String, Stock> stocks = new LinkedHashMap<>();

    private record Line(String key, Row row) {}

    private Catalogue() {}

    private static List<Line> lines(String file) {
        return DomainTable.load(Catalogue.class, file, r -> new Line(r.text("key"), r));
    }

    /**
     * Loads the tables that ship with the program.
     *
     * @throws IllegalStateException when a line is bad; the message names file and line
     */
    public static Catalogue load() {
        return load(List.of(), Map.of());
    }

    /**
     * The tables with a workshop's own figures in place of theirs.
     *
     * @param overrules cells that the workshop sees differently
     * @param paces minutes that pass for one minute of the tables, by key of the material
     * @throws InvalidInput when a figure makes no sense; the message names it
     */
    public static Catalogue load(List<Overrule> overrules, Map<String, Double> paces) {
        Catalogue c = new Catalogue();
        for (Line l : MATERIAL_LINES) {
            Material m = read(l, Overrule.Table.MATERIAL, overrules, Catalogue::material);
            Double pace = paces.get(m.key());
            if (c.materials.put(m.key(), pace == null ? m : m.at(pace)) != null) {
                throw new IllegalStateException(MATERIALS + " names " + m.key() + " twice");
            }
        }
        for (Line l : TECHNIQUE_LINES) {
            Technique t = read(l, Overrule.Table.TECHNIQUE, overrules, Catalogue::technique);
            if (c.techniques.put(t.key(), t) != null) {
                throw new IllegalStateException(TECHNIQUES + " names " + t.key() + " twice");
            }
        }
        c.techniques.values().forEach(c::requireKnown);
        return c;
    }

    private static <T> T read(
            Line line, Overrule.Table table, List<Overrule> overrules, Function<Row, T> mapper) {
        Map<String, String> cells = new LinkedHashMap<>();
        overrules.stream()
                .filter(o -> o.table() == table && o.key().equals(line.key()))
                .forEach(o -> cells.put(o.column(), o.value()));
        if (cells.isEmpty()) {
            return line.row().read(mapper);
        }
        try {
            return mapper.apply(line.row().with(cells));
        } catch (IllegalArgumentException e) {
            throw new InvalidInput(
                    line.row().text("name"),
                    cells.toString(),
                    "does not hold: " + e.getMessage(),
                    "Change it, or go back to the program's own figure.");
        }
    }

    private void requireKnown(Technique t) {
        List<String> others = new ArrayList<>(t.follow().stream().toList());
        others.addAll(t.works().techniques());
        others.addAll(t.blends());
        others.removeIf(k -> techniques.containsKey(k) || k.equals(Technique.BLENDS_WITH_ANY));
        List<String> missing = new ArrayList<>(t.materials());
        missing.removeIf(materials::containsKey);
        missing.addAll(others);
        if (!missing.isEmpty()) {
            throw new IllegalStateException(
                    TECHNIQUES
                            + ": "
                            + t.key()
                            + " refers to "
                            + String.join(", ", missing)
                            + ", which the tables do not have");
        }
    }

    /** The cell of a table as the program ships it; empty when it has no such cell. */
    public static Optional<String> shipped(Overrule.Table table, String key, String column) {
        return (table == Overrule.Table.MATERIAL ? MATERIAL_LINES : TECHNIQUE_LINES)
                .stream()
                        .filter(l -> l.key().equals(key) && l.row().names().contains(column))
                        .map(l -> l.row().text(column))
                        .findFirst();
    }

    /** All materials in the order of the table. */
    public Collection<Material> materials() {
        return materials.values();
    }

    /** All techniques in the order of the table. */
    public Collection<Technique> techniques() {
        return techniques.values();
    }

    /**
     * The material of a key.
     *
     * @throws InvalidInput when there is none
     */
    public Material material(String key) {
        int thinned = key.indexOf(Material.THINNED);
        if (thinned > 0) {
            return thinned(material(key.substring(0, thinned)), key.substring(thinned + 1));
        }
        Stock own = stocks.get(key);
        if (own != null) {
            return likest(own, materials.values())
                    .orElseThrow(
                            () ->
                                    new InvalidInput(
                                            "Family of " + own.name(),
                                            own.family(),
                                            "is none that the program knows how it dries",
                                            "Call it one of "
                                                    + String.join(", ", families())
                                                    + "."));
        }
        Material m = materials.get(key);
        if (m == null && key.matches("alcohol-\\d{1,2}")) {
            return diluted(Integer.parseInt(key.substring("alcohol-".length())));
        }
        if (m == null) {
            throw new InvalidInput(
                    "Material",
                    key,
                    "is not on the shelf",
                    "Use one of " + String.join(", ", materials.keySet()) + ".");
        }
        return m;
    }

    /**
     * The material of a key as a technique takes it: what is the workshop's own has the figures of
     * that material of its family that the technique would take.
     *
     * @throws InvalidInput when there is none
     */
    public Material material(String key, Technique technique) {
        int thinned = key.indexOf(Material.THINNED);
        if (thinned > 0) {
            Material bare = material(key.substring(0, thinned), technique);
            return thinned(bare, key.substring(thinned + 1));
        }
        Stock own = stocks.get(key);
        return own == null
                ? material(key)
                : likest(own, technique.materials().stream().map(this::material).toList())
                        .orElseGet(() -> material(key));
    }

    private Material thinned(Material bare, String liquid) {
        Material with = material(liquid);
        if (with.deposits() || bare.binder().filter(b -> b.thinsWith(with.carrier())).isEmpty()) {
            throw new InvalidInput(
                    "Thinner of " + bare.name(),
                    with.name(),
                    "does not mix with " + bare.family(),
                    "Use one of "
                            + String.join(
                                    ", ", thinners(bare).stream().map(Material::name).toList())
                            + ".");
        }
        return bare.thinnedWith(with);
    }

    /** The liquids that a material can be let down with, in the order of the table. */
    public List<Material> thinners(Material material) {
        return materials.values().stream()
                .filter(m -> !m.deposits() && !m.carrier().equals(material.carrier()))
                .filter(m -> material.binder().filter(b -> b.thinsWith(m.carrier())).isPresent())
                .toList();
    }

    /** The material that something of the user's own dries and bites as. */
    private Optional<Material> likest(Stock own, Collection<Material> among) {
        List<Material> alike =
                among.stream()
                        .filter(m -> m.deposits() && m.isClear() == own.clear())
                        .filter(m -> isLike(own.family(), m))
                        .toList();
        return alike.stream()
                .filter(m -> m.family().equalsIgnoreCase(own.family()))
                .findFirst()
                .or(() -> alike.stream().findFirst())
                .map(m -> m.standingFor(own));
    }

    private List<String> families() {
        return materials.values().stream()
                .filter(Material::deposits)
                .map(Material::family)
                .distinct()
                .toList();
    }

    /** Bottles, recipes and materials of the workshop's own, in their order. */
    public Collection<Stock> stocks() {
        return stocks.values();
    }

    /** The material of a key; empty when there is none, or when nobody knows how it dries. */
    public Optional<Material> find(String key) {
        Stock own = stocks.get(key);
        return own == null
                ? Optional.ofNullable(materials.get(key))
                : likest(own, materials.values());
    }

    /**
     * The same tables with what stands on a shelf besides.
     *
     * @param own one of a key that the tables have is left out
     */
    public Catalogue stocked(Collection<Stock> own) {
        Catalogue out = copy();
        own.stream()
                .filter(s -> !materials.containsKey(s.key()))
                .forEach(s -> out.stocks.put(s.key(), s));
        return out;
    }

    private Catalogue copy() {
        Catalogue out = new Catalogue();
        out.materials.putAll(materials);
        out.techniques.putAll(techniques);
        out.stocks.putAll(stocks);
        out.bites = bites;
        return out;
    }

    /**
     * The technique of a key.
     *
     * @throws InvalidInput when there is none
     */
    public Technique technique(String key) {
        Technique t = techniques.get(key);
        if (t == null) {
            throw new InvalidInput(
                    "Technique",
                    key,
                    "is not known",
                    "Use one of " + String.join(", ", techniques.keySet()) + ".");
        }
        return t;
    }

    /**
     * Whether paint of a family dries and is bitten as a material: it has the same family, or a
     * material of that family the same binder.
     *
     * @param family as on a bottle, in any case; one that no material has is like none
     */
    public boolean isLike(String family, Material material) {
        return family.equalsIgnoreCase(material.family())
                || materials.values().stream()
                        .anyMatch(
                                m ->
                                        m.family().equalsIgnoreCase(family)
                                                && m.binder().isPresent()
                                                && m.binder().equals(material.binder()));
    }

    /** Alcohol let down to any strength, in per cent by volume. */
    private Material diluted(int percent) {
        return material("alcohol-35").named("alcohol-" + percent, new Carrier.Alcohol(percent));
    }

    /**
     * Whether a technique can use a material: one of its own, its alcohol let down otherwise, what
     * is of the family of one of its own, or any of these thinned with another liquid.
     */
    public boolean canUse(Technique technique, Material material) {
        String key = material.key();
        int thinned = key.indexOf(Material.THINNED);
        String bare = thinned > 0 ? key.substring(0, thinned) : key;
        if (technique.materials().contains(bare)) {
            return true;
        }
        Stock own = stocks.get(bare);
        if (own != null) {
            return likest(own, technique.materials().stream().map(this::material).toList())
                    .isPresent();
        }
        if (isAlike(technique, material)) {
            return true;
        }
        return material.carrier() instanceof Carrier.Alcohol
                && !material.deposits()
                && technique.materials().stream().anyMatch(k -> k.startsWith("alcohol-"));
    }

    /** Keys of all that a technique can use: its own first, then what is of their families. */
    public List<String> usable(Technique technique) {
        List<String> out = new ArrayList<>(technique.materials());
        materials.values().stream()
                .filter(m -> !out.contains(m.key()) && canUse(technique, m))
                .forEach(m -> out.add(m.key()));
        stocks.values().stream()
                .filter(
                        s ->
                                likest(
                                                s,
                                                technique.materials().stream()
                                                        .map(this::material)
                                                        .toList())
                                        .isPresent())
                .forEach(s -> out.add(s.key()));
        return out;
    }

    /** Paint or powder of the family of one of a technique's own, laid as thick as that. */
    private boolean isAlike(Technique technique, Material material) {
        return material.deposits()
                && !material.isClear()
                && technique.role() == Technique.Role.EFFECT
                && technique.materials().stream()
                        .map(this::material)
                        .anyMatch(
                                m ->
                                        m.deposits()
                                                && !m.isClear()
                                                && m.usual() == material.usual()
                                                && m.family().equals(material.family()));
    }

    /** The material that a technique starts with. */
    public Material startingMaterial(Technique technique) {
        return material(technique.materials().getFirst());
    }

    /** How hard carriers bite binders, with what this bench has learned. */
    public BiteTable bite() {
        return bites;
    }

    /** The same tables at a bench that has seen pairs of binder and carrier bite harder or less. */
    public Catalogue learned(Map<BiteSense.Pair, BiteSense> senses) {
        Catalogue out = copy();
        out.bites = BITES.learned(senses);
        return out;
    }

    private static Material material(Row r) {
        return new Material(
                r.text("key"),
                r.text("name"),
                r.text("family"),
                r.has("binder") ? Optional.of(r.of("binder", Binder.class)) : Optional.empty(),
                Carrier.parse(r.text("carrier")),
                r.has("finish") ? Optional.of(r.of("finish", Finish.class)) : Optional.empty(),
                r.has("touch_min")
                        ? Optional.of(
                                new CureAnchors(
                                        r.number("touch_min"),
                                        r.number("handle_min"),
                                        r.number("recoat_min"),
                                        r.number("full_min")))
                        : Optional.empty(),
                r.has("usual") ? r.of("usual", Thickness.class) : Thickness.NORMAL,
                r.yes("keys"),
                r.has("work_from_min")
                        ? Optional.of(
                                new WorkWindow(
                                        r.number("work_from_min"), r.number("work_until_min")))
                        : Optional.empty(),
                r.number("film_um", 0),
                r.has("L")
                        ? Optional.of(new Lab(r.number("L"), r.number("a"), r.number("b")))
                        : Optional.empty(),
                r.number("hide", 0),
                new Material.Thinning(
                        r.number("paint_parts", 1),
                        r.number("thinner_parts", 0),
                        r.text("thinner")),
                r.number("price_ml", 0),
                r.has("keeps_months")
                        ? OptionalInt.of((int) r.number("keeps_months"))
                        : OptionalInt.empty(),
                1,
                Safety.parse(r.text("safety")),
                Optional.empty());
    }

    private static Technique technique(Row r) {
        return new Technique(
                r.text("key"),
                r.text("name"),
                r.of("role", Technique.Role.class),
                (int) r.number("age"),
                r.of("action", Action.class),
                r.has("carrier") ? Optional.of(Carrier.parse(r.text("carrier"))) : Optional.empty(),
                new Band(
                        r.number("ideal_min"),
                        r.number("ideal_max"),
                        r.number("ok_min"),
                        r.number("ok_max")),
                works(r),
                r.has("follow") ? Optional.of(r.text("follow")) : Optional.empty(),
                r.has("blends") ? Arrays.asList(r.text("blends").split("\\|", -1)) : List.of(),
                r.yes("local"),
                r.yes("pressure"),
                r.yes("embeds"),
                new Technique.Hands(
                        r.number("base_min"),
                        r.number("zone_min"),
                        r.number("dm2_min"),
                        r.yes("booth")),
                r.number("share"),
                r.of("thickness", Thickness.class),
                Arrays.asList(r.text("materials").split("\\|", -1)),
                new Technique.Handling(
                        r.of("orientation", Technique.Orientation.class),
                        r.yes("handles"),
                        r.number("needs_cure", 0),
                        r.yes("low_tack"),
                        r.text("masking")),
                new Technique.Texts(
                        r.text("stroke"),
                        r.text("stop_rule"),
                        r.text("inspection"),
                        r.text("caution")));
    }

    private static Works works(Row r) {
        Works.Window window =
                switch (r.text("window")) {
                    case "", "target" -> Works.Window.NONE;
                    case "material" -> Works.Window.MATERIAL;
                    case "bite" -> Works.Window.BITE;
                    default ->
                            throw new IllegalArgumentException(
                                    "window ("
                                            + r.text("window")
                                            + ") must be material, bite, target or empty");
                };
        Must must = r.has("must") ? r.of("must", Must.class) : Must.REMOVED;
        return Works.parse(r.text("acts_on"), window, must);
    }
}
