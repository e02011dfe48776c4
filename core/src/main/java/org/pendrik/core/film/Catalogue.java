package org.pendrik.core.film;

import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.tables.DomainTable.Row;
import org.pendrik.core.units.InvalidInput;

/**
 * The materials and techniques that a workshop starts with, read from the tables of priors and
 * checked against each other.
 */
public final class Catalogue {
    private final Map<String, Material> materials = new LinkedHashMap<>();
    private final Map<String, Technique> techniques = new LinkedHashMap<>();
    private final BiteTable bite = BiteTable.load();

    private Catalogue() {}

    /**
     * Loads the tables that ship with the program.
     *
     * @throws IllegalStateException when a line is bad; the message names file and line
     */
    public static Catalogue load() {
        Catalogue c = new Catalogue();
        for (Material m : DomainTable.load(Catalogue.class, "materials.csv", Catalogue::material)) {
            if (c.materials.put(m.key(), m) != null) {
                throw new IllegalStateException("materials.csv names " + m.key() + " twice");
            }
        }
        for (Technique t :
                DomainTable.load(Catalogue.class, "techniques.csv", Catalogue::technique)) {
            for (String key : t.materials()) {
                if (!c.materials.containsKey(key)) {
                    throw new IllegalStateException(
                            "techniques.csv: "
                                    + t.key()
                                    + " uses "
                                    + key
                                    + ", which materials.csv does not have");
                }
            }
            c.techniques.put(t.key(), t);
        }
        for (Technique t : c.techniques.values()) {
            for (Optional<String> other : List.of(t.actsOn(), t.follow())) {
                other.ifPresent(
                        key -> {
                            if (!c.techniques.containsKey(key)) {
                                throw new IllegalStateException(
                                        "techniques.csv: "
                                                + t.key()
                                                + " refers to "
                                                + key
                                                + ", which is not there");
                            }
                        });
            }
        }
        return c;
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
        Material m = materials.get(key);
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

    /** The material that a technique starts with. */
    public Material startingMaterial(Technique technique) {
        return material(technique.materials().getFirst());
    }

    BiteTable bite() {
        return bite;
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
                Safety.parse(r.text("safety")));
    }

    private static Technique technique(Row r) {
        return new Technique(
                r.text("key"),
                r.text("name"),
                r.of("role", Technique.Role.class),
                (int) r.number("age"),
                r.of("action", Action.class),
                new Band(
                        r.number("ideal_min"),
                        r.number("ideal_max"),
                        r.number("ok_min"),
                        r.number("ok_max")),
                r.has("acts_on") ? Optional.of(r.text("acts_on")) : Optional.empty(),
                r.yes("keeps_window"),
                r.has("follow") ? Optional.of(r.text("follow")) : Optional.empty(),
                (int) r.number("base_min"),
                (int) r.number("zone_min"),
                r.yes("booth"),
                r.number("share"),
                r.of("thickness", Thickness.class),
                Arrays.asList(r.text("materials").split("\\|", -1)),
                r.text("stroke"),
                r.text("stop_rule"));
    }
}
