package org.pendrik.core.photo;

/**
 * Order statistics without sorting everything (C. A. R. Hoare, "Algorithm 65: find", Communications
 * of the ACM 4 (1961), 321–322). O(n) on average.
 */
public final class Selection {
    private Selection() {}

    /**
     * The value that would stand at a place if the first {@code count} were sorted; they come into
     * another order, with no larger ones before it and no smaller ones behind.
     *
     * @param values without NaN
     * @param count how many of them count, above {@code place}
     * @param place 0 for the smallest
     */
    public static float at(float[] values, int count, int place) {
        int low = 0;
        int high = count - 1;
        while (low < high) {
            float pivot = middle(values[low], values[low + (high - low) / 2], values[high]);
            int i = low;
            int j = high;
            while (i <= j) {
                while (values[i] < pivot) {
                    i++;
                }
                while (values[j] > pivot) {
                    j--;
                }
                if (i <= j) {
                    float v = values[i];
                    values[i++] = values[j];
                    values[j--] = v;
                }
            }
            if (place <= j) {
                high = j;
            } else if (place >= i) {
                low = i;
            } else {
                return values[place];
            }
        }
        return values[place];
    }

    /**
     * The median of the first {@code count}; the mean of the two middle ones when that is even.
     *
     * @param values without NaN; they come into another order
     * @param count above 0
     */
    public static float median(float[] values, int count) {
        float upper = at(values, count, count / 2);
        if (count % 2 == 1) {
            return upper;
        }
        float lower = values[0];
        for (int i = 1; i < count / 2; i++) {
            lower = Math.max(lower, values[i]);
        }
        return (lower + upper) / 2;
    }

    private static float middle(float a, float b, float c) {
        return Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));
    }
}
