package org.pendrik.app.study;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.shelf.ColoursAtHand;
import org.springframework.stereotype.Service;

/**
 * What can be the factory colour of a job besides a region of its prototype: bottles and recipes,
 * the factory colours of other jobs, and the model's own paint before anything was put on it.
 */
@Service
class FactoryOffers {
    private final Jobs jobs;
    private final Studies studies;
    private final Photographs photographs;
    private final FactoryColours colours;
    private final EvenSides even;
    private final ColoursAtHand atHand;

    FactoryOffers(
            Jobs jobs,
            Studies studies,
            Photographs photographs,
            FactoryColours colours,
            EvenSides even,
            ColoursAtHand atHand) {
        this.jobs = jobs;
        this.studies = studies;
        this.photographs = photographs;
        this.colours = colours;
        this.even = even;
        this.atHand = atHand;
    }

    /** All offers for a job: of the model first, then bottles, recipes and other jobs. */
    List<ShownPaint> of(UUID jobId) {
        Job job = jobs.get(jobId);
        List<FactoryPaint> out = new ArrayList<>(ofModel(job));
        for (ColoursAtHand.AtHand c : atHand.all()) {
            out.add(
                    FactoryPaint.of(
                            c.recipe() ? FactoryPaint.Source.RECIPE : FactoryPaint.Source.BOTTLE,
                            c.name(),
                            c.colour()));
        }
        List<Job> others = jobs.all().stream().filter(j -> !j.id().equals(jobId)).toList();
        var known = colours.of(others);
        for (Job j : others) {
            var c = known.get(j.id());
            if (c != null) {
                out.add(FactoryPaint.of(FactoryPaint.Source.JOB, j.name(), c));
            }
        }
        return out.stream().map(ShownPaint::of).toList();
    }

    /** The regions on the first photograph of the model, which was taken before the work began. */
    private List<FactoryPaint> ofModel(Job job) {
        List<Photograph> located =
                photographs.ofJob(job.id()).stream()
                        .filter(p -> p.role() == Role.MODEL && p.located())
                        .filter(p -> p.lightKnown().levelTold() && photographs.hasFile(p.hash()))
                        .toList();
        if (located.isEmpty()) {
            return List.of();
        }
        Photograph first = located.getFirst();
        return even.of(first).stream()
                .flatMap(
                        side ->
                                studies.of(job).regions().stream()
                                        .filter(r -> r.side() == first.side())
                                        .filter(r -> r.role() == RegionRole.MEASURE)
                                        .flatMap(
                                                r ->
                                                        FactoryColours.measured(side, r)
                                                                .map(
                                                                        c ->
                                                                                FactoryPaint.of(
                                                                                        FactoryPaint
                                                                                                .Source
                                                                                                .MODEL,
                                                                                        r.name(),
                                                                                        c))
                                                                .stream()))
                .toList();
    }
}
