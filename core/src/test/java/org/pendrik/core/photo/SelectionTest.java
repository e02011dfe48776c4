package org.pendrik.core.photo;

import static org.testng.Assert.assertEquals;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SelectionTest {
    @DataProvider
    public Object[][] steps() {
        return new Object[][] {{1}, {2}, {7}, {1_000_000}};
    }

    /** With few steps nearly all values are equal, which is where such methods go astray. */
    @Test(dataProvider = "steps")
    public void everyPlaceIsThatOfTheSortedRow(int steps) {
        SplittableRandom random = new SplittableRandom(steps);
        for (int n = 1; n < 60; n++) {
            float[] values = new float[n + 3];
            for (int i = 0; i < values.length; i++) {
                values[i] = i < n ? random.nextInt(steps) : -1;
            }
            float[] sorted = Arrays.copyOf(values, n);
            Arrays.sort(sorted);
            for (int place = 0; place < n; place++) {
                assertEquals(Selection.at(values.clone(), n, place), sorted[place]);
            }
            float middle = (sorted[n / 2] + sorted[(n - 1) / 2]) / 2;
            assertEquals(Selection.median(values.clone(), n), middle, 1e-3);
        }
    }

    @Test
    public void orderedAndReversedRowsAreNoWorse() {
        int n = 200_000;
        float[] up = new float[n];
        for (int i = 0; i < n; i++) {
            up[i] = i;
        }
        float[] down = new float[n];
        for (int i = 0; i < n; i++) {
            down[i] = n - 1 - i;
        }
        assertEquals(Selection.at(up, n, 1234), 1234f);
        assertEquals(Selection.at(down, n, 1234), 1234f);
    }
}
