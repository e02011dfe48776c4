package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.pendrik.core.catalogue.Action;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.CureAnchors;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Works;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Look;
import org.pendrik.core.units.Climate;

/** The coats on one zone, from the substrate up. */
public final class Column {
    /** Less than this share of a coat is as good as none. */
    private static final double GONE = 0.05;

    private static final List<String> LOOSE = List.of(Works.LOOSE);

    private final Zone zone;
    private final List<Layer> layers = new ArrayList<>();
    private boolean lettering;
    private boolean masked;

    Column(Zone zone) {
        this.zone = zone;
        this.lettering = zone.lettering();
    }

    /** A column like this one that can be changed by itself. */
    Column copy() {
        Column out = new Column(zone);
        out.layers.addAll(layers);
        out.lettering = lettering;
        out.masked = masked;
        return out;
    }

    void lay(Layer layer) {
        layers.add(layer);
    }

    /** What an act leaves here: a coat, less of a coat, a mask, or no lettering. */
    void leave(Act act, Climate air) {
        act.takesBack().ifPresent(what -> takeBack(act, what));
        if (act.technique().works().meansLettering()) {
            lettering = false;
        }
        masked = Masks.after(act, masked);
        act.material().binder().ifPresent(b -> lay(act, b, air));
    }

    private void lay(Act act, Binder own, Climate air) {
        long begin = act.beginOn(zone.key());
        ToDoubleFunction<Layer> age = l -> (double) (begin - l.laidAt());
        int open = blending(act, age);
        Layer fresh = Layer.of(act, zone.key(), held(act, own, age), air);
        if (open == 0) {
            lay(fresh);
            return;
        }
        // they run into one coat, with the age of the younger and the thickness of all
        int from = layers.size() - open;
        double coats = fresh.coats();
        for (int i = from; i < layers.size(); i++) {
            // what is one coat already says the thickness of all of it
            boolean counted = i + 1 < layers.size() && layers.get(i + 1).fused();
            coats += counted ? 0 : layers.get(i).coats();
        }
        for (int i = from; i < layers.size(); i++) {
            Layer l = layers.get(i);
            layers.set(i, l.blended(coats, fresh.laidAt(), i > from || l.fused(), air));
        }
        lay(fresh.blended(coats, fresh.laidAt(), true, air));
    }

    /** What is dropped into a wet coat is held by its binder. */
    private Binder held(Act act, Binder own, ToDoubleFunction<Layer> ageOf) {
        if (act.technique().embeds()) {
            return targets(act).stream().findFirst().map(Layer::binder).orElse(own);
        }
        return sinksIn(act, ageOf) ? layers.getLast().binder() : own;
    }

    /** Dry powder on a coat that is still wet sticks in it. */
    boolean sinksIn(Act act, ToDoubleFunction<Layer> ageOf) {
        return act.technique().action() == Action.DRY
                && act.material().binder().filter(Binder::isLoose).isPresent()
                && !layers.isEmpty()
                && layers.getLast().cureAfter(ageOf.applyAsDouble(layers.getLast()))
                        < CureAnchors.Q_TOUCH;
    }

    /**
     * How many coats from the top down an act runs into: those of its family that are not touch dry
     * where its technique blends with theirs, or where it has been laid.
     */
    int blending(Act act, ToDoubleFunction<Layer> ageOf) {
        int n = 0;
        for (int i = layers.size() - 1; i >= 0; i--) {
            Layer l = layers.get(i);
            boolean runs = isKin(act, l) && (act.done() || seeks(act, l));
            if (!runs || l.cureAfter(ageOf.applyAsDouble(l)) >= CureAnchors.Q_TOUCH) {
                break;
            }
            n++;
        }
        // of what is one coat, all of it opens again
        while (n > 0 && n < layers.size() && layers.get(layers.size() - n).fused()) {
            n++;
        }
        return n;
    }

    /** Whether an act means to run into a coat of its family, however far that has cured. */
    static boolean mayBlend(Act act, Layer l) {
        return isKin(act, l) && seeks(act, l);
    }

    /** A blending technique on a film of the same family. */
    private static boolean isKin(Act act, Layer l) {
        return act.laysFilm()
                && !act.technique().blends().isEmpty()
                && act.material().binder().filter(l.binder()::blendsWith).isPresent()
                && l.technique().action() != Action.DRY_BRUSH;
    }

    /** Powder is stippled into open oil on purpose; into anything else that is wet it blotches. */
    static boolean mayStipple(Act act, Layer wet) {
        boolean planned = !act.done() && act.madeFor() instanceof MadeFor.OfEffect;
        return wet.binder().isOxidative() && (!planned || act.madeFor().equals(wet.madeFor()));
    }

    private static boolean seeks(Act act, Layer l) {
        List<String> with = act.technique().blends();
        boolean sameEffect =
                act.madeFor() instanceof MadeFor.OfEffect && act.madeFor().equals(l.madeFor());
        return sameEffect
                || with.contains(Technique.BLENDS_WITH_ANY)
                || with.contains(l.technique().key());
    }

    private void takeBack(Act act, Act.TakenBack what) {
        List<Layer> taken = targets(act);
        for (int i = layers.size() - 1; i >= 0; i--) {
            Layer l = layers.get(i);
            if (taken.contains(l)) {
                Layer thinner = l.without(what.share());
                if (thinner.left() < GONE) {
                    layers.remove(i);
                } else {
                    layers.set(i, thinner);
                }
            }
        }
    }

    /** Whether an act changes what lies in a column. */
    static boolean isChangedBy(Act act) {
        return act.material().deposits()
                || act.takesBack().isPresent()
                || act.technique().works().meansLettering()
                || Masks.changedBy(act);
    }

    /** A film or liquid keeps what is sprayed off it. */
    boolean masked() {
        return masked;
    }

    /** Some coat closes the whole of the zone. */
    public boolean isCovered() {
        return layers.stream().anyMatch(l -> l.closed() == 1);
    }

    /** Factory lettering still lies on the substrate. */
    public boolean lettering() {
        return lettering;
    }

    /** Whether any act meets the same here and there at every minute. */
    boolean agesAs(Column other) {
        return zone.substrate() == other.zone.substrate()
                && lettering == other.lettering
                && masked == other.masked
                && layers.equals(other.layers);
    }

    /** The zone it stands on. */
    public Zone zone() {
        return zone;
    }

    /** The coats, lowest first. */
    public List<Layer> layers() {
        return List.copyOf(layers);
    }

    List<Layer> live() {
        return layers;
    }

    /**
     * How well the next coat grips after the coats up to {@code count}, 0 to 1: a coat on less than
     * nine tenths of the zone does not change what the zone offers, a mist changes it by half, a
     * decal lies on its own gloss.
     */
    double toothAfter(int count) {
        double tooth = zone.substrate().finish().tooth();
        for (int i = 0; i < count; i++) {
            Layer l = layers.get(i);
            Optional<Finish> f = l.material().finish();
            if (f.isPresent() && f.get() != Finish.LOOSE && l.closed() > 0) {
                tooth =
                        l.closed() == 1
                                ? f.get().tooth()
                                : tooth + (f.get().tooth() - tooth) * l.closed();
            }
        }
        return tooth;
    }

    /** How well the next coat grips now, 0 to 1. */
    public double tooth() {
        return toothAfter(layers.size());
    }

    /** The finish that shows after the coats up to {@code count}: the one that grips most alike. */
    public Finish finishAfter(int count) {
        return Finish.nearest(toothAfter(count));
    }

    /** The finish that shows now. */
    public Finish finish() {
        return finishAfter(layers.size());
    }

    /** Powder lies on it that no clear binds yet. */
    public boolean isPowdered() {
        return loose().isPresent();
    }

    /** Loose matter that no clear binds yet. */
    Optional<Layer> loose() {
        for (int i = layers.size() - 1; i >= 0; i--) {
            Layer l = layers.get(i);
            if (l.binds()) {
                return Optional.empty();
            }
            if (l.isLoose()) {
                return Optional.of(l);
            }
        }
        return Optional.empty();
    }

    private int laidBy(String technique) {
        for (int i = layers.size() - 1; i >= 0; i--) {
            if (layers.get(i).technique().key().equals(technique)) {
                return i;
            }
        }
        return -1;
    }

    /**
     * The coats that an act means to work here, topmost first: what it names or takes back, else of
     * the alternatives of its technique the one that lies highest; each with what it has run
     * together with. Empty when there is none.
     */
    List<Layer> targets(Act act) {
        List<Layer> named = named(act);
        if (named.isEmpty() || !hasRunTogether()) {
            return named;
        }
        List<Layer> out = new ArrayList<>();
        for (int i = layers.size() - 1; i >= 0; i--) {
            int bottom = i;
            while (bottom > 0 && layers.get(bottom).fused()) {
                bottom--;
            }
            List<Layer> one = layers.subList(bottom, i + 1).reversed();
            if (one.stream().anyMatch(named::contains)) {
                out.addAll(one);
            }
            i = bottom;
        }
        return List.copyOf(out);
    }

    private boolean hasRunTogether() {
        for (Layer l : layers) {
            if (l.fused()) {
                return true;
            }
        }
        return false;
    }

    /** How many coats some layers are, where what has run together is one. */
    int coats(List<Layer> some) {
        int n = 0;
        for (Layer l : some) {
            n += l.fused() ? 0 : 1;
        }
        return n;
    }

    private List<Layer> named(Act act) {
        if (act.means().isPresent()) {
            Set<StepId> ids = act.means().get().actIds();
            return layers.reversed().stream().filter(l -> ids.contains(l.actId())).toList();
        }
        if (act.takesBack().isPresent()) {
            StepId id = act.takesBack().get().actId();
            return layers.stream().filter(l -> l.actId().equals(id)).limit(1).toList();
        }
        if (act.technique().works().meansWhatever()) {
            return List.copyOf(layers.reversed());
        }
        List<Layer> best = List.of();
        int highest = -1;
        for (List<String> all : act.technique().works().on()) {
            if (all.equals(LOOSE)) {
                best = loose().map(List::of).orElse(best);
                continue;
            }
            int[] found = new int[all.size()];
            for (int i = 0; i < found.length; i++) {
                found[i] = laidBy(all.get(i));
            }
            Arrays.sort(found);
            if (found[0] >= 0 && found[found.length - 1] > highest) {
                highest = found[found.length - 1];
                best = new ArrayList<>();
                for (int i = found.length - 1; i >= 0; i--) {
                    best.add(layers.get(found[i]));
                }
            }
        }
        if (best.size() == 1 && best.getFirst().isLoose()) {
            return heap(best.getFirst());
        }
        for (Layer l : best) {
            if (hasTones(l)) {
                return withTones(best);
            }
        }
        return best;
    }

    /** Another tone of the same effect lies next to it. */
    private boolean hasTones(Layer one) {
        int at = layers.indexOf(one);
        return at > 0 && isToneOf(one, layers.get(at - 1));
    }

    private static boolean isToneOf(Layer one, Layer other) {
        return one.technique().key().equals(other.technique().key())
                && one.madeFor() instanceof MadeFor.OfEffect
                && one.madeFor().equals(other.madeFor());
    }

    private List<Layer> withTones(List<Layer> some) {
        List<Layer> out = new ArrayList<>();
        for (Layer l : some) {
            out.add(l);
            for (int i = layers.indexOf(l) - 1; i >= 0 && isToneOf(l, layers.get(i)); i--) {
                out.add(layers.get(i));
            }
        }
        return List.copyOf(out);
    }

    /** Powder lies in one heap with the powder above and beneath it: who moves some moves all. */
    private List<Layer> heap(Layer one) {
        int from = layers.indexOf(one);
        int until = from;
        while (from > 0 && layers.get(from - 1).isLoose()) {
            from--;
        }
        while (until + 1 < layers.size() && layers.get(until + 1).isLoose()) {
            until++;
        }
        return List.copyOf(layers.subList(from, until + 1).reversed());
    }

    /**
     * Predicted colours from the bare zone up, D65: entry i is what shows when i coats lie on it.
     * Coats are films over each other; a clear changes the surface alone.
     */
    public List<Lab> colours() {
        List<Lab> out = new ArrayList<>();
        Look look = CoatLook.start(zone.colour(), zone.substrate().finish());
        out.add(zone.colour());
        for (Layer l : layers) {
            look = CoatLook.coated(look, l);
            out.add(look.lab(Light.D65));
        }
        return out;
    }
}
