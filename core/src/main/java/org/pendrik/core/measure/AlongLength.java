package org.pendrik.core.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Region;

/**
 * A film along the length of a side or roof: dirt thrown up by wheels, soot behind a stack.
 *
 * @param film the class of the film: dust, or soot on a roof
 * @param strength by place, from the region's left edge to its right, share of the surface covered
 * @param sd one standard deviation of a value
 * @param peakMm where it is strongest, prototype mm from the left edge of the side
 * @param halfLeftMm how far to the left of the peak it falls to half; empty when not within the
 *     region
 * @param halfRightMm the same to the right
 * @param uShape how much stronger both ends are than the stretches between ends and middle; above
 *     twice its sd the film stands in a U
 * @param relative strengths count against the cleanest and dirtiest tenth of the region itself,
 *     since no sample of the film was picked
 */
public record AlongLength(
        WeatherClass film,
        List<Double> strength,
        double sd,
        double peakMm,
        Optional<Double> halfLeftMm,
        Optional<Double> halfRightMm,
        double uShape,
        boolean relative) {
    private static final int BINS = 48;
    private static final double LEAST_WAY = 0.012;
    private static final double FLOOR = 0.01;

    /** Earth and buff, half and half. */
    private static final Lab USUAL_DUST = new Lab(56, 6, 17);

    public AlongLength {
        strength = List.copyOf(strength);
    }

    /** Whether both ends are clearly dirtier than what lies between. */
    public boolean standsInU() {
        return uShape > Math.max(0.03, 2 * sd);
    }

    /** Whether it is clearly stronger at one place than elsewhere. */
    public boolean hasPeak() {
        double low = strength.stream().mapToDouble(Double::doubleValue).min().orElse(0);
        return strongest() - low > Math.max(0.1, 4 * sd);
    }

    /** At its strongest place, share of the surface covered. */
    public double strongest() {
        return strength.stream().mapToDouble(Double::doubleValue).max().orElse(0);
    }

    /** The same so far to the right. */
    AlongLength moved(double mm) {
        return new AlongLength(
                film, strength, sd, peakMm + mm, halfLeftMm, halfRightMm, uShape, relative);
    }

    static Answer<AlongLength> of(
            LabPlane plane, Optional<ClassModel> model, WeatherClass film, Region r) {
        double[][] columns = FilmShare.bins(plane, r, BINS, false);
        Optional<FilmShare.Way> sampled = model.flatMap(m -> FilmShare.Way.of(m, film));
        FilmShare.Way way = sampled.orElseGet(() -> extremes(columns, film));
        double[] s = Arrays.stream(columns).mapToDouble(way::along).toArray();
        if (s.length < 8
                || !(way.length() > LEAST_WAY)
                || DoubleStream.of(s).anyMatch(v -> !Double.isFinite(v))) {
            return Answer.CannotTell.nothing(
                    "Nothing in "
                            + r.name()
                            + " changes along the length, or parts of it are missing.",
                    "Draw the region where the film can be seen.");
        }
        double level = plane.levelSd(r) * way.alongPerLevel(columns[columns.length / 2]);
        double sd = Math.hypot(Math.hypot(FLOOR, level), roughness(s));
        double[] smooth = smooth(s);
        int peak = 0;
        for (int i = 1; i < smooth.length; i++) {
            peak = smooth[i] > smooth[peak] ? i : peak;
        }
        double bin = r.widthMm() / s.length;
        double least = Arrays.stream(smooth).min().orElse(0);
        double half = (smooth[peak] + least) / 2;
        return new Answer.Told<>(
                new AlongLength(
                        film,
                        DoubleStream.of(smooth).map(v -> Math.clamp(v, 0.0, 1.0)).boxed().toList(),
                        sd,
                        r.xMm() + (peak + 0.5) * bin,
                        crossing(smooth, peak, -1, half).map(v -> v * bin),
                        crossing(smooth, peak, 1, half).map(v -> v * bin),
                        uShape(smooth),
                        sampled.isEmpty()));
    }

    /** From a noise of neighbours: differences of neighbours scatter √2 times as much. */
    private static double roughness(double[] s) {
        double[] d = new double[s.length - 1];
        for (int i = 0; i < d.length; i++) {
            d[i] = Math.abs(s[i + 1] - s[i]);
        }
        Arrays.sort(d);
        return 1.4826 * d[d.length / 2] / Math.sqrt(2);
    }

    private static double[] smooth(double[] s) {
        double[] out = new double[s.length];
        for (int i = 0; i < s.length; i++) {
            double left = s[Math.max(0, i - 1)];
            double right = s[Math.min(s.length - 1, i + 1)];
            out[i] = (left + 2 * s[i] + right) / 4;
        }
        return out;
    }

    private static Optional<Double> crossing(double[] s, int from, int step, double level) {
        for (int i = from + step; i >= 0 && i < s.length; i += step) {
            if (s[i] <= level) {
                double before = s[i - step];
                double share = before == s[i] ? 0 : (before - level) / (before - s[i]);
                return Optional.of(Math.abs(i - step - from) + share);
            }
        }
        return Optional.empty();
    }

    private static double uShape(double[] s) {
        int n = s.length;
        int end = Math.max(1, n / 6);
        double left = mean(s, 0, end);
        double right = mean(s, n - end, n);
        double between = (mean(s, n / 4, n / 2 - n / 12) + mean(s, n / 2 + n / 12, 3 * n / 4)) / 2;
        return Math.min(left, right) - between;
    }

    private static double mean(double[] s, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += s[i];
        }
        return sum / (to - from);
    }

    /** The darkest and the lightest tenth; the film is the one that looks more like it. */
    private static FilmShare.Way extremes(double[][] columns, WeatherClass film) {
        double[][] sorted = columns.clone();
        Arrays.sort(sorted, java.util.Comparator.comparingDouble(c -> c[1]));
        double[] dark = sorted[sorted.length / 10];
        double[] light = sorted[sorted.length - 1 - sorted.length / 10];
        boolean isDark =
                film == WeatherClass.SOOT || away(dark, USUAL_DUST) < away(light, USUAL_DUST);
        return isDark ? new FilmShare.Way(light, dark) : new FilmShare.Way(dark, light);
    }

    private static double away(double[] xyz, Lab usual) {
        return Double.isNaN(xyz[0])
                ? Double.MAX_VALUE
                : Srgb.relativeToLab(xyz[0], xyz[1], xyz[2]).distance(usual);
    }
}
