package org.pendrik.core;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.Year;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import java.util.random.RandomGenerator;

/** What the core must not do; each method passes unseen when the rule of its purity forgets it. */
final class Impure {
    private Impure() {}

    public static Instant instant() {
        return Instant.now();
    }

    public static LocalDateTime local() {
        return LocalDateTime.now(ZoneOffset.UTC);
    }

    public static Year year() {
        return Year.now(ZoneOffset.UTC);
    }

    public static Clock clock() {
        return Clock.systemUTC();
    }

    public static Clock ticking() {
        return Clock.tickMinutes(ZoneOffset.UTC);
    }

    public static ZoneId zone() {
        return ZoneId.systemDefault();
    }

    public static long time() {
        return System.nanoTime();
    }

    public static UUID id() {
        return UUID.randomUUID();
    }

    public static RandomGenerator ofThisThread() {
        return ThreadLocalRandom.current();
    }

    public static Random dice() {
        return new Random();
    }

    public static SplittableRandom split() {
        return new SplittableRandom();
    }

    public static RandomGenerator generator() {
        return RandomGenerator.getDefault();
    }

    public static void shuffled(List<String> list) {
        Collections.shuffle(list);
    }

    public static double random() {
        return Math.random();
    }
}
