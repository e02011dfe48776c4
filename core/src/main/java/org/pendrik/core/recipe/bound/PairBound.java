package org.pendrik.core.recipe.bound;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/**
 * Prunes choices of three or four paints by sums of a few numbers for each pair.
 *
 * <p>A corner of the recipes of p paints, many drops of one and one of each other, lies in the
 * middle of pair mixes: as many drops of the one, and p − 1 of another. How far mixes lie outside a
 * half-space, by a tangent from below and chords from above ({@link CellBound}), is concave over
 * the mixes weighed by S, so at the corner it is no less than the sum of what it is at its pair
 * mixes. One number is kept for each ordered pair and each of a few cuts, a cut being a half-space
 * with a tangent and its depth. A choice is pruned when by one cut the sums of all its corners are
 * positive. Which cuts prune most is found, greedily, on choices taken at random.
 *
 * <p>K/S of each paint is bounded as {@link CellBound} bounds that of corners, over all paints.
 *
 * <p>Cost: a dozen additions of whole vectors for a choice; memory quadratic in the paints.
 */
final class PairBound {
    /** Cuts that are kept at most: a whole vector, and bits of a number. */
    static final int CUTS = 16;

    /** Length of the sums of three paints. */
    static final int SUMS = 3 * CUTS;

    /** Choices on which cuts are tried, and how often, each time on what those before leave. */
    private static final int SAMPLES = 128;

    private static final int ROUNDS = 2;

    /** How often a choice is looked for that is not pruned. */
    private static final int TRIES = 20;

    /** Numbers are whole ones up to this, so that three may be added. */
    private static final float LARGEST = 1 << 28;

    private static final int BANDS = MixColour.BANDS;
    private static final int ROOM = HalfSpaces.ROOM;

    private final MixColour mix;
    private final int n;
    private final int p;
    private final float many;
    private final float few;
    private final HalfSpaces half;

    /** K/S of each paint from below and from above. */
    private final float[][] least;

    private final float[][] most;

    /** By tangent, then direction: the positive part where it touches. */
    private final float[][] touch;

    /** By tangent, paint, then direction: the positive part by the tangent. */
    private final float[][][] positive;

    /** By ordered pair, then direction: the negative part, weighed by S. */
    private final float[][] negative;

    private final List<Cut> cuts = new ArrayList<>();

    /** By ordered pair, then cut: how far the pair mix lies outside, in parts of the largest. */
    private final int[] numbers;

    /** By pair: the cuts that both its mixes lie outside of. */
    private final int[] both;

    private record Cut(int tangent, int direction, HalfSpaces.Depth depth) {}

    /**
     * A bound for choices of p paints.
     *
     * @param p 3 or 4
     * @param drops of a recipe at most, more than p
     * @param tangents that may be used
     */
    PairBound(MixColour mix, int p, int drops, List<MixColour.Tangent> tangents, HalfSpaces half) {
        this.mix = mix;
        this.p = p;
        this.half = half;
        n = mix.paints();
        many = drops - p + 1;
        few = p - 1;
        least = new float[n][BANDS];
        most = new float[n][BANDS];
        touch = new float[tangents.size()][ROOM];
        positive = new float[tangents.size()][n][ROOM];
        negative = new float[n * n][ROOM];
        numbers = new int[n * n * CUTS];
        both = new int[n * n];
        Arrays.fill(numbers, -1);
        for (int b = 0; b < BANDS; b++) {
            ratios(b);
        }
        for (int t = 0; t < touch.length; t++) {
            below(tangents.get(t), touch[t], positive[t]);
        }
        IntStream.range(0, n).parallel().forEach(this::above);
        for (int round = 1; round <= ROUNDS; round++) {
            int from = cuts.size();
            choose(CUTS * round / ROUNDS);
            for (int x = from; x < cuts.size(); x++) {
                number(x);
            }
        }
    }

    private void ratios(int b) {
        double lightest = Double.POSITIVE_INFINITY;
        double little = Double.POSITIVE_INFINITY;
        double much = 0;
        for (int i = 0; i < n; i++) {
            lightest = Math.min(lightest, mix.ratio(i, b));
            little = Math.min(little, mix.evenness(i, b));
            much = Math.max(much, mix.evenness(i, b));
        }
        for (int i = 0; i < n; i++) {
            double over = (mix.ratio(i, b) - lightest) * mix.evenness(i, b);
            least[i][b] = (float) (lightest + over / much);
            most[i][b] = (float) (lightest + over / little);
        }
    }

    private void below(MixColour.Tangent tangent, float[] touches, float[][] paints) {
        float[] bare = new float[BANDS];
        tangent.at(tangent.ratio(), bare);
        half.positive(bare, touches);
        for (int i = 0; i < n; i++) {
            tangent.at(most[i], bare);
            half.positive(bare, paints[i]);
        }
    }

    /** All pair mixes with many drops of one paint. */
    private void above(int i) {
        float[] q = new float[BANDS];
        float[] bare = new float[BANDS];
        float[] ones = new float[BANDS];
        Arrays.fill(ones, 1);
        float one = many * (float) mix.scatter(i);
        for (int j = 0; j < n; j++) {
            float other = few * (float) mix.scatter(j);
            for (int b = 0; b < BANDS; b++) {
                q[b] = (one * least[i][b] + other * least[j][b]) / (one + other);
            }
            mix.bare(q, ones, BANDS, bare);
            float[] to = negative[i * n + j];
            half.negative(bare, to);
            for (int d = 0; d < ROOM; d++) {
                to[d] *= one + other;
            }
        }
    }

    /** How far a pair mix lies outside by a cut, weighed by S. */
    private float past(Cut cut, int i, int j) {
        float one = many * (float) mix.scatter(i);
        float other = few * (float) mix.scatter(j);
        int d = cut.direction;
        float[][] below = positive[cut.tangent];
        float limit = half.most()[d] - cut.depth.rest() * touch[cut.tangent][d];
        return cut.depth.square() * (one * below[i][d] + other * below[j][d])
                + negative[i * n + j][d]
                - (one + other) * limit;
    }

    /** Sets the numbers of a cut; each less by more than floats round. */
    private void number(int x) {
        float[] values = new float[n * n];
        float largest = Float.MIN_NORMAL;
        for (int at = 0; at < values.length; at++) {
            values[at] = past(cuts.get(x), at / n, at % n);
            largest = Math.max(largest, Math.abs(values[at]));
        }
        for (int at = 0; at < values.length; at++) {
            numbers[at * CUTS + x] = (int) Math.floor(values[at] * (LARGEST / largest)) - 2;
        }
        for (int at = 0; at < values.length; at++) {
            int turned = at % n * n + at / n;
            boolean outside = numbers[at * CUTS + x] >= 0 && numbers[turned * CUTS + x] >= 0;
            both[at] |= outside ? 1 << x : 0;
        }
    }

    /** Adds the cuts that together prune most of some choices. */
    private void choose(int until) {
        List<Cut> all = new ArrayList<>();
        for (int t = 0; t < touch.length; t++) {
            for (int d = 0; d < half.many(); d++) {
                for (HalfSpaces.Depth depth : HalfSpaces.DEPTHS) {
                    all.add(new Cut(t, d, depth));
                }
            }
        }
        int[][] choices = choices();
        boolean[][] prunes = new boolean[all.size()][];
        IntStream.range(0, prunes.length)
                .parallel()
                .forEach(x -> prunes[x] = pruned(all.get(x), choices));
        boolean[] gone = new boolean[choices.length];
        while (cuts.size() < until) {
            int best = -1;
            int most = 0;
            for (int x = 0; x < prunes.length; x++) {
                int more = 0;
                for (int at = 0; at < gone.length; at++) {
                    more += prunes[x][at] && !gone[at] ? 1 : 0;
                }
                if (more > most) {
                    most = more;
                    best = x;
                }
            }
            if (best < 0) {
                return;
            }
            cuts.add(all.get(best));
            for (int at = 0; at < gone.length; at++) {
                gone[at] |= prunes[best][at];
            }
        }
    }

    private boolean[] pruned(Cut cut, int[][] choices) {
        boolean[] out = new boolean[choices.length];
        for (int at = 0; at < out.length; at++) {
            int[] choice = choices[at];
            out[at] = true;
            for (int i = 0; i < p && out[at]; i++) {
                float sum = 0;
                for (int j = 0; j < p; j++) {
                    sum += j == i ? 0 : past(cut, choice[i], choice[j]);
                }
                out[at] = sum > 0;
            }
        }
        return out;
    }

    /** Choices at random that are not pruned, or not found to be so soon enough. */
    private int[][] choices() {
        SplittableRandom random = new SplittableRandom(n + 31L * cuts.size());
        int[] sums = new int[SUMS];
        int[][] out = new int[SAMPLES][];
        for (int at = 0; at < out.length; at++) {
            int left = TRIES;
            do {
                out[at] = random.ints(0, n).distinct().limit(p).toArray();
                left--;
            } while (left > 0 && prunes(out[at], sums));
        }
        return out;
    }

    /** Adds up the numbers of three paints for {@link #prunes}. */
    void sum(int i, int j, int k, int[] sums) {
        int[] v = numbers;
        int ij = (i * n + j) * CUTS;
        int ik = (i * n + k) * CUTS;
        int ji = (j * n + i) * CUTS;
        int jk = (j * n + k) * CUTS;
        int ki = (k * n + i) * CUTS;
        int kj = (k * n + j) * CUTS;
        for (int x = 0; x < CUTS; x++) {
            sums[x] = v[ij + x] + v[ik + x];
            sums[CUTS + x] = v[ji + x] + v[jk + x];
            sums[2 * CUTS + x] = v[ki + x] + v[kj + x];
        }
    }

    /** Whether three paints are pruned, by their sums. */
    static boolean prunes(int[] sums) {
        // the sign stays while no cut has all corners outside
        int all = -1;
        for (int x = 0; x < CUTS; x++) {
            all &= sums[x] | sums[CUTS + x] | sums[2 * CUTS + x];
        }
        return all >= 0;
    }

    private boolean prunes(int[] choice, int[] sums) {
        sum(choice[0], choice[1], choice[2], sums);
        if (p == 3) {
            return prunes(sums);
        }
        return prunes(choice[0], choice[1], choice[2], choice[3], sums);
    }

    /** Whether four paints are pruned, with the sums of the first three. */
    boolean prunes(int i, int j, int k, int l, int[] sums) {
        int three = both[i * n + j] & both[i * n + k] & both[j * n + k];
        if ((three & both[i * n + l] & both[j * n + l] & both[k * n + l]) != 0) {
            return true;
        }
        int[] v = numbers;
        int il = (i * n + l) * CUTS;
        int jl = (j * n + l) * CUTS;
        int kl = (k * n + l) * CUTS;
        int li = (l * n + i) * CUTS;
        int lj = (l * n + j) * CUTS;
        int lk = (l * n + k) * CUTS;
        int all = -1;
        for (int x = 0; x < CUTS; x++) {
            int a = sums[x] + v[il + x];
            int b = sums[CUTS + x] + v[jl + x];
            int c = sums[2 * CUTS + x] + v[kl + x];
            int d = v[li + x] + v[lj + x] + v[lk + x];
            all &= a | b | c | d;
        }
        return all >= 0;
    }
}
