package org.pendrik.app.truth;

/**
 * One measure against its truth.
 *
 * @param error in the unit of the measure
 * @param told two standard deviations as stated; infinite when none is stated
 */
public record Result(String measure, double error, double told) {
    boolean covered() {
        return Math.abs(error) <= told;
    }

    boolean stated() {
        return Double.isFinite(told);
    }
}
