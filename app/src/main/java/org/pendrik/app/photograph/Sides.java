package org.pendrik.app.photograph;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.Recent;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.photo.CornerFinder;
import org.pendrik.core.photo.CylinderUnwrapper;
import org.pendrik.core.photo.CylinderUnwrapper.ArcMark;
import org.pendrik.core.photo.Flattening;
import org.pendrik.core.photo.Lens;
import org.pendrik.core.photo.LensFit;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionSampler;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.photo.SideRectifier.Mark;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Service;

/** Makes rectified sides of photographs and keeps the last few at hand. */
@Service
public class Sides {
    /** Every side is worked on at this many pixels along its length. */
    public static final int WORKING_WIDTH_PX = 1600;

    /** A high side is worked on at fewer pixels along it: this many in all. */
    private static final double MOST_PIXELS = 1_400_000;

    private static final int KEPT = 12;

    private final PhotographStore store;
    private final SideSizes sizes;
    private @Nullable Cached lastDecoded;
    private final Map<SideKey, Side> sides = new Recent<>(KEPT);

    Sides(PhotographStore store, SideSizes sizes) {
        this.store = store;
        this.sizes = sizes;
    }

    private record Cached(String hash, PhotographFile.Decoded decoded) {}

    private record SideKey(
            String hash,
            Marks.@Nullable Corners corners,
            Marks.@Nullable KnownPoints known,
            Marks.@Nullable GreyPatch grey,
            Marks.@Nullable StraightLines lines,
            Marks.@Nullable ShellMarks shell,
            SideSize size) {}

    /**
     * Where a side lies in a photograph.
     *
     * @param geometry how it is laid flat
     * @param residualMm misfit of the marks in prototype mm; 0 when nothing checks them
     * @param worstMm the worst of them
     * @param slipMm how far the side moves when a mark is one pixel off
     * @param finestPxPerMm the highest resolution on it
     */
    public record Fit(
            Flattening geometry,
            double residualMm,
            double worstMm,
            double slipMm,
            double finestPxPerMm) {}

    /**
     * A rectified side.
     *
     * @param fit in full photograph pixels
     * @param raster at {@link #pxPerMm}
     * @param light takes out the light; neutral when no patch is marked
     */
    public record Side(Fit fit, Raster raster, double pxPerMm, GreyBalance light) {
        /** The side as it would look without the colour of the light. */
        @SuppressWarnings("ReferenceEquality") // NONE is one object and means: no patch
        public Raster inNeutralLight() {
            return light == GreyBalance.NONE ? raster : inNeutralLight(raster);
        }

        /** A picture of the same light without its colour. */
        public Raster inNeutralLight(Raster picture) {
            int[] out = new int[picture.argb().length];
            Arrays.parallelSetAll(
                    out,
                    i -> {
                        int p = picture.argb()[i];
                        return (p & Raster.OPAQUE) | light.toPixel(p);
                    });
            return new Raster(picture.width(), picture.height(), out);
        }
    }

    /**
     * The side of a photograph; empty while it is not located, or the size of the side is not
     * known.
     *
     * @throws InvalidInput when the marks cannot belong to a side
     */
    public Optional<Side> of(Photograph p) {
        return of(p, sizes.of(p.jobId(), p.side()));
    }

    /** The same, the size of the side being at hand. */
    public synchronized Optional<Side> of(Photograph p, Optional<SideSize> known) {
        SideSize size = known.orElse(null);
        SideKey key = key(p, size);
        if (size == null || key == null) {
            return Optional.empty();
        }
        Side side = sides.get(key);
        if (side == null) {
            side = render(p, size);
            sides.put(key, side);
        }
        return Optional.of(side);
    }

    /** All that a rectified side hangs on, as text; empty while there is none. */
    public static Optional<String> basis(Photograph p, Optional<SideSize> known) {
        return Optional.ofNullable(key(p, known.orElse(null))).map(SideKey::toString);
    }

    private static @Nullable SideKey key(Photograph p, @Nullable SideSize size) {
        if (!p.located()
                || size == null
                || (size.curve() == null ? p.corners() == null : p.shellMarks() == null)) {
            return null;
        }
        return new SideKey(
                p.hash(),
                p.corners(),
                p.knownPoints(),
                p.greyPatch(),
                p.straightLines(),
                p.shellMarks(),
                size);
    }

    private Side render(Photograph p, SideSize size) {
        Fit full = locate(p, size, 1);
        PhotographFile.Decoded d = decoded(p);
        double pxPerMm =
                Math.min(
                        WORKING_WIDTH_PX / size.lengthMm(),
                        Math.sqrt(MOST_PIXELS / (size.lengthMm() * size.heightMm())));
        Raster raster = locate(p, size, d.step()).geometry().flat(d.raster(), pxPerMm);
        return new Side(full, raster, pxPerMm, light(p, d));
    }

    /**
     * Where the side lies, checked; {@code step} photograph pixels make one pixel of what is
     * rendered from.
     */
    static Fit locate(Photograph p, SideSize size, int step) {
        return size.curve() == null ? plane(p, size, step) : shell(p, size, step);
    }

    private static Fit plane(Photograph p, SideSize size, int step) {
        if (p.corners() == null) {
            throw new InvalidInput(
                    "Corners", "none", "are needed on a flat side", "Mark its four corners.");
        }
        List<Mark> marks =
                p.knownPoints() == null
                        ? List.of()
                        : p.knownPoints().points().stream()
                                .map(
                                        k ->
                                                new Mark(
                                                        new Point(k.xPx() / step, k.yPx() / step),
                                                        new Point(k.xMm(), k.yMm())))
                                .toList();
        List<Point> scaled =
                p.corners().points().stream()
                        .map(c -> new Point(c.x() / step, c.y() / step))
                        .toList();
        return switch (SideRectifier.locate(
                scaled, marks, size.length(), size.height(), lens(p, step))) {
            case SideRectifier.Outcome.Found f -> {
                SideGeometry g = f.geometry();
                yield new Fit(
                        g,
                        g.residualMm(),
                        g.worstMm(),
                        g.slipMm() / step,
                        g.finestPxPerMm() * step);
            }
            case SideRectifier.Outcome.Refused r ->
                    throw new InvalidInput(
                            "Corners",
                            "as marked",
                            "do not make a side: " + lower(r.reason()),
                            r.remedy());
        };
    }

    private static Fit shell(Photograph p, SideSize size, int step) {
        if (p.shellMarks() == null) {
            throw new InvalidInput(
                    "End circles",
                    "not marked",
                    "are needed on a curved side",
                    "Mark three places on each end circle.");
        }
        List<ArcMark> marks =
                p.shellMarks().marks().stream()
                        .map(
                                m ->
                                        new ArcMark(
                                                new Point(
                                                        m.photo().x() / step, m.photo().y() / step),
                                                m.leftEnd(),
                                                m.degrees()))
                        .toList();
        return switch (CylinderUnwrapper.locate(
                marks, size.shell(), lens(p, step), p.focalPx() / step)) {
            case CylinderUnwrapper.Outcome.Found f -> {
                double finest = f.shell().pxPerMm(size.lengthMm() / 2, size.heightMm() / 2) * step;
                double off = f.residualPx() * step / finest;
                yield new Fit(f.shell(), off, off, 1 / finest, finest);
            }
            case CylinderUnwrapper.Outcome.Refused r ->
                    throw new InvalidInput(
                            "End circles",
                            "as marked",
                            "do not make a shell: " + lower(r.reason()),
                            r.remedy());
        };
    }

    /** The lens that the straight lines tell; a straight one when none are marked. */
    static Lens lens(Photograph p, int step) {
        if (p.straightLines() == null || p.straightLines().lines().isEmpty()) {
            return Lens.straight(p.widthPx(), p.heightPx()).shrunk(step);
        }
        return switch (LensFit.fit(p.straightLines().lines(), p.widthPx(), p.heightPx())) {
            case LensFit.Outcome.Found f -> f.lens().shrunk(step);
            case LensFit.Outcome.Refused r ->
                    throw new InvalidInput(
                            "Straight lines", "as marked", lower(r.reason()), r.remedy());
        };
    }

    private static String lower(String sentence) {
        String s =
                sentence.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + sentence.substring(1);
        return s.endsWith(".") ? s.substring(0, s.length() - 1) : s;
    }

    private static GreyBalance light(Photograph p, PhotographFile.Decoded d) {
        Marks.GreyPatch g = p.greyPatch();
        if (g == null) {
            return GreyBalance.NONE;
        }
        // the sampler works on any picture with a scale: here one "mm" is one photograph pixel
        Region patch = new Region("grey card", g.x(), g.y(), g.width(), g.height());
        double[] mean =
                RegionSampler.meanLinear(d.raster(), 1.0 / d.step(), patch)
                        .filter(m -> m[0] > 0 && m[1] > 0 && m[2] > 0)
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "Grey card",
                                                "as marked",
                                                "is too bright, too dark or too small to measure",
                                                "Mark an evenly lit part of it, away from glare."));
        return GreyBalance.of(mean[0], mean[1], mean[2], g.known());
    }

    /** The upright picture, from the file or from the last one decoded. */
    synchronized PhotographFile.Decoded decoded(Photograph p) {
        Cached last = lastDecoded;
        if (last == null || !last.hash().equals(p.hash())) {
            byte[] file = store.read(p.hash());
            var header = PhotographFile.header(file, java.time.ZoneOffset.UTC);
            last = new Cached(p.hash(), PhotographFile.decode(file, header));
            lastDecoded = last;
        }
        return last.decoded();
    }

    /** Where the corners of the side seem to be, in photograph pixels. */
    CornerFinder.Outcome propose(Photograph p) {
        PhotographFile.Decoded d = decoded(p);
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
