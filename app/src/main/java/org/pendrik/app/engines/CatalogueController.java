package org.pendrik.app.engines;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.OwnSteps;
import org.pendrik.core.plan.Phase;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.plan.SubjectKind;
import org.pendrik.core.plan.Subjects;
import org.pendrik.core.plan.Ways;
import org.pendrik.core.plan.ZoneTemplate;
import org.pendrik.core.units.Scale;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** The lists that the interface offers. */
@RestController
class CatalogueController {
    private final Engines engines;
    private final Subjects subjects;

    CatalogueController(Engines engines, Subjects subjects) {
        this.engines = engines;
        this.subjects = subjects;
    }

    @GetMapping("/api/catalogue")
    Lists lists() {
        Catalogue catalogue = engines.catalogue();
        return new Lists(
                Scale.COMMON,
                Arrays.stream(Substrate.values())
                        .filter(s -> s != Substrate.GLAZING)
                        .map(s -> new SubstrateItem(s, s.label()))
                        .toList(),
                Arrays.stream(SubjectKind.values())
                        .map(
                                k ->
                                        new KindItem(
                                                k,
                                                k.label(),
                                                k.isBuilding(),
                                                k.hasWheels(),
                                                k.isLocomotive()))
                        .toList(),
                Arrays.stream(SubjectKind.values())
                        .flatMap(k -> subjects.zones(k).stream())
                        .map(ZoneItem::of)
                        .toList(),
                Arrays.stream(EffectKind.values())
                        .map(
                                k ->
                                        new EffectItem(
                                                k,
                                                k.label(),
                                                Ways.technique(k, Schools.Choice.START, catalogue)
                                                        .name(),
                                                Ways.materials(k, catalogue).stream()
                                                        .map(Material::key)
                                                        .toList(),
                                                Arrays.stream(SubjectKind.values())
                                                        .filter(k::suits)
                                                        .toList(),
                                                Ways.offered(k, catalogue).stream()
                                                        .map(w -> WayItem.of(w, catalogue))
                                                        .toList()))
                        .toList(),
                catalogue.techniques().stream().map(t -> TechniqueItem.of(t, catalogue)).toList(),
                Stream.concat(
                                catalogue.materials().stream(),
                                catalogue.stocks().stream()
                                        .flatMap(x -> catalogue.find(x.key()).stream()))
                        .map(m -> MaterialItem.of(m, catalogue))
                        .toList(),
                Arrays.stream(Phase.values()).map(p -> new PhaseItem(p, p.label())).toList(),
                Schools.all());
    }

    record SubstrateItem(Substrate key, String label) {}

    record ZoneItem(
            SubjectKind kind,
            String key,
            String name,
            ZoneTemplate.Aspect aspect,
            double weight,
            @Nullable Box box) {
        static ZoneItem of(ZoneTemplate z) {
            return new ZoneItem(
                    z.kind(),
                    z.key(),
                    z.name(),
                    z.aspect(),
                    z.weight(),
                    z.box().map(b -> new Box(b.x(), b.y(), b.width(), b.height())).orElse(null));
        }
    }

    record Box(double x, double y, double width, double height) {}

    /**
     * An effect.
     *
     * @param kinds of subject that can have it
     */
    record EffectItem(
            EffectKind key,
            String label,
            String technique,
            List<String> materials,
            List<SubjectKind> kinds,
            List<WayItem> ways) {}

    /**
     * A way to make an effect.
     *
     * @param materials that it takes, the starting choice first
     */
    record WayItem(
            String key,
            String name,
            String technique,
            String techniqueName,
            List<String> materials) {
        static WayItem of(Ways.Offered w, Catalogue catalogue) {
            List<String> materials = new ArrayList<>();
            w.materials().forEach(m -> materials.add(m.key()));
            catalogue.usable(w.technique()).stream()
                    .filter(k -> !materials.contains(k))
                    .forEach(materials::add);
            return new WayItem(
                    w.key(), w.name(), w.technique().key(), w.technique().name(), materials);
        }
    }

    /** A kind of subject. */
    record KindItem(
            SubjectKind key, String label, boolean building, boolean wheels, boolean locomotive) {}

    /** When an effect happened in the life of the prototype. */
    record PhaseItem(Phase key, String label) {}

    /**
     * A technique.
     *
     * @param usual what people say of it when they put it in themselves; null for the others
     */
    record TechniqueItem(
            String key,
            String name,
            Technique.Role role,
            List<String> materials,
            OwnSteps.@Nullable Usual usual) {
        static TechniqueItem of(Technique t, Catalogue catalogue) {
            return new TechniqueItem(
                    t.key(),
                    t.name(),
                    t.role(),
                    t.role() == Technique.Role.HANDLING ? t.materials() : catalogue.usable(t),
                    OwnSteps.of(t.key()).orElse(null));
        }
    }

    /**
     * A material.
     *
     * @param own it stands on the shelf or is the workshop's own
     * @param lays it leaves a coat
     * @param thinners liquids that it can be let down with
     */
    record MaterialItem(
            String key,
            String name,
            String family,
            @Nullable Finish finish,
            @Nullable String hex,
            boolean own,
            boolean lays,
            List<String> thinners) {
        static MaterialItem of(Material m, Catalogue catalogue) {
            return new MaterialItem(
                    m.key(),
                    m.name(),
                    m.family(),
                    m.finish().orElse(null),
                    m.colour().map(Srgb::toHex).orElse(null),
                    m.like().isPresent(),
                    m.deposits(),
                    catalogue.thinners(m).stream().map(Material::key).toList());
        }
    }

    record Lists(
            List<Scale> scales,
            List<SubstrateItem> substrates,
            List<KindItem> kinds,
            List<ZoneItem> zones,
            List<EffectItem> effects,
            List<TechniqueItem> techniques,
            List<MaterialItem> materials,
            List<PhaseItem> phases,
            List<Schools.Question> schools) {}
}
