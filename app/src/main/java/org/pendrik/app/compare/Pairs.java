package org.pendrik.app.compare;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.FlatSides;
import org.pendrik.app.sides.Laid;
import org.pendrik.app.sides.Side;
import org.pendrik.app.study.EvenSides;
import org.pendrik.core.photo.Registration;
import org.springframework.stereotype.Component;

/** Finds the two photographs to hold against each other, and lays the model's side over. */
@Component
class Pairs {
    private final Photographs photographs;
    private final EvenSides even;
    private final FlatSides flat;

    Pairs(Photographs photographs, EvenSides even, FlatSides flat) {
        this.flat = flat;
        this.photographs = photographs;
        this.even = even;
    }

    /**
     * Prototype and model of one side.
     *
     * @param laid the model's side, laid over the prototype's
     */
    record Pair(Photograph prototype, FlatSide first, Photograph model, Laid laid) {
        FlatSide second() {
            return laid.side();
        }

        /** How the model's side had to be moved. */
        Registration.Fit fit() {
            return laid.fit();
        }
    }

    /** The side to compare: the one asked for, else the first that has both. */
    Side side(UUID jobId, @Nullable Side wanted) {
        if (wanted != null) {
            return wanted;
        }
        for (Side s : Side.values()) {
            Photograph p = photographs.leading(jobId, Role.PROTOTYPE, s);
            Photograph m = photographs.leading(jobId, Role.MODEL, s);
            if (p != null && m != null && p.located() && m.located()) {
                return s;
            }
        }
        return Side.LEFT;
    }

    /** Two photographs to hold against each other. */
    record Chosen(Photograph prototype, Photograph model) {}

    /**
     * The photographs to hold against each other; empty while one is missing.
     *
     * @param modelId null takes the newest that is located
     */
    Optional<Chosen> chosen(UUID jobId, Side side, @Nullable UUID modelId) {
        Photograph one = photographs.leading(jobId, Role.PROTOTYPE, side);
        Photograph two =
                modelId == null
                        ? photographs.leading(jobId, Role.MODEL, side)
                        : photographs.get(modelId);
        if (one == null
                || two == null
                || !two.jobId().equals(jobId)
                || two.side() != side
                || two.role() != Role.MODEL) {
            return Optional.empty();
        }
        return Optional.of(new Chosen(one, two));
    }

    /** One laid over the other; empty while one is not located. */
    Optional<Pair> of(Chosen c) {
        Photograph one = c.prototype();
        Photograph two = c.model();
        return even.of(one)
                .flatMap(a -> even.of(two).map(b -> new Pair(one, a, two, flat.laid(a, b))));
    }

    /** The located photographs of the model on a side, in the order in which they were taken. */
    List<Photograph> progress(UUID jobId, Side side) {
        return photographs.ofJob(jobId).stream()
                .filter(p -> p.role() == Role.MODEL && p.side() == side && p.located())
                .sorted(java.util.Comparator.comparing(Photograph::when))
                .toList();
    }
}
