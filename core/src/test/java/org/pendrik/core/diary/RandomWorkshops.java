package org.pendrik.core.diary;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Random;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryCase.Resource;
import org.pendrik.core.diary.DiaryTask.Need;

/** Made-up workshops, the same ones for the same seed. */
final class RandomWorkshops {
    /** A Monday at midnight. */
    static final long MONDAY = 29_000L * 1440 + 4 * 1440 - (29_000L * 1440 + 4 * 1440) % (7 * 1440);

    private static final List<String> COLOURS =
            List.of("dust", "rust", "soot", "flat clear", "gloss clear", "off-white");

    private final Random random;

    RandomWorkshops(long seed) {
        this.random = new Random(seed);
    }

    /** One or two jobs of few steps, in few and short sittings, with all that a task can need. */
    DiaryCase small() {
        int jobs = 1 + random.nextInt(2);
        int steps = 2 + random.nextInt(jobs == 1 ? 7 : 3);
        List<Span> bench = new ArrayList<>();
        int sittings = 3 + random.nextInt(2);
        for (int d = 0; d < sittings; d++) {
            long from = MONDAY + d * 1440L + 1140;
            bench.add(new Span(from, from + 60 + 15L * random.nextInt(7)));
        }
        List<Resource> resources =
                List.of(
                        new Resource("box", "Drying box", 1, List.of()),
                        new Resource(
                                "compressor",
                                "Compressor",
                                1,
                                bench.stream()
                                        .map(
                                                s ->
                                                        new Span(
                                                                s.untilMinute() - 40,
                                                                s.untilMinute() + 600))
                                        .toList()));
        List<DiaryJob> all = new ArrayList<>();
        for (int j = 0; j < jobs; j++) {
            all.add(job("job " + j, steps, 3, bench, MONDAY, 5));
        }
        return new DiaryCase(all, bench, resources, MONDAY);
    }

    /** A workshop of several jobs over some weeks of evenings and a Saturday. */
    DiaryCase large(int jobs, int steps, int weeks) {
        List<Span> bench = new ArrayList<>();
        for (int d = 0; d < 7 * weeks; d++) {
            long day = MONDAY + d * 1440L;
            if (d % 7 < 5 && random.nextInt(8) > 0) {
                bench.add(new Span(day + 1140, day + 1140 + 150 + 15L * random.nextInt(5)));
            } else if (d % 7 == 5) {
                bench.add(new Span(day + 600, day + 1020));
            }
        }
        List<Resource> resources =
                List.of(
                        new Resource("box", "Drying box", 2, List.of()),
                        new Resource(
                                "compressor",
                                "Compressor",
                                1,
                                bench.stream()
                                        .map(s -> new Span(s.untilMinute() - 30, s.untilMinute()))
                                        .toList()));
        List<DiaryJob> all = new ArrayList<>();
        for (int j = 0; j < jobs; j++) {
            all.add(job("job " + j, steps, 6, bench, MONDAY, 1));
        }
        return new DiaryCase(all, bench, resources, MONDAY);
    }

    private DiaryJob job(
            String name, int steps, int colours, List<Span> bench, long from, int grid) {
        List<DiaryTask> tasks = new ArrayList<>();
        List<TimeLag> lags = new ArrayList<>();
        for (int t = 0; t < steps; t++) {
            boolean sprays = random.nextInt(5) < 2;
            int minutes = grid == 1 ? 8 + random.nextInt(30) : 5 * (1 + random.nextInt(5));
            long dries = List.of(0L, 20L, 40L, 180L, 1000L, 1440L).get(random.nextInt(6));
            boolean boxed = sprays && dries >= 40 && random.nextInt(4) == 0;
            List<Need> needs = new ArrayList<>();
            if (sprays) {
                needs.add(new Need("compressor", 0));
            }
            if (boxed) {
                needs.add(new Need("box", Math.min(dries, 300)));
            }
            OptionalLong notBefore =
                    t == steps / 2 && random.nextInt(4) == 0
                            ? OptionalLong.of(from + 1440L * random.nextInt(2))
                            : OptionalLong.empty();
            tasks.add(
                    new DiaryTask(
                            "t" + t,
                            "step " + t,
                            minutes,
                            OptionalLong.empty(),
                            sprays
                                    ? Optional.of(COLOURS.get(random.nextInt(colours)))
                                    : Optional.empty(),
                            needs,
                            notBefore,
                            Optional.empty(),
                            t == steps - 1 ? 720 : 0));
            if (t > 0) {
                String before = "t" + (t - 1);
                boolean window = dries <= 40 && random.nextInt(3) == 0;
                lags.add(
                        new TimeLag(
                                before,
                                "t" + t,
                                dries,
                                window ? OptionalLong.of(dries + 30) : OptionalLong.empty(),
                                "it dries"));
            }
        }
        int days = (int) ((bench.getLast().untilMinute() - from) / 1440);
        OptionalLong due =
                random.nextInt(4) == 0
                        ? OptionalLong.empty()
                        : OptionalLong.of(from + 1440L * (days / 2 + random.nextInt(days)));
        return new DiaryJob(
                name, name, tasks, lags, due, 1 + random.nextInt(3), random.nextBoolean());
    }
}
