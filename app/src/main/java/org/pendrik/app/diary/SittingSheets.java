package org.pendrik.app.diary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.StepId;

/** What is done in each sitting, in its order. */
final class SittingSheets {
    private SittingSheets() {}

    private record Placed(Diaries.Planned of, Act act, Diaries.Slot slot) {}

    static List<WorkshopView.Sitting> of(
            WorkshopCase of, Map<UUID, Diaries.Diary> diaries, List<Span> calendar) {
        Map<StepKey, Act> acts = new HashMap<>();
        List<Placed> all = new ArrayList<>();
        for (Diaries.Planned p : of.of()) {
            p.prepared().film().acts().forEach(a -> acts.put(new StepKey(p.job().id(), a.id()), a));
            Diaries.Diary d = diaries.get(p.job().id());
            if (d == null) {
                continue;
            }
            for (Diaries.Slot s : d.slots()) {
                Act a = acts.get(new StepKey(p.job().id(), s.stepId()));
                if (!s.done() && a != null) {
                    all.add(new Placed(p, a, s));
                }
            }
        }
        all.sort(java.util.Comparator.comparing(x -> x.slot().start()));
        List<WorkshopView.Sitting> out = new ArrayList<>();
        for (Span stretch : of.asked().bench()) {
            List<Placed> in =
                    all.stream()
                            .filter(
                                    x -> {
                                        long m = StoredStep.minute(x.slot().start());
                                        return stretch.fromMinute() <= m
                                                && m < stretch.untilMinute();
                                    })
                            .toList();
            if (!in.isEmpty()) {
                out.add(sitting(stretch, in, inCalendar(stretch, calendar)));
            }
        }
        return out;
    }

    private static boolean inCalendar(Span stretch, List<Span> calendar) {
        return calendar.stream()
                .anyMatch(
                        c ->
                                c.fromMinute() < stretch.untilMinute()
                                        && stretch.fromMinute() < c.untilMinute());
    }

    private record StepKey(UUID job, StepId step) {}

    private static WorkshopView.Sitting sitting(Span stretch, List<Placed> in, boolean inCalendar) {
        List<WorkshopView.Work> work = new ArrayList<>();
        List<WorkshopView.Filling> fillings = new ArrayList<>();
        String held = "";
        Set<String> served = new LinkedHashSet<>();
        long minutes = 0;
        for (Placed x : in) {
            boolean sprays = x.act().technique().booth();
            String material = x.slot().material();
            boolean fills = sprays && !material.equals(held);
            if (fills) {
                held = material;
                served = new LinkedHashSet<>();
                fillings.add(new WorkshopView.Filling(material, x.slot().hex(), List.of()));
            }
            if (sprays) {
                served.add(x.of().job().name());
                WorkshopView.Filling f = fillings.removeLast();
                fillings.add(new WorkshopView.Filling(f.material(), f.hex(), List.copyOf(served)));
            }
            minutes += x.act().minutes();
            DecidedDiary.Decided d = x.of().decided().get(x.act().id());
            work.add(
                    new WorkshopView.Work(
                            x.of().job().id(),
                            x.of().job().name(),
                            x.act().id(),
                            x.slot().name(),
                            material,
                            x.slot().hex(),
                            x.slot().start(),
                            x.slot().end(),
                            fills,
                            d != null && d.held(),
                            x.slot().windowCloses()));
        }
        return new WorkshopView.Sitting(
                WorkshopDiary.at(stretch.fromMinute()),
                WorkshopDiary.at(stretch.untilMinute()),
                minutes,
                inCalendar,
                work,
                fillings);
    }
}
