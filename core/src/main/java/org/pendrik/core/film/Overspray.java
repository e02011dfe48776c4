package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.BiteTable;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;

/**
 * What settles on glass, bearings and treads that are not masked while something is sprayed beside
 * them: a mist of it, which a later cleaning has to take off while its liquid still can.
 */
final class Overspray {
    private final BiteTable bites;
    private final FilmCase question;

    Overspray(BiteTable bites, FilmCase question) {
        this.bites = bites;
        this.question = question;
    }

    /** One finding for each zone that stays soiled, at the first spray that soils it. */
    List<Finding> findings() {
        List<Finding> out = new ArrayList<>();
        for (Zone z : question.zones()) {
            if (z.keptClean()) {
                List<Act> soiling = soiling(z);
                if (!soiling.isEmpty()) {
                    out.add(finding(z, soiling));
                }
            }
        }
        return out;
    }

    private List<Act> soiling(Zone zone) {
        List<Act> out = new ArrayList<>();
        List<Act> acts = question.acts();
        boolean masked = false;
        for (int i = 0; i < acts.size(); i++) {
            Act act = acts.get(i);
            if (act.zones().contains(zone.key())) {
                masked = Masks.after(act, masked);
            }
            if (!masked
                    && isSprayed(act)
                    && !isCleaned(zone, act, acts.subList(i + 1, acts.size()))) {
                out.add(act);
            }
        }
        return out;
    }

    private static boolean isSprayed(Act act) {
        return act.laysFilm()
                && !act.isFound()
                && switch (act.technique().action()) {
                    case SPRAY, MIST, DRY_MIST -> true;
                    default -> false;
                };
    }

    private boolean isCleaned(Zone zone, Act spray, List<Act> later) {
        Layer mist = mist(zone, spray);
        for (Act a : later) {
            if (a.zones().contains(zone.key()) && a.technique().works().meansWhatever()) {
                double q = mist.cureAt(a.beginOn(zone.key()));
                double bite =
                        Math.min(
                                1, bites.bite(a.carrier(), mist.binder(), q) * a.action().factor());
                if (bite * a.carrier().reach() >= a.must().hit()) {
                    return true;
                }
            }
        }
        return false;
    }

    private Layer mist(Zone zone, Act spray) {
        Binder binder = spray.material().binder().orElseThrow();
        return Layer.of(spray.with(Thickness.MIST), zone.key(), binder, question.air());
    }

    private static Finding finding(Zone zone, List<Act> soiling) {
        Act first = soiling.getFirst();
        return new Finding(
                Rule.OVERSPRAY,
                Severity.WARN,
                first.id(),
                List.of(zone.key()),
                List.of(first.material().name()),
                "Nothing covers the "
                        + zone.name()
                        + " while "
                        + first.technique().name()
                        + (soiling.size() > 1
                                ? " and " + (soiling.size() - 1) + " more are sprayed"
                                : " is sprayed")
                        + ", and no cleaning follows that takes it off.",
                Map.of("sprays", (double) soiling.size()));
    }
}
