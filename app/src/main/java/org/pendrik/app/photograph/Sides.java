package org.pendrik.app.photograph;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionSampler;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.photo.SideRectifier.Mark;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;
import org.springframework.stereotype.Service;

/** Makes rectified sides of photographs and keeps the last few at hand. */
@Service
public class Sides {
    /** Every side is worked on at this many pixels along its length. */
    public static final int WORKING_WIDTH_PX = 1600;

    private static final int KEPT = 12;

    private final PhotographStore store;
    private @Nullable Cached lastDecoded;
    private final Map<SideKey, Side> sides =
            new LinkedHashMap<>(16, 0.75f, true) {
                @java.io.Serial private static final long serialVersionUID = 1L;

                @Override
                protected boolean removeEldestEntry(Map.Entry<SideKey, Side> eldest) {
                    return size() > KEPT;
                }
            };

    Sides(PhotographStore store) {
        this.store = store;
    }

    private record Cached(String hash, PhotographFile.Decoded decoded) {}

    private record SideKey(
            String hash,
            Marks.@Nullable Corners corners,
            Marks.@Nullable KnownPoints known,
            Marks.@Nullable GreyPatch grey,
            Length length,
            Length height) {}

    /**
     * A rectified side.
     *
     * @param geometry in full photograph pixels
     * @param raster at {@link #pxPerMm}
     * @param light takes out the light; neutral when no card is marked
     */
    public record Side(SideGeometry geometry, Raster raster, double pxPerMm, GreyBalance light) {
        /** The side as it would look without the colour of the light. */
        Raster inNeutralLight() {
            if (light == GreyBalance.NONE) {
                return raster;
            }
            int[] out = new int[raster.argb().length];
            Arrays.parallelSetAll(
                    out, i -> (raster.argb()[i] & Raster.OPAQUE) | light.toPixel(raster.argb()[i]));
            return new Raster(raster.width(), raster.height(), out);
        }
    }

    /**
     * The side of a photograph; empty while its corners are not marked.
     *
     * @throws InvalidInput when the corners cannot belong to a side
     */
    public synchronized Optional<Side> of(Photograph p, Length length, Length height) {
        if (p.corners() == null) {
            return Optional.empty();
        }
        SideKey key =
                new SideKey(p.hash(), p.corners(), p.knownPoints(), p.greyPatch(), length, height);
        Side side = sides.get(key);
        if (side == null) {
            side = render(p, length, height);
            sides.put(key, side);
        }
        return Optional.of(side);
    }

    private Side render(Photograph p, Length length, Length height) {
        SideGeometry full = locate(p, length, height, 1);
        PhotographFile.Decoded d = decoded(p);
        double pxPerMm = WORKING_WIDTH_PX / length.mm();
        Raster raster = locate(p, length, height, d.step()).rectify(d.raster(), pxPerMm);
        return new Side(full, raster, pxPerMm, light(p, d));
    }

    /**
     * Where the side lies, checked; {@code step} photograph pixels make one pixel of what is
     * rendered from.
     */
    static SideGeometry locate(Photograph p, Length length, Length height, int step) {
        Marks.Corners corners = java.util.Objects.requireNonNull(p.corners());
        var marks =
                p.knownPoints() == null
                        ? java.util.List.<Mark>of()
                        : p.knownPoints().points().stream()
                                .map(
                                        k ->
                                                new Mark(
                                                        new Point(k.xPx() / step, k.yPx() / step),
                                                        new Point(k.xMm(), k.yMm())))
                                .toList();
        var scaled =
                corners.points().stream().map(c -> new Point(c.x() / step, c.y() / step)).toList();
        return switch (SideRectifier.locate(scaled, marks, length, height)) {
            case SideRectifier.Outcome.Found f -> f.geometry();
            case SideRectifier.Outcome.Refused r ->
                    throw new InvalidInput(
                            "Corners",
                            "as marked",
                            "do not make a side: " + lower(r.reason()),
                            r.remedy());
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
        return GreyBalance.of(mean[0], mean[1], mean[2], g.lightness());
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
}
