package org.pendrik.app.diary;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryOutlook;
import org.pendrik.core.diary.DiaryRisk;
import org.pendrik.core.diary.DiaryScore;
import org.pendrik.core.diary.DiaryStage;
import org.pendrik.core.diary.WaysOut;

/**
 * Shows the diary of the workshop as things stand.
 *
 * @param of the jobs that have a place
 * @param diaries of all jobs that have something to do
 * @param order in which they get bench time
 * @param calendar bench time as it was given, without what open windows add
 */
record WorkshopViews(
        WorkshopCase of, Map<UUID, Diaries.Diary> diaries, List<UUID> order, List<Span> calendar) {
    /** A diary is gone through so often to tell the chances, seldomer where there is much to do. */
    private static final int RUNS = 2_000;

    private static final int FEWEST_RUNS = 200;

    /** Steps gone through in all these runs together, so that no view waits for them. */
    private static final int MOST_STEPS_RUN = 200_000;

    /**
     * Ways out are looked for where so many steps are to be done at most, for the first jobs that
     * are late.
     */
    private static final int MOST_STEPS_FOR_WAYS = 400;

    private static final int MOST_JOBS_WITH_WAYS = 3;

    /**
     * @param stages how far each goal was taken when it was decided last
     * @param moved what moved by what was just decided
     */
    WorkshopView view(
            List<DiaryStage> stages, List<WorkshopView.Moved> moved, Instant now, String zoneId) {
        List<DiaryOutlook.OfJob> outlook =
                DiaryOutlook.of(of.asked(), of.shown(), DiaryRisk.Spread.USUAL, runs());
        Map<UUID, DiaryOutlook.OfJob> byJob = new HashMap<>();
        for (int j = 0; j < outlook.size(); j++) {
            byJob.put(of.of().get(j).job().id(), outlook.get(j));
        }
        Map<UUID, List<WorkshopView.WayOut>> waysOut = waysOut();
        List<WorkshopView.Track> tracks = new ArrayList<>();
        for (UUID id : order) {
            Diaries.Diary diary = diaries.get(id);
            if (diary == null) {
                continue;
            }
            tracks.add(track(id, diary, byJob.get(id), waysOut.getOrDefault(id, List.of())));
        }
        DiaryScore score = DiaryScore.of(of.asked(), of.shown());
        List<WorkshopView.Sitting> sittings = SittingSheets.of(of, diaries, calendar);
        boolean all = !of.of().isEmpty() && of.of().stream().allMatch(Diaries.Planned::allDecided);
        return new WorkshopView(
                tracks,
                sittings,
                new WorkshopView.Sum(
                        score.late(),
                        score.sittings(),
                        score.setUps(),
                        sittings.stream().mapToLong(WorkshopView.Sitting::workMinutes).sum()),
                all ? stages : List.of(),
                all,
                moved,
                now,
                zoneId);
    }

    private int runs() {
        return Math.clamp(MOST_STEPS_RUN / Math.max(1, steps()), FEWEST_RUNS, RUNS);
    }

    private int steps() {
        return of.shown().starts().stream().mapToInt(List::size).sum();
    }

    /** By job, for those whose date is missed. */
    private Map<UUID, List<WorkshopView.WayOut>> waysOut() {
        Map<UUID, List<WorkshopView.WayOut>> out = new HashMap<>();
        if (steps() > MOST_STEPS_FOR_WAYS) {
            return out;
        }
        for (int j = 0; j < of.of().size() && out.size() < MOST_JOBS_WITH_WAYS; j++) {
            List<WaysOut.Priced> ways = WaysOut.of(of.asked(), of.shown(), j);
            if (!ways.isEmpty()) {
                out.put(
                        of.of().get(j).job().id(),
                        ways.stream().map(WorkshopViews::wayOut).toList());
            }
        }
        return out;
    }

    private WorkshopView.Track track(
            UUID id,
            Diaries.Diary diary,
            DiaryOutlook.@Nullable OfJob o,
            List<WorkshopView.WayOut> waysOut) {
        String name =
                of.of().stream()
                        .filter(p -> p.job().id().equals(id))
                        .findFirst()
                        .map(p -> p.job().name())
                        .orElse("");
        if (o == null) {
            return new WorkshopView.Track(
                    id, name, diary, null, null, null, List.of(), List.of(), List.of(), waysOut);
        }
        return new WorkshopView.Track(
                id,
                name,
                diary,
                o.latestStartMinute().isPresent()
                        ? WorkshopDiary.at(o.latestStartMinute().getAsLong())
                        : null,
                o.slackMinutes().isPresent() ? o.slackMinutes().getAsLong() : null,
                o.chance().isPresent() ? o.chance().getAsDouble() : null,
                o.chain(),
                o.decides(),
                o.raises().stream().map(r -> raise(r, diary)).toList(),
                waysOut);
    }

    private static WorkshopView.Raise raise(DiaryRisk.Raise r, Diaries.Diary diary) {
        return switch (r) {
            case DiaryRisk.Raise.Longer l ->
                    new WorkshopView.Raise(
                            WorkshopView.RaiseKind.LONGER,
                            WorkshopDiary.at(l.more().fromMinute()),
                            WorkshopDiary.at(l.more().untilMinute()),
                            null,
                            null,
                            l.chance());
            case DiaryRisk.Raise.Warmed w ->
                    new WorkshopView.Raise(
                            WorkshopView.RaiseKind.WARMED,
                            null,
                            null,
                            w.taskId(),
                            diary.slots().stream()
                                    .filter(s -> s.stepId().value().equals(w.taskId()))
                                    .findFirst()
                                    .map(Diaries.Slot::name)
                                    .orElse(w.taskId()),
                            w.chance());
            case DiaryRisk.Raise.First f ->
                    new WorkshopView.Raise(
                            WorkshopView.RaiseKind.FIRST, null, null, null, null, f.chance());
        };
    }

    private static WorkshopView.WayOut wayOut(WaysOut.Priced p) {
        return switch (p.way()) {
            case WaysOut.Way.MoreTime t ->
                    new WorkshopView.WayOut(
                            WorkshopView.WayKind.MORE_TIME,
                            WorkshopDiary.at(t.more().fromMinute()),
                            WorkshopDiary.at(t.more().untilMinute()),
                            WorkshopDiary.at(p.readyMinute()),
                            p.othersLater(),
                            p.othersLate());
            case WaysOut.Way.ComesFirst _ ->
                    new WorkshopView.WayOut(
                            WorkshopView.WayKind.COMES_FIRST,
                            null,
                            null,
                            WorkshopDiary.at(p.readyMinute()),
                            p.othersLater(),
                            p.othersLate());
            case WaysOut.Way.LaterDate _ ->
                    new WorkshopView.WayOut(
                            WorkshopView.WayKind.LATER_DATE,
                            null,
                            null,
                            WorkshopDiary.at(p.readyMinute()),
                            0,
                            0);
        };
    }
}
