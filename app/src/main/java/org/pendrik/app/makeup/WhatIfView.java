package org.pendrik.app.makeup;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.pendrik.core.plan.PlanCheck;

/**
 * The plan under other conditions, and what is different.
 *
 * @param laterMinutes how much later the last step can end; negative when earlier
 * @param worse what would stop or warn then and does not now
 * @param better what does now and would not then
 */
public record WhatIfView(
        long laterMinutes, List<String> worse, List<String> better, MakeupView makeup) {
    static WhatIfView of(PlanCheck.Judgement now, PlanCheck.Judgement then, MakeupView makeup) {
        return new WhatIfView(end(then) - end(now), beyond(now, then), beyond(then, now), makeup);
    }

    private static long end(PlanCheck.Judgement j) {
        return j.timed().acts().stream().mapToLong(Act::endMinute).max().orElse(0);
    }

    private record What(Finding.Rule rule, StepId act, List<String> coats) {
        static What of(Finding f) {
            return new What(f.rule(), f.actId(), f.coats());
        }
    }

    private static List<String> beyond(PlanCheck.Judgement less, PlanCheck.Judgement more) {
        Set<What> known = new HashSet<>();
        less.film().findings().stream()
                .filter(f -> f.severity() != Finding.Severity.NOTE)
                .forEach(f -> known.add(What.of(f)));
        List<String> out = new ArrayList<>();
        for (Finding f : more.film().findings()) {
            if (f.severity() != Finding.Severity.NOTE && !known.contains(What.of(f))) {
                out.add(f.why());
            }
        }
        return out;
    }
}
