package org.pendrik.app.engines;

import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.Finish;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.Substrate;
import org.pendrik.core.film.Technique;
import org.pendrik.core.plan.EffectKind;
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
                                                        .toList()))
                        .toList(),
                catalogue.techniques().stream().map(TechniqueItem::of).toList(),
                catalogue.materials().stream()
                        .map(
                                m ->
                                        new MaterialItem(
                                                m.key(),
                                                m.name(),
                                                m.family(),
                                                m.finish().orElse(null),
                                                m.colour().map(Srgb::toHex).orElse(null)))
                        .toList(),
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
            List<SubjectKind> kinds) {}

    record TechniqueItem(String key, String name, Technique.Role role, List<String> materials) {
        static TechniqueItem of(Technique t) {
            return new TechniqueItem(t.key(), t.name(), t.role(), t.materials());
        }
    }

    record MaterialItem(
            String key,
            String name,
            String family,
            @Nullable Finish finish,
            @Nullable String hex) {}

    record Lists(
            List<Scale> scales,
            List<SubstrateItem> substrates,
            List<ZoneItem> zones,
            List<EffectItem> effects,
            List<TechniqueItem> techniques,
            List<MaterialItem> materials,
            List<Schools.Question> schools) {}
}
