package org.pendrik.app.sides;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.function.ToLongFunction;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.LightKnown;
import org.pendrik.core.measure.ClassModel;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.LabPlane;
import org.pendrik.core.measure.SideMeasurer;
import org.pendrik.core.photo.LightFall;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.SideComparison;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Component;

/**
 * Flat sides and all that is made of them. Everything is kept in one cache that is bounded by the
 * memory it takes, each thing under all that it hangs on, so nothing has to be thrown away by hand
 * when something changes.
 */
@Component
public class FlatSides {
    /**
     * Two sides with their colours and classes, the photograph that they came of, and their map.
     */
    private static final long MOST_BYTES = 240_000_000;

    private static final int BYTES_OF_A_PIXEL_OF_PLANE = 24;
    private static final int BYTES_OF_A_SORTED_PIXEL = 7;
    private static final int BYTES_OF_A_MAPPED_PIXEL = 4;
    private static final int BYTES_OF_FIGURES = 4_000;

    /**
     * What is made, each of what stands in front of it. Of one kind one thing is made at a time:
     * whole pictures take much memory, and who asks for the same second waits for what the first
     * makes. Who makes one kind asks for kinds before it alone: else two could wait for each other.
     */
    private enum Kind {
        FIT,
        PICTURE,
        LIGHT,
        FLAT,
        PLANE,
        EVEN,
        SORTED,
        PAIR,
        MAP,
        FIGURES
    }

    private record Key(Kind kind, Object of) {}

    private record Held(Object made, long bytes) {}

    private final Cache<Key, Held> kept =
            Caffeine.newBuilder()
                    .maximumWeight(MOST_BYTES / 1000)
                    .weigher((Key _, Held h) -> (int) Math.max(1, h.bytes() / 1000))
                    // what nobody has looked at for a while makes room for what is looked at now
                    .expireAfterAccess(Duration.ofMinutes(10))
                    .executor(Runnable::run)
                    .build();

    /** What a thread is making just now. */
    private static final ThreadLocal<@Nullable Kind> MAKING = new ThreadLocal<>();

    private final Map<Kind, Object> locks = new EnumMap<>(Kind.class);

    FlatSides() {
        for (Kind k : Kind.values()) {
            locks.put(k, new Object());
        }
    }

    @SuppressWarnings("unchecked") // a kind makes one type
    private <T> T kept(Kind kind, Object of, ToLongFunction<T> bytes, Supplier<T> make) {
        Key key = new Key(kind, of);
        Held known = kept.getIfPresent(key);
        if (known != null) {
            return (T) known.made();
        }
        Kind outer = MAKING.get();
        if (outer != null && outer.compareTo(kind) < 0) {
            throw new IllegalStateException(kind + " is asked for while " + outer + " is made");
        }
        synchronized (java.util.Objects.requireNonNull(locks.get(kind))) {
            known = kept.getIfPresent(key);
            if (known != null) {
                return (T) known.made();
            }
            MAKING.set(kind);
            try {
                T made = make.get();
                kept.put(key, new Held(made, bytes.applyAsLong(made)));
                return made;
            } finally {
                MAKING.set(outer);
            }
        }
    }

    /** Where a side lies; fitted once for all that asks. */
    public FlatSide.Fit fit(MarkedSide m) {
        return kept(Kind.FIT, m, _ -> BYTES_OF_FIGURES, () -> Flattener.locate(m));
    }

    /**
     * A photograph decoded upright.
     *
     * @param picture names its content
     */
    public WholePicture picture(String picture, Supplier<WholePicture> decode) {
        return kept(Kind.PICTURE, picture, p -> 4L * p.raster().argb().length, decode);
    }

    /**
     * The side laid flat; empty while it is not located.
     *
     * @param decode reads the picture of a name
     * @throws org.pendrik.core.units.InvalidInput when the marks cannot belong to a side
     */
    public Optional<FlatSide> flat(MarkedSide m, Function<String, WholePicture> decode) {
        if (!m.located()) {
            return Optional.empty();
        }
        return Optional.of(
                kept(
                        Kind.FLAT,
                        m,
                        FlatSide::bytes,
                        () ->
                                Flattener.flat(
                                        m,
                                        fit(m),
                                        picture(m.picture(), () -> decode.apply(m.picture())),
                                        light(m, decode),
                                        FlatSide.WORKING_WIDTH_PX)));
    }

    private record CloseUpOf(FlatSide whole, List<Double> moved) {}

    /**
     * The part of a side that its photograph shows, where that shows more than the whole side does.
     *
     * @param m the photograph
     * @param whole the side, possibly laid over another one
     * @param moved where its places lie on the photograph's own side, prototype mm
     * @param decode reads the picture of a name
     */
    public Optional<CloseUp> closeUp(
            MarkedSide m, FlatSide whole, double[] moved, Function<String, WholePicture> decode) {
        CloseUpOf of = new CloseUpOf(whole, Arrays.stream(moved).boxed().toList());
        return kept(
                        Kind.FLAT,
                        of,
                        c -> c.made().map(x -> x.side().bytes()).orElse(0L) + BYTES_OF_FIGURES,
                        () ->
                                new MaybeCloseUp(
                                        CloseUp.of(
                                                whole,
                                                moved,
                                                picture(
                                                        m.picture(),
                                                        () -> decode.apply(m.picture())),
                                                of)))
                .made();
    }

    private record MaybeCloseUp(Optional<CloseUp> made) {}

    /** By the patch in the photograph, else by that in another one, else as it was. */
    private GreyBalance light(MarkedSide m, Function<String, WholePicture> decode) {
        Marks.LentLight lent = m.lent();
        if (m.grey() != null) {
            return light(m.picture(), m.grey(), decode);
        }
        return lent == null
                ? GreyBalance.NONE
                : light(lent.picture(), lent.grey(), decode).by(LightKnown.OTHER_PICTURE);
    }

    private GreyBalance light(
            String picture, Marks.GreyPatch grey, Function<String, WholePicture> decode) {
        return kept(
                Kind.LIGHT,
                new Marks.LentLight(picture, grey),
                _ -> BYTES_OF_FIGURES,
                () -> Flattener.light(grey, picture(picture, () -> decode.apply(picture))));
    }

    private record PlaneOf(FlatSide side, List<Region> excluded) {}

    /** The colours of a side, pixel by pixel, without what is left out. */
    public LabPlane plane(FlatSide side, List<Region> excluded) {
        return kept(
                Kind.PLANE,
                new PlaneOf(side, List.copyOf(excluded)),
                _ -> (long) BYTES_OF_A_PIXEL_OF_PLANE * side.raster().argb().length,
                () -> side.plane(excluded));
    }

    /**
     * What classes look like on the side that shows them.
     *
     * @param samples where they are shown
     * @param onAnother the side to be sorted is another one, which may show other shades of them
     */
    public record ClassesShown(
            FlatSide side, List<Region> excluded, List<ClassSample> samples, boolean onAnother) {}

    /** What the classes look like on a side; nothing when there are no samples. */
    public Optional<ClassModel> model(
            FlatSide side, List<Region> excluded, @Nullable ClassesShown shown) {
        if (shown == null) {
            return Optional.empty();
        }
        ClassModel learned =
                ClassModel.learn(plane(shown.side(), shown.excluded()), shown.samples());
        return Optional.of(
                shown.onAnother() && !side.colourless()
                        ? learned.adaptedTo(plane(side, excluded))
                        : learned);
    }

    /**
     * A side in even light.
     *
     * @param side evened out, or as it was
     * @param fall how the light falls off, or why that is not told
     */
    public record Even(FlatSide side, LightFall.Outcome fall) {}

    private record EvenOf(FlatSide side, List<Region> excluded, Optional<ClassesShown> shown) {}

    /**
     * A side with the fall of the light taken out, as its paint tells it.
     *
     * @param side as it was laid flat
     * @param shown what its paint looks like
     */
    public Even even(FlatSide side, List<Region> excluded, @Nullable ClassesShown shown) {
        EvenOf of = new EvenOf(side, List.copyOf(excluded), Optional.ofNullable(shown));
        return kept(
                Kind.EVEN,
                of,
                e -> e.side().equals(side) ? BYTES_OF_FIGURES : e.side().bytes(),
                () -> {
                    LightFall.Outcome fall = fall(side, model(side, excluded, shown));
                    return new Even(
                            fall instanceof LightFall.Outcome.Found f
                                    ? side.evened(f.fall(), of)
                                    : side,
                            fall);
                });
    }

    /** How the light falls off over a side, by what its paint looks like. */
    static LightFall.Outcome fall(FlatSide side, Optional<ClassModel> classes) {
        if (side.colourless()) {
            return new LightFall.Outcome.Left(
                    "Without colour the fall of the light cannot be told from films.");
        }
        return classes.flatMap(ClassModel::paint)
                .map(
                        paint ->
                                LightFall.of(
                                        side.raster(),
                                        side.pxPerMm(),
                                        side.light(),
                                        paint,
                                        side.card()))
                .orElseGet(
                        () ->
                                new LightFall.Outcome.Left(
                                        "No sample of paint is picked that tells how the light falls."));
    }

    private record SortedOf(PlaneOf plane, Optional<ClassesShown> shown) {}

    /** The focus and the classes of a side. */
    public SideMeasurer.Sorted sorted(
            FlatSide side, List<Region> excluded, @Nullable ClassesShown shown, Watch watch) {
        return kept(
                Kind.SORTED,
                new SortedOf(new PlaneOf(side, List.copyOf(excluded)), Optional.ofNullable(shown)),
                _ -> (long) BYTES_OF_A_SORTED_PIXEL * side.raster().argb().length,
                () ->
                        SideMeasurer.Sorted.of(
                                plane(side, excluded), model(side, excluded, shown), watch));
    }

    private record PairOf(FlatSide first, FlatSide second) {}

    /** The second side laid over the first. */
    public Laid laid(FlatSide first, FlatSide second) {
        PairOf pair = new PairOf(first, second);
        return kept(Kind.PAIR, pair, l -> l.side().bytes(), () -> Laid.of(first, second, pair));
    }

    private record MapOf(PairOf pair, double blurPx) {}

    /**
     * The differences of two sides as an eye sees them, without what the edges alone make.
     *
     * @param second as it was laid over the first
     */
    public SideComparison.DifferenceMap map(FlatSide first, Laid second, double blurPx) {
        return kept(
                Kind.MAP,
                new MapOf(new PairOf(first, second.side()), blurPx),
                _ -> (long) BYTES_OF_A_MAPPED_PIXEL * first.raster().argb().length,
                () -> second.differences(first, blurPx));
    }

    private record FiguresOf(Class<?> type, Object of) {}

    /**
     * Figures that were worked out of sides.
     *
     * @param type of the figures
     * @param of all that they hang on
     */
    public <K, T> T figures(Class<T> type, K of, Function<K, T> make) {
        return kept(
                Kind.FIGURES, new FiguresOf(type, of), _ -> BYTES_OF_FIGURES, () -> make.apply(of));
    }
}
