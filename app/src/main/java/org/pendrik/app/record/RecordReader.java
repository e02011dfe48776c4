package org.pendrik.app.record;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.bench.BenchLog;
import org.pendrik.app.bench.LogEntry;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.JobDraft;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.job.ZoneEdits;
import org.pendrik.app.makeup.Answers;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.PlanEdits;
import org.pendrik.app.makeup.PlanJudge;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.paper.Artworks;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.SideSizes;
import org.pendrik.app.priors.Priors;
import org.pendrik.app.school.SchoolSheet;
import org.pendrik.app.shelf.ShelfStock;
import org.pendrik.app.shelf.StepMixes;
import org.pendrik.app.sides.Side;
import org.pendrik.app.sides.SideSize;
import org.pendrik.app.store.Years;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.study.JobEffect;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.RegionRole;
import org.pendrik.app.study.Studies;
import org.pendrik.app.study.ToneKeys;
import org.pendrik.core.catalogue.Stock;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Point;
import org.pendrik.core.plan.Pin;
import org.pendrik.core.plan.Schools;
import org.pendrik.core.plan.Subjects;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads a record in as a new job, whole or not at all. */
@Service
class RecordReader {
    private final Jobs jobs;
    private final Studies studies;
    private final SideSizes sizes;
    private final Photographs photographs;
    private final JobSnapshots snapshots;
    private final PlanEdits edits;
    private final PlanJudge judge;
    private final BenchLog log;
    private final Engines engines;
    private final SchoolSheet schools;
    private final Subjects subjects;
    private final Priors priors;
    private final StepMixes mixes;
    private final Artworks artworks;
    private final Answers answers;
    private final ZoneEdits zoneEdits;
    private final ShelfStock stock;
    private final JsonMapper json;

    RecordReader(
            Jobs jobs,
            Studies studies,
            SideSizes sizes,
            Photographs photographs,
            JobSnapshots snapshots,
            PlanEdits edits,
            PlanJudge judge,
            BenchLog log,
            Engines engines,
            SchoolSheet schools,
            Subjects subjects,
            Priors priors,
            StepMixes mixes,
            Artworks artworks,
            Answers answers,
            ZoneEdits zoneEdits,
            ShelfStock stock,
            JsonMapper json) {
        this.jobs = jobs;
        this.studies = studies;
        this.sizes = sizes;
        this.photographs = photographs;
        this.snapshots = snapshots;
        this.edits = edits;
        this.judge = judge;
        this.log = log;
        this.engines = engines;
        this.schools = schools;
        this.subjects = subjects;
        this.priors = priors;
        this.mixes = mixes;
        this.artworks = artworks;
        this.answers = answers;
        this.zoneEdits = zoneEdits;
        this.stock = stock;
        this.json = json;
    }

    /**
     * A record that was read in.
     *
     * @param jobId the new job
     * @param leftOut what could not come along, each as a sentence
     */
    public record ReadIn(UUID jobId, List<String> leftOut) {}

    /** A material that is not here becomes one of the workshop's own. */
    private void bring(List<JobRecord.MaterialPart> materials) {
        Set<String> known = new HashSet<>();
        engines.catalogue().stocks().forEach(s -> known.add(s.key()));
        for (JobRecord.MaterialPart m : materials) {
            if (!known.contains(m.key())) {
                stock.bring(
                        new Stock(
                                m.key(),
                                m.name(),
                                m.family(),
                                m.clear(),
                                Optional.empty(),
                                Optional.ofNullable(m.colour())
                                        .map(c -> Srgb.toLab(Integer.parseInt(c.substring(1), 16))),
                                Optional.empty(),
                                Optional.empty()));
            }
        }
    }

    /**
     * Reads a record in as a new job. Ids that are taken are given anew; files are not part of a
     * record, so a photograph shows again only where its file is in the store.
     */
    @Transactional
    public ReadIn readIn(Map<String, Object> file) {
        JobRecord r = checked(file);
        UUID id = UUID.randomUUID();
        JobRecord.JobPart j = r.job();
        jobs.insert(
                id,
                new JobDraft(
                        j.name(),
                        j.kind(),
                        j.scaleRatio(),
                        j.lengthMm(),
                        j.heightMm(),
                        j.substrate(),
                        j.wantedOn(),
                        j.note(),
                        0));
        if (r.zones() != null) {
            zoneEdits.insert(id, r.zones());
        }
        bring(or(r.materials(), List.of()));
        for (SideSize size : or(r.sides(), List.<SideSize>of())) {
            sizes.insert(id, size);
        }
        Map<UUID, UUID> fresh = insertPhotographs(id, r);
        insertStudy(id, r, fresh);
        if (r.samples() != null) {
            studies.saveSamples(
                    id,
                    r.samples().stream()
                            .flatMap(s -> Stream.ofNullable(fresh.get(s.photographId())).map(s::on))
                            .toList(),
                    3);
        }
        if (r.factory() != null) {
            studies.saveFactory(id, r.factory(), studies.of(id).version());
        }
        insertPlan(id, r);
        for (var a : or(r.answers(), List.<JobRecord.AnswerPart>of())) {
            answers.insert(id, new Answers.Given(a.step(), a.rule(), a.coat(), a.answeredAt()));
        }
        if (r.schools() != null) {
            schools.saveOwn(id, new Schools.Choice(r.schools()));
        }
        for (var e : r.log()) {
            log.insert(
                    new LogEntry(
                            UUID.randomUUID(),
                            id,
                            e.step(),
                            e.technique(),
                            e.material(),
                            new ZoneKeys(e.zones()),
                            e.startedAt(),
                            e.finishedAt(),
                            e.note(),
                            e.photograph() == null ? null : fresh.get(e.photograph()),
                            1,
                            e.zoneTimes()));
        }
        for (var a : or(r.artworks(), List.<JobRecord.ArtworkPart>of())) {
            artworks.addKnown(
                    new Artworks.Artwork(
                            UUID.randomUUID(), id, a.region(), a.name(), a.sha256(), a.chokeMm()));
        }
        List<String> leftOut = takeMixes(id, r);
        long pictures =
                r.photographs().stream().filter(p -> !photographs.hasFile(p.sha256())).count();
        if (pictures > 0) {
            leftOut.add(
                    (pictures == 1 ? "One photograph" : pictures + " photographs")
                            + " came without the picture. Put the same files in again.");
        }
        for (var d : or(r.drying(), List.<JobRecord.DryingPart>of())) {
            priors.take(
                    id,
                    new Priors.Drying(
                            d.step(), d.material(), d.predictedMin(), d.seenMin(), d.seenAt()));
        }
        // a plan that cannot even be judged is no plan: say so before anything is kept
        judge.judge(snapshots.of(id));
        return new ReadIn(id, leftOut);
    }

    /** The record that a file holds, once all of it is known here. */
    private JobRecord checked(Map<String, Object> file) {
        JsonNode tree = json.valueToTree(file);
        JsonNode version = tree.get("version");
        if (version == null || !version.isInt()) {
            throw new InvalidInput(
                    "Record",
                    "without version",
                    "is not a record of a job",
                    "Choose a file that Pendrik wrote.");
        }
        if (version.intValue() > JobRecord.VERSION) {
            throw new InvalidInput(
                    "Record",
                    "version " + version.intValue(),
                    "was written by a newer Pendrik than this one, which reads version "
                            + JobRecord.VERSION,
                    "Start the newer program to read it in.");
        }
        JobRecord r = json.treeToValue(tree, JobRecord.class);
        requireKnown(r);
        RecordSchema.require(file, version.intValue());
        return r;
    }

    private void insertStudy(UUID id, JobRecord r, Map<UUID, UUID> fresh) {
        studies.saveRegions(
                id,
                r.regions().stream()
                        .map(
                                p ->
                                        new JobRegion(
                                                p.id(),
                                                p.name(),
                                                p.zone(),
                                                or(p.side(), Side.LEFT),
                                                or(p.role(), RegionRole.MEASURE),
                                                p.xMm(),
                                                p.yMm(),
                                                p.widthMm(),
                                                p.heightMm(),
                                                p.factory(),
                                                or(p.outline(), List.<Point>of()),
                                                p.photograph() == null
                                                        ? null
                                                        : fresh.get(p.photograph())))
                        .toList(),
                1);
        studies.saveEffects(
                id,
                r.effects().stream()
                        .map(
                                e ->
                                        new JobEffect(
                                                e.id(),
                                                e.kind(),
                                                new ZoneKeys(e.zones()),
                                                e.strength(),
                                                tones(e),
                                                e.note(),
                                                e.colour(),
                                                e.marks(),
                                                e.region(),
                                                e.how()))
                        .toList(),
                2);
    }

    /** The ids that the photographs have from now on, by those that they had. */
    private Map<UUID, UUID> insertPhotographs(UUID id, JobRecord r) {
        Map<UUID, UUID> fresh = new HashMap<>();
        r.photographs().forEach(p -> fresh.put(p.id(), UUID.randomUUID()));
        for (var p : r.photographs()) {
            photographs.addKnown(
                    new Photograph(
                            java.util.Objects.requireNonNull(fresh.get(p.id())),
                            id,
                            p.role(),
                            or(p.side(), Side.LEFT),
                            or(p.sister(), false),
                            p.caption(),
                            p.sha256(),
                            p.mediaType(),
                            p.widthPx(),
                            p.heightPx(),
                            p.orientation(),
                            p.takenAt(),
                            p.focalMm35(),
                            p.addedAt(),
                            p.corners(),
                            p.knownPoints(),
                            p.knownLines(),
                            p.greyPatch(),
                            p.lightFrom() == null ? null : fresh.get(p.lightFrom()),
                            null,
                            null,
                            p.straightLines(),
                            p.shellMarks(),
                            Photograph.located(
                                    p.corners(), p.knownPoints(), p.knownLines(), p.shellMarks()),
                            or(p.leads(), false),
                            or(p.evened(), true),
                            false,
                            1));
        }
        return fresh;
    }

    private void insertPlan(UUID id, JobRecord r) {
        edits.insert(
                id,
                r.steps().stream()
                        .map(
                                s ->
                                        new StoredStep(
                                                s.id(),
                                                s.technique(),
                                                s.material(),
                                                s.thickness(),
                                                new ZoneKeys(s.zones()),
                                                s.origin(),
                                                s.reason(),
                                                s.startedAt(),
                                                s.finishedAt(),
                                                s.takesBack(),
                                                s.backShare(),
                                                s.madeForEffect(),
                                                s.madeForStep(),
                                                s.worksOn(),
                                                s.zoneTimes(),
                                                s.extra()))
                        .map(s -> r.version() < 4 ? OldStepIds.read(s) : s)
                        .toList(),
                r.pins().stream().map(p -> new Pin(p.first(), p.then())).toList());
    }

    /** Takes the mixes over that can be mixed here; a sentence for each that cannot. */
    private List<String> takeMixes(UUID id, JobRecord r) {
        List<String> leftOut = new ArrayList<>();
        for (StepMixes.Carried m : or(r.mixes(), List.<StepMixes.Carried>of())) {
            List<StepMixes.CarriedPart> missing = mixes.take(id, m);
            if (!missing.isEmpty()) {
                leftOut.add(
                        "The mix “"
                                + m.name()
                                + "” was left out: "
                                + missing.stream()
                                        .map(StepMixes.CarriedPart::told)
                                        .collect(Collectors.joining(", "))
                                + " is not on this shelf.");
            }
        }
        return leftOut;
    }

    /** What the schema cannot know: techniques, materials and zones of here, and years. */
    private void requireKnown(JobRecord r) {
        Set<String> zones = new HashSet<>();
        if (r.zones() == null) {
            subjects.zones(r.job().kind()).forEach(z -> zones.add(z.key()));
        } else {
            r.zones().forEach(z -> zones.add(z.zoneKey()));
        }
        Set<String> brought = new HashSet<>();
        or(r.materials(), List.<JobRecord.MaterialPart>of()).forEach(m -> brought.add(m.key()));
        for (var s : r.steps()) {
            requireKnown("steps", s.technique(), s.material(), s.zones(), zones, brought);
            if (s.reason().length() > 1000) {
                throw new InvalidInput(
                        "Field steps.reason",
                        s.reason().length() + " letters",
                        "must have at most 1000",
                        "Shorten it.");
            }
            Years.require("Field steps.startedAt", s.startedAt(), Years.OF_WORK);
            Years.require("Field steps.finishedAt", s.finishedAt(), Years.OF_WORK);
        }
        for (var e : r.log()) {
            requireKnown("log", e.technique(), e.material(), e.zones(), zones, brought);
            Years.require("Field log.startedAt", e.startedAt(), Years.OF_WORK);
            Years.require("Field log.finishedAt", e.finishedAt(), Years.OF_WORK);
        }
        for (var p : r.photographs()) {
            Years.require("Field photographs.takenAt", p.takenAt(), Years.OF_PHOTOGRAPHS);
            Years.require("Field photographs.addedAt", p.addedAt(), Years.OF_WORK);
        }
        for (var d : or(r.drying(), List.<JobRecord.DryingPart>of())) {
            engines.catalogue().material(d.material());
            Years.require("Field drying.seenAt", d.seenAt(), Years.OF_WORK);
        }
        Years.require("Field writtenAt", r.writtenAt(), Years.OF_WORK);
    }

    private void requireKnown(
            String list,
            String technique,
            String material,
            List<String> on,
            Set<String> zones,
            Set<String> brought) {
        engines.catalogue().technique(technique);
        if (!brought.contains(material.split("~", -1)[0])) {
            engines.catalogue().material(material);
        }
        for (String z : on) {
            if (!zones.contains(z)) {
                throw new InvalidInput(
                        "Field " + list + ".zones",
                        z,
                        "is no zone of this kind of subject",
                        "Use one of " + String.join(", ", zones) + ".");
            }
        }
    }

    private static ToneKeys tones(JobRecord.EffectPart e) {
        if (e.tones() != null) {
            return new ToneKeys(e.tones());
        }
        return new ToneKeys(e.material() == null ? List.of() : List.of(e.material()));
    }

    private static <T> T or(@Nullable T given, T otherwise) {
        return given == null ? otherwise : given;
    }
}
