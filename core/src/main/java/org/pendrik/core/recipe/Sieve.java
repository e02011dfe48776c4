package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/**
 * Rules out choices of paints by sums of a few numbers for each pair.
 *
 * <p>A corner of the mixes of p paints, many drops of one and one of each other, lies in the middle
 * of pair mixes, as many drops of the one and p − 1 of another. How far mixes lie outside a
 * half-space, by tangents from below and chords from above ({@link HalfSpaces}), is concave over
 * the mixes when weighed by S: at a corner it is no less than the sum of what it is at its pair
 * mixes. So one number is kept for each ordered pair and each of a few tests, a test being a
 * half-space, a tangent and its depth; a choice is out when in one test the sums of all corners are
 * positive. Which tests rule out most is found on some choices taken at random.
 */
final class Sieve {
    /** Tests that are kept at most, a whole vector; and bits of a pair. */
    static final int TESTS = 16;

    /** Length of the sums of three paints. */
    static final int SUMS = 3 * TESTS;

    private static final int BANDS = Kernel.BANDS;

    /** From so many paints on it pays to try tests on more choices, and more often. */
    private static final int LARGE = 100;

    /** How often a choice is looked for that is not ruled out. */
    private static final int TRIES = 20;

    /** Numbers are kept as whole ones up to this, so that three may be added. */
    private static final float LARGEST = 1 << 28;

    private final Kernel kernel;
    private final int paints;
    private final int p;

    /** Choices on which tests are tried, a bit each, in words of 64. */
    private final int words;

    private final int samples;

    /** How often, each time on choices that the tests so far do not rule out. */
    private final int rounds;

    private final float many;
    private final float few;
    private final Plane[] planes;

    /** K/S from below and from above by band, then paint, and S. */
    private final float[][] least;

    private final float[][] most;
    private final float[] level;

    /** The paints of which choices are taken on which tests are tried; one of the first kind. */
    private final int[] first;

    private final int[] others;
    private final HalfSpaces sides;
    private final List<Test> tests = new ArrayList<>();
    private float[] values = {};

    /** By ordered pair, then test; weighed by S, in parts of the largest of a test. */
    private int[] numbers = {};

    /** By pair: the tests in which both its mixes lie outside. */
    private int[] bits = {};

    /** A half-space with a tangent that touches at some depth. */
    private record Test(int plane, int direction, float depth) {}

    /**
     * A sieve for choices of p paints, either of level S alone or with one of uneven S at least.
     *
     * @param drops at most, at least p + 1
     * @param tangents K/S at which the planes below touch
     * @param uneven whether with one of uneven S
     */
    Sieve(Kernel kernel, int p, int drops, double[][] tangents, boolean uneven) {
        this.kernel = kernel;
        this.p = p;
        many = drops - p + 1;
        few = p - 1;
        paints = kernel.paints;
        words = paints < LARGE ? 2 : 4;
        samples = words * 64;
        rounds = paints < LARGE ? 2 : 4;
        sides = new HalfSpaces(kernel);
        planes = new Plane[tangents.length];
        for (int t = 0; t < planes.length; t++) {
            planes[t] = new Plane(kernel, tangents[t]);
        }
        others = IntStream.range(0, paints).filter(i -> uneven || kernel.flat[i]).toArray();
        first = Arrays.stream(others).filter(i -> uneven != kernel.flat[i]).toArray();
        level = new float[paints];
        for (int i = 0; i < paints; i++) {
            level[i] = (float) kernel.level[i];
        }
        least = new float[BANDS][paints];
        most = new float[BANDS][paints];
        for (int b = 0; b < BANDS; b++) {
            bounds(b, uneven);
        }
    }

    /**
     * Sets between what K/S lies in mixes: over the lightest, each paint counts by its own S over
     * that of the mix.
     */
    private void bounds(int b, boolean uneven) {
        double lightest = Double.POSITIVE_INFINITY;
        double little = Double.POSITIVE_INFINITY;
        double much = 0;
        for (int i = 0; i < paints; i++) {
            double s = kernel.s[i][b] / kernel.level[i];
            lightest = Math.min(lightest, kernel.k[i][b] / kernel.s[i][b]);
            little = Math.min(little, s);
            much = Math.max(much, s);
        }
        for (int i = 0; i < paints; i++) {
            double q = kernel.k[i][b] / kernel.s[i][b];
            double s = kernel.s[i][b] / kernel.level[i];
            least[b][i] = (float) (uneven ? lightest + (q - lightest) * s / much : q);
            most[b][i] = (float) (uneven ? lightest + (q - lightest) * s / little : q);
        }
    }

    /** The tangent at a K/S: seen reflectance there and its slope. */
    private static final class Plane {
        final float[] ratio = new float[BANDS];
        final float[] seen = new float[BANDS];
        final float[] slope = new float[BANDS];

        Plane(Kernel kernel, double[] at) {
            for (int b = 0; b < BANDS; b++) {
                double q = at[b];
                double root = Math.sqrt(q * (q + 2));
                double under = kernel.c + q + root;
                ratio[b] = (float) q;
                seen[b] = (float) (kernel.veil + kernel.t / under);
                slope[b] = (float) (-kernel.t * (1 + (q + 1) / root) / (under * under));
            }
        }
    }

    /** What a tangent says of each paint in a direction, and where it touches. */
    private void below(Plane at, int d, float[] to) {
        Arrays.fill(to, -sides.base(d));
        for (int b = 0; b < BANDS; b++) {
            float weight = sides.up(b, d);
            if (weight != 0) {
                float slope = weight * at.slope[b];
                float from = weight * at.seen[b] - slope * at.ratio[b];
                float[] q = most[b];
                for (int i = 0; i < paints; i++) {
                    to[i] += from + slope * q[i];
                }
            }
        }
    }

    private float touch(Plane at, int d) {
        float out = -sides.base(d);
        for (int b = 0; b < BANDS; b++) {
            out += sides.up(b, d) * at.seen[b];
        }
        return out;
    }

    /** Pair mixes side by side, many drops of one paint and few of another. */
    private final class Pairs {
        final int[] one;
        final int[] other;
        final float[] level;

        /** What is seen at most, by band, then pair. */
        private final float[][] high;

        Pairs(int size) {
            one = new int[size];
            other = new int[size];
            level = new float[size];
            high = new float[BANDS][size];
        }

        /** Finds what is seen. */
        void see() {
            int size = level.length;
            float[] a = new float[size];
            float[] c = new float[size];
            float[] q = new float[size];
            for (int x = 0; x < size; x++) {
                float i = many * Sieve.this.level[one[x]];
                float j = few * Sieve.this.level[other[x]];
                level[x] = i + j;
                a[x] = i / (i + j);
                c[x] = j / (i + j);
            }
            float veil = (float) kernel.veil;
            float through = (float) kernel.t;
            float inner = (float) kernel.c;
            for (int b = 0; b < BANDS; b++) {
                float[] of = least[b];
                for (int x = 0; x < size; x++) {
                    q[x] = a[x] * of[one[x]] + c[x] * of[other[x]];
                }
                float[] out = high[b];
                for (int x = 0; x < size; x++) {
                    float at = q[x];
                    out[x] = veil + through / (inner + at + (float) Math.sqrt(at * (at + 2)));
                }
            }
        }

        /** What a half-space comes to by what is seen at most, weighed by S. */
        void above(int d, float[] to) {
            Arrays.fill(to, sides.base(d));
            for (int b = 0; b < BANDS; b++) {
                float weight = sides.down(b, d);
                if (weight != 0) {
                    float[] of = high[b];
                    for (int x = 0; x < to.length; x++) {
                        to[x] += weight * of[x];
                    }
                }
            }
            for (int x = 0; x < to.length; x++) {
                to[x] *= level[x];
            }
        }

        /** The same by a tangent. */
        void below(float[] paint, float[] to) {
            for (int x = 0; x < to.length; x++) {
                int i = one[x];
                int j = other[x];
                to[x] =
                        many * Sieve.this.level[i] * paint[i]
                                + few * Sieve.this.level[j] * paint[j];
            }
        }
    }

    /** Sets the numbers for a region. */
    void aim(Aim at) {
        sides.aim(at);
        sides.slice(at.supports, (float) at.darkest, (float) at.lightest, Slice.ROUNDING);
        float[][] touches = new float[planes.length][Aim.DIRECTIONS];
        float[][][] belows = new float[planes.length][Aim.DIRECTIONS][paints];
        for (int t = 0; t < planes.length; t++) {
            for (int d = 0; d < Aim.DIRECTIONS; d++) {
                touches[t][d] = touch(planes[t], d);
                below(planes[t], d, belows[t][d]);
            }
        }
        tests.clear();
        values = new float[paints * paints * TESTS];
        Arrays.fill(values, -1);
        numbers = new int[values.length];
        bits = new int[paints * paints];
        if (first.length == 0 || others.length < p) {
            return;
        }
        for (int round = 1; round <= rounds; round++) {
            int from = tests.size();
            more(touches, belows, TESTS * round / rounds);
            IntStream.range(0, paints).parallel().forEach(i -> values(i, from, touches, belows));
            set();
        }
        values = new float[0];
    }

    /** The numbers of all pairs with many drops of one paint, of the tests from one on. */
    private void values(int i, int from, float[][] touches, float[][][] belows) {
        Pairs pairs = new Pairs(paints);
        for (int j = 0; j < paints; j++) {
            pairs.one[j] = i;
            pairs.other[j] = j;
        }
        pairs.see();
        float[] above = new float[paints];
        float[] below = new float[paints];
        for (int x = from; x < tests.size(); x++) {
            Test test = tests.get(x);
            float touch = touches[test.plane][test.direction];
            pairs.above(test.direction, above);
            pairs.below(belows[test.plane][test.direction], below);
            for (int j = 0; j < paints; j++) {
                values[(i * paints + j) * TESTS + x] =
                        past(test, touch, below[j], above[j], pairs.level[j]);
            }
        }
    }

    /** How far what is weighed by S lies outside. */
    private float past(Test test, float touch, float below, float above, float level) {
        return test.depth * test.depth * below + above + rest(test, touch) * level;
    }

    /** What a test adds by S alone. */
    private float rest(Test test, float touch) {
        float y = test.depth;
        return 2 * y * (1 - y) * touch - sides.most(test.direction);
    }

    private void set() {
        float[] scale = new float[TESTS];
        for (int i = 0; i < values.length; i++) {
            scale[i % TESTS] = Math.max(scale[i % TESTS], Math.abs(values[i]));
        }
        for (int x = 0; x < TESTS; x++) {
            scale[x] = LARGEST / Math.max(scale[x], Float.MIN_NORMAL);
        }
        int[] out = new int[values.length];
        int[] words = new int[paints * paints];
        for (int at = 0; at < words.length; at++) {
            for (int x = 0; x < TESTS; x++) {
                int i = at * TESTS + x;
                // less by more than floats round
                out[i] = (int) Math.floor(values[i] * scale[x]) - 2;
                words[at] |= out[i] >= 0 ? 1 << x : 0;
            }
        }
        for (int i = 0; i < paints; i++) {
            for (int j = 0; j < i; j++) {
                words[i * paints + j] &= words[j * paints + i];
                words[j * paints + i] = words[i * paints + j];
            }
        }
        numbers = out;
        bits = words;
    }

    /** Whether three paints are ruled out. */
    boolean out(int i, int j, int k) {
        int n = paints;
        if ((bits[i * n + j] & bits[i * n + k] & bits[j * n + k]) != 0) {
            return true;
        }
        int[] v = numbers;
        int ij = (i * n + j) * TESTS;
        int ik = (i * n + k) * TESTS;
        int ji = (j * n + i) * TESTS;
        int jk = (j * n + k) * TESTS;
        int ki = (k * n + i) * TESTS;
        int kj = (k * n + j) * TESTS;
        // the sign of what is left stands while no test has all corners outside
        int all = -1;
        for (int x = 0; x < TESTS; x++) {
            int a = v[ij + x] + v[ik + x];
            int b = v[ji + x] + v[jk + x];
            int c = v[ki + x] + v[kj + x];
            all &= a | b | c;
        }
        return all >= 0;
    }

    /** Whether four paints are ruled out. */
    boolean out(int i, int j, int k, int l) {
        int[] sums = new int[SUMS];
        sum(i, j, k, sums);
        return out(i, j, k, l, sums);
    }

    /** Sums of three paints for {@link #out(int, int, int, int, int[])}, with any fourth. */
    void sum(int i, int j, int k, int[] sums) {
        int n = paints;
        int[] v = numbers;
        int ij = (i * n + j) * TESTS;
        int ik = (i * n + k) * TESTS;
        int ji = (j * n + i) * TESTS;
        int jk = (j * n + k) * TESTS;
        int ki = (k * n + i) * TESTS;
        int kj = (k * n + j) * TESTS;
        for (int x = 0; x < TESTS; x++) {
            sums[x] = v[ij + x] + v[ik + x];
            sums[TESTS + x] = v[ji + x] + v[jk + x];
            sums[2 * TESTS + x] = v[ki + x] + v[kj + x];
        }
    }

    /** Whether four paints are ruled out, with the sums of the first three. */
    boolean out(int i, int j, int k, int l, int[] sums) {
        int n = paints;
        int pairs = bits[i * n + j] & bits[i * n + k] & bits[j * n + k];
        if ((pairs & bits[i * n + l] & bits[j * n + l] & bits[k * n + l]) != 0) {
            return true;
        }
        int[] v = numbers;
        int il = (i * n + l) * TESTS;
        int jl = (j * n + l) * TESTS;
        int kl = (k * n + l) * TESTS;
        int li = (l * n + i) * TESTS;
        int lj = (l * n + j) * TESTS;
        int lk = (l * n + k) * TESTS;
        int all = -1;
        for (int x = 0; x < TESTS; x++) {
            int a = sums[x] + v[il + x];
            int b = sums[TESTS + x] + v[jl + x];
            int c = sums[2 * TESTS + x] + v[kl + x];
            int d = v[li + x] + v[lj + x] + v[lk + x];
            all &= a | b | c | d;
        }
        return all >= 0;
    }

    /** Adds the tests that together rule out most of some choices. */
    private void more(float[][] touches, float[][][] belows, int until) {
        int depths = HalfSpaces.DEPTHS.length;
        List<Test> asked = new ArrayList<>();
        for (int t = 0; t < planes.length; t++) {
            for (int d = 0; d < Aim.DIRECTIONS; d++) {
                for (int y = 0; y < depths; y++) {
                    asked.add(new Test(t, d, HalfSpaces.DEPTHS[y]));
                }
            }
        }
        long[][] outside = outside(asked, touches, belows);
        long[] left = new long[words];
        Arrays.fill(left, -1);
        while (tests.size() < until) {
            int best = -1;
            int more = 0;
            for (int at = 0; at < outside.length; at++) {
                int count = 0;
                for (int w = 0; w < words; w++) {
                    count += Long.bitCount(outside[at][w] & left[w]);
                }
                if (count > more) {
                    more = count;
                    best = at;
                }
            }
            if (best < 0) {
                break;
            }
            tests.add(asked.get(best));
            for (int w = 0; w < words; w++) {
                left[w] &= ~outside[best][w];
            }
        }
    }

    /** By test, a bit for each of some choices that lies outside. */
    private long[][] outside(List<Test> asked, float[][] touches, float[][][] belows) {
        int[][] choices = choices();
        float[][] missing = new float[asked.size()][samples];
        Pairs pairs = new Pairs(samples);
        float[] sum = new float[samples];
        for (int corner = 0; corner < p; corner++) {
            float[] weight = new float[samples];
            float[][] above = new float[Aim.DIRECTIONS][samples];
            float[][][] below = new float[planes.length][Aim.DIRECTIONS][samples];
            for (int other = 0; other < p; other++) {
                if (other == corner) {
                    continue;
                }
                for (int x = 0; x < samples; x++) {
                    pairs.one[x] = choices[x][corner];
                    pairs.other[x] = choices[x][other];
                }
                pairs.see();
                add(pairs.level, weight);
                for (int d = 0; d < Aim.DIRECTIONS; d++) {
                    pairs.above(d, sum);
                    add(sum, above[d]);
                    for (int t = 0; t < planes.length; t++) {
                        pairs.below(belows[t][d], sum);
                        add(sum, below[t][d]);
                    }
                }
            }
            for (int at = 0; at < missing.length; at++) {
                Test test = asked.get(at);
                miss(
                        test.depth * test.depth,
                        below[test.plane][test.direction],
                        above[test.direction],
                        rest(test, touches[test.plane][test.direction]),
                        weight,
                        missing[at]);
            }
        }
        long[][] out = new long[asked.size()][words];
        for (int at = 0; at < out.length; at++) {
            for (int x = 0; x < samples; x++) {
                out[at][x >> 6] |= missing[at][x] == 0 ? 1L << x : 0;
            }
        }
        return out;
    }

    /** Adds what is missing until samples are outside. */
    private static void miss(
            float square, float[] below, float[] above, float rest, float[] weight, float[] to) {
        for (int x = 0; x < to.length; x++) {
            float past = square * below[x] + above[x] + rest * weight[x];
            to[x] += past - Math.abs(past);
        }
    }

    private static void add(float[] of, float[] to) {
        for (int x = 0; x < to.length; x++) {
            to[x] += of[x];
        }
    }

    /** Paints at random that are not ruled out, or not found to be so soon enough. */
    private int[][] choices() {
        SplittableRandom random = new SplittableRandom(paints + 31L * tests.size());
        int[][] out = new int[samples][p];
        for (int[] choice : out) {
            int left = TRIES;
            do {
                choose(random, choice);
            } while (--left > 0 && out(choice));
        }
        return out;
    }

    private boolean out(int[] choice) {
        return p == 3
                ? out(choice[0], choice[1], choice[2])
                : out(choice[0], choice[1], choice[2], choice[3]);
    }

    private void choose(SplittableRandom random, int[] choice) {
        choice[0] = first[random.nextInt(first.length)];
        for (int i = 1; i < p; i++) {
            int at = i;
            do {
                choice[at] = others[random.nextInt(others.length)];
            } while (IntStream.range(0, at).anyMatch(j -> choice[j] == choice[at]));
        }
    }
}
