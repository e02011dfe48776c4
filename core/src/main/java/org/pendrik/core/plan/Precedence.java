package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.StepId;

/**
 * Which groups must be done before which. What binds more goes first, and what would run in a
 * circle with it is left out: the order within an effect and a set, then the user's pins, then
 * where the user's own steps stood, then what goes by age wherever it is done, then the older on
 * the prototype first where two share a zone, those furthest apart in age first; two of one kind
 * and age go as they were noted. So a pin works through everything between: what stands in its way
 * moves.
 *
 * @param before for each group the bits of the groups that must be done first
 * @param set for each group the bits of the groups of its set, 0 when it has none
 * @param meets for each group the bits of the groups that share a zone with it
 * @param contradiction why there is no order, when pins contradict each other
 */
@SuppressWarnings("ArrayRecordComponent") // never compared
record Precedence(long[] before, long[] set, long[] meets, Optional<String> contradiction) {
    private static final int MASKS_AGE = 4;
    private static final String UNMASK = "unmask";
    private static final String CLEAN = "clean-glass";

    private record Edge(int from, int to, int gap) {}

    static Precedence of(List<EffectGroup> groups, List<Pin> pins, Schools.Choice schools) {
        return of(groups, pins, List.of(), schools);
    }

    /**
     * For some groups.
     *
     * @param standing where the user's own steps stood
     */
    static Precedence of(
            List<EffectGroup> groups, List<Pin> pins, List<Pin> standing, Schools.Choice schools) {
        int n = groups.size();
        Precedence out = new Precedence(new long[n], sets(groups), meets(groups), Optional.empty());
        Optional<String> against = Optional.empty();
        for (Edge e : withinEffects(groups)) {
            out.add(e);
        }
        for (Edge e : edges(pins, groups)) {
            Optional<List<Integer>> circle = out.path(e.to(), e.from());
            if (circle.isPresent()) {
                if (against.isEmpty()) {
                    against = Optional.of(said(circle.get(), groups));
                }
            } else {
                out.add(e);
            }
        }
        List<Edge> placed = edges(standing, groups);
        long stood = 0;
        for (Edge e : placed) {
            stood |= 1L << e.from() | 1L << e.to();
        }
        for (Edge e : placed) {
            out.addIfItFits(e);
        }
        List<Edge> byAge = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                EffectGroup a = groups.get(i);
                EffectGroup b = groups.get(j);
                boolean asPlaced =
                        ((isOwn(a) && (stood & 1L << i) != 0)
                                || (isOwn(b) && (stood & 1L << j) != 0));
                boolean everywhere = everywhere(a, b);
                boolean older =
                        a.sharesZoneWith(b)
                                && (a.age() < b.age() || (i < j && isNotedBefore(a, b)));
                boolean ends = isOwn(a) && a.age() < b.age() && (b.isFinalFlat() || handsOver(b));
                if (i != j && asPlaced && ends) {
                    // what was put somewhere still comes before the end
                    byAge.add(new Edge(i, j, 1));
                } else if (i != j && everywhere && !asPlaced) {
                    boolean glass = endsOnGlass(a) || endsOnGlass(b);
                    byAge.add(new Edge(i, j, glass ? -1 : Integer.MAX_VALUE));
                } else if (i != j && !asPlaced && (older || facesFirst(a, b, schools))) {
                    byAge.add(new Edge(i, j, b.age() - a.age()));
                }
            }
        }
        // a stable sort: equals stay in the order of the groups
        byAge.sort(Comparator.comparingInt(Edge::gap).reversed());
        byAge.forEach(out::addIfItFits);
        return new Precedence(out.before, out.set, out.meets, against);
    }

    private static boolean isOwn(EffectGroup g) {
        return g.origin() == PlanStep.Origin.MANUAL;
    }

    private static List<Edge> edges(List<Pin> pins, List<EffectGroup> groups) {
        List<Edge> out = new ArrayList<>();
        for (Pin p : pins) {
            int from = groupOf(p.firstId(), groups);
            int to = groupOf(p.thenId(), groups);
            if (from >= 0 && to >= 0 && from != to) {
                out.add(new Edge(from, to, 0));
            }
        }
        return out;
    }

    private static int groupOf(StepId step, List<EffectGroup> groups) {
        for (int g = 0; g < groups.size(); g++) {
            if (groups.get(g).has(step)) {
                return g;
            }
        }
        return -1;
    }

    /** The groups of one effect stay in their order, and so do the effects of one set. */
    private static List<Edge> withinEffects(List<EffectGroup> groups) {
        List<Edge> out = new ArrayList<>();
        for (int i = 0; i < groups.size(); i++) {
            for (int j = i + 1; j < groups.size(); j++) {
                EffectGroup.Belongs a = groups.get(i).belongs();
                EffectGroup.Belongs b = groups.get(j).belongs();
                boolean one = !a.effect().isEmpty() && a.effect().equals(b.effect());
                boolean set = !a.set().isEmpty() && a.set().equals(b.set());
                if (one || set) {
                    out.add(new Edge(i, j, 0));
                }
            }
        }
        return out;
    }

    private static long[] sets(List<EffectGroup> groups) {
        long[] out = new long[groups.size()];
        for (int i = 0; i < out.length; i++) {
            String set = groups.get(i).belongs().set();
            for (int j = 0; j < out.length && !set.isEmpty(); j++) {
                if (groups.get(j).belongs().set().equals(set)) {
                    out[i] |= 1L << j;
                }
            }
        }
        return out;
    }

    private static long[] meets(List<EffectGroup> groups) {
        long[] out = new long[groups.size()];
        for (int i = 0; i < out.length; i++) {
            for (int j = 0; j < out.length; j++) {
                if (i != j && groups.get(i).sharesZoneWith(groups.get(j))) {
                    out[i] |= 1L << j;
                }
            }
        }
        return out;
    }

    private static String said(List<Integer> circle, List<EffectGroup> groups) {
        List<String> names =
                new ArrayList<>(circle.stream().map(g -> groups.get(g).name()).toList());
        return "The pins run in a circle: "
                + String.join(" before ", names)
                + ", and the last pin wants "
                + names.getLast()
                + " before "
                + names.getFirst()
                + ". That one is the weakest link: everything else can be kept without it.";
    }

    private void add(Edge e) {
        before[e.to()] |= 1L << e.from();
    }

    private void addIfItFits(Edge e) {
        if ((allBefore(e.from()) & 1L << e.to()) == 0) {
            add(e);
        }
    }

    /** A way from one group to another along what is kept so far, both ends in it. */
    private Optional<List<Integer>> path(int from, int to) {
        if (from == to) {
            return Optional.of(List.of(to));
        }
        if ((allBefore(to) & 1L << from) == 0) {
            return Optional.empty();
        }
        for (int g = 0; g < before.length; g++) {
            if ((before[to] & 1L << g) != 0) {
                Optional<List<Integer>> front = path(from, g);
                if (front.isPresent()) {
                    List<Integer> all = new ArrayList<>(front.get());
                    all.add(to);
                    return Optional.of(all);
                }
            }
        }
        return Optional.empty();
    }

    /**
     * What goes by age wherever it is done: glass is masked before anything is sprayed and unmasked
     * or cleaned when nothing will be sprayed any more, and what comes after the final flat waits
     * for it.
     */
    private static boolean everywhere(EffectGroup a, EffectGroup b) {
        if (endsOnGlass(b)) {
            return !endsOnGlass(a) && !handsOver(a);
        }
        if (endsOnGlass(a)) {
            return handsOver(b);
        }
        boolean handling = a.acts().getFirst().technique().role() == Technique.Role.HANDLING;
        boolean prepares = handling && a.age() < MASKS_AGE;
        boolean masksFirst =
                handling
                        && a.age() == MASKS_AGE
                        && b.acts().stream().anyMatch(x -> x.technique().booth());
        return a.age() < b.age() && (prepares || masksFirst || a.isFinalFlat());
    }

    private static boolean endsOnGlass(EffectGroup g) {
        String key = g.acts().getFirst().technique().key();
        return key.equals(UNMASK) || key.equals(CLEAN);
    }

    /** Putting together and packing, which come when all else is done. */
    private static boolean handsOver(EffectGroup g) {
        return g.age() >= EffectGroup.AGE_OF_HANDING_OVER
                && g.acts().getFirst().technique().role() == Technique.Role.HANDLING;
    }

    /** Two effects of one kind go in the order in which they were noted. */
    private static boolean isNotedBefore(EffectGroup a, EffectGroup b) {
        return a.age() == b.age()
                && !a.belongs().effect().isEmpty()
                && a.name().equals(b.name())
                && a.origin() == b.origin();
    }

    /** Where the same is done on the roof and on the sides, the school says which comes first. */
    private static boolean facesFirst(EffectGroup a, EffectGroup b, Schools.Choice schools) {
        if (a.age() != b.age() || a.up() == b.up()) {
            return false;
        }
        return switch (schools.of(SchoolAnswer.Faces.class)) {
            case ROOF_FIRST -> a.up();
            case SIDES_FIRST -> b.up();
            case OPEN -> false;
        };
    }

    /** Everything that must be done before a group, however far back. */
    long allBefore(int group) {
        long all = before[group];
        long last = -1;
        while (all != last) {
            last = all;
            for (int g = 0; g < before.length; g++) {
                if ((all & 1L << g) != 0) {
                    all |= before[g];
                }
            }
        }
        return all;
    }

    /**
     * Whether a group can be done when those of {@code done} are: nothing that shares a zone with a
     * set comes in while that is half done.
     */
    boolean admits(int group, long done) {
        return (done & 1L << group) == 0
                && (before[group] & ~done) == 0
                && !comesIntoASet(group, done);
    }

    private boolean comesIntoASet(int group, long done) {
        if ((set[group] & done) != 0) {
            // a set that is begun goes on, whatever other set is
            return false;
        }
        for (int g = 0; g < set.length; g++) {
            boolean halfDone = (set[g] & done) != 0 && (set[g] & ~done) != 0;
            boolean into = (set[g] & 1L << group) == 0 && (meets[group] & set[g]) != 0;
            // what the rest of the set waits for may come in
            if (halfDone && into && !neededBy(set[g] & ~done, group)) {
                return true;
            }
        }
        return false;
    }

    private boolean neededBy(long rest, int group) {
        for (int g = 0; g < before.length; g++) {
            if ((rest & 1L << g) != 0 && (allBefore(g) & 1L << group) != 0) {
                return true;
            }
        }
        return false;
    }

    /** Whether there is an order that keeps all of it. */
    boolean holds() {
        if (contradiction.isPresent()) {
            return false;
        }
        long done = 0;
        for (int round = 0; round < before.length; round++) {
            for (int g = 0; g < before.length; g++) {
                if (admits(g, done)) {
                    done |= 1L << g;
                }
            }
        }
        return done == (before.length == 64 ? -1L : (1L << before.length) - 1);
    }
}
