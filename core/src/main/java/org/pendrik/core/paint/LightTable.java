package org.pendrik.core.paint;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.pendrik.core.tables.DomainTable;

/**
 * The observer and the lights of lights.csv, folded onto the bands: a reflectance runs straight
 * between its bands, so each row of the table gives its share to the two bands beside it.
 */
final class LightTable {
    private static final List<String> COLUMNS =
            List.of("nm", "x", "y", "z", "d65", "d50", "a", "led_warm", "led_cool");
    private static final Map<Light, LightTable> ALL = all();

    /** Of the bands, for X, Y and Z. */
    private final double[][] weights;

    /** X, Y, Z of a perfect white, Y = 1. */
    private final double[] white;

    private LightTable(double[][] weights, double[] white) {
        this.weights = weights;
        this.white = white;
    }

    double[][] weights() {
        return weights;
    }

    double[] white() {
        return white;
    }

    static LightTable of(Light light) {
        return Objects.requireNonNull(ALL.get(light), "every light has its table");
    }

    private static Map<Light, LightTable> all() {
        List<double[]> rows =
                DomainTable.load(
                        LightTable.class,
                        "lights.csv",
                        r -> COLUMNS.stream().mapToDouble(r::number).toArray());
        Map<Light, LightTable> out = new EnumMap<>(Light.class);
        for (Light light : Light.values()) {
            out.put(light, fold(rows, COLUMNS.indexOf(light.column())));
        }
        return out;
    }

    private static LightTable fold(List<double[]> rows, int power) {
        double[][] weights = new double[3][Reflectance.BANDS];
        double[] white = new double[3];
        double sumY = 0;
        for (double[] row : rows) {
            sumY += row[2] * row[power];
        }
        for (double[] row : rows) {
            double at = (row[0] - Reflectance.FROM_NM) / Reflectance.STEP_NM;
            int band = Math.clamp((int) at, 0, Reflectance.BANDS - 2);
            double share = Math.clamp(at - band, 0, 1);
            for (int i = 0; i < 3; i++) {
                double w = row[1 + i] * row[power] / sumY;
                weights[i][band] += w * (1 - share);
                weights[i][band + 1] += w * share;
                white[i] += w;
            }
        }
        return new LightTable(weights, white);
    }
}
