package org.pendrik.core.measure;

import org.pendrik.core.photo.PixelBox;
import org.pendrik.core.photo.Region;

/**
 * The marks of one class in a region: its pixels, at least half of the class, numbered by which of
 * them touch, also at their corners.
 *
 * @param box the pixels of the region
 * @param part how much of each pixel of the box is of the class, 0 to 1; NaN unmeasured
 * @param number of the mark that each pixel is of, from 1; 0 for none
 * @param count how many marks there are
 */
@SuppressWarnings("ArrayRecordComponent") // buffers, never compared
record Marks(PixelBox box, float[] part, int[] number, int count, double pxPerMm) {
    /** What is smaller is grain. */
    static final int FEWEST_PX = 6;

    static Marks of(ClassMap map, WeatherClass c, Region r) {
        PixelBox box = PixelBox.of(r, map.pxPerMm(), map.width(), map.height());
        float[] part = map.part(c, r, box);
        int[] number = components(part, box.width(), box.height());
        int count = 0;
        for (int n : number) {
            count = Math.max(count, n);
        }
        return new Marks(box, part, number, count, map.pxPerMm());
    }

    /** Numbers the connected pixels from 1; two passes over a forest of equal numbers. */
    static int[] components(float[] part, int w, int h) {
        int[] label = new int[part.length];
        int[] parent = new int[part.length / 2 + 2];
        int next = 1;
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int i = y * w + x;
                if (!(part[i] >= 0.5f)) {
                    continue;
                }
                int found = 0;
                for (int k = 0; k < 4; k++) {
                    int u = x + (k == 0 ? -1 : k - 2);
                    int v = k == 0 ? y : y - 1;
                    if (u < 0 || u >= w || v < 0 || label[v * w + u] == 0) {
                        continue;
                    }
                    int root = root(parent, label[v * w + u]);
                    if (found == 0) {
                        found = root;
                    } else if (root != found) {
                        parent[Math.max(root, found)] = Math.min(root, found);
                        found = Math.min(root, found);
                    }
                }
                if (found == 0) {
                    parent[next] = next;
                    found = next++;
                }
                label[i] = found;
            }
        }
        int[] dense = new int[next];
        int count = 0;
        for (int i = 0; i < label.length; i++) {
            if (label[i] != 0) {
                int root = root(parent, label[i]);
                if (dense[root] == 0) {
                    dense[root] = ++count;
                }
                label[i] = dense[root];
            }
        }
        return label;
    }

    private static int root(int[] parent, int i) {
        int r = i;
        while (parent[r] != r) {
            parent[r] = parent[parent[r]];
            r = parent[r];
        }
        return r;
    }
}
