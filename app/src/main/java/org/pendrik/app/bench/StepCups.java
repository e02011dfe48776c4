package org.pendrik.app.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.makeup.JobSnapshot;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.PlanJudge;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.shelf.Cupboard;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.StepId;
import org.pendrik.core.mix.MixCard;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Cups for steps: from the zones, what stands on the shelf, and the recipe that a step has. */
@Service
public class StepCups {
    private final JobSnapshots snapshots;
    private final PlanJudge judge;
    private final StepMixes mixes;

    StepCups(JobSnapshots snapshots, PlanJudge judge, StepMixes mixes) {
        this.snapshots = snapshots;
        this.judge = judge;
        this.mixes = mixes;
    }

    /**
     * Drops of one bottle.
     *
     * @param leftMl in the bottle; null when it does not stand on the shelf
     */
    public record MeasureView(
            String name, int drops, double millilitres, @Nullable Double leftMl, boolean enough) {}

    /**
     * The mix card of a step.
     *
     * @param recipe that it is mixed by; null for the bottle of its material
     * @param hex of the mix
     * @param missing bottles of the recipe that are gone or empty
     * @param tooDark its bottles that are too dark to tell what they do to the others
     * @param cost in the workshop's own money; 0 when prices are not known
     */
    public record MixView(
            List<MeasureView> measures,
            int paintDrops,
            int thinnerDrops,
            String thinner,
            double millilitres,
            double realRatio,
            double neededMillilitres,
            double areaMm2,
            double cost,
            @Nullable String recipe,
            @Nullable String hex,
            List<String> missing,
            List<String> tooDark) {}

    /** A mix card to print. */
    public record MixSheet(
            String job,
            String step,
            List<String> zones,
            String material,
            @Nullable MixView mix,
            String stroke,
            String stopRule,
            String caution) {}

    /** The card of one step, as it is planned. */
    @Transactional(readOnly = true)
    public MixSheet sheet(UUID jobId, StepId stepId) {
        JobSnapshot job = snapshots.of(jobId);
        Act act =
                judge.filmCase(job).acts().stream()
                        .filter(a -> a.id().equals(stepId))
                        .findFirst()
                        .orElseThrow(() -> new NotFound("The step"));
        return new MixSheet(
                job.job().name(),
                act.technique().name(),
                job.zones().stream()
                        .filter(z -> act.zones().contains(z.zoneKey()))
                        .map(JobZone::name)
                        .toList(),
                act.material().name(),
                mix(job, act, act.material(), mixes.cupboard()),
                act.technique().texts().stroke(),
                act.technique().texts().stopRule(),
                (act.material().safety().text() + " " + act.technique().texts().caution()).strip());
    }

    /** What stands on the shelf, for the cups of several steps. */
    Cupboard cupboard() {
        return mixes.cupboard();
    }

    @Nullable MixView mix(JobSnapshot of, Act act, Material m, Cupboard cupboard) {
        Job job = of.job();
        if (!m.deposits() || m.filmMicrometres() == 0 || m.mix().thinner().isEmpty()) {
            return null;
        }
        double side =
                job.scale().toModel(job.length()).mm() * job.scale().toModel(job.height()).mm();
        double area =
                side
                        * of.zones().stream()
                                .filter(z -> act.zones().contains(z.zoneKey()))
                                .mapToDouble(JobZone::areaShare)
                                .sum();
        // the recipe is for the material that was planned, not for another that was taken
        StepMixes.StepRecipe recipe =
                m.key().equals(act.material().key()) ? of.recipes().get(act.id()) : null;
        List<MixCard.Portion> helping =
                recipe == null
                        ? List.of(
                                cupboard.bottle(m.name())
                                        .orElseGet(() -> MixCard.Portion.drop(m.name())))
                        : recipe.helping();
        MixCard c =
                MixCard.of(
                        new MixCard.Coat(
                                Math.max(1, area * act.technique().share()),
                                act.wetMicrometres(),
                                m.mix().paintParts(),
                                m.mix().thinnerParts(),
                                act.technique().booth()),
                        helping);
        return new MixView(
                c.measures().stream()
                        .map(
                                x ->
                                        new MeasureView(
                                                x.name(),
                                                x.drops(),
                                                x.millilitres(),
                                                x.left().isPresent()
                                                        ? x.left().getAsDouble()
                                                        : null,
                                                x.enough()))
                        .toList(),
                c.paintDrops(),
                c.thinnerDrops(),
                m.mix().thinner(),
                c.millilitres(),
                c.realRatio(),
                c.neededMillilitres(),
                area,
                c.cost(),
                recipe == null ? null : recipe.name(),
                recipe == null ? m.colour().map(Srgb::toHex).orElse(null) : recipe.hex(),
                recipe == null ? List.of() : recipe.missing(),
                recipe == null ? List.of() : recipe.tooDark());
    }

    /**
     * Something that the plans ahead take.
     *
     * @param neededMl for all open steps of all jobs
     * @param leftMl on the shelf; null when it does not stand there
     * @param shortMl that is to be bought; 0 when there is enough
     * @param jobs that take it
     */
    public record ShoppingLine(
            String name,
            double neededMl,
            @Nullable Double leftMl,
            double shortMl,
            List<String> jobs) {}

    /** What the open steps of all jobs take, what is short first. */
    @Transactional(readOnly = true)
    public List<ShoppingLine> shopping() {
        Map<String, Tally> all = new LinkedHashMap<>();
        Cupboard cupboard = mixes.cupboard();
        for (JobSnapshot job : snapshots.inWork()) {
            for (Act act : judge.filmCase(job).acts()) {
                MixView mix = act.done() ? null : mix(job, act, act.material(), cupboard);
                if (mix == null) {
                    continue;
                }
                for (MeasureView m : mix.measures()) {
                    all.computeIfAbsent(m.name(), n -> new Tally(m.leftMl()))
                            .add(m.millilitres(), job.job().name());
                }
            }
        }
        List<ShoppingLine> out = new ArrayList<>();
        all.forEach((name, t) -> out.add(t.line(name)));
        out.sort(
                java.util.Comparator.comparingDouble((ShoppingLine l) -> -l.shortMl())
                        .thenComparing(ShoppingLine::name));
        return out;
    }

    private static final class Tally {
        private final @Nullable Double left;
        private double needed;
        private final List<String> jobs = new ArrayList<>();

        Tally(@Nullable Double left) {
            this.left = left;
        }

        void add(double ml, String job) {
            needed += ml;
            if (!jobs.contains(job)) {
                jobs.add(job);
            }
        }

        ShoppingLine line(String name) {
            double lack = Math.max(0, needed - (left == null ? 0 : left));
            return new ShoppingLine(name, needed, left, lack, List.copyOf(jobs));
        }
    }
}
