package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.DustHeight;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.measure.MarkForm;
import org.pendrik.core.measure.MarkPlace;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.Spots;
import org.pendrik.core.measure.Streaks;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.ColourSample;

/**
 * Reads effects out of what was measured on the prototype: kind, strength, colour and marks, each
 * with the sentence that led to it. A proposal, to be corrected.
 *
 * <p>The thresholds say from which cover on a kind of dirt is a trace (1), plain (2) or heavy (3);
 * they are workshop priors.
 */
public final class EffectsSeen {
    /** ΔE00 of a fade. */
    private static final double[] FADE = {2.5, 5, 10};

    private static final double LEAST_LIGHTER = 1.5;

    /** Sun takes lightness and chroma; of another hue more than this is something on top. */
    private static final double MOST_TURNED = 0.5;

    private static final double LEAST_PAINT = 0.3;

    /** Cover in percent. */
    private static final double[] RUST = {0.4, 3, 10};

    private static final double[] CHIPS = {0.2, 1, 4};
    private static final double[] GRIME = {0.6, 4, 12};
    private static final double[] MINERAL = {0.3, 2, 6};
    private static final double[] SOOT = {2, 8, 20};

    /** Share of the surface at the foot, percent. */
    private static final double[] DUST = {8, 25, 50};

    /** Worn share of an edge, percent of its length. */
    private static final double[] WORN = {5, 20, 45};

    /** From this cover on grime is a film all over and not what lies in joints, percent. */
    private static final double ALL_OVER = 25;

    private final Catalogue catalogue;
    private final Sight sight;

    /**
     * An effect that the measures suggest.
     *
     * @param colour as measured, if it has one
     * @param material key of the material of the technique that is nearest in colour
     * @param marks how large its marks are on the model and what makes them; empty for films
     * @param why the measures that led to it
     * @param region name of the region or edge that shows it
     * @param source what the asker knows it by
     */
    public record Proposal(
            EffectKind kind,
            Set<String> zones,
            int strength,
            Optional<Lab> colour,
            Optional<String> material,
            String marks,
            String why,
            String region,
            String source) {}

    /**
     * A measured region and the zone that it lies on.
     *
     * @param source what the asker knows it by
     * @param classColour what each sampled class looks like
     */
    public record Seen(
            MeasuredRegion measured,
            String zone,
            Map<WeatherClass, Lab> classColour,
            String source) {}

    /**
     * A measured edge and the zone that it belongs to.
     *
     * @param source what the asker knows it by
     * @param classColour what each sampled class looks like
     */
    public record SeenEdge(
            String name,
            EdgeWear wear,
            String zone,
            Map<WeatherClass, Lab> classColour,
            String source) {}

    public EffectsSeen(Catalogue catalogue, Sight sight) {
        this.catalogue = catalogue;
        this.sight = sight;
    }

    /** What these regions and edges show; where two show the same on one zone, the stronger. */
    public List<Proposal> in(List<Seen> regions, List<SeenEdge> edges) {
        List<Proposal> all = new ArrayList<>();
        for (Seen s : regions) {
            fade(s, all);
            marks(s, all);
            film(s, WeatherClass.SOOT, EffectKind.SOOT, SOOT, all);
            dust(s, all);
        }
        edges.forEach(e -> worn(e, all));
        List<Proposal> out = new ArrayList<>();
        for (Proposal p : all) {
            Optional<Proposal> same =
                    out.stream()
                            .filter(o -> o.kind() == p.kind() && o.zones().equals(p.zones()))
                            .findFirst();
            if (same.isEmpty()) {
                out.add(p);
            } else if (same.get().strength() < p.strength()) {
                out.set(out.indexOf(same.get()), p);
            }
        }
        out.sort(Comparator.comparing(Proposal::kind));
        return out;
    }

    private static int strength(double value, double[] from) {
        int s = 0;
        for (double f : from) {
            s += value >= f ? 1 : 0;
        }
        return s;
    }

    private void fade(Seen s, List<Proposal> out) {
        Optional<ColourDifference> fade = s.measured().fade();
        int strength = fade.map(f -> strength(f.deltaE00(), FADE)).orElse(0);
        if (strength == 0) {
            return;
        }
        ColourDifference f = fade.orElseThrow();
        double all = Math.hypot(Math.hypot(f.deltaL(), f.deltaC()), f.deltaH());
        boolean bleached = f.deltaL() >= LEAST_LIGHTER && Math.abs(f.deltaH()) <= MOST_TURNED * all;
        boolean paint =
                s.measured()
                        .toldCover()
                        .flatMap(c -> c.share(WeatherClass.PAINT))
                        .map(p -> p >= LEAST_PAINT)
                        .orElse(true);
        // darker, or of another hue, is dirt and not sun; so is what is hardly paint any more
        if (!bleached || !paint) {
            return;
        }
        out.add(
                proposal(
                        s,
                        EffectKind.FADE,
                        strength,
                        s.measured().base().filter(ColourSample::hue).map(ColourSample::median),
                        "",
                        say(
                                "ΔE00 %.1f from the factory colour, %.1f lighter",
                                f.deltaE00(), f.deltaL())));
    }

    private static double percent(Seen s, WeatherClass c) {
        return 100 * s.measured().toldCover().flatMap(v -> v.share(c)).orElse(0.0);
    }

    /** What lies in marks: what it is goes by whether they run and how large they are. */
    private void marks(Seen s, List<Proposal> out) {
        Map<WeatherClass, MarkForm> forms = MarkForm.in(s.measured());
        for (WeatherClass c :
                List.of(
                        WeatherClass.FRESH_RUST,
                        WeatherClass.OLD_RUST,
                        WeatherClass.BARE_METAL,
                        WeatherClass.GRIME,
                        WeatherClass.WHITE_MINERAL)) {
            Optional<MarkForm> form = Optional.ofNullable(forms.get(c));
            boolean runs = form.map(MarkForm::runs).orElse(false);
            if (c == WeatherClass.GRIME && !runs) {
                boolean film = percent(s, c) >= ALL_OVER;
                film(s, c, film ? EffectKind.GRIME : EffectKind.JOINT_SHADE, GRIME, out);
            } else {
                form.flatMap(m -> MarkEffect.of(c, m)).ifPresent(k -> marks(s, c, k, runs, out));
            }
        }
    }

    private void marks(Seen s, WeatherClass c, EffectKind kind, boolean run, List<Proposal> out) {
        Optional<Streaks> runs = told(s.measured().streaks().get(c)).filter(_ -> run);
        Optional<Spots> spots = told(s.measured().spots().get(c));
        Optional<MarkPlace> place = Optional.ofNullable(s.measured().places().get(c));
        int strength = strength(percent(s, c), thresholds(kind));
        if (strength == 0) {
            return;
        }
        String form =
                runs.map(EffectsSeen::said)
                        .or(() -> spots.map(EffectsSeen::said))
                        .or(() -> place.map(EffectsSeen::said))
                        .orElse("");
        String mark =
                runs.map(t -> mark(Sight.Mark.STREAK, t.widthMm(), t.lengthMm()))
                        .or(() -> spots.map(t -> mark(Sight.Mark.SPOT, t.medianMm(), 0)))
                        .or(() -> place.map(t -> mark(Sight.Mark.SPOT, t.acrossMm(), 0)))
                        .orElse("");
        out.add(
                proposal(
                        s,
                        kind,
                        strength,
                        Optional.ofNullable(s.classColour().get(c)),
                        mark,
                        say("%s covers %.1f %%, %s", c.label(), percent(s, c), form)));
    }

    private static double[] thresholds(EffectKind kind) {
        return switch (kind) {
            case CHIPS -> CHIPS;
            case DIRT_STREAKS -> GRIME;
            case MINERAL_STREAKS -> MINERAL;
            default -> RUST;
        };
    }

    private static String said(Streaks t) {
        return say(
                "%d streaks %.0f° off the vertical, %.0f mm long, %.0f mm apart",
                t.count(), Math.abs(t.angleDegrees()), t.lengthMm(), t.spacingMm());
    }

    private static String said(Spots t) {
        return say("%d spots, median %.0f mm across", t.count(), t.medianMm());
    }

    private static String said(MarkPlace t) {
        return say(
                "about as much as %.0f marks of %.0f mm across, the middle of them %.0f mm from the left"
                        + " and %.0f mm up",
                Math.max(1, t.marks()), t.acrossMm(), t.alongMm(), t.upMm());
    }

    private static <T> Optional<T> told(@Nullable Answer<T> a) {
        return a == null ? Optional.empty() : a.told();
    }

    private void film(Seen s, WeatherClass c, EffectKind kind, double[] from, List<Proposal> out) {
        int strength = strength(percent(s, c), from);
        if (strength > 0) {
            out.add(
                    proposal(
                            s,
                            kind,
                            strength,
                            Optional.ofNullable(s.classColour().get(c)),
                            "",
                            say("%s covers %.1f %%", c.label(), percent(s, c))));
        }
    }

    private void dust(Seen s, List<Proposal> out) {
        Optional<DustHeight> dust = s.measured().dust().told().filter(d -> !d.relative());
        int strength = dust.map(d -> strength(100 * d.footStrength(), DUST)).orElse(0);
        if (strength > 0) {
            DustHeight d = dust.orElseThrow();
            out.add(
                    proposal(
                            s,
                            EffectKind.DUST,
                            strength,
                            Optional.ofNullable(s.classColour().get(WeatherClass.DUST)),
                            mark(Sight.Mark.FILM, d.halfHeightMm(), 0),
                            say(
                                    "%.0f %% dust at the foot, half of it %.0f mm up",
                                    100 * d.footStrength(), d.halfHeightMm())));
            return;
        }
        film(s, WeatherClass.DUST, EffectKind.DUST, DUST, out);
    }

    private void worn(SeenEdge e, List<Proposal> out) {
        EdgeWear w = e.wear();
        int strength = strength(100 * w.wornShare(), WORN);
        if (strength > 0) {
            Optional<Lab> colour = w.kind().map(e.classColour()::get);
            out.add(
                    new Proposal(
                            EffectKind.CHIPS,
                            Set.of(e.zone()),
                            strength,
                            colour,
                            colour.flatMap(c -> nearest(EffectKind.CHIPS, c)),
                            mark(Sight.Mark.SPOT, w.depthMm(), 0),
                            say(
                                    "worn on %.0f %% of its length in %d places, the longest %.0f mm",
                                    100 * w.wornShare(), w.scrapes(), w.longestMm()),
                            e.name(),
                            e.source()));
        }
    }

    private Proposal proposal(
            Seen s, EffectKind kind, int strength, Optional<Lab> colour, String marks, String why) {
        return new Proposal(
                kind,
                Set.of(s.zone()),
                strength,
                colour,
                colour.flatMap(c -> nearest(kind, c)),
                marks,
                why,
                s.measured().region().name(),
                s.source());
    }

    private Optional<String> nearest(EffectKind kind, Lab colour) {
        List<String> keys = Ways.technique(kind, Schools.Choice.START, catalogue).materials();
        return nearest(keys.stream().map(catalogue::material).toList(), colour).map(Material::key);
    }

    /** The material of some that is nearest to a colour; empty when none has one. */
    static Optional<Material> nearest(List<Material> materials, Lab colour) {
        return materials.stream()
                .filter(m -> m.colour().isPresent())
                .min(
                        Comparator.comparingDouble(
                                m -> ColourDifference.ciede2000(colour, m.colour().orElseThrow())));
    }

    /** How large a mark is on the model, what makes it, and whether it can be seen at all. */
    private String mark(Sight.Mark mark, double widthMm, double lengthMm) {
        double model = widthMm / sight.ratio();
        String size =
                lengthMm > 0
                        ? say("%.2f × %.1f mm on the model", model, lengthMm / sight.ratio())
                        : say("%.2f mm on the model", model);
        if (mark != Sight.Mark.FILM && model < sight.smallestModelMm()) {
            return size
                    + say(
                            ": below the %.2f mm that can be seen from %.0f mm, make it as a tint",
                            sight.smallestModelMm(), sight.viewingMm());
        }
        return size + Sight.toolFor(mark, model).map(t -> ": " + t.name()).orElse("");
    }

    @SuppressWarnings("AnnotateFormatMethod") // private, with formats in this file only
    private static String say(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
