package org.pendrik.app.makeup;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.store.WorksOn;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Column;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Layer;
import org.pendrik.core.film.Mends;
import org.pendrik.core.film.Reach;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.PlanStep;
import org.pendrik.core.plan.Sittings;

/**
 * The plan as it is drawn.
 *
 * @param cores one for each zone that gets a coat or could get one
 * @param clearCoats how many clears are in the plan
 * @param waitingMinutes the shortest time from now to the last step, drying included
 * @param effects how many effects the study notes
 * @param schools answers that this job gives otherwise than the house
 * @param houseSchools answers that the house gives otherwise than the program starts
 * @param gapMinutes how much less another plan could cost at most, 0 when this one is proven; null
 *     when it was not compiled or changed since
 */
public record MakeupView(
        List<StepView> steps,
        List<FindingView> findings,
        List<CoreView> cores,
        List<Pin> pins,
        List<Pin> brokenPins,
        int clearCoats,
        long waitingMinutes,
        int effects,
        Map<String, String> schools,
        Map<String, String> houseSchools,
        @Nullable Long gapMinutes,
        int version) {

    /**
     * A step of the plan.
     *
     * @param colour that a mix for it would have to be; null where nothing is mixed
     * @param mix null where the bottle of its material is taken
     * @param rounds names of the zones of each round in which it is laid or worked; empty when it
     *     goes in one
     * @param wash how it behaves on each kind of surface that it meets, for what runs and is wiped
     * @param share part of the zone that it touches, 0 to 1
     * @param sitting number of the stretch at the bench in which it can be done, from 1
     * @param set that its effect belongs to, which is moved together; empty for none
     * @param extra what the user says of it; null when nothing
     */
    public record StepView(
            StepId id,
            String technique,
            String name,
            Technique.Role role,
            String material,
            String materialName,
            @Nullable String hex,
            List<String> materials,
            Thickness thickness,
            List<String> zones,
            int minutes,
            PlanStep.Origin origin,
            String reason,
            boolean done,
            Instant earliest,
            List<ReachView> reaches,
            @Nullable StepId takesBack,
            @Nullable Double backShare,
            @Nullable String madeForEffect,
            @Nullable StepId madeForStep,
            @Nullable Lab colour,
            @Nullable StepMixView mix,
            @Nullable WorksOn worksOn,
            List<List<String>> rounds,
            List<WashView> wash,
            double share,
            int sitting,
            String set,
            @Nullable StepExtra extra) {}

    /**
     * What a wash does on a surface.
     *
     * @param finish of the surface
     * @param flow how readily it runs to detail, 0 to 1
     * @param grip how much of it stays, 0 to 1
     * @param removability how cleanly it wipes off, 0 to 1
     */
    public record WashView(
            String finish, List<String> zones, double flow, double grip, double removability) {}

    /**
     * The recipe that a step is mixed by.
     *
     * @param missing bottles of it that are gone or empty
     * @param tooDark its bottles that are too dark to tell what they do to the others
     * @param otherFamilies of its bottles that dry otherwise than the step's material
     * @param family of the step's material
     */
    public record StepMixView(
            UUID recipe,
            String name,
            String hex,
            List<String> missing,
            List<String> tooDark,
            List<String> otherFamilies,
            String family) {}

    /** How deep the carrier of a step goes on one zone. */
    public record ReachView(String zone, List<MetView> met) {}

    /** One coat that a carrier meets: band −1 is lettering, −2 the substrate. */
    public record MetView(int band, Reach.Effect effect, double bite, double cure) {}

    /**
     * Something the engine says, with what mends it.
     *
     * @param milder what makes it milder besides; empty where nothing does
     * @param answered a warning that the user knows of
     * @param sameCureAs index of an earlier finding about the same step whose first mend heals this
     *     too; its own index when there is none
     */
    public record FindingView(
            int index,
            Finding.Rule rule,
            Finding.Severity severity,
            StepId stepId,
            List<String> zones,
            List<String> coats,
            String why,
            Map<String, Double> numbers,
            String milder,
            List<MendView> mends,
            boolean answered,
            int sameCureAs) {}

    /** A change that was checked. */
    public record MendView(int index, String label, long laterMinutes) {}

    /** The coats of one zone. */
    public record CoreView(
            String zone,
            String name,
            String substrate,
            Finish substrateFinish,
            boolean lettering,
            String baseHex,
            List<BandView> bands,
            String surfaceHex) {}

    /** One coat. */
    public record BandView(
            StepId stepId,
            String material,
            @Nullable String ownHex,
            String surfaceHex,
            Finish finish,
            boolean setsFinish,
            double filmMicrometres,
            boolean clear,
            boolean loose,
            boolean done,
            double cure) {}

    static MakeupView of(
            JobSnapshot job,
            org.pendrik.core.plan.PlanCheck.Judgement judged,
            Catalogue catalogue,
            java.util.function.Function<Finding, List<Mends.Checked>> mends,
            long nowMinute) {
        Plan plan = job.plan();
        Map<StepId, StepMixes.StepRecipe> recipes = job.recipes();
        Map<String, String> sets = new LinkedHashMap<>();
        job.study().effects().forEach(e -> sets.put(e.id().toString(), e.effect().set()));
        Map<StepId, StoredStep> stored = new LinkedHashMap<>();
        plan.steps().forEach(s -> stored.put(s.id(), s));
        List<StepView> steps = new ArrayList<>();
        Map<StepId, Integer> sittings = Sittings.of(judged.timed().acts());
        for (Act a : judged.timed().acts()) {
            StoredStep s = stored.get(a.id());
            if (s != null) {
                steps.add(
                        step(
                                a,
                                s,
                                judged,
                                catalogue.usable(a.technique()),
                                sittings.getOrDefault(a.id(), 1),
                                s.madeForEffect() == null
                                        ? ""
                                        : sets.getOrDefault(s.madeForEffect(), ""),
                                catalogue.material(a.material().key()).colour().orElse(null),
                                mix(a, recipes.get(a.id()), catalogue)));
            }
        }
        List<FindingView> findings = new ArrayList<>();
        for (Finding f : judged.film().findings()) {
            List<MendView> offered = new ArrayList<>();
            for (Mends.Checked m : mends.apply(f)) {
                offered.add(new MendView(offered.size(), m.mend().label(), m.laterMinutes()));
            }
            findings.add(
                    new FindingView(
                            findings.size(),
                            f.rule(),
                            f.severity(),
                            f.actId(),
                            f.zones(),
                            f.coats(),
                            f.why(),
                            f.numbers(),
                            f.rule().milder(),
                            offered,
                            f.answered(),
                            sameCure(findings, f, offered)));
        }
        List<CoreView> cores =
                judged.film().columns().stream().map(c -> core(c, stored, nowMinute)).toList();
        int clears =
                (int)
                        plan.steps().stream()
                                .filter(
                                        s ->
                                                catalogue.technique(s.technique()).role()
                                                        == Technique.Role.CLEAR)
                                .count();
        long end =
                judged.timed().acts().stream()
                        .filter(a -> !a.done())
                        .map(Act::endMinute)
                        .max(Comparator.naturalOrder())
                        .orElse(nowMinute);
        return new MakeupView(
                steps,
                findings,
                cores,
                plan.pins(),
                judged.brokenPins(),
                clears,
                Math.max(0, end - nowMinute),
                job.study().effects().size(),
                plan.schools().answers(),
                job.house().answers(),
                plan.gapMinutes(),
                plan.version());
    }

    /** Two findings with one cure are one line. */
    private static int sameCure(List<FindingView> before, Finding f, List<MendView> offered) {
        if (!offered.isEmpty()) {
            for (FindingView o : before) {
                if (o.stepId().equals(f.actId())
                        && !o.mends().isEmpty()
                        && o.mends().getFirst().label().equals(offered.getFirst().label())) {
                    return o.sameCureAs();
                }
            }
        }
        return before.size();
    }

    private static StepView step(
            Act a,
            StoredStep s,
            org.pendrik.core.plan.PlanCheck.Judgement judged,
            List<String> usable,
            int sitting,
            String set,
            @Nullable Lab bottle,
            @Nullable StepMixView mix) {
        Map<String, Reach> reaches = judged.film().reaches().getOrDefault(a.id(), Map.of());
        List<ReachView> deep = new ArrayList<>();
        reaches.forEach(
                (zone, r) -> {
                    if (!r.met().isEmpty()) {
                        deep.add(
                                new ReachView(
                                        zone,
                                        r.met().stream()
                                                .map(
                                                        m ->
                                                                new MetView(
                                                                        m.layer(),
                                                                        m.effect(),
                                                                        m.bite() * m.exposure(),
                                                                        m.cure()))
                                                .toList()));
                    }
                });
        return new StepView(
                a.id(),
                a.technique().key(),
                a.name(),
                a.technique().role(),
                a.material().key(),
                a.material().name(),
                a.material().colour().map(Srgb::toHex).orElse(null),
                usable,
                a.thickness(),
                List.copyOf(a.zones()),
                a.minutes(),
                s.origin(),
                s.reason(),
                a.done(),
                Instant.ofEpochSecond(a.atMinute() * 60),
                deep,
                s.takesBack(),
                s.backShare(),
                s.madeForEffect(),
                s.madeForStep(),
                mixable(a) ? bottle : null,
                mix,
                s.worksOn(),
                rounds(a, judged),
                judged.film().washes().getOrDefault(a.id(), List.of()).stream()
                        .map(
                                w ->
                                        new WashView(
                                                w.finish().label(),
                                                w.zones(),
                                                w.behaviour().flow(),
                                                w.behaviour().grip(),
                                                w.behaviour().removability()))
                        .toList(),
                a.technique().share(),
                sitting,
                set,
                s.extra());
    }

    private static List<List<String>> rounds(
            Act a, org.pendrik.core.plan.PlanCheck.Judgement judged) {
        if (!a.rounds().prepared() || a.done()) {
            return List.of();
        }
        Map<String, String> names = new LinkedHashMap<>();
        judged.timed().zones().forEach(z -> names.put(z.key(), z.name()));
        return a.rounds().groups().stream()
                .map(g -> g.stream().map(z -> names.getOrDefault(z, z)).toList())
                .toList();
    }

    private static @Nullable StepMixView mix(
            Act a, StepMixes.@Nullable StepRecipe recipe, Catalogue catalogue) {
        return recipe == null
                ? null
                : new StepMixView(
                        recipe.recipe(),
                        recipe.name(),
                        recipe.hex(),
                        recipe.missing(),
                        recipe.tooDark(),
                        recipe.families().stream()
                                .filter(f -> !catalogue.isLike(f, a.material()))
                                .toList(),
                        a.material().family());
    }

    /** A paint that is thinned can be mixed; powders, pencils and clears are what they are. */
    private static boolean mixable(Act a) {
        return a.material().deposits()
                && !a.material().isClear()
                && !a.material().mix().thinner().isEmpty();
    }

    private static CoreView core(Column c, Map<StepId, StoredStep> stored, long nowMinute) {
        List<Lab> colours = c.colours();
        List<BandView> bands = new ArrayList<>();
        List<Layer> layers = c.layers();
        for (int i = 0; i < layers.size(); i++) {
            Layer l = layers.get(i);
            StoredStep s = stored.get(l.actId());
            boolean done = s != null && s.done();
            bands.add(
                    new BandView(
                            l.actId(),
                            l.material().name(),
                            l.material().isClear()
                                    ? null
                                    : l.material().colour().map(Srgb::toHex).orElse(null),
                            Srgb.toHex(colours.get(i + 1)),
                            c.finishAfter(i + 1),
                            l.material().finish().isPresent(),
                            l.filmMicrometres(),
                            l.material().isClear(),
                            l.binder().isLoose(),
                            done,
                            done ? l.cureAt(nowMinute) : 0));
        }
        return new CoreView(
                c.zone().key(),
                c.zone().name(),
                c.zone().substrate().label(),
                c.zone().substrate().finish(),
                c.zone().lettering(),
                Srgb.toHex(colours.getFirst()),
                bands,
                Srgb.toHex(colours.getLast()));
    }
}
