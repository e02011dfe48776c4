package org.pendrik.app.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.makeup.Plans;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Pictures;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.photograph.Sides;
import org.pendrik.app.problem.NotFound;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.Technique;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.RegionVerdict;
import org.pendrik.core.photo.SideComparison;
import org.pendrik.core.photo.Verdict;
import org.springframework.stereotype.Service;

/** Judges the model's side against the prototype's. */
@Service
class Comparisons {
    private final Jobs jobs;
    private final Photographs photographs;
    private final Sides sides;
    private final Studies studies;
    private final Plans plans;
    private final Workshops workshops;
    private final Catalogue catalogue;
    private @Nullable Measured last;

    Comparisons(
            Jobs jobs,
            Photographs photographs,
            Sides sides,
            Studies studies,
            Plans plans,
            Workshops workshops,
            Catalogue catalogue) {
        this.jobs = jobs;
        this.photographs = photographs;
        this.sides = sides;
        this.studies = studies;
        this.plans = plans;
        this.workshops = workshops;
        this.catalogue = catalogue;
    }

    /** A region judged. */
    record Judged(
            UUID regionId,
            String name,
            Verdict verdict,
            String prototypeHex,
            String modelHex,
            Lab prototype,
            Lab model,
            double deltaL,
            double deltaC,
            double deltaH,
            double deltaE00,
            @Nullable Double progress,
            double offAxis,
            double tolerance,
            String advice) {}

    /**
     * A comparison.
     *
     * @param prototypeId the prototype's photograph, null while none has its corners marked
     * @param modelId the model's photograph, as before
     * @param factoryKnown a factory colour is named, so directions can be judged
     * @param medianDeltaE00 over the whole side at viewing distance
     * @param eyeBlurMm the blur of the eye on the side, prototype mm
     * @param missing what has to be there first, in words; empty when nothing is missing
     */
    record Comparison(
            @Nullable UUID prototypeId,
            @Nullable UUID modelId,
            boolean prototypeBalanced,
            boolean modelBalanced,
            boolean factoryKnown,
            @Nullable Double medianDeltaE00,
            int viewingMm,
            double eyeBlurMm,
            List<Judged> regions,
            List<String> missing) {}

    private record Pair(
            Photograph prototype, Sides.Side first, Photograph model, Sides.Side second) {
        List<GreyBalance> lights() {
            return List.of(first.light(), second.light());
        }
    }

    Comparison of(UUID jobId) {
        Job job = jobs.get(jobId);
        int viewing = workshops.current().viewingMm();
        double blurMm = SideComparison.eyeBlurMm(viewing, job.scaleRatio());
        List<String> missing = missing(jobId);
        Optional<Pair> pair = pair(job);
        if (pair.isEmpty()) {
            return new Comparison(
                    null, null, false, false, false, null, viewing, blurMm, List.of(), missing);
        }
        Pair p = pair.get();
        Lab factory = studies.factoryColour(jobId).orElse(null);
        List<Judged> judged = new ArrayList<>();
        for (JobRegion r : studies.of(jobId).regions()) {
            if (r.factory()) {
                continue;
            }
            var one = Studies.sample(p.first(), r);
            var two = Studies.sample(p.second(), r);
            if (one.isPresent() && two.isPresent()) {
                judged.add(
                        judged(
                                jobId,
                                r,
                                SideComparison.judge(r.region(), one.get(), two.get(), factory)));
            }
        }
        Double median = SideComparison.median(map(p, job)).orElse(null);
        return new Comparison(
                p.prototype().id(),
                p.model().id(),
                p.prototype().greyPatch() != null,
                p.model().greyPatch() != null,
                factory != null,
                median,
                viewing,
                blurMm,
                judged,
                missing);
    }

    private List<String> missing(UUID jobId) {
        List<String> out = new ArrayList<>();
        for (Role role : Role.values()) {
            String what = role == Role.PROTOTYPE ? "the prototype" : "the model";
            Photograph p = photographs.latest(jobId, role);
            if (p == null) {
                out.add("A photograph of " + what + ".");
            } else if (p.corners() == null) {
                out.add("The four corners on the photograph of " + what + ".");
            }
        }
        if (studies.of(jobId).regions().stream().allMatch(JobRegion::factory)) {
            out.add("Regions to judge: mark them in Study.");
        }
        return out;
    }

    private Optional<Pair> pair(Job job) {
        Photograph one = photographs.latest(job.id(), Role.PROTOTYPE);
        Photograph two = photographs.latest(job.id(), Role.MODEL);
        if (one == null || two == null) {
            return Optional.empty();
        }
        return sides.of(one, job.length(), job.height())
                .flatMap(
                        a ->
                                sides.of(two, job.length(), job.height())
                                        .map(b -> new Pair(one, a, two, b)));
    }

    /** The map of a pair, measured once: the verdicts and the picture ask for it together. */
    private synchronized SideComparison.DifferenceMap map(Pair p, Job job) {
        double blurPx =
                SideComparison.eyeBlurMm(workshops.current().viewingMm(), job.scaleRatio())
                        * p.first().pxPerMm();
        Measured old = last;
        if (old != null && old.isOf(p, blurPx)) {
            return old.map();
        }
        var map =
                SideComparison.map(
                        p.first().raster(),
                        p.first().light(),
                        p.second().raster(),
                        p.second().light(),
                        blurPx);
        last = new Measured(p.first().raster(), p.second().raster(), p.lights(), blurPx, map);
        return map;
    }

    /** The last map and what it was measured from; the same rasters are the same objects. */
    private record Measured(
            Raster first,
            Raster second,
            List<GreyBalance> lights,
            double blurPx,
            SideComparison.DifferenceMap map) {
        @SuppressWarnings("ReferenceEquality") // pictures are not compared pixel by pixel
        boolean isOf(Pair p, double blur) {
            return first == p.first().raster()
                    && second == p.second().raster()
                    && lights.equals(p.lights())
                    && blurPx == blur;
        }
    }

    /** The difference map as a PNG: light is alike, dark is far. */
    byte[] picture(UUID jobId) {
        Job job = jobs.get(jobId);
        Pair p = pair(job).orElseThrow(() -> new NotFound("The comparison"));
        var map = map(p, job);
        int[] argb = new int[map.deltaE00().length];
        for (int i = 0; i < argb.length; i++) {
            argb[i] = SideComparison.shade(map.deltaE00()[i]);
        }
        return Pictures.png(new Raster(map.width(), map.height(), argb));
    }

    private Judged judged(UUID jobId, JobRegion r, RegionVerdict v) {
        var d = v.difference();
        return new Judged(
                r.id(),
                r.name(),
                v.verdict(),
                Srgb.toHex(v.prototype().median()),
                Srgb.toHex(v.model().median()),
                v.prototype().median(),
                v.model().median(),
                d.deltaL(),
                d.deltaC(),
                d.deltaH(),
                d.deltaE00(),
                Double.isNaN(v.progress()) ? null : v.progress(),
                v.offAxis(),
                v.tolerance(),
                advice(jobId, r, v));
    }

    private String advice(UUID jobId, JobRegion r, RegionVerdict v) {
        List<String> open = new ArrayList<>();
        String last = "";
        for (StoredStep s : plans.of(jobId).steps()) {
            Technique t = catalogue.technique(s.technique());
            if (t.role() != Technique.Role.EFFECT
                    || r.zoneKey() == null
                    || !s.zones().keys().contains(r.zoneKey())) {
                continue;
            }
            if (s.done()) {
                last = t.name();
            } else {
                open.add(t.name());
            }
        }
        return switch (v.verdict()) {
            case AS_PROTOTYPE ->
                    v.offAxis() > v.tolerance() && v.progress() > 0
                            ? "As far along, but in another colour: look at it under the layout's light."
                            : "Stop here.";
            case LIGHTER ->
                    !open.isEmpty()
                            ? "Still to come here: " + String.join(", ", open) + "."
                            : last.isEmpty()
                                    ? "One more light pass."
                                    : "Once more " + last + ", lightly.";
            case HEAVIER ->
                    last.isEmpty()
                            ? "Too much: take some back while it still opens."
                            : "Too much " + last + ": take some back while it still opens.";
            case CANNOT_TELL -> "Name the factory colour in Study to judge which way.";
        };
    }
}
