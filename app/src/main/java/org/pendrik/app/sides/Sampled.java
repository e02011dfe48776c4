package org.pendrik.app.sides;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.measure.ClassModel;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.photo.LightFall;

/**
 * A side with its light evened out by the paint that samples show, and what its classes look like:
 * worked out once, and kept nowhere.
 *
 * @param side evened out, or as it was
 * @param classes empty without samples
 * @param fall how the light falls off, or why that is not told
 */
public record Sampled(FlatSide side, Optional<ClassModel> classes, LightFall.Outcome fall) {
    private static final LightFall.Outcome AS_IT_FELL =
            new LightFall.Outcome.Left("The light is left as it fell.");

    /** By samples on itself. */
    public static Sampled by(FlatSide side, List<ClassSample> samples, boolean evened) {
        Optional<ClassModel> classes = learned(side, samples);
        LightFall.Outcome fall = evened ? FlatSides.fall(side, classes) : AS_IT_FELL;
        FlatSide even = out(side, fall);
        return new Sampled(even, learned(even, samples), fall);
    }

    /**
     * Another side by the samples of this one, turned to its own shades; without them where one of
     * the two has no colour.
     */
    public Sampled to(FlatSide other, boolean evened) {
        Optional<ClassModel> theirs =
                side.colourless() == other.colourless() ? classes : Optional.empty();
        LightFall.Outcome fall =
                evened ? FlatSides.fall(other, adapted(theirs, other)) : AS_IT_FELL;
        FlatSide even = out(other, fall);
        return new Sampled(even, adapted(theirs, even), fall);
    }

    /** The same laid over another side: its classes as they are seen there. */
    public Sampled laid(FlatSide moved, Sampled prototype) {
        return new Sampled(moved, classes.flatMap(_ -> adapted(prototype.classes(), moved)), fall);
    }

    private static Optional<ClassModel> learned(FlatSide side, List<ClassSample> samples) {
        return samples.isEmpty()
                ? Optional.empty()
                : Optional.of(ClassModel.learn(side.plane(List.of()), samples));
    }

    private static Optional<ClassModel> adapted(Optional<ClassModel> classes, FlatSide side) {
        return classes.map(c -> side.colourless() ? c : c.adaptedTo(side.plane(List.of())));
    }

    private static FlatSide out(FlatSide side, LightFall.Outcome fall) {
        return fall instanceof LightFall.Outcome.Found f
                ? side.evened(f.fall(), new Object())
                : side;
    }
}
