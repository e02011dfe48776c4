package org.pendrik.core.measure;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.ejml.simple.SimpleMatrix;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.PixelBox;
import org.pendrik.core.units.InvalidInput;

/**
 * What each class looks like, learned from samples that a person picked.
 *
 * <p>Each sample is a normal cloud in L*a*b*; a class is the nearest of its clouds. Covariances are
 * shrunk towards a ball of the same volume by the amount that the sample cannot support (O. Ledoit,
 * M. Wolf, "A well-conditioned estimator for large-dimensional covariance matrices", Journal of
 * Multivariate Analysis 88 (2004), 365–411), then given a floor for eight-bit encoding and
 * compression. Neighbouring pixels share noise, so nine count as one.
 *
 * <p>Before anything is counted the classes are held against each other: the Bhattacharyya distance
 * bounds the share of pixels that any rule must confuse (T. Kailath, "The divergence and
 * Bhattacharyya distance measures in signal selection", IEEE Transactions on Communication
 * Technology 15 (1967), 52–60). Above {@value #INSEPARABLE} two classes are not told apart.
 */
public final class ClassModel {
    /** Two classes of which a pixel in six must be taken for the other say nothing. */
    public static final double INSEPARABLE = 0.16;

    /** From here on the confusion is told, and counted into the uncertainty. */
    public static final double UNSURE = 0.04;

    private static final double CORRELATED = 9;
    private static final int FEWEST_PIXELS = 9;
    private static final int MOST_PIXELS = 6000;
    private static final int MOST_SAMPLES = 60;

    /** Standard deviation in L*, a*, b* that is always there, from rendered patches. */
    private static final double[] FLOOR = {1.2, 1.1, 1.3};

    /**
     * The light on a side is uneven by so much, one standard deviation of its level. A colour under
     * a level that is higher by δ moves by δ / 3 of (L* + 16, a*, b*), since those go with cube
     * roots.
     */
    private static final double UNEVEN = 0.08;

    /** Share of a sample's pixels, the farthest ones, that are taken for specks. */
    private static final double SPECKS = 0.05;

    private final List<Cloud> clouds;
    private final List<WeatherClass> classes;

    private ClassModel(List<Cloud> clouds) {
        this.clouds = clouds;
        Set<WeatherClass> seen = EnumSet.noneOf(WeatherClass.class);
        clouds.forEach(c -> seen.add(c.kind()));
        this.classes = List.copyOf(seen);
    }

    /**
     * Two classes held against each other.
     *
     * @param confused upper bound of the share of pixels that must be taken for the other, 0 to 0.5
     */
    public record Pair(WeatherClass one, WeatherClass two, double confused) {
        /** Whether they cannot be told apart. */
        public boolean inseparable() {
            return confused > INSEPARABLE;
        }
    }

    /**
     * Learns from samples.
     *
     * @throws InvalidInput when there are more than 60, or one has fewer than 9 usable pixels
     */
    public static ClassModel learn(LabPlane plane, List<ClassSample> samples) {
        if (samples.size() > MOST_SAMPLES) {
            throw new InvalidInput(
                    "Samples",
                    "" + samples.size(),
                    "must be at most " + MOST_SAMPLES,
                    "Take out those that say the same.");
        }
        List<Cloud> out = new ArrayList<>();
        for (ClassSample s : samples) {
            out.add(cloud(plane, s));
        }
        return new ClassModel(out);
    }

    private static Cloud cloud(LabPlane plane, ClassSample s) {
        List<double[]> lab = new ArrayList<>();
        double[] xyz = new double[3];
        PixelBox box = plane.box(s.region());
        int stride = Math.max(1, (int) Math.sqrt(box.area() / (double) MOST_PIXELS));
        for (int y = box.top(); y < box.low(); y += stride) {
            for (int x = box.left(); x < box.right(); x += stride) {
                if (plane.has(s.region(), x, y)) {
                    int i = y * plane.width() + x;
                    lab.add(
                            new double[] {
                                plane.lab(0)[i], plane.lab(1)[i], plane.lab(2)[i],
                                plane.xyz(0)[i], plane.xyz(1)[i], plane.xyz(2)[i]
                            });
                }
            }
        }
        if (lab.size() < FEWEST_PIXELS) {
            throw new InvalidInput(
                    "Sample of " + s.kind().label(),
                    lab.size() + " pixels",
                    "must have at least "
                            + FEWEST_PIXELS
                            + " that are neither clipped nor excluded",
                    "Draw it larger, or somewhere else.");
        }
        double[] middle = mean(lab);
        lab.sort(java.util.Comparator.comparingDouble(v -> distance(v, middle)));
        List<double[]> kept =
                lab.subList(0, Math.max(FEWEST_PIXELS, (int) (lab.size() * (1 - SPECKS))));
        double[] mean = mean(kept);
        for (int k = 0; k < 3; k++) {
            xyz[k] = mean[3 + k];
        }
        return new Cloud(
                s.kind(), new double[] {mean[0], mean[1], mean[2]}, xyz, spread(kept, mean));
    }

    private static double[] mean(List<double[]> points) {
        double[] m = new double[6];
        for (double[] p : points) {
            for (int k = 0; k < 6; k++) {
                m[k] += p[k] / points.size();
            }
        }
        return m;
    }

    private static double distance(double[] a, double[] b) {
        double l = a[0] - b[0];
        double m = a[1] - b[1];
        double n = a[2] - b[2];
        return Math.sqrt(l * l + m * m + n * n);
    }

    private static SimpleMatrix spread(List<double[]> points, double[] mean) {
        int n = points.size();
        SimpleMatrix s = new SimpleMatrix(3, 3);
        for (double[] p : points) {
            for (int i = 0; i < 3; i++) {
                for (int j = 0; j < 3; j++) {
                    s.set(i, j, s.get(i, j) + (p[i] - mean[i]) * (p[j] - mean[j]) / n);
                }
            }
        }
        double ball = s.trace() / 3;
        double apart = 0;
        double own = 0;
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                apart += Math.pow(s.get(i, j) - (i == j ? ball : 0), 2);
            }
        }
        for (double[] p : points) {
            for (int i = 0; i < 3; i++) {
                for (int j = 0; j < 3; j++) {
                    own +=
                            Math.pow((p[i] - mean[i]) * (p[j] - mean[j]) - s.get(i, j), 2)
                                    / ((double) n * n / CORRELATED);
                }
            }
        }
        double share = apart == 0 ? 1 : Math.min(1, own / apart);
        SimpleMatrix out = s.scale(1 - share).plus(SimpleMatrix.identity(3).scale(share * ball));
        double[] brighter = {mean[0] + 16, mean[1], mean[2]};
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                double both = brighter[i] * brighter[j] * UNEVEN * UNEVEN / 9;
                out.set(i, j, out.get(i, j) + both + (i == j ? FLOOR[i] * FLOOR[i] : 0));
            }
        }
        return out;
    }

    /** X, Y, Z over white of the sampled paint; empty when none is sampled. */
    public Optional<double[]> paint() {
        double[] mean = FilmShare.Way.mean(this, WeatherClass.PAINT);
        return mean.length == 0 ? Optional.empty() : Optional.of(mean);
    }

    /**
     * The same classes as another side shows them, whose samples were picked on this one: a model
     * beside its prototype. Its paint is what most of it shows near the sampled paint; marks keep
     * how far they are from the paint, and take the direction in which the other side's colours lie
     * from its own paint. What a model shows less of is still less.
     */
    public ClassModel adaptedTo(LabPlane other) {
        return new Adaptation(other, clouds).model().map(ClassModel::new).orElse(this);
    }

    /** The classes that were sampled, in the order of {@link WeatherClass}. */
    public List<WeatherClass> classes() {
        return classes;
    }

    /** What each class looks like: the mean of its samples. */
    public Map<WeatherClass, Lab> colours() {
        Map<WeatherClass, Lab> out = new EnumMap<>(WeatherClass.class);
        for (WeatherClass c : classes) {
            double[] sum = new double[4];
            for (Cloud cloud : clouds) {
                if (cloud.kind() == c) {
                    for (int k = 0; k < 3; k++) {
                        sum[k] += cloud.mean()[k];
                    }
                    sum[3]++;
                }
            }
            out.put(c, new Lab(sum[0] / sum[3], sum[1] / sum[3], sum[2] / sum[3]));
        }
        return out;
    }

    List<Cloud> clouds() {
        return clouds;
    }

    /** Every pair of classes, the most confused first. */
    public List<Pair> pairs() {
        List<Pair> out = new ArrayList<>();
        for (int i = 0; i < classes.size(); i++) {
            for (int j = i + 1; j < classes.size(); j++) {
                double worst = 0;
                for (Cloud a : clouds) {
                    for (Cloud b : clouds) {
                        if (a.kind() == classes.get(i) && b.kind() == classes.get(j)) {
                            worst = Math.max(worst, a.confusedWith(b));
                        }
                    }
                }
                out.add(new Pair(classes.get(i), classes.get(j), worst));
            }
        }
        out.sort(java.util.Comparator.comparingDouble(Pair::confused).reversed());
        return out;
    }
}
