package org.pendrik.core.paint;

import java.util.List;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.tables.DomainTable;

/**
 * What the boundary between a paint film and the air does to light.
 *
 * <p>Source: J. L. Saunderson, "Calculation of the color of pigmented plastics", Journal of the
 * Optical Society of America 32 (1942), 727–736. Of the light that falls on the film, k1 is
 * reflected at once; of the light that comes up from inside, k2 is thrown back. What a gloss
 * surface reflects at once leaves in one direction, which people turn away from; a matte surface
 * spreads it over the colour. So only the share (1 − gloss) of k1 is added.
 *
 * @param name of the finish, as surfaces.csv has it
 * @param outer k1, 0 to 0.2
 * @param inner k2, 0 to 0.9
 * @param gloss the share of k1 that is not seen, 0 to 1
 */
public record Surface(String name, double outer, double inner, double gloss) {
    /** No boundary: what is seen is what is inside. */
    public static final Surface NONE = new Surface("none", 0, 0, 1);

    private static final List<Surface> ALL =
            DomainTable.load(
                    Surface.class,
                    "surfaces.csv",
                    r ->
                            new Surface(
                                    r.text("name"),
                                    r.number("outer"),
                                    r.number("inner"),
                                    r.number("gloss")));

    /** The least that inside reflectances are taken to be: KM has no black. */
    static final double DARKEST = 2e-4;

    /** The most that inside reflectances are taken to be: KM has no perfect white. */
    static final double LIGHTEST = 0.9995;

    public Surface {
        if (!(outer >= 0 && outer <= 0.2 && inner >= 0 && inner <= 0.9)
                || !(gloss >= 0 && gloss <= 1)) {
            throw new IllegalArgumentException(
                    "outer must be from 0 to 0.2, inner to 0.9, gloss to 1");
        }
    }

    /**
     * The surface of a finish by its name in surfaces.csv.
     *
     * @throws IllegalArgumentException when there is none
     */
    public static Surface of(String name) {
        return ALL.stream()
                .filter(s -> s.name.equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no surface is called " + name));
    }

    /**
     * What a place is like over part of which another surface lies, looked at from so far that the
     * parts are not told apart.
     *
     * @param share of the other, 0 to 1; 0 and 1 give one of both as it is
     */
    public Surface partly(Surface other, double share) {
        if (share <= 0 || equals(other)) {
            return this;
        }
        if (share >= 1) {
            return other;
        }
        return new Surface(
                share < 0.5 ? name : other.name,
                outer + share * (other.outer - outer),
                inner + share * (other.inner - inner),
                gloss + share * (other.gloss - gloss));
    }

    /** What is added to every colour, 0 to 0.2. */
    public double veil() {
        return outer * (1 - gloss);
    }

    /**
     * How many times what the surface alone reflects a colour is, in that of X, Y and Z in which it
     * is least; at 1 and below no film is so dark. Infinite where the surface reflects nothing.
     */
    double timesVeil(Lab seen) {
        double[] xyz = Light.D65.xyz(seen);
        double[] white = Light.D65.white();
        double least = Double.POSITIVE_INFINITY;
        for (int k = 0; k < 3 && veil() > 0; k++) {
            // what no light can look like may have less than none of one of them
            least = Math.min(least, Math.max(0, xyz[k]) / white[k] / veil());
        }
        return least;
    }

    /** The share of light from inside that is seen when nothing is thrown back twice. */
    public double through() {
        return (1 - outer) * (1 - inner);
    }

    /** What is seen of light that comes from inside; increasing and convex in it. */
    double seen(double inside) {
        return veil() + through() * inside / (1 - inner * inside);
    }

    /** The inside reflectance that is seen so; may lie outside 0 to 1. */
    double inside(double seen) {
        double v = (seen - veil()) / (1 - outer);
        return v / (1 - inner + inner * v);
    }

    /** What is seen of a film whose inside reflects so. */
    public Reflectance seen(Reflectance inside) {
        double[] v = new double[Reflectance.BANDS];
        for (int i = 0; i < v.length; i++) {
            v[i] = Math.clamp(seen(inside.at(i)), 0, 1);
        }
        return Reflectance.of(v);
    }

    /**
     * The inside of a film that is seen so. What is darker than the veil of this surface, or
     * lighter than it lets through, is taken as the darkest or lightest there is.
     */
    public Reflectance inside(Reflectance seen) {
        double[] v = new double[Reflectance.BANDS];
        for (int i = 0; i < v.length; i++) {
            v[i] = Math.clamp(inside(seen.at(i)), DARKEST, LIGHTEST);
        }
        return Reflectance.of(v);
    }
}
