package org.pendrik.core.film;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.CureAnchors;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;

/**
 * The film model written down once more, plainly and slowly, from its description: one zone, minute
 * for minute, no bisection, the bite table read anew. It shares the data with the engine and none
 * of its computation.
 */
final class Twin {
    /** A coat as the twin sees it. */
    private static final class Coat {
        private final Act act;
        private long laid;
        private double h;
        private int body;
        private boolean held;

        /** What stays of it: powder that sticks in a wet coat counts as that. */
        private Binder lies = Binder.LOOSE_POWDER;

        private Coat(Act act) {
            this.act = act;
        }
    }

    private static final Map<String, double[]> BITE = bites();

    private final Zone zone;
    private final double celsius;
    private final double humidity;
    private final List<Coat> coats = new ArrayList<>();
    private boolean lettering;
    private int bodies;

    Twin(FilmCase c) {
        zone = c.zones().getFirst();
        lettering = zone.lettering();
        celsius = c.air().celsius();
        humidity = c.air().relativeHumidity();
    }

    private static Map<String, double[]> bites() {
        Map<String, double[]> out = new HashMap<>();
        try (BufferedReader in =
                new BufferedReader(
                        new InputStreamReader(
                                Catalogue.class.getResourceAsStream("bite.csv"),
                                StandardCharsets.UTF_8))) {
            String[] head = null;
            for (String l = in.readLine(); l != null; l = in.readLine()) {
                String[] p = l.split(",", -1);
                if (l.startsWith("#")) {
                    continue;
                }
                for (int i = 1; head != null && i < p.length; i++) {
                    String[] two = p[i].split("/", -1);
                    double cured = Double.parseDouble(two[0]);
                    double raw = two.length > 1 ? Double.parseDouble(two[1]) : cured;
                    out.put(p[0] + head[i], new double[] {cured, raw});
                }
                head = head == null ? p : head;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out;
    }

    /** Cure fraction of a coat in a minute. */
    private double q(Coat c, long minute) {
        Material m = c.act.material();
        if (m.cure().isEmpty()) {
            return 1;
        }
        double t = (minute - c.laid) / slowing(c) / Math.pow(c.h / m.usual().factor(), 1.3);
        if (t <= 0) {
            return 0;
        }
        CureAnchors a = m.cure().get();
        double[] at = {0, a.touchMinutes(), a.handleMinutes(), a.recoatMinutes(), a.fullMinutes()};
        double[] q = {0, 0.3, 0.5, 0.7, 0.98};
        for (int i = 1; i < 5; i++) {
            if (t <= at[i]) {
                double share =
                        (Math.log(1 + t) - Math.log(1 + at[i - 1]))
                                / (Math.log(1 + at[i]) - Math.log(1 + at[i - 1]));
                return q[i - 1] + (q[i] - q[i - 1]) * share;
            }
        }
        return 1 - 0.02 * (1 + at[4]) / (1 + t);
    }

    private double slowing(Coat c) {
        double warm = Math.exp(-0.035 * (celsius - 21));
        double damp = Math.min(4, 0.5 / (1 - humidity));
        return switch (binder(c)) {
            case ENAMEL, OIL -> Math.pow(2, (21 - celsius) / 10);
            case WATERBORNE_ACRYLIC, FLOOR_POLISH, RELEASE_LAYER, DECAL_FILM -> warm * damp;
            default -> warm;
        };
    }

    private static Binder binder(Coat c) {
        return c.act.material().binder().orElseThrow();
    }

    private static boolean isOil(Binder b) {
        return b == Binder.OIL || b == Binder.ENAMEL;
    }

    private static boolean isKin(Binder a, Binder b) {
        return (isOil(a) && isOil(b))
                || (a == Binder.WATERBORNE_ACRYLIC && b == Binder.WATERBORNE_ACRYLIC);
    }

    private static boolean isFilm(Act a) {
        return a.material().deposits()
                && a.technique().action() != Action.DRY
                && a.technique().action() != Action.DRY_BRUSH;
    }

    /** All of a coat that runs together lies as one. */
    private double thickness(Coat c) {
        double sum = 0;
        for (Coat o : coats) {
            sum += o.body == c.body ? o.act.thickness().factor() : 0;
        }
        return sum;
    }

    private double closed(Coat c) {
        boolean keeps =
                isFilm(c.act)
                        && binder(c) != Binder.DECAL_FILM
                        && binder(c) != Binder.LOOSE_POWDER
                        && c.act.technique().share() >= 0.9;
        return !keeps ? 0 : thickness(c) >= 0.6 ? 1 : 0.5;
    }

    private static double raw(String binder, String column, double q) {
        double[] two = BITE.get(binder + column);
        double r = q * q * q;
        return two[1] + (two[0] - two[1]) * r;
    }

    private static String column(Carrier.Named liquid) {
        return switch (liquid) {
            case WATER, WARM_WATER -> "W";
            case SOAPY_WATER -> "WD";
            case ACRYLIC_REDUCER -> "AR";
            case ODOURLESS_SPIRIT -> "MS";
            case ENAMEL_THINNER -> "ET";
            case LACQUER_THINNER -> "LT";
            case DECAL_SETTER -> "DS";
            case DECAL_SOFTENER -> "DX";
            case AMMONIA -> "NH";
        };
    }

    private static double bite(Carrier c, String binder, double q) {
        return switch (c) {
            case Carrier.Dry _ -> 0;
            case Carrier.Named n -> raw(binder, column(n), q);
            case Carrier.Alcohol a -> {
                double w = raw(binder, "W", q);
                double i35 = raw(binder, "I35", q);
                double i70 = raw(binder, "I70", q);
                double p = a.percent() / 35;
                double v = p <= 1 ? w + (i35 - w) * p : i35 + (i70 - i35) * (p - 1);
                yield Math.max(0, Math.min(1, v));
            }
        };
    }

    private static Action action(Act a) {
        Action given = a.technique().action();
        Thickness h = a.thickness();
        if (!a.material().deposits()) {
            return given;
        }
        if (given == Action.SPRAY && h == Thickness.MIST) {
            return Action.MIST;
        }
        boolean wet = h == Thickness.WET || h == Thickness.FLOOD;
        if (wet && (given == Action.SPRAY || given == Action.BRUSH)) {
            return Action.FLOOD;
        }
        if (given == Action.MIST || given == Action.DRY_MIST) {
            return h == Thickness.FLOOD ? Action.FLOOD : h == Thickness.WET ? Action.SPRAY : given;
        }
        return given;
    }

    private static double force(Action a) {
        return switch (a) {
            case DRY, DRY_BRUSH -> 0;
            case DRY_MIST -> 0.2;
            case MIST -> 0.25;
            case SPRAY -> 0.5;
            case BRUSH -> 0.8;
            case WIPE, FLOOD -> 1;
            case SOAK -> 1.3;
            case SCRUB -> 1.5;
        };
    }

    private static boolean isLocal(Act a) {
        Action x = action(a);
        boolean hand =
                Set.of(Action.DRY, Action.DRY_BRUSH, Action.BRUSH, Action.WIPE, Action.SCRUB)
                        .contains(x);
        return hand && a.technique().local() && a.technique().share() <= 0.3;
    }

    /** What hits each coat, from the top down, then lettering and substrate: bite × exposure. */
    Map<String, Double> hits(Act act, long minute) {
        Map<String, Double> out = new HashMap<>();
        Carrier liquid =
                act.technique().action() == Action.DRY
                                || act.technique().action() == Action.DRY_BRUSH
                        ? new Carrier.Dry()
                        : act.technique().carrier().orElse(act.material().carrier());
        if (liquid instanceof Carrier.Dry) {
            return out;
        }
        Set<StepId> meant = bodies(meant(act));
        Must must = act.means().map(Act.Means::must).orElse(Must.NOTHING);
        double force = force(action(act));
        boolean stands = Set.of(Action.FLOOD, Action.SOAK, Action.SCRUB).contains(action(act));
        double full = liquid == Carrier.Named.WARM_WATER ? 1.5 : 1;
        double on = full;
        int i = coats.size() - 1;
        while (i >= 0) {
            int body = coats.get(i).body;
            double passes = 0;
            boolean reset = false;
            for (; i >= 0 && coats.get(i).body == body; i--) {
                Coat c = coats.get(i);
                double q = q(c, minute);
                String binder = c.lies.name();
                double hit = Math.min(1, bite(liquid, binder, q) * force) * on;
                out.put(c.act.id().value(), hit);
                double leak = leak(c.lies, q, stands);
                double past = Math.max(leak, 1 - closed(c));
                boolean mine = must != Must.NOTHING && meant.contains(c.act.id());
                boolean deepest = mine && isDeepest(c, meant);
                if (!mine || deepest || countBodies(meant) == 1 || must != Must.LIFTED) {
                    past = Math.max(past, hit >= 0.55 ? 0.9 : hit >= 0.25 ? 0.3 : 0);
                }
                reset |= deepest && hit >= 0.25;
                passes = Math.max(passes, past);
            }
            on = reset ? full : on * passes;
        }
        if (lettering) {
            out.put("lettering", Math.min(1, bite(liquid, "FACTORY_LETTERING", 1) * force) * on);
        }
        String ground =
                switch (zone.substrate()) {
                    case FACTORY_SEMI_GLOSS, FACTORY_FLAT -> "FACTORY_PAINT";
                    case PRIMED, MASONRY -> "PRIMER";
                    case WHITE_METAL, BRASS -> "METAL";
                    case WOOD -> "WOOD";
                    case BARE, GLAZING -> "BARE_PLASTIC";
                };
        out.put("ground", Math.min(1, bite(liquid, ground, 1) * force) * on);
        return out;
    }

    private boolean isDeepest(Coat c, Set<StepId> meant) {
        for (Coat o : coats) {
            if (meant.contains(o.act.id())) {
                return o == c;
            }
        }
        return false;
    }

    /** Whoever means a part of what has run together means all of it. */
    private Set<StepId> bodies(Set<StepId> named) {
        Set<StepId> out = new java.util.HashSet<>();
        for (Coat c : coats) {
            for (Coat o : coats) {
                if (o.body == c.body && named.contains(o.act.id())) {
                    out.add(c.act.id());
                }
            }
        }
        return out;
    }

    private long countBodies(Set<StepId> meant) {
        return coats.stream()
                .filter(c -> meant.contains(c.act.id()))
                .map(c -> c.body)
                .distinct()
                .count();
    }

    private static Set<StepId> meant(Act act) {
        return act.means().map(Act.Means::actIds).orElse(Set.of());
    }

    private static double leak(Binder b, double q, boolean stands) {
        double tight =
                switch (b) {
                    case ENAMEL, OIL -> 0.7;
                    case LACQUER -> 0.8;
                    case LOOSE_POWDER -> 0;
                    default -> 0.9;
                };
        if (tight == 0) {
            return 0;
        }
        return Math.max(0, 1 - (stands ? (q / tight) * (q / tight) : q / tight));
    }

    /** Lays a coat. */
    void lay(Act act, long begin, long end) {
        if (!act.material().deposits()) {
            return;
        }
        Coat fresh = new Coat(act);
        fresh.laid = end;
        fresh.body = ++bodies;
        boolean powder = binder(fresh) == Binder.LOOSE_POWDER;
        fresh.held =
                powder
                        && !coats.isEmpty()
                        && act.technique().action() == Action.DRY
                        && q(coats.getLast(), begin) < 0.3;
        List<Coat> open = new ArrayList<>();
        for (int i = coats.size() - 1; i >= 0 && runsInto(act, coats.get(i), begin, true); i--) {
            open.add(coats.get(i));
        }
        fresh.lies = fresh.held ? coats.getLast().lies : binder(fresh);
        coats.add(fresh);
        Set<Integer> bodiesMet = new TreeSet<>();
        open.forEach(c -> bodiesMet.add(c.body));
        for (Coat c : coats) {
            if (bodiesMet.contains(c.body)) {
                c.body = fresh.body;
                c.laid = end;
            }
        }
        for (Coat c : coats) {
            c.h = thickness(c);
        }
    }

    private boolean runsInto(Act act, Coat c, long minute, boolean done) {
        return wants(act, c, done) && q(c, minute) < 0.3;
    }

    private boolean wants(Act act, Coat c, boolean done) {
        List<String> with = act.technique().blends();
        return isFilm(act)
                && isFilm(c.act)
                && !with.isEmpty()
                && isKin(act.material().binder().orElseThrow(), binder(c))
                && (done
                        || with.contains(c.act.technique().key())
                        || with.contains(Technique.BLENDS_WITH_ANY));
    }

    /** What speaks for or against an act: rule, severity and coat, in the order of the alphabet. */
    Set<String> rules(Act act, long begin, int takes) {
        Set<String> out = new TreeSet<>();
        boolean local = isLocal(act);
        boolean mist = action(act) == Action.MIST || action(act) == Action.DRY_MIST;
        Set<StepId> meant = bodies(meant(act));
        Set<String> run = new TreeSet<>();
        drying(act, begin, local, mist, run, out);
        double needs = act.technique().handling().needsCure();
        for (Coat c : coats) {
            double q = q(c, begin);
            if (needs > 0 && q < needs) {
                boolean low = act.technique().handling().lowTack() && q >= 0.3;
                out.add("SOFT " + (low ? "WARN " : "STOP ") + c.act.material().name());
            }
        }
        Map<String, Double> hits = hits(act, begin);
        // a decal on powder is a matter of its surface
        boolean sticks = act.material().binder().filter(b -> b == Binder.DECAL_FILM).isPresent();
        boolean binds = act.material().isClear() && force(action(act)) <= 0.5;
        for (Coat c : coats) {
            double hit = hits.getOrDefault(c.act.id().value(), 0.0);
            boolean powder = binder(c) == Binder.LOOSE_POWDER && !c.held;
            if (hit >= 0.25
                    && !meant.contains(c.act.id())
                    && !run.contains(c.act.id().value())
                    && !((binds || sticks) && powder)) {
                out.add(
                        (powder ? "LOOSE " : "REACH ")
                                + severity(hit >= 0.55, local)
                                + c.act.material().name());
            }
        }
        for (String beneath : List.of("lettering", "ground")) {
            double hit = hits.getOrDefault(beneath, 0.0);
            if (hit >= 0.25) {
                String name =
                        beneath.equals("lettering")
                                ? "factory lettering"
                                : zone.substrate().label();
                out.add("REACH " + severity(hit >= 0.55, local) + name);
            }
        }
        worked(act, begin, takes, hits, out);
        return out;
    }

    private static String severity(boolean heavy, boolean local) {
        return heavy ? (local ? "WARN " : "STOP ") : local ? "NOTE " : "WARN ";
    }

    private void drying(
            Act act, long begin, boolean local, boolean mist, Set<String> run, Set<String> out) {
        if (!act.material().deposits() || act.technique().action() == Action.DRY) {
            if (act.material().deposits() && !coats.isEmpty() && q(coats.getLast(), begin) < 0.3) {
                Coat top = coats.getLast();
                boolean oil = isOil(top.lies);
                out.add((oil ? "BLEND NOTE " : "WET WARN ") + top.act.material().name());
            }
            return;
        }
        Binder own = act.material().binder().orElseThrow();
        boolean hardens = isFilm(act) && !isOil(own) && own != Binder.LOOSE_POWDER;
        boolean inRow = true;
        for (int i = coats.size() - 1; i >= 0; i--) {
            Coat c = coats.get(i);
            String name = c.act.material().name();
            double q = q(c, begin);
            boolean kin = isKin(own, binder(c));
            boolean sameBody = i + 1 < coats.size() && coats.get(i + 1).body == c.body;
            boolean ran = sameBody && run.contains(coats.get(i + 1).act.id().value()) && inRow;
            if (ran || (inRow && runsInto(act, c, begin, false))) {
                out.add("BLEND NOTE " + name);
                run.add(c.act.id().value());
                continue;
            }
            boolean next = inRow;
            inRow = false;
            if (next && wants(act, c, false) && q >= 0.3 && q < 0.7) {
                out.add("WET " + (local ? "NOTE " : "WARN ") + name);
                run.add(c.act.id().value());
            } else if (hardens && isOil(binder(c)) && q < 0.7) {
                boolean traces = c.act.technique().action() == Action.DRY_BRUSH;
                boolean thin = thickness(c) <= 0.6;
                boolean stop = own == Binder.LACQUER || q < 0.3 || !thin;
                out.add("TRAPPED " + (traces || !stop ? "WARN " : "STOP ") + name);
            } else if (q < 0.7) {
                out.add("WET " + severity(q < 0.3 && !kin, local || mist) + name);
            } else if (isFilm(act)
                    && (own == Binder.WATERBORNE_ACRYLIC
                            || own == Binder.FLOOR_POLISH
                            || own == Binder.RELEASE_LAYER)
                    && isOil(binder(c))
                    && i == coats.size() - 1) {
                out.add("SLOW NOTE " + name);
            }
        }
    }

    private void worked(Act act, long begin, int takes, Map<String, Double> hits, Set<String> out) {
        if (act.means().isEmpty()) {
            return;
        }
        Set<StepId> meant = bodies(meant(act));
        List<Coat> targets =
                coats.reversed().stream().filter(c -> meant.contains(c.act.id())).toList();
        if (targets.isEmpty()) {
            out.add("NO_TARGET STOP ");
            return;
        }
        Must must = act.means().get().must();
        Coat top = targets.getFirst();
        // what is drawn down goes with the topmost, what lifts or comes off with the deepest
        Coat needed = must == Must.MOVED ? top : targets.getLast();
        if (countBodies(meant) > 1 && must == Must.LIFTED && q(top, begin) < 0.3) {
            out.add("WINDOW STOP " + top.act.material().name());
            return;
        }
        int before = 0;
        int after = 0;
        int afterEnd = 0;
        for (Coat c : targets) {
            if (c.act.material().window().isPresent() && must != Must.REMOVED) {
                double slow = slowing(c);
                double from = c.act.material().window().get().fromMinutes() * slow;
                double until = c.act.material().window().get().untilMinutes() * slow;
                before += begin - c.laid < from ? 1 : 0;
                after += begin - c.laid > until ? 1 : 0;
                afterEnd += begin + takes - c.laid > until ? 1 : 0;
            }
        }
        double need = must == Must.REMOVED ? 0.55 : must == Must.MOVED ? 0.4 : 0.25;
        double hit = hits.getOrDefault(needed.act.id().value(), 0.0);
        if (before > 0) {
            out.add("WINDOW WARN");
        } else if (hit < need) {
            out.add("TOO_LITTLE STOP");
        } else if (after > 0) {
            out.add("WINDOW WARN");
        } else if (afterEnd > 0
                || hits(act, begin + takes).getOrDefault(needed.act.id().value(), 0.0) < need) {
            out.add("WINDOW WARN");
        }
    }
}
