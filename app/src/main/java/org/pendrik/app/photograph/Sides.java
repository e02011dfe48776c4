package org.pendrik.app.photograph;

import java.time.ZoneOffset;
import java.util.Optional;
import org.pendrik.app.sides.CloseUp;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.FlatSides;
import org.pendrik.app.sides.MarkedSide;
import org.pendrik.app.sides.SideSize;
import org.pendrik.app.sides.WholePicture;
import org.pendrik.core.photo.CornerFinder;
import org.pendrik.core.photo.Point;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;

/** The flat sides of photographs that are kept. */
@Service
public class Sides {
    private final PhotographStore store;
    private final SideSizes sizes;
    private final FlatSides flat;

    Sides(PhotographStore store, SideSizes sizes, FlatSides flat) {
        this.store = store;
        this.sizes = sizes;
        this.flat = flat;
    }

    /**
     * The side of a photograph; empty while it is not located, or the size of the side is not
     * known.
     *
     * @throws InvalidInput when the marks cannot belong to a side
     */
    public Optional<FlatSide> of(Photograph p) {
        return of(p, sizes.of(p.jobId(), p.side()));
    }

    /** The same, the size of the side being at hand. */
    public Optional<FlatSide> of(Photograph p, Optional<SideSize> known) {
        return known.map(p::markedSide).flatMap(m -> flat.flat(m, this::decode));
    }

    /**
     * The part of a side that a photograph shows, at its own resolution; empty where that is hardly
     * finer than the whole side.
     *
     * @param whole the side of the photograph, possibly laid over another one
     * @param moved where its places lie on the photograph's own side, prototype mm
     */
    public Optional<CloseUp> closeUp(Photograph p, FlatSide whole, double[] moved) {
        return sizes.of(p.jobId(), p.side())
                .map(p::markedSide)
                .flatMap(m -> flat.closeUp(m, whole, moved, this::decode));
    }

    /** All that a flat side hangs on, as text; empty while there is none. */
    public static Optional<String> basis(Photograph p, Optional<SideSize> known) {
        return known.map(p::markedSide).filter(MarkedSide::located).map(MarkedSide::toString);
    }

    /** The upright picture. */
    WholePicture decoded(Photograph p) {
        return flat.picture(p.hash(), () -> decode(p.hash()));
    }

    private WholePicture decode(String hash) {
        byte[] file = store.read(hash);
        return PhotographFile.decode(file, PhotographFile.header(file, ZoneOffset.UTC));
    }

    /** Where the corners of the side seem to be, in photograph pixels. */
    CornerFinder.Outcome propose(Photograph p) {
        WholePicture d = decoded(p);
        return switch (CornerFinder.propose(d.raster())) {
            case CornerFinder.Outcome.Proposed c ->
                    new CornerFinder.Outcome.Proposed(
                            c.corners().stream()
                                    .map(q -> new Point(q.x() * d.step(), q.y() * d.step()))
                                    .toList());
            case CornerFinder.Outcome.Nothing n -> n;
        };
    }
}
