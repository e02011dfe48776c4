package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.PartialCover;

/** The coats on one zone, from the substrate up. */
public final class Column {
    private final Zone zone;
    private final List<Layer> layers = new ArrayList<>();

    Column(Zone zone) {
        this.zone = zone;
    }

    void lay(Layer layer) {
        layers.add(layer);
    }

    /** A column like this one with one more coat; this one stays as it is. */
    Column and(Layer layer) {
        Column out = new Column(zone);
        out.layers.addAll(layers);
        out.layers.add(layer);
        return out;
    }

    /** Whether any act meets the same here and there at every minute. */
    boolean agesAs(Column other) {
        return zone.substrate() == other.zone.substrate()
                && zone.lettering() == other.zone.lettering()
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
            if (l.binder().isLoose()) {
                return Optional.of(l);
            }
        }
        return Optional.empty();
    }

    /** The topmost coat that a technique laid. */
    Optional<Layer> laidBy(String technique) {
        for (int i = layers.size() - 1; i >= 0; i--) {
            if (layers.get(i).technique().key().equals(technique)) {
                return Optional.of(layers.get(i));
            }
        }
        return Optional.empty();
    }

    /** A decal's edge, and loose powder, let every carrier past; a clear on top closes them. */
    boolean isOpen(int index) {
        Layer l = layers.get(index);
        if (l.binder() != Binder.DECAL_FILM && !l.binder().isLoose()) {
            return false;
        }
        for (int i = index + 1; i < layers.size(); i++) {
            if (layers.get(i).binds()) {
                return false;
            }
        }
        return true;
    }

    /** Predicted colours from the bare zone up: entry i is what shows when i coats lie on it. */
    public List<Lab> colours() {
        List<Lab> out = new ArrayList<>();
        Lab c = zone.colour();
        out.add(c);
        for (Layer l : layers) {
            Lab under = c;
            c =
                    l.material()
                            .colour()
                            .map(
                                    film ->
                                            PartialCover.over(
                                                    under,
                                                    film,
                                                    l.material().cover(l.thickness())
                                                            * l.technique().share()))
                            .orElse(under);
            out.add(c);
        }
        return out;
    }
}
