package org.pendrik.app.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.bench.BenchLog;
import org.pendrik.app.diary.Diaries;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobDraft;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.makeup.JobSnapshot;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.PlanJudge;
import org.pendrik.app.makeup.Planner;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.shelf.Shelf;
import org.pendrik.app.sides.Marks;
import org.pendrik.app.sides.Side;
import org.pendrik.app.standins.DemoShots;
import org.pendrik.app.standins.HopperSide;
import org.pendrik.app.standins.StandInCamera;
import org.pendrik.app.standins.Weathering;
import org.pendrik.app.store.DataFolder;
import org.pendrik.app.store.ZoneKeys;
import org.pendrik.app.study.JobEffect;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.JobSample;
import org.pendrik.app.study.RegionRole;
import org.pendrik.app.study.Studies;
import org.pendrik.app.workshop.Workshop;
import org.pendrik.app.workshop.Workshops;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.diary.DiaryOutcome;
import org.pendrik.core.diary.DiaryPlacer;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.SubjectKind;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Sets the demonstration up when it is asked for and the last one is a day old: the peat hopper in
 * the middle of its rust, and three more jobs of the Ostrel Valley Railway. Everything goes through
 * the same doors as a user's own work; older demonstrations are put away.
 */
@Component
class DemoWorkshop implements ApplicationRunner {
    private static final Duration FRESH = Duration.ofHours(20);
    private static final int MINUTES_SINCE_STREAK = 40;

    private final Jobs jobs;
    private final Workshops workshops;
    private final Photographs photographs;
    private final Studies studies;
    private final Planner planner;
    private final JobSnapshots snapshots;
    private final PlanJudge judge;
    private final BenchLog log;
    private final Diaries diaries;
    private final Shelf shelf;
    private final Clock clock;
    private final DataFolder.Settings settings;

    DemoWorkshop(
            Jobs jobs,
            Workshops workshops,
            Photographs photographs,
            Studies studies,
            Planner planner,
            JobSnapshots snapshots,
            PlanJudge judge,
            BenchLog log,
            Diaries diaries,
            Shelf shelf,
            Clock clock,
            DataFolder.Settings settings) {
        this.jobs = jobs;
        this.workshops = workshops;
        this.photographs = photographs;
        this.studies = studies;
        this.planner = planner;
        this.snapshots = snapshots;
        this.judge = judge;
        this.log = log;
        this.diaries = diaries;
        this.shelf = shelf;
        this.clock = clock;
        this.settings = settings;
    }

    /** All of it or nothing: one that was cut off is made anew by the next start. */
    @Override
    @Transactional
    public void run(ApplicationArguments args) {
        if (!settings.demo()) {
            return;
        }
        Instant now = clock.instant();
        List<Job> old = jobs.all().stream().filter(j -> !j.archived()).toList();
        if (old.stream().anyMatch(j -> j.createdAt().isAfter(now.minus(FRESH)))) {
            return;
        }
        old.forEach(j -> jobs.archive(j.id(), true));
        Workshop w = workshops.current();
        workshops.save(
                new Workshop(
                        "Ostrel Valley workshop",
                        w.zoneId(),
                        20,
                        0.55,
                        600,
                        // what was done weeks ago was done in it, whatever the time is now
                        Workshops.usualBenchTime(),
                        w.version()));
        fillShelf();
        hopper(now);
        flat();
        shunter();
        kilnHouse();
    }

    /** The shelf of shelf.csv, whose dates are days from today in braces. */
    private void fillShelf() {
        try (var file = DemoWorkshop.class.getResourceAsStream("/demo/shelf.csv")) {
            if (file == null) {
                throw new IllegalStateException("demo/shelf.csv is missing from the program");
            }
            String csv = new String(file.readAllBytes(), StandardCharsets.UTF_8);
            Matcher m = Pattern.compile("\\{(-?\\d+)}").matcher(csv);
            shelf.store(m.replaceAll(d -> in(Integer.parseInt(d.group(1))).toString()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private LocalDate in(int days) {
        return LocalDate.now(clock.withZone(ZoneId.of(workshops.current().zoneId())))
                .plusDays(days);
    }

    private UUID job(
            String name,
            SubjectKind kind,
            double scale,
            double length,
            double height,
            Substrate on,
            @Nullable LocalDate wanted,
            String note) {
        UUID id = UUID.randomUUID();
        jobs.save(id, new JobDraft(name, kind, scale, length, height, on, wanted, note, 0));
        return id;
    }

    private void hopper(Instant now) {
        UUID id =
                job(
                        "Peat hopper OVR 3041",
                        SubjectKind.FREIGHT_CAR,
                        87.1,
                        HopperSide.LENGTH_MM,
                        HopperSide.HEIGHT_MM,
                        Substrate.FACTORY_SEMI_GLOSS,
                        in(9),
                        "Left side after the photograph at the Brackwater tip. Keep the lettering readable.");
        UUID photo = shot(id, Role.PROTOTYPE, "Brackwater tip, evening", DemoShots.prototype());
        studies.saveRegions(id, hopperRegions(), 1);
        studies.saveSamples(id, hopperSamples(photo), 2);
        List<JobEffect> effects =
                List.of(
                        effect(
                                EffectKind.FADE,
                                2,
                                "",
                                "left-side",
                                "right-side",
                                "a-end",
                                "b-end",
                                "lettering"),
                        effect(EffectKind.JOINT_SHADE, 2, "", "left-side", "right-side", "doors"),
                        effect(
                                EffectKind.CHIPS,
                                1,
                                "ribs and top edge",
                                "left-side",
                                "right-side",
                                "roof"),
                        effect(
                                EffectKind.RUST_STREAKS,
                                2,
                                "below the ribs",
                                "left-side",
                                "right-side"),
                        effect(
                                EffectKind.DUST,
                                2,
                                "heavier over the wheels",
                                "sill",
                                "underframe",
                                "trucks",
                                "left-side",
                                "right-side"),
                        effect(EffectKind.POWDER, 2, "peat along the top", "roof"));
        studies.saveEffects(id, effects, 3);
        planner.compile(id, jobs.get(id).planVersion());
        work(id, now);
    }

    private static List<JobRegion> hopperRegions() {
        return List.of(
                region("where the plate came off", "left-side", 3345, 660, 220, 290, true),
                region("panel 2, middle", "left-side", 1640, 620, 420, 420, false),
                region("panel 5, upper", "left-side", 4500, 180, 360, 300, false),
                region("below rib 3", "left-side", 2240, 640, 130, 420, false),
                region("hopper foot", "left-side", 2700, 1380, 500, 140, false),
                region("sill", "sill", 700, 1600, 900, 90, false),
                region("upper body", "left-side", 450, 130, 1900, 1010, false),
                marked("lettering", RegionRole.EXCLUDE, 2380, 340, 1700, 250),
                marked("patch for the number", RegionRole.CUT, 3380, 360, 640, 230));
    }

    private static JobRegion marked(
            String name, RegionRole role, double x, double y, double w, double h) {
        return new JobRegion(
                UUID.randomUUID(), name, null, Side.LEFT, role, x, y, w, h, false, List.of(), null);
    }

    private static List<JobSample> hopperSamples(UUID photo) {
        List<JobSample> out = new ArrayList<>();
        HopperSide.clearPlaces()
                .forEach(
                        (kind, place) ->
                                out.add(
                                        new JobSample(
                                                UUID.randomUUID(),
                                                photo,
                                                kind,
                                                place.getX(),
                                                place.getY(),
                                                place.getWidth(),
                                                place.getHeight())));
        return out;
    }

    private static JobRegion region(
            String name, String zone, double x, double y, double w, double h, boolean factory) {
        return new JobRegion(UUID.randomUUID(), name, zone, x, y, w, h, factory);
    }

    /** A photograph of the model a quarter of an hour after a step. */
    private void progress(UUID job, String caption, Instant done, Weathering w) {
        UUID id = shot(job, Role.MODEL, caption, DemoShots.model(w));
        photographs.describe(
                id,
                new Photographs.AboutDraft(
                        Role.MODEL,
                        Side.LEFT,
                        false,
                        caption,
                        done.plus(Duration.ofMinutes(15)),
                        2));
    }

    private UUID shot(UUID job, Role role, String caption, DemoShots.Shot shot) {
        UUID id = UUID.randomUUID();
        photographs.add(job, id, role, Side.LEFT, false, caption, shot.jpeg());
        var card = shot.camera().card();
        photographs.mark(
                id,
                new Photographs.MarksDraft(
                        new Marks.Corners(shot.camera().corners()),
                        new Marks.KnownPoints(List.of()),
                        new Marks.GreyPatch(
                                card.get(0) + 12,
                                card.get(1) + 12,
                                card.get(2) - 24,
                                card.get(3) - 24,
                                StandInCamera.CARD_L),
                        1));
        return id;
    }

    /** Does the steps up to the rust streak as the diary would have placed them three weeks ago. */
    private void work(UUID id, Instant now) {
        JobSnapshot job = snapshots.of(id);
        FilmCase film = diaries.inRounds(judge.filmCase(job));
        long from = StoredStep.minute(now.minus(Duration.ofDays(24)));
        var placed =
                (DiaryOutcome.Placed)
                        DiaryPlacer.place(
                                Diaries.tasks(film),
                                diaries.gaps(film),
                                workshops.current().availability().spans(from, 370),
                                from);
        List<Act> acts = new ArrayList<>(film.acts());
        for (int i = 0; i < acts.size(); i++) {
            Act a = acts.get(i);
            boolean streak = a.technique().key().equals("oil-streak");
            Instant end =
                    streak
                            ? now.minus(Duration.ofMinutes(MINUTES_SINCE_STREAK))
                            : Instant.ofEpochSecond(placed.placed().get(i).endMinute() * 60);
            done(id, a, end.minus(Duration.ofMinutes(a.minutes())), end);
            switch (a.technique().key()) {
                case "mist-fade" ->
                        progress(id, "After the fade", end, new Weathering(0.9, 0, 0, 0, 0, 0));
                case "sponge-chip" ->
                        progress(id, "After the chips", end, new Weathering(1, 0.9, 0.8, 0, 0, 0));
                case "oil-streak" ->
                        progress(id, "Rust on", end, new Weathering(1, 0.9, 0.8, 0.55, 0, 0));
                default -> {}
            }
            if (streak) {
                break;
            }
        }
        diaries.of(id);
    }

    private void done(UUID job, Act a, Instant start, Instant end) {
        String note =
                switch (a.technique().key()) {
                    case "mist-fade" -> "Four dry passes, the ends one more.";
                    case "pin-wash" -> "Ran well along the joints.";
                    case "sponge-chip" -> "Kept clear of the lettering.";
                    case "oil-streak" -> "Two dots a rib, three at the middle.";
                    default -> "";
                };
        log.write(
                job,
                UUID.randomUUID(),
                new BenchLog.LogDraft(a.id(), a.material().key(), start, true, end, note, null, 0));
    }

    private static JobEffect effect(EffectKind kind, int strength, String note, String... zones) {
        return JobEffect.seen(
                UUID.randomUUID(), kind, new ZoneKeys(List.of(zones)), strength, null, note);
    }

    private void flat() {
        UUID id =
                job(
                        "Bulkhead flat OVR 511",
                        SubjectKind.FREIGHT_CAR,
                        87.1,
                        11200,
                        3100,
                        Substrate.FACTORY_FLAT,
                        in(21),
                        "First of three in step.");
        studies.saveEffects(
                id,
                List.of(
                        effect(EffectKind.FADE, 1, "", "roof", "left-side", "right-side"),
                        effect(EffectKind.CHIPS, 2, "stake pockets", "left-side", "right-side"),
                        effect(EffectKind.DUST, 2, "", "underframe", "trucks")),
                1);
        planner.compile(id, jobs.get(id).planVersion());
    }

    private void shunter() {
        UUID id =
                job(
                        "Diesel shunter OVR 14",
                        SubjectKind.LOCOMOTIVE,
                        43.5,
                        7600,
                        3500,
                        Substrate.FACTORY_SEMI_GLOSS,
                        in(34),
                        "For a club. Two signature features: oil below the filler, soot on the cab roof.");
        studies.saveEffects(
                id,
                List.of(
                        effect(EffectKind.WINDOWS, 2, "", "windows"),
                        effect(
                                EffectKind.FADE,
                                1,
                                "",
                                "left-side",
                                "right-side",
                                "hood-top",
                                "cab-side"),
                        effect(
                                EffectKind.JOINT_SHADE,
                                2,
                                "grilles most",
                                "grilles",
                                "left-side",
                                "right-side"),
                        effect(EffectKind.CHIPS, 1, "steps and doors", "walkways", "cab-side"),
                        effect(
                                EffectKind.RUST_STREAKS,
                                3,
                                "below the grilles",
                                "left-side",
                                "right-side"),
                        effect(EffectKind.HEAVY_RUST, 2, "the stack", "exhaust"),
                        effect(EffectKind.TRUCK_TONES, 2, "", "trucks", "underframe"),
                        effect(EffectKind.SOOT, 2, "cab roof, signature", "hood-top"),
                        effect(EffectKind.DUST, 2, "", "trucks", "fuel-tank", "underframe"),
                        effect(EffectKind.SPILL, 2, "below the filler, signature", "fuel-tank")),
                1);
        planner.compile(id, jobs.get(id).planVersion());
    }

    private void kilnHouse() {
        job(
                "Brackwater kiln house",
                SubjectKind.STRUCTURE,
                160,
                14500,
                9200,
                Substrate.PRIMED,
                in(35),
                "Contest, structures. Photograph of the gable is still to come.");
    }
}
