package org.pendrik.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.photo.Verdict;

/**
 * One measure of a region on both sides, and how far apart they are.
 *
 * @param kind what was measured
 * @param of the class that it is of, where it is of one
 * @param prototype as measured on the prototype
 * @param model the same on the model, both in the unit of the kind
 * @param plusMinus two standard deviations of the difference
 * @param notSeen differences up to here are not seen at the layout
 * @param verdict lighter or heavier by more than either; as the prototype within what is not seen,
 *     where the photographs would have shown more than that; else it cannot be told
 */
public record Gap(
        Kind kind,
        Optional<WeatherClass> of,
        double prototype,
        double model,
        double plusMinus,
        double notSeen,
        Verdict verdict) {
    /** Standard deviations in a stated ±. */
    private static final double COVERAGE = 2;

    /** What can differ, with its unit and the share and amount of it that nobody sees. */
    public enum Kind {
        COVER("cover", "%", 0.6, 0.15),
        SPOT_DIAMETER("spots across", "mm", 2, 0.12),
        SPOT_DENSITY("spots per m²", "", 3, 0.2),
        STREAK_ANGLE("streaks off the vertical", "°", 3, 0),
        STREAK_LENGTH("streaks long", "mm", 10, 0.2),
        DUST_HEIGHT("dust up to", "mm", 25, 0.1),
        DUST_STRENGTH("dust at the foot", "%", 6, 0.15),
        KICK_UP("stronger towards both ends by", "%", 4, 0.25),
        FILM_STRENGTH("where it is strongest", "%", 6, 0.15),
        FILM_PLACE("strongest from the left", "mm", 60, 0),
        PLACE_ALONG("place along", "mm", 60, 0),
        PLACE_UP("place up", "mm", 60, 0),
        SPREAD("spread over", "mm", 60, 0.25),
        EDGE_WORN("worn along the edge", "%", 4, 0.15),
        LONGEST_SCRAPE("longest scrape", "mm", 20, 0.25);

        private final String label;
        private final String unit;
        private final double amount;
        private final double share;

        Kind(String label, String unit, double amount, double share) {
            this.label = label;
            this.unit = unit;
            this.amount = amount;
            this.share = share;
        }

        /** As said at the bench. */
        public String label() {
            return label;
        }

        /** Unit of the values, empty for counts. */
        public String unit() {
            return unit;
        }

        /** Whether it says where marks lie, and not how many or how large they are. */
        public boolean isPlace() {
            return this == PLACE_ALONG || this == PLACE_UP || this == SPREAD;
        }

        /** Differences up to here are not seen, however little there is of it; in its unit. */
        double amount() {
            return amount;
        }
    }

    static Gap of(
            Kind kind, Optional<WeatherClass> of, double p, double psd, double m, double msd) {
        return of(kind, of, p, psd, m, msd, 0);
    }

    /**
     * The same.
     *
     * @param byChance differences up to here mean nothing, whatever the kind
     */
    private static Gap of(
            Kind kind,
            Optional<WeatherClass> of,
            double p,
            double psd,
            double m,
            double msd,
            double byChance) {
        double plusMinus = COVERAGE * Math.hypot(psd, msd);
        double share = kind.share * Math.max(Math.abs(p), Math.abs(m));
        double notSeen = Math.max(byChance, Math.max(kind.amount, share));
        return new Gap(kind, of, p, m, plusMinus, notSeen, verdict(m - p, plusMinus, notSeen));
    }

    private static Verdict verdict(double difference, double plusMinus, double notSeen) {
        if (Math.abs(difference) > Math.max(plusMinus, notSeen)) {
            return difference < 0 ? Verdict.LIGHTER : Verdict.HEAVIER;
        }
        boolean alike = Math.abs(difference) <= notSeen && plusMinus <= notSeen;
        return alike ? Verdict.AS_PROTOTYPE : Verdict.CANNOT_TELL;
    }

    /** Model less prototype. */
    public double difference() {
        return model - prototype;
    }

    /** Whether it is more than what can be measured and seen. */
    public boolean isSeen() {
        return verdict == Verdict.LIGHTER || verdict == Verdict.HEAVIER;
    }

    /** Whether the ± leaves open if it is seen. */
    public boolean isUnsure() {
        return verdict == Verdict.CANNOT_TELL;
    }

    /** The wider of what the photographs leave open and what is not seen. */
    public double tolerance() {
        return Math.max(plusMinus, notSeen);
    }

    /** The difference in tolerances: beyond ±1 it is seen. */
    public double inTolerances() {
        return difference() / tolerance();
    }

    /**
     * All measures that both sides tell of the same region. A class that one side has sampled and
     * the other has not is left out; spots and streaks that one side has too few of are told by its
     * cover.
     */
    static List<Gap> between(MeasuredRegion prototype, MeasuredRegion model) {
        List<Gap> out = new ArrayList<>();
        for (WeatherClass c : WeatherClass.values()) {
            if (c == WeatherClass.PAINT || c == WeatherClass.OTHER) {
                continue;
            }
            Optional<Cover.ClassCover> p = cover(prototype, c);
            Optional<Cover.ClassCover> m = cover(model, c);
            if (p.isPresent() && m.isPresent()) {
                out.add(
                        of(
                                Kind.COVER,
                                Optional.of(c),
                                100 * p.get().share().orElseThrow(),
                                100 * p.get().sd(),
                                100 * m.get().share().orElseThrow(),
                                100 * m.get().sd()));
            }
            spots(prototype, model, c, out);
            streaks(prototype, model, c, out);
            places(prototype, model, c, out);
        }
        dust(prototype, model, out);
        along(prototype, model, out);
        return out;
    }

    static List<Gap> between(EdgeWear prototype, EdgeWear model) {
        return List.of(
                of(
                        Kind.EDGE_WORN,
                        Optional.empty(),
                        100 * prototype.wornShare(),
                        100 * prototype.sd(),
                        100 * model.wornShare(),
                        100 * model.sd()),
                of(
                        Kind.LONGEST_SCRAPE,
                        Optional.empty(),
                        prototype.longestMm(),
                        prototype.longestSdMm(),
                        model.longestMm(),
                        model.longestSdMm()));
    }

    private static Optional<Cover.ClassCover> cover(MeasuredRegion r, WeatherClass c) {
        return r.toldCover()
                .flatMap(
                        v ->
                                v.classes().stream()
                                        .filter(x -> x.kind() == c && x.share().isPresent())
                                        .findFirst());
    }

    private static void spots(
            MeasuredRegion prototype, MeasuredRegion model, WeatherClass c, List<Gap> out) {
        Optional<Spots> p = told(prototype.spots().get(c));
        Optional<Spots> m = told(model.spots().get(c));
        if (p.isPresent() && m.isPresent()) {
            Spots a = p.get();
            Spots b = m.get();
            out.add(
                    of(
                            Kind.SPOT_DIAMETER,
                            Optional.of(c),
                            a.medianMm(),
                            a.medianPlusMinusMm() / COVERAGE,
                            b.medianMm(),
                            b.medianPlusMinusMm() / COVERAGE));
            out.add(
                    of(
                            Kind.SPOT_DENSITY,
                            Optional.of(c),
                            a.perSquareMetre(),
                            a.perSquareMetre() / Math.sqrt(a.count()) / 2,
                            b.perSquareMetre(),
                            b.perSquareMetre() / Math.sqrt(b.count()) / 2));
        }
    }

    private static void streaks(
            MeasuredRegion prototype, MeasuredRegion model, WeatherClass c, List<Gap> out) {
        Optional<Streaks> p = told(prototype.streaks().get(c));
        Optional<Streaks> m = told(model.streaks().get(c));
        if (p.isPresent() && m.isPresent()) {
            Streaks a = p.get();
            Streaks b = m.get();
            out.add(
                    of(
                            Kind.STREAK_ANGLE,
                            Optional.of(c),
                            a.angleDegrees(),
                            a.anglePlusMinus() / COVERAGE,
                            b.angleDegrees(),
                            b.anglePlusMinus() / COVERAGE));
            out.add(
                    of(
                            Kind.STREAK_LENGTH,
                            Optional.of(c),
                            a.lengthMm(),
                            a.lengthPlusMinusMm() / COVERAGE,
                            b.lengthMm(),
                            b.lengthPlusMinusMm() / COVERAGE));
        }
    }

    private static void places(
            MeasuredRegion prototype, MeasuredRegion model, WeatherClass c, List<Gap> out) {
        MarkPlace p = prototype.places().get(c);
        MarkPlace m = model.places().get(c);
        if (p != null && m != null) {
            Optional<WeatherClass> of = Optional.of(c);
            double chance = Math.hypot(p.byChanceMm(), m.byChanceMm());
            double spread = Math.hypot(p.spreadByChanceMm(), m.spreadByChanceMm());
            out.add(of(Kind.PLACE_ALONG, of, p.alongMm(), p.sdMm(), m.alongMm(), m.sdMm(), chance));
            out.add(of(Kind.PLACE_UP, of, p.upMm(), p.sdMm(), m.upMm(), m.sdMm(), chance));
            out.add(of(Kind.SPREAD, of, p.spreadMm(), p.sdMm(), m.spreadMm(), m.sdMm(), spread));
        }
    }

    private static void dust(MeasuredRegion prototype, MeasuredRegion model, List<Gap> out) {
        Optional<DustHeight> p = prototype.dust().told();
        Optional<DustHeight> m = model.dust().told();
        if (p.isPresent() && m.isPresent()) {
            out.add(
                    of(
                            Kind.DUST_HEIGHT,
                            Optional.of(WeatherClass.DUST),
                            p.get().halfHeightMm(),
                            p.get().halfHeightPlusMinusMm() / COVERAGE,
                            m.get().halfHeightMm(),
                            m.get().halfHeightPlusMinusMm() / COVERAGE));
            if (!p.get().relative() && !m.get().relative()) {
                out.add(
                        of(
                                Kind.DUST_STRENGTH,
                                Optional.of(WeatherClass.DUST),
                                100 * p.get().footStrength(),
                                100 * p.get().footPlusMinus() / COVERAGE,
                                100 * m.get().footStrength(),
                                100 * m.get().footPlusMinus() / COVERAGE));
            }
        }
    }

    /** Dust by how it rises towards both ends, soot by where it is strongest. */
    private static void along(MeasuredRegion prototype, MeasuredRegion model, List<Gap> out) {
        Optional<AlongLength> p = prototype.along().told().filter(a -> !a.relative());
        Optional<AlongLength> m = model.along().told().filter(a -> !a.relative());
        if (p.isEmpty() || m.isEmpty() || p.get().film() != m.get().film()) {
            return;
        }
        AlongLength a = p.get();
        AlongLength b = m.get();
        Optional<WeatherClass> film = Optional.of(a.film());
        if (a.film() == WeatherClass.SOOT && (a.hasPeak() || b.hasPeak())) {
            double[] s = {100 * a.strongest(), 100 * a.sd(), 100 * b.strongest(), 100 * b.sd()};
            out.add(of(Kind.FILM_STRENGTH, film, s[0], s[1], s[2], s[3]));
            if (a.hasPeak() && b.hasPeak()) {
                double bin = prototype.region().widthMm() / a.strength().size();
                out.add(of(Kind.FILM_PLACE, film, a.peakMm(), bin, b.peakMm(), bin));
            }
        } else if (a.film() != WeatherClass.SOOT && (a.standsInU() || b.standsInU())) {
            double[] u = {100 * a.uShape(), 100 * a.sd(), 100 * b.uShape(), 100 * b.sd()};
            out.add(of(Kind.KICK_UP, film, u[0], u[1], u[2], u[3]));
        }
    }

    private static <T> Optional<T> told(@org.jspecify.annotations.Nullable Answer<T> a) {
        return a == null ? Optional.empty() : a.told();
    }
}
