package org.pendrik.core.shelf;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.KubelkaMunk;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.Reflectance;
import org.pendrik.core.paint.SpectrumFit;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.paint.Swatches;
import org.pendrik.core.units.InvalidInput;

/**
 * A sample of a paint beside its hiding coat: a usual coat over black or over white, or a hiding
 * coat of it let down with white. They tell how it scatters, which one colour cannot.
 *
 * @param ground what it is over, or let down with
 * @param share of the paint by volume, 0.001 to 0.99, to eight places; 1 for a coat over a ground
 * @param seen its colour, D65
 */
public record Swatch(Ground ground, double share, Lab seen) {
    /** A bottle has no more of them. */
    public static final int MOST = 8;

    private static final double COAT_UM = 10;

    /** The two fields of an opacity card. */
    private static final Reflectance BLACK = Reflectance.level(0.02);

    private static final Reflectance WHITE = Reflectance.level(0.85);

    private static final Lab TITANIUM = new Lab(95, -0.5, 2);
    private static final double TITANIUM_HIDES = 0.9;

    /** What is under a swatch, or in it. */
    public enum Ground {
        BLACK("over black"),
        WHITE("over white"),
        LET_DOWN("let down with white");

        private final String title;

        Ground(String title) {
            this.title = title;
        }

        /** In sentences. */
        public String title() {
            return title;
        }
    }

    public Swatch {
        if (ground == Ground.LET_DOWN) {
            InvalidInput.requireWithin(
                    "Share in the white", share * 100, " %", 0.1, 99, "One part in ten is 10 %.");
            share = Math.round(share * 1e8) / 1e8;
        } else {
            share = 1;
        }
        InvalidInput.requireWithin("L* of a swatch", seen.l(), "", 0, 100, "0 is black.");
        InvalidInput.requireWithin("a* of a swatch", seen.a(), "", -128, 127, "Green to red.");
        InvalidInput.requireWithin("b* of a swatch", seen.b(), "", -128, 127, "Blue to yellow.");
    }

    /**
     * The paint that some swatches show: of both grounds when they are there, else of what it was
     * let down to.
     *
     * @param full a hiding coat of the paint alone
     * @return empty when they are not enough to tell
     * @throws InvalidInput when they cannot be of one paint
     */
    static Optional<Paint> paint(List<Swatch> all, Lab full, Surface surface) {
        Optional<Swatch> black = all.stream().filter(s -> s.ground == Ground.BLACK).findFirst();
        Optional<Swatch> white = all.stream().filter(s -> s.ground == Ground.WHITE).findFirst();
        if (black.isPresent() && white.isPresent()) {
            return Optional.of(overGrounds(black.get().seen, white.get().seen, full, surface));
        }
        List<Swatches.Dilution> steps = new ArrayList<>();
        for (Swatch s : all) {
            if (s.ground == Ground.LET_DOWN) {
                steps.add(new Swatches.Dilution(s.share, spectrum(s.seen)));
            }
        }
        if (steps.isEmpty()) {
            return Optional.empty();
        }
        steps.add(new Swatches.Dilution(1, spectrum(full)));
        Paint titanium = Paint.estimated(TITANIUM, surface, TITANIUM_HIDES, COAT_UM);
        return Optional.of(Swatches.inDilutions(titanium, steps, surface));
    }

    /** S from both grounds, K/S from the hiding coat: a thin coat says little of that. */
    private static Paint overGrounds(Lab black, Lab white, Lab full, Surface surface) {
        if (black.l() > white.l()) {
            throw new InvalidInput(
                    "Swatch over black",
                    String.format(Locale.ROOT, "L* %.1f", black.l()),
                    "is lighter than the one over white",
                    "See whether the two were mixed up.");
        }
        double[] s =
                Swatches.overGrounds(
                                BLACK, WHITE, spectrum(black), spectrum(white), surface, COAT_UM)
                        .scatters();
        Reflectance inside = surface.inside(spectrum(full));
        double[] k = new double[s.length];
        for (int i = 0; i < k.length; i++) {
            k[i] = KubelkaMunk.ratio(inside.at(i)) * s[i];
        }
        return Paint.of(k, s, Paint.Origin.GROUNDS);
    }

    private static Reflectance spectrum(Lab seen) {
        return SpectrumFit.of(seen).reflectance();
    }

    /** As one text, which reads back as it was: over black 30.5 -1 2; 10 % 80 1 2. */
    public static String write(List<Swatch> all) {
        return all.stream().map(Swatch::text).collect(Collectors.joining("; "));
    }

    private String text() {
        String what =
                ground == Ground.LET_DOWN ? ShelfCsv.number(share * 100) + " %" : ground.title;
        return what + " " + seen.l() + " " + seen.a() + " " + seen.b();
    }

    /**
     * Reads such a text; empty for an empty one.
     *
     * @throws InvalidInput that names the swatch that cannot be read
     */
    public static List<Swatch> read(String text) {
        List<Swatch> out = new ArrayList<>();
        for (String one : text.split(";", -1)) {
            if (!one.isBlank()) {
                out.add(one(one.strip()));
            }
        }
        return out;
    }

    private static Swatch one(String text) {
        String[] words = text.split("\\s+", -1);
        int n = words.length;
        try {
            String what = String.join(" ", List.of(words).subList(0, Math.max(0, n - 3)));
            Lab seen =
                    new Lab(
                            Double.parseDouble(words[n - 3]),
                            Double.parseDouble(words[n - 2]),
                            Double.parseDouble(words[n - 1]));
            for (Ground g : List.of(Ground.BLACK, Ground.WHITE)) {
                if (what.equalsIgnoreCase(g.title)) {
                    return new Swatch(g, 1, seen);
                }
            }
            if (what.endsWith("%")) {
                double percent = Double.parseDouble(what.substring(0, what.length() - 1).strip());
                return new Swatch(Ground.LET_DOWN, percent / 100, seen);
            }
        } catch (NumberFormatException | IndexOutOfBoundsException e) {
            // told below
        }
        throw new InvalidInput(
                "Swatches",
                text.substring(0, Math.min(text.length(), 40)),
                "cannot be read",
                "Write them as over black 30 -1 2; over white 60 0 3; 10 % 80 1 2: L*, a*, b*, and"
                        + " how much of it is in the white.");
    }
}
