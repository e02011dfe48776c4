package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Finish;
import org.pendrik.core.film.Technique;

/** What can come next in a plan: a group whose turn it is, bare or behind one or two clears. */
final class Moves {
    private static final List<String> SEALS = List.of("seal-satin", "seal-matte", "seal-gloss");

    private final List<EffectGroup> groups;
    private final Precedence precedence;
    private final Outlook outlook;
    private final Catalogue catalogue;
    private int tried;

    Moves(List<EffectGroup> groups, Precedence precedence, Outlook outlook, Catalogue catalogue) {
        this.groups = groups;
        this.precedence = precedence;
        this.outlook = outlook;
        this.catalogue = catalogue;
    }

    boolean isWhole(PlanState s) {
        return s.done() == (1L << groups.size()) - 1;
    }

    /** How many ways on were looked at so far. */
    int tried() {
        return tried;
    }

    /** All states one group further. */
    List<PlanState> from(PlanState s) {
        List<PlanState> out = allFrom(s);
        tried += out.size();
        return out;
    }

    private List<PlanState> allFrom(PlanState s) {
        List<PlanState> out = new ArrayList<>();
        for (int g = 0; g < groups.size(); g++) {
            if (!precedence.admits(g, s.done())) {
                continue;
            }
            PlanState.Tried bare = s.then(g, groups.get(g), List.of(), outlook);
            out.add(bare.state());
            boolean clean = bare.state().weight() == s.weight();
            boolean waits = bare.state().end() > s.end() + groups.get(g).minutes();
            if (clean && !waits) {
                // nothing speaks against it and nothing is waited for: no clear can help here
                continue;
            }
            for (String seal : SEALS) {
                PlanState sealed = sealed(s, g, bare, List.of(seal));
                clean |= sealed.weight() == s.weight();
                out.add(sealed);
            }
            if (!clean) {
                for (String first : SEALS) {
                    for (String second : SEALS) {
                        out.add(sealed(s, g, bare, List.of(first, second)));
                    }
                }
            }
        }
        return out;
    }

    private PlanState sealed(PlanState s, int g, PlanState.Tried bare, List<String> seals) {
        EffectGroup group = groups.get(g);
        Set<String> zones = new LinkedHashSet<>();
        String why = "";
        for (Finding f : bare.against()) {
            if (f.severity() != Finding.Severity.NOTE) {
                zones.addAll(f.zones());
                why = why.isEmpty() ? f.why() : why;
            }
        }
        if (zones.isEmpty()) {
            // nothing is wrong without it: only time could be saved, by keeping the carrier from
            // what is beneath
            zones.addAll(group.zones());
            why =
                    "It keeps the next carrier from coats that would otherwise need days to resist it.";
        }
        zones.addAll(shared(s, g, catalogue.technique(seals.getLast())));
        List<PlanStep> inserted = new ArrayList<>();
        for (String seal : seals) {
            Technique t = catalogue.technique(seal);
            String id =
                    group.acts().getFirst().id() + "+" + seal + (inserted.isEmpty() ? "" : "-2");
            inserted.add(
                    new PlanStep(
                            Act.planned(id, t, catalogue.startingMaterial(t), zones),
                            PlanStep.Origin.INSERTED,
                            "For " + group.acts().getFirst().technique().name() + ": " + why));
        }
        return s.then(g, group, inserted, outlook).state();
    }

    /** Zones where the next effect needs this clear as well, so that one coat serves both. */
    private Set<String> shared(PlanState s, int g, Technique seal) {
        double tooth = catalogue.startingMaterial(seal).finish().map(Finish::tooth).orElse(0.0);
        Set<String> out = new LinkedHashSet<>();
        for (int other = 0; other < groups.size(); other++) {
            Technique t = groups.get(other).acts().getFirst().technique();
            boolean next = precedence.admits(other, s.done() | 1L << g);
            if (other == g || !next || t.role() != Technique.Role.EFFECT) {
                continue;
            }
            for (String z : groups.get(other).zones()) {
                if (!fits(t, s.ledger().on(z).finish().tooth()) && fits(t, tooth)) {
                    out.add(z);
                }
            }
        }
        return out;
    }

    private static boolean fits(Technique t, double tooth) {
        return tooth >= t.tooth().okMin() && tooth <= t.tooth().okMax();
    }
}
