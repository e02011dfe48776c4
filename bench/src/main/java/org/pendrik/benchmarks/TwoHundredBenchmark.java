package org.pendrik.benchmarks;

import java.util.List;
import java.util.SplittableRandom;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.Warmup;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.recipe.RecipeAnswer;

/**
 * The best of all recipes of four of two hundred paints in twelve drops, proven within 0.1. Trying
 * all would take hours; the peer of {@link RecipeBenchmark} says what one choice takes.
 */
@Warmup(iterations = 1, time = 6)
@Measurement(iterations = 2, time = 12)
public class TwoHundredBenchmark extends Timed {
    private static final int PAINTS = 200;
    private static final int DROPS = 12;

    /** Whether the shelf reaches the targets. */
    @Param({"within", "beyond"})
    private String reach;

    private List<Ingredient> shelf = List.of();
    private List<Lab> targets = List.of();
    private int next;

    @Setup
    public void fill() {
        SplittableRandom r = new SplittableRandom(7);
        shelf = RecipeBenchmark.shelf(PAINTS, r);
        targets = RecipeBenchmark.targets(reach, r);
    }

    /** The search, for the next target. */
    @Benchmark
    public RecipeAnswer recipe() {
        return RecipeBenchmark.search(targets.get(next++ % RecipeBenchmark.TARGETS), shelf, DROPS);
    }
}
