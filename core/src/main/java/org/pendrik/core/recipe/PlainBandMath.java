package org.pendrik.core.recipe;

/** Band by band. */
final class PlainBandMath extends BandMath {
    PlainBandMath(Kernel kernel) {
        super(kernel);
    }

    @Override
    void corners(int[] chosen, int p, int more, Point[] out) {
        float all = 0;
        for (int i = 0; i < p; i++) {
            all += level[chosen[i]];
        }
        for (int i = 0; i < p; i++) {
            float per = 1 / (all + more * level[chosen[i]]);
            for (int b = 0; b < SIZE; b++) {
                float kk = more * k[chosen[i]][b];
                float ss = more * s[chosen[i]][b];
                for (int j = 0; j < p; j++) {
                    kk += k[chosen[j]][b];
                    ss += s[chosen[j]][b];
                }
                out[i].k[b] = kk * per;
                out[i].s[b] = ss * per;
            }
            out[i].seen = false;
        }
    }

    @Override
    void see(Point p) {
        for (int b = 0; b < SIZE; b++) {
            float kb = p.k[b];
            float sb = p.s[b];
            p.r[b] = veil + t * sb / (c * sb + kb + (float) Math.sqrt(kb * (kb + 2 * sb)));
        }
        sums(p.r, p.xyz);
        p.seen = true;
    }

    private void sums(float[] r, float[] out) {
        for (int a = 0; a < 3; a++) {
            out[a] = 0;
            for (int b = 0; b < SIZE; b++) {
                out[a] += w[a][b] * r[b];
            }
        }
    }

    @Override
    void between(Point one, Point other, float share, Point out) {
        for (int b = 0; b < SIZE; b++) {
            out.k[b] = share * one.k[b] + (1 - share) * other.k[b];
            out.s[b] = share * one.s[b] + (1 - share) * other.s[b];
        }
        see(out);
    }

    @Override
    void middle(Point[] all, int n, Tangent out) {
        for (int b = 0; b < SIZE; b++) {
            float kk = 0;
            float ss = 0;
            for (int i = 0; i < n; i++) {
                kk += all[i].k[b];
                ss += all[i].s[b];
            }
            float q = kk / ss;
            float root = (float) Math.sqrt(q * (q + 2));
            float under = 1 / (c + q + root);
            out.ratio[b] = q;
            out.seen[b] = veil + t * under;
            out.slope[b] = -t * under * under * (root + q + 1) / root;
        }
    }

    @Override
    void below(Point[] all, int n, Tangent at, Span span, float[][] out) {
        float[] r = new float[SIZE];
        for (int i = 0; i < n; i++) {
            for (int b = 0; b < SIZE; b++) {
                float away = all[i].k[b] - at.ratio[b] * all[i].s[b];
                // 1 over the least S where it is darker, over the most where not
                float far = away * span.per[b] + Math.abs(away) * span.half[b];
                r[b] = at.seen[b] + at.slope[b] * far;
            }
            sums(r, out[i]);
        }
    }

    @Override
    void spans(Point[] all, int n, Span out) {
        for (int b = 0; b < SIZE; b++) {
            float least = all[0].s[b];
            float most = least;
            for (int i = 1; i < n; i++) {
                least = Math.min(least, all[i].s[b]);
                most = Math.max(most, all[i].s[b]);
            }
            out.per[b] = (1 / least + 1 / most) / 2;
            out.half[b] = (1 / least - 1 / most) / 2;
        }
    }

    @Override
    void rise(Point[] all, int n, Span out) {
        spans(all, n, out);
        float[] raised = new float[SIZE];
        for (int b = 0; b < SIZE; b++) {
            float least = all[0].r[b];
            float most = least;
            for (int i = 1; i < n; i++) {
                least = Math.min(least, all[i].r[b]);
                most = Math.max(most, all[i].r[b]);
            }
            float wide = 2 * out.half[b] / (out.per[b] - out.half[b]);
            raised[b] = wide * (most - least) / 4;
        }
        sums(raised, out.rise);
    }

    @Override
    boolean apart(HalfSpaces sides, float[][] low, Point[] all, int n, float[] rise) {
        for (int d = 0; d < HalfSpaces.LANES; d++) {
            boolean planes = true;
            boolean slice = true;
            for (int i = 0; i < n; i++) {
                float[] xyz = all[i].xyz;
                float x = sides.up[0][d] * low[i][0] + sides.down[0][d] * (xyz[0] + rise[0]);
                float y = sides.up[1][d] * low[i][1] + sides.down[1][d] * (xyz[1] + rise[1]);
                float z = sides.up[2][d] * low[i][2] + sides.down[2][d] * (xyz[2] + rise[2]);
                planes &= x + y + z > sides.most[d];
                slice &= x + z > sides.rest[d];
            }
            if (planes || slice) {
                return true;
            }
        }
        return false;
    }
}
