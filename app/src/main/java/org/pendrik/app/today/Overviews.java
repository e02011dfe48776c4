package org.pendrik.app.today;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.bench.Benches;
import org.pendrik.app.diary.Diaries;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.makeup.JobSnapshot;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.sides.Side;
import org.pendrik.app.study.Studies;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Looks across all jobs. */
@Service
class Overviews {
    private static final int MOST_RAILS = 6;
    private static final int MOST_JOBS = 12;

    private final Jobs jobs;
    private final JobSnapshots snapshots;
    private final Diaries diaries;
    private final Benches benches;
    private final Studies studies;
    private final Photographs photographs;
    private final Engines engines;
    private final Clock clock;

    Overviews(
            Jobs jobs,
            JobSnapshots snapshots,
            Diaries diaries,
            Benches benches,
            Studies studies,
            Photographs photographs,
            Engines engines,
            Clock clock) {
        this.jobs = jobs;
        this.snapshots = snapshots;
        this.diaries = diaries;
        this.benches = benches;
        this.studies = studies;
        this.photographs = photographs;
        this.engines = engines;
        this.clock = clock;
    }

    /** Where a job stands. */
    enum Stage {
        STUDY,
        MAKE_UP,
        BENCH,
        FINISHED
    }

    /** A job in one look. */
    record Card(
            Job job,
            String scaleName,
            Stage stage,
            int done,
            int total,
            @Nullable String nextStep,
            @Nullable UUID photographId,
            int effects) {}

    /** Work that the next bench time holds. */
    record Planned(
            UUID jobId, String jobName, String name, String material, Instant start, Instant end) {}

    /** A coat that is not ready for the next. */
    record Drying(
            UUID jobId,
            String jobName,
            String material,
            @Nullable String hex,
            Instant laid,
            Instant touchAt,
            Instant recoatAt,
            Instant fullAt) {}

    /** A window that is open or will be. */
    record Open(UUID jobId, String jobName, Benches.ClockView clock) {}

    /** A job whose date is in danger. */
    record Risk(UUID jobId, String jobName, String what) {}

    /** The drying rail of a job. */
    record Rail(UUID jobId, String jobName, Diaries.Diary diary) {
        /** When its next step is to begin; the end of time when none can be placed. */
        private Instant next() {
            return diary.slots().stream()
                    .filter(s -> !s.done())
                    .map(Diaries.Slot::start)
                    .min(Comparator.naturalOrder())
                    .orElse(Instant.MAX);
        }
    }

    /**
     * The day.
     *
     * @param rails of the jobs that come to the bench next
     * @param moreRails how many further jobs have steps to do
     * @param jobs those that are furthest in work
     * @param moreJobs how many further jobs are not put away
     */
    record Today(
            List<Open> open,
            List<Planned> session,
            List<Drying> drying,
            List<Risk> risks,
            List<Rail> rails,
            int moreRails,
            List<Card> jobs,
            int moreJobs,
            Instant now,
            String zoneId) {}

    @Transactional(readOnly = true)
    List<Card> cards() {
        Map<UUID, List<Photograph>> shown = photographs.ofAllJobs();
        return jobs.all().stream()
                .map(job -> card(job, shown.getOrDefault(job.id(), List.of())))
                .toList();
    }

    private Card card(Job job, List<Photograph> pictures) {
        List<StoredStep> steps = snapshots.plan(job).steps();
        int done = (int) steps.stream().filter(StoredStep::done).count();
        String next =
                steps.stream()
                        .filter(s -> !s.done())
                        .findFirst()
                        .map(s -> engines.catalogue().technique(s.technique()).name())
                        .orElse(null);
        int effects = studies.of(job).effects().size();
        Stage stage =
                steps.isEmpty()
                        ? effects == 0 ? Stage.STUDY : Stage.MAKE_UP
                        : done == steps.size()
                                ? Stage.FINISHED
                                : done == 0 ? Stage.MAKE_UP : Stage.BENCH;
        Photograph p = shown(pictures);
        return new Card(
                job,
                job.scale().name(),
                stage,
                done,
                steps.size(),
                next,
                p == null || !photographs.hasFile(p.hash()) ? null : p.id(),
                effects);
    }

    /** The located photograph that stands for a job: the model's if there is one. */
    private static @Nullable Photograph shown(List<Photograph> ofJob) {
        for (Role role : new Role[] {Role.MODEL, Role.PROTOTYPE}) {
            for (Side side : Side.values()) {
                Photograph p = Photographs.leading(ofJob, role, side);
                if (p != null && p.located()) {
                    return p;
                }
            }
        }
        return null;
    }

    @Transactional(readOnly = true)
    Today today() {
        List<Open> open = new ArrayList<>();
        List<Planned> session = new ArrayList<>();
        List<Drying> drying = new ArrayList<>();
        List<Risk> risks = new ArrayList<>();
        List<Rail> rails = new ArrayList<>();
        List<Card> cards = cards().stream().filter(c -> !c.job().archived()).toList();
        Instant now = clock.instant();
        String zone = "UTC";
        List<JobSnapshot> inWork = snapshots.inWork();
        Map<UUID, Diaries.Diary> all = diaries.of(inWork);
        Map<UUID, List<Benches.ClockView>> clocks = benches.clocks(inWork);
        for (Card c : cards) {
            Job job = c.job();
            Diaries.Diary diary = all.get(job.id());
            if (diary == null) {
                continue;
            }
            zone = diary.zoneId();
            rails.add(new Rail(job.id(), job.name(), diary));
            clocks.getOrDefault(job.id(), List.of())
                    .forEach(k -> open.add(new Open(job.id(), job.name(), k)));
            Instant sessionEnd = diary.bench().isEmpty() ? now : diary.bench().getFirst().until();
            for (Diaries.Slot s : diary.slots()) {
                if (!s.done() && !s.start().isAfter(sessionEnd)) {
                    session.add(
                            new Planned(
                                    job.id(),
                                    job.name(),
                                    s.name(),
                                    s.material(),
                                    s.start(),
                                    s.end()));
                }
                if (s.done()
                        && s.touchAt() != null
                        && s.recoatAt() != null
                        && s.fullAt() != null
                        && s.recoatAt().isAfter(now)) {
                    drying.add(
                            new Drying(
                                    job.id(),
                                    job.name(),
                                    s.material(),
                                    s.hex(),
                                    s.end(),
                                    s.touchAt(),
                                    s.recoatAt(),
                                    s.fullAt()));
                }
            }
            if (diary.problem() != null) {
                risks.add(new Risk(job.id(), job.name(), diary.problem()));
            } else if (diary.lateMinutes() > 0) {
                long days = Math.ceilDiv(diary.lateMinutes(), 1440L);
                String driver =
                        diary.drivers().isEmpty()
                                ? ""
                                : " Most of it: " + diary.drivers().getFirst().label() + ".";
                risks.add(
                        new Risk(
                                job.id(),
                                job.name(),
                                "Ready "
                                        + days
                                        + (days == 1 ? " day" : " days")
                                        + " after the date wanted."
                                        + driver));
            }
        }
        open.sort(Comparator.comparing(o -> o.clock().closesAt()));
        session.sort(Comparator.comparing(Planned::start));
        drying.sort(Comparator.comparing(Drying::recoatAt));
        rails.sort(Comparator.comparing(Rail::next));
        List<Card> nearest =
                cards.stream().sorted(Comparator.comparing(c -> urgency(c.stage()))).toList();
        return new Today(
                open,
                session,
                drying,
                risks,
                first(rails, MOST_RAILS),
                Math.max(0, rails.size() - MOST_RAILS),
                first(nearest, MOST_JOBS),
                Math.max(0, cards.size() - MOST_JOBS),
                now,
                zone);
    }

    private static <T> List<T> first(List<T> all, int most) {
        return List.copyOf(all.subList(0, Math.min(most, all.size())));
    }

    /** What stands on the bench first, what is finished last. */
    private static int urgency(Stage stage) {
        return switch (stage) {
            case BENCH -> 0;
            case MAKE_UP -> 1;
            case STUDY -> 2;
            case FINISHED -> 3;
        };
    }
}
