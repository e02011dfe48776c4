package org.pendrik.core.photo;

import java.util.List;
import java.util.stream.IntStream;
import org.pendrik.core.colour.GreyBalance;

/**
 * Which pixels of a rectified side can be measured, and why the others cannot.
 *
 * <p>A channel at its end has lost what it stood for. Once a grey card gives the level of the
 * light, anything brighter than a perfect white is not paint but a mirror image of the lamp: glare.
 * The pixels round both are taken out too, since blur and compression carry the loss there.
 * O(pixels).
 */
public final class Usable {
    /** Why a pixel is or is not measured. */
    public enum State {
        OUTSIDE,
        USABLE,
        CLIPPED,
        GLARE,
        EXCLUDED
    }

    /** Nothing that diffuses light sends back more than falls on it; the margin is noise. */
    private static final double BRIGHTER_THAN_WHITE = 1.04;

    private static final int CLIPPED_HIGH = 254;
    private static final int BLOOM_PX = 2;

    private static final State[] STATES = State.values();

    private final int width;
    private final int height;
    private final byte[] state;

    private Usable(int width, int height, byte[] state) {
        this.width = width;
        this.height = height;
        this.state = state;
    }

    /**
     * Looks at every pixel.
     *
     * @param light {@link GreyBalance#NONE} when no card is marked; then glare is only what clips
     * @param excluded what the user took out, in prototype mm
     */
    @SuppressWarnings("ReferenceEquality") // NONE is one object and means: no card
    public static Usable of(Raster side, double pxPerMm, GreyBalance light, List<Region> excluded) {
        int w = side.width();
        int h = side.height();
        byte[] state = new byte[w * h];
        boolean levelKnown = light.known().levelTold();
        IntStream.range(0, h)
                .parallel()
                .forEach(
                        y -> {
                            for (int x = 0; x < w; x++) {
                                state[y * w + x] = code(look(side.at(x, y), light, levelKnown));
                            }
                        });
        Usable out = new Usable(w, h, state);
        out.bloom();
        for (Region r : excluded) {
            PixelBox box = PixelBox.of(r, pxPerMm, w, h);
            for (int y = box.top(); y < box.low(); y++) {
                for (int x = box.left(); x < box.right(); x++) {
                    if (state[y * w + x] != code(State.OUTSIDE)
                            && r.contains((x + 0.5) / pxPerMm, (y + 0.5) / pxPerMm)) {
                        state[y * w + x] = code(State.EXCLUDED);
                    }
                }
            }
        }
        return out;
    }

    private static State look(int p, GreyBalance light, boolean levelKnown) {
        if (p >>> 24 == 0) {
            return State.OUTSIDE;
        }
        int most = Math.max(p >> 16 & 255, Math.max(p >> 8 & 255, p & 255));
        if (most >= CLIPPED_HIGH || (p & 0xffffff) == 0) {
            return State.CLIPPED;
        }
        return levelKnown && light.luminance(p) > BRIGHTER_THAN_WHITE ? State.GLARE : State.USABLE;
    }

    private void bloom() {
        byte clipped = code(State.CLIPPED);
        byte glare = code(State.GLARE);
        byte usable = code(State.USABLE);
        byte[] before = state.clone();
        for (int i = 0; i < before.length; i++) {
            if (before[i] != clipped && before[i] != glare) {
                continue;
            }
            int x = i % width;
            int y = i / width;
            for (int v = Math.max(0, y - BLOOM_PX); v <= Math.min(height - 1, y + BLOOM_PX); v++) {
                for (int u = Math.max(0, x - BLOOM_PX);
                        u <= Math.min(width - 1, x + BLOOM_PX);
                        u++) {
                    if (state[v * width + u] == usable) {
                        state[v * width + u] = before[i];
                    }
                }
            }
        }
    }

    @SuppressWarnings("EnumOrdinal") // a dense code inside one class, never stored
    private static byte code(State s) {
        return (byte) s.ordinal();
    }

    /** Whether a pixel is measured. */
    public boolean at(int x, int y) {
        return state[y * width + x] == 1;
    }

    /** Why a pixel is or is not measured. */
    public State stateAt(int x, int y) {
        return STATES[state[y * width + x]];
    }

    /** The share of a region's pixels inside the photograph that are in a state, 0 to 1. */
    public double share(State wanted, Region r, double pxPerMm) {
        PixelBox box = PixelBox.of(r, pxPerMm, width, height);
        int all = 0;
        int found = 0;
        for (int y = box.top(); y < box.low(); y++) {
            for (int x = box.left(); x < box.right(); x++) {
                if (r.contains((x + 0.5) / pxPerMm, (y + 0.5) / pxPerMm)
                        && state[y * width + x] != code(State.OUTSIDE)) {
                    all++;
                    found += state[y * width + x] == code(wanted) ? 1 : 0;
                }
            }
        }
        return all == 0 ? 0 : (double) found / all;
    }
}
