package org.pendrik.benchmarks;

import java.util.Random;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Setup;
import org.pendrik.core.colour.Ciede2000;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.SideComparison;

/**
 * Two sides of 1600 × 650 compared at viewing distance; and CIEDE2000 alone over 2000 × 600 colours
 * on one thread, against the formula as published.
 */
public class CompareBenchmark extends Timed {
    private static final int COLOURS = 2000 * 600;
    private static final double EYE_PX = 1.9;
    private static final GreyBalance WARM = GreyBalance.of(0.34, 0.3, 0.21, 60);

    private final Raster prototype = painted(1);
    private final Raster model = painted(2);
    private final Lab[] one = new Lab[COLOURS];
    private final Lab[] two = new Lab[COLOURS];
    private final float[][] ones = new float[3][COLOURS];
    private final float[][] twos = new float[3][COLOURS];
    private final float[] out = new float[COLOURS];

    private static Raster painted(long seed) {
        Random random = new Random(seed);
        Raster r = Raster.empty(1600, 650);
        for (int i = 0; i < r.argb().length; i++) {
            r.argb()[i] = Raster.OPAQUE | 0x604030 + random.nextInt(0x202020);
        }
        return r;
    }

    /** Makes the colours. */
    @Setup
    public void colours() {
        for (int i = 0; i < COLOURS; i++) {
            one[i] = Srgb.toLab(prototype.argb()[i % prototype.argb().length]);
            two[i] = Srgb.toLab(model.argb()[i % model.argb().length]);
            fill(ones, i, one[i]);
            fill(twos, i, two[i]);
        }
    }

    private static void fill(float[][] planes, int i, Lab c) {
        planes[0][i] = (float) c.l();
        planes[1][i] = (float) c.a();
        planes[2][i] = (float) c.b();
    }

    /** Blur, colours, differences and their median: what one comparison costs. */
    @Benchmark
    public double sides() {
        var map = SideComparison.map(prototype, WARM, model, GreyBalance.NONE, EYE_PX);
        return SideComparison.median(map).orElseThrow();
    }

    /** Ours alone, as a map takes them. */
    @Benchmark
    public float[] differences() {
        Ciede2000.differences(ones, twos, out, COLOURS);
        return out;
    }

    /** Ours one by one, to the last digit. */
    @Benchmark
    public double oneByOne() {
        double sum = 0;
        for (int i = 0; i < COLOURS; i++) {
            Lab p = one[i];
            Lab m = two[i];
            sum += Ciede2000.of(p.l(), p.a(), p.b(), m.l(), m.a(), m.b());
        }
        return sum;
    }

    /** As published. */
    @Benchmark
    public double published() {
        double sum = 0;
        for (int i = 0; i < COLOURS; i++) {
            sum += ColourDifference.ciede2000(one[i], two[i]);
        }
        return sum;
    }
}
