package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Look;
import org.pendrik.core.units.Climate;

/** The coats on one zone, from the substrate up. */
public final class Column {
    /** Less than this share of a coat is as good as none. */
    private static final double GONE = 0.05;

    private final Zone zone;
    private final List<Layer> layers = new ArrayList<>();
    private boolean lettering;

    Column(Zone zone) {
        this.zone = zone;
        this.lettering = zone.lettering();
    }

    /** A column like this one that can be changed by itself. */
    Column copy() {
        Column out = new Column(zone);
        out.layers.addAll(layers);
        out.lettering = lettering;
        return out;
    }

    void lay(Layer layer) {
        layers.add(layer);
    }

    /** What an act leaves here: a coat, less of a coat, or no lettering. */
    void leave(Act act, Climate air) {
        act.takesBack().ifPresent(this::takeBack);
        if (act.technique().works().meansLettering()) {
            lettering = false;
        }
        // what is dropped into a coat is held by its binder
        var held =
                act.technique().embeds()
                        ? targets(act).stream().findFirst().map(Layer::binder)
                        : Optional.<Binder>empty();
        act.material().binder().ifPresent(b -> lay(Layer.of(act, held.orElse(b), air)));
    }

    private void takeBack(Act.TakenBack what) {
        for (int i = layers.size() - 1; i >= 0; i--) {
            Layer l = layers.get(i);
            if (l.actId().equals(what.actId())) {
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
                || act.technique().works().meansLettering();
    }

    /** Factory lettering still lies on the substrate. */
    public boolean lettering() {
        return lettering;
    }

    /** Whether any act meets the same here and there at every minute. */
    boolean agesAs(Column other) {
        return zone.substrate() == other.zone.substrate()
                && lettering == other.lettering
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

    /** The finish that shows after the coats up to {@code count}. */
    public Finish finishAfter(int count) {
        for (int i = count - 1; i >= 0; i--) {
            Optional<Finish> f = layers.get(i).material().finish();
            if (f.isPresent()) {
                return f.get();
            }
        }
        return zone.substrate().finish();
    }

    /** The finish that shows now. */
    public Finish finish() {
        return finishAfter(layers.size());
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
     * The coats that an act means to work here, topmost first: what it takes back, else of the
     * alternatives of its technique the one that lies highest; empty when there is none.
     */
    List<Layer> targets(Act act) {
        if (act.takesBack().isPresent()) {
            StepId id = act.takesBack().get().actId();
            return layers.stream().filter(l -> l.actId().equals(id)).limit(1).toList();
        }
        List<Layer> best = List.of();
        int highest = -1;
        for (List<String> all : act.technique().works().on()) {
            List<Integer> found = all.stream().map(this::laidBy).sorted().toList().reversed();
            if (found.getLast() >= 0 && found.getFirst() > highest) {
                highest = found.getFirst();
                best = found.stream().map(layers::get).toList();
            }
        }
        return best;
    }

    /** A decal's edge, and loose powder, let every carrier past; a clear on top closes them. */
    boolean isOpen(int index) {
        Layer l = layers.get(index);
        if (l.binder() != Binder.DECAL_FILM && !l.isLoose()) {
            return false;
        }
        for (int i = index + 1; i < layers.size(); i++) {
            if (layers.get(i).binds()) {
                return false;
            }
        }
        return true;
    }

    /**
     * Predicted colours from the bare zone up, D65: entry i is what shows when i coats lie on it.
     * Coats are films over each other; a clear changes the surface alone.
     */
    public List<Lab> colours() {
        List<Lab> out = new ArrayList<>();
        Look look = Films.start(zone.colour(), zone.substrate().finish());
        out.add(zone.colour());
        for (Layer l : layers) {
            look = Films.coated(look, l);
            out.add(look.lab(Light.D65));
        }
        return out;
    }
}
