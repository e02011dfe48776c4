package org.pendrik.benchmarks;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.openjdk.jmh.annotations.Benchmark;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.ClassModel;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.LabPlane;
import org.pendrik.core.measure.Resolution;
import org.pendrik.core.measure.SideMeasurer;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.Registration;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.Length;
import org.pendrik.core.units.Watch;

/**
 * A side of 1600 × 650 measured whole: light taken out, four samples learned, every pixel sorted,
 * six regions measured; sorting alone, which a counter-sample in the page waits for; and
 * registration.
 */
public class MeasureBenchmark extends Timed {
    private static final double PX_PER_MM = 0.25;
    private static final GreyBalance WARM = GreyBalance.of(0.34, 0.3, 0.21, 60);
    private static final List<ClassSample> SAMPLES =
            List.of(
                    sample(WeatherClass.PAINT, 100),
                    sample(WeatherClass.FRESH_RUST, 400),
                    sample(WeatherClass.GRIME, 700),
                    sample(WeatherClass.DUST, 1000));

    private final Raster side = painted(3);
    private final Raster other = painted(4);
    private final LabPlane plane = plane();
    private final ClassModel model = ClassModel.learn(plane, SAMPLES);
    private final Resolution resolution =
            new Resolution(
                    ((SideRectifier.Outcome.Found)
                                    SideRectifier.locate(
                                            List.of(
                                                    new Point(0, 0),
                                                    new Point(3200, 0),
                                                    new Point(3200, 1300),
                                                    new Point(0, 1300)),
                                            List.of(),
                                            Length.ofMm(6400),
                                            Length.ofMm(2600)))
                            .geometry(),
                    new Sight(600, 87.1));

    private static ClassSample sample(WeatherClass c, double x) {
        return new ClassSample(c, new Region("sample", x, 20, 200, 120));
    }

    private static Raster painted(long seed) {
        Lab[] colours = {
            new Lab(42, -12, 11), new Lab(42, 24, 30), new Lab(18, 2, 5), new Lab(58, 5, 17)
        };
        SplittableRandom random = new SplittableRandom(seed);
        int[] kind = new int[1600 * 650];
        for (int n = 0; n < 900; n++) {
            int cx = random.nextInt(1600);
            int cy = 60 + random.nextInt(590);
            int r = 2 + random.nextInt(9);
            int k = 1 + random.nextInt(3);
            for (int y = Math.max(0, cy - r); y < Math.min(650, cy + r); y++) {
                for (int x = Math.max(0, cx - r); x < Math.min(1600, cx + r); x++) {
                    kind[y * 1600 + x] = k;
                }
            }
        }
        for (int k = 0; k < 4; k++) {
            for (int y = 0; y < 40; y++) {
                for (int x = 0; x < 60; x++) {
                    kind[y * 1600 + 22 + 75 * k + x] = k;
                }
            }
        }
        Raster out = Raster.empty(1600, 650);
        for (int i = 0; i < kind.length; i++) {
            Lab c = colours[kind[i]];
            double n = 1.5 * random.nextGaussian();
            out.argb()[i] =
                    Raster.OPAQUE | Srgb.toPixel(new Lab(c.l() + n, c.a() + n / 3, c.b() + n / 2));
        }
        return out;
    }

    private LabPlane plane() {
        return LabPlane.of(side, PX_PER_MM, WARM, List.of());
    }

    /** Everything that the page shows of a side. */
    @Benchmark
    public int measure() {
        LabPlane fresh = plane();
        List<Region> regions = new java.util.ArrayList<>();
        for (int i = 0; i < 6; i++) {
            regions.add(new Region("region " + i, 200 + 950 * i, 300, 900, 2200));
        }
        return SideMeasurer.measure(
                        new SideMeasurer.Question(
                                fresh,
                                resolution,
                                regions,
                                Optional.of(ClassModel.learn(fresh, SAMPLES)),
                                List.of(),
                                Optional.empty(),
                                false),
                        Watch.NOBODY)
                .regions()
                .size();
    }

    /** What a counter-sample makes anew. */
    @Benchmark
    public boolean sort() {
        return SideMeasurer.classify(plane, model, SideMeasurer.focus(plane)).measured(5, 5);
    }

    /** One side laid over another. */
    @Benchmark
    public double register() {
        return Registration.find(side, other).movedPx();
    }
}
