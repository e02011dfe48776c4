package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Column;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Layer;
import org.pendrik.core.film.Ledger;

/**
 * What the schools ask of a surface beyond what the chemistry does: the finish under a wash, a
 * clear under what is wiped with spirit. Kept by the compiler as if it were a stop; the film engine
 * does not know it.
 */
record HouseRules(Optional<Finishes> underWash, boolean clearBeforeWipe) {
    /** A span of tooth and its name. */
    private record Finishes(String label, double from, double to) {}

    static HouseRules of(Schools.Choice schools) {
        Optional<Finishes> under =
                switch (schools.of(SchoolAnswer.WashSurface.class)) {
                    case GLOSS -> Optional.of(new Finishes("gloss", 0, 0.2));
                    case SATIN -> Optional.of(new Finishes("satin", 0.3, 0.6));
                    case MATTE -> Optional.of(new Finishes("flat or bare", 0.6, 0.9));
                    case OPEN -> Optional.empty();
                };
        var clear = schools.of(SchoolAnswer.ClearBeforeWipe.class);
        return new HouseRules(under, clear == SchoolAnswer.ClearBeforeWipe.YES);
    }

    /** What the house has against an act on what lies there. */
    List<Finding> against(Act act, Ledger lies) {
        List<Finding> out = new ArrayList<>(finish(act, lies));
        if (act.hides()) {
            // nobody plans to hide what is finished
            lies.against(act).stream()
                    .filter(f -> f.rule() == Finding.Rule.BURIED)
                    .map(f -> never(act, f))
                    .forEach(out::add);
        }
        return out;
    }

    private static Finding never(Act act, Finding buried) {
        return new Finding(
                Finding.Rule.BURIED,
                Finding.Severity.STOP,
                act.id(),
                buried.zones(),
                buried.coats(),
                buried.why(),
                buried.numbers());
    }

    private List<Finding> finish(Act act, Ledger lies) {
        Technique t = act.technique();
        if (t.follow().isEmpty() || t.action().equals(org.pendrik.core.catalogue.Action.DRY)) {
            return List.of();
        }
        List<String> otherFinish = new ArrayList<>();
        List<String> unsealed = new ArrayList<>();
        for (String z : act.zones()) {
            Column c = lies.on(z);
            double tooth = c.tooth();
            if (isWash(t)
                    && underWash.filter(f -> tooth < f.from() || tooth > f.to()).isPresent()) {
                otherFinish.add(z);
            }
            List<Layer> coats = c.layers();
            boolean spirit =
                    act.material().carrier() == Carrier.Named.ODOURLESS_SPIRIT
                            || act.material().carrier() == Carrier.Named.ENAMEL_THINNER;
            if (clearBeforeWipe
                    && spirit
                    && (coats.isEmpty() || !coats.getLast().material().isClear())) {
                unsealed.add(z);
            }
        }
        List<Finding> out = new ArrayList<>();
        if (!otherFinish.isEmpty()) {
            out.add(
                    says(
                            act,
                            otherFinish,
                            "Your school lays a wash on " + underWash.orElseThrow().label() + "."));
        }
        if (!unsealed.isEmpty()) {
            out.add(
                    says(
                            act,
                            unsealed,
                            "Your school lays a clear under what is wiped with spirit."));
        }
        return out;
    }

    private static boolean isWash(Technique t) {
        // lines run along joints by themselves: on anything rough they do not run at all
        return t.key().endsWith("-wash") && !t.key().equals("panel-wash");
    }

    private static Finding says(Act act, List<String> zones, String why) {
        return new Finding(
                Finding.Rule.SCHOOL,
                Finding.Severity.STOP,
                act.id(),
                zones,
                List.of(),
                why,
                Map.of());
    }
}
