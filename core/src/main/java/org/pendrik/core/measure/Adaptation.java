package org.pendrik.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Selection;

/**
 * Classes that were sampled on one side, as another side shows them.
 *
 * <p>No two mixes of rust are one colour, and a model's rust is not its prototype's. The paint is
 * looked for first: the median of the pixels near the sampled one, moved on until it stays. Of a
 * film that runs and fades only the direction from the paint in L*a*b* is learned anew, as the mean
 * direction of the pixels that lie in a cone round the sampled direction and are nearer to it than
 * to another class; how far it is from the paint stays, so a thinner film is still thinner. Old
 * rust hides the paint: its colour is the median of the pixels near its sample. O(pixels).
 */
final class Adaptation {
    /** Marks that hide the paint. */
    private static final Set<WeatherClass> HIDING = EnumSet.of(WeatherClass.OLD_RUST);

    /** ΔE*ab within which a pixel may be such a mark. */
    private static final double NEAR_MARK = 10;

    /** … but no farther than this part of the way to the paint. */
    private static final double HALF_WAY = 0.4;

    private static final int MOST_PIXELS = 60_000;

    /** ΔE*ab within which a pixel may be the paint. */
    private static final double NEAR_PAINT = 14;

    private static final int ROUNDS = 6;

    /** Share of the side that has to be paint. */
    private static final double LEAST_PAINT = 0.15;

    /** Cosine of the half angle of the cone: 32°. */
    private static final double CONE = 0.85;

    /** How far from the paint a pixel must be to say anything, as a share of the sample's way. */
    private static final double LEAST_WAY = 0.6;

    private static final double MOST_WAY = 1.6;
    private static final int STRONGEST = 8;
    private static final int FEWEST = 60;
    private static final double DARKEST = 0.002;

    private final LabPlane plane;
    private final List<Cloud> clouds;
    private final int[] pixels;

    Adaptation(LabPlane plane, List<Cloud> clouds) {
        this.plane = plane;
        this.clouds = clouds;
        int all = plane.width() * plane.height();
        int stride = Math.max(1, all / MOST_PIXELS) | 1;
        int[] at = new int[all / stride + 1];
        int n = 0;
        for (int i = 0; i < all; i += stride) {
            if (plane.usable().at(i % plane.width(), i / plane.width())) {
                at[n++] = i;
            }
        }
        pixels = Arrays.copyOf(at, n);
    }

    /** The clouds moved; empty when the other side shows none of the sampled paint. */
    Optional<List<Cloud>> model() {
        Cloud sampled =
                clouds.stream()
                        .filter(c -> c.kind() == WeatherClass.PAINT)
                        .findFirst()
                        .orElse(null);
        if (sampled == null) {
            return Optional.empty();
        }
        double[] paint = middle(sampled.mean(), NEAR_PAINT, (int) (LEAST_PAINT * pixels.length));
        if (paint.length == 0) {
            return Optional.empty();
        }
        Lab lab = Srgb.relativeToLab(paint[0], paint[1], paint[2]);
        double[] here = {lab.l(), lab.a(), lab.b()};
        List<Cloud> out = new ArrayList<>();
        for (Cloud c : clouds) {
            if (c.kind() == WeatherClass.PAINT) {
                out.add(c.movedTo(paint));
            } else if (ThinFilm.KINDS.contains(c.kind())) {
                out.add(c.movedTo(film(c, sampled.mean(), here)));
            } else if (HIDING.contains(c.kind())) {
                double reach = Math.min(NEAR_MARK, HALF_WAY * length(less(c.mean(), here)));
                double[] seen = middle(c.mean(), reach, FEWEST);
                out.add(seen.length == 0 ? c : c.movedTo(seen));
            } else {
                out.add(c);
            }
        }
        return Optional.of(out);
    }

    /**
     * X, Y, Z over white of the median of what lies near a colour, moved on until it stays; empty
     * when there is too little of it.
     */
    private double[] middle(double[] lab, double reach, int fewest) {
        double[] middle = lab.clone();
        double[] xyz = new double[3];
        float[][] near = new float[6][pixels.length];
        for (int round = 0; round < ROUNDS; round++) {
            int n = 0;
            for (int i : pixels) {
                double dl = plane.lab(0)[i] - middle[0];
                double da = plane.lab(1)[i] - middle[1];
                double db = plane.lab(2)[i] - middle[2];
                if (dl * dl + da * da + db * db < reach * reach) {
                    for (int k = 0; k < 3; k++) {
                        near[k][n] = plane.lab(k)[i];
                        near[3 + k][n] = plane.xyz(k)[i];
                    }
                    n++;
                }
            }
            if (n < fewest) {
                return new double[0];
            }
            if (length(less(middle, lab)) > reach) {
                return new double[0];
            }
            for (int k = 0; k < 3; k++) {
                middle[k] = Selection.median(near[k], n);
                xyz[k] = Selection.median(near[3 + k], n);
            }
        }
        return xyz;
    }

    /** L*, a*, b* of a cloud as it is to be expected here: a film lies as far from its paint. */
    private static double[] expected(Cloud c, double[] clean, double[] paint) {
        double[] out = new double[3];
        for (int k = 0; k < 3; k++) {
            out[k] = c.mean()[k] - (ThinFilm.KINDS.contains(c.kind()) ? clean[k] - paint[k] : 0);
        }
        return out;
    }

    /** X, Y, Z over white of a film here, from L*, a*, b* of the paints there and here. */
    private double[] film(Cloud c, double[] clean, double[] paint) {
        double[] wanted = expected(c, clean, paint);
        List<double[]> others =
                clouds.stream()
                        .filter(o -> o.kind() != c.kind() && o.kind() != WeatherClass.PAINT)
                        .map(o -> expected(o, clean, paint))
                        .toList();
        double[] way = less(wanted, paint);
        double far = length(way);
        double[] sum = new double[3];
        double[] v = new double[3];
        int n = 0;
        for (int i : pixels) {
            for (int k = 0; k < 3; k++) {
                v[k] = plane.lab(k)[i];
            }
            double[] d = less(v, paint);
            double l = length(d);
            if (l < LEAST_WAY * far || l > MOST_WAY * far) {
                continue;
            }
            double along = (d[0] * way[0] + d[1] * way[1] + d[2] * way[2]) / (l * far);
            double off = length(less(v, wanted));
            if (along < CONE || others.stream().anyMatch(o -> length(less(v, o)) < off)) {
                continue;
            }
            // where a film is thin it is darker than on the straight way: the strongest count most
            double weight = Math.pow(l / far, STRONGEST);
            for (int k = 0; k < 3; k++) {
                sum[k] += weight * d[k];
            }
            n++;
        }
        if (n >= FEWEST) {
            double total = length(sum);
            for (int k = 0; k < 3; k++) {
                wanted[k] = paint[k] + sum[k] / total * far;
            }
        }
        double[] xyz = Srgb.labToRelative(new Lab(wanted[0], wanted[1], wanted[2]));
        return Arrays.stream(xyz).map(x -> Math.max(DARKEST, x)).toArray();
    }

    private static double[] less(double[] a, double[] b) {
        return new double[] {a[0] - b[0], a[1] - b[1], a[2] - b[2]};
    }

    private static double length(double[] v) {
        return Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
    }
}
