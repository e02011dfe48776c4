package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.StepIds;
import org.pendrik.core.film.Zone;

/** All that has to be done for a request, as groups of acts that stay together. */
final class Groups {
    private static final int FINAL_FLAT_AGE = 90;

    private Groups() {}

    /** Ids that are free beside what is done and the steps of the user's own. */
    static StepIds ids(PlanRequest request) {
        return StepIds.besides(
                Stream.concat(request.done().stream(), request.own().stream()).map(Act::id));
    }

    /**
     * The groups of a request, those that end the plan last; empty when nothing is wanted.
     *
     * @throws org.pendrik.core.units.InvalidInput when what is asked of an effect does not go
     *     together
     */
    static List<EffectGroup> of(PlanRequest request, Catalogue catalogue, StepIds ids) {
        List<EffectGroup> out = new ArrayList<>();
        for (Effect e : request.effects()) {
            for (EffectGroup g :
                    EffectGroup.of(e, request.zones(), request.schools(), catalogue, ids)) {
                addSharing(g, out, request.zones());
            }
        }
        request.own().forEach(a -> out.add(EffectGroup.own(a)));
        if (!out.isEmpty()) {
            out.addAll(
                    EffectGroup.ends(
                            touched(request, out),
                            request.zones(),
                            request.schools(),
                            catalogue,
                            ids,
                            partsOff(request)));
        }
        return out;
    }

    /** Parts that were taken off, or will be, and that no step puts back. */
    private static List<String> partsOff(PlanRequest request) {
        List<Act> all = new ArrayList<>(request.done());
        all.addAll(request.own());
        return Parts.stillOff(all);
    }

    /**
     * Adds a group, or lets it share the release stack of one that is there: two uses of a release
     * layer on a zone come off with the same water, through the same top coat.
     */
    private static void addSharing(EffectGroup g, List<EffectGroup> out, List<Zone> subject) {
        for (int i = 0; i < out.size(); i++) {
            EffectGroup o = out.get(i);
            if (release(g) != null
                    && release(o) != null
                    && o.sharesZoneWith(g)
                    // rounds of one effect are stacks of their own
                    && !o.belongs().effect().equals(g.belongs().effect())
                    && top(o).equals(top(g))) {
                out.set(i, joined(o, g, subject));
                return;
            }
        }
        out.add(g);
    }

    static @org.jspecify.annotations.Nullable Act release(EffectGroup g) {
        return g.acts().stream()
                .filter(
                        a ->
                                a.material()
                                        .binder()
                                        .filter(b -> b == Binder.RELEASE_LAYER)
                                        .isPresent())
                .findFirst()
                .orElse(null);
    }

    private static List<List<String>> top(EffectGroup g) {
        return g.acts().stream()
                .filter(a -> a.technique().works().means(OwnColour.RELEASE))
                .map(a -> List.of(a.technique().key(), a.material().key()))
                .toList();
    }

    /**
     * Two stacks as one. Salt strewn into the layer serves chips as well, so where both are wanted
     * that layer is laid alone.
     */
    private static EffectGroup joined(EffectGroup a, EffectGroup b, List<Zone> subject) {
        EffectGroup longer = b.acts().size() > a.acts().size() ? b : a;
        EffectGroup other = longer.equals(a) ? b : a;
        boolean salted =
                a.acts().stream().anyMatch(x -> x.technique().key().equals("release-salt"));
        Set<String> salt = salted ? a.allZones() : b.allZones();
        boolean alike = keyOfRelease(a).equals(keyOfRelease(b));
        List<Act> out = new ArrayList<>();
        for (Act act : longer.acts()) {
            boolean release =
                    act.material().binder().filter(x -> x == Binder.RELEASE_LAYER).isPresent();
            if (!release || alike) {
                Set<String> zones = new LinkedHashSet<>(act.zones());
                other.acts().stream()
                        .filter(x -> x.technique().key().equals(act.technique().key()))
                        .forEach(x -> zones.addAll(x.zones()));
                out.add(on(act, zones, subject));
                continue;
            }
            for (EffectGroup g : List.of(a, b)) {
                Act own = java.util.Objects.requireNonNull(release(g));
                Set<String> zones = new LinkedHashSet<>(own.zones());
                if (!own.technique().key().equals("release-salt")) {
                    zones.removeAll(salt);
                }
                if (!zones.isEmpty()) {
                    out.add(on(own, zones, subject));
                }
            }
        }
        return new EffectGroup(
                a.name() + " and " + b.name(),
                Math.min(a.age(), b.age()),
                out,
                longer.main(),
                a.origin(),
                a.up() || b.up(),
                a.belongs(),
                a.said());
    }

    private static Act on(Act act, Set<String> keys, List<Zone> subject) {
        return Act.planned(
                        act.id(),
                        act.technique(),
                        act.material(),
                        act.thickness(),
                        subject.stream().filter(z -> keys.contains(z.key())).toList())
                .madeFor(act.madeFor());
    }

    private static String keyOfRelease(EffectGroup g) {
        return java.util.Objects.requireNonNull(release(g)).technique().key();
    }

    /** The zones that a final flat has to cover: those with an older coat, never glass. */
    private static List<Zone> touched(PlanRequest request, List<EffectGroup> groups) {
        Set<String> touched = new LinkedHashSet<>();
        groups.stream()
                .filter(g -> g.age() < FINAL_FLAT_AGE && g.isCoated())
                .forEach(g -> touched.addAll(g.zones()));
        if (!touched.isEmpty()) {
            request.done().stream()
                    .filter(a -> a.material().deposits())
                    .forEach(a -> touched.addAll(a.zones()));
        }
        return request.zones().stream()
                .filter(z -> touched.contains(z.key()) && !z.keptClean())
                .toList();
    }
}
