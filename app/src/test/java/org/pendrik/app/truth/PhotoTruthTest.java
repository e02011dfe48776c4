package org.pendrik.app.truth;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.pendrik.app.truth.spectral.SpectralPair;
import org.pendrik.app.truth.spectral.SpectralTrial;
import org.pendrik.core.photo.Verdict;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Many photographs with known truth by two renderers that share nothing, measured as a user would.
 * The bounds are what the photo room promises; with {@code -Dtruth.table=FILE} the results are
 * written as a page.
 */
public class PhotoTruthTest {
    private static final int PHOTOGRAPHS = 60;
    private static final int PAIRS = 30;

    /** What a photograph by the first renderer may fail to tell: spots too small for its pixels. */
    private static final String TOO_SMALL = "need 2 pixels across the smallest visible mark";

    private TruthTable colours = new TruthTable(List.of());
    private TruthTable spectra = new TruthTable(List.of());
    private List<SpectralPair.Outcome> pairs = List.of();

    private record Both(Outcome trial, List<SpectralPair.Outcome> pair) {}

    @BeforeClass
    public void measureAll() throws IOException {
        colours =
                new TruthTable(
                        IntStream.range(0, PHOTOGRAPHS)
                                .parallel()
                                .mapToObj(TruthTrial::run)
                                .toList());
        List<Both> both =
                IntStream.range(0, PHOTOGRAPHS)
                        .parallel()
                        .mapToObj(
                                i -> {
                                    SpectralTrial t = SpectralTrial.run(i);
                                    return new Both(
                                            t.outcome(), i < PAIRS ? List.of(t.pair()) : List.of());
                                })
                        .toList();
        spectra = new TruthTable(both.stream().map(Both::trial).toList());
        pairs = both.stream().flatMap(b -> b.pair().stream()).toList();
        String file = System.getProperty("truth.table");
        if (file != null) {
            Files.writeString(Path.of(file), page());
        }
    }

    @DataProvider
    public Object[][] bounds() {
        return new Object[][] {
            {colours, TruthTrial.SCALE, 0.25, 0.5},
            {colours, TruthTrial.COLOUR, 2, 4},
            {colours, TruthTrial.COVER, 3, 8},
            {colours, TruthTrial.ANGLE, 1, 1.5},
            {colours, TruthTrial.DUST, 2, 4},
            {colours, TruthTrial.FOOT, 3, 13},
            {colours, TruthTrial.SPOTS, 10, 20},
            {spectra, SpectralTrial.SCALE, 0.15, 0.4},
            {spectra, SpectralTrial.LIGHT, 1.5, 5},
            {spectra, SpectralTrial.COLOUR, 2.5, 7},
            {spectra, SpectralTrial.PATCHES, 0.3, 1},
            {spectra, SpectralTrial.RUST, 1, 3},
            {spectra, SpectralTrial.COUNT, 0, 1},
            {spectra, SpectralTrial.LENGTH, 5, 25},
            {spectra, SpectralTrial.WIDTH, 6, 20},
            {spectra, SpectralTrial.ANGLE, 1.2, 2.5},
            {spectra, SpectralTrial.SPOTS, 5, 25},
            {spectra, SpectralTrial.HALF, 0.4, 1},
            {spectra, SpectralTrial.FOOT, 2, 5},
        };
    }

    @Test(dataProvider = "bounds")
    public void aMeasureKeepsItsBounds(
            TruthTable table, String measure, double median, double nearlyAll) {
        double[] e = table.errors(measure);
        assertTrue(
                e.length >= 0.85 * PHOTOGRAPHS, measure + " was told only " + e.length + " times");
        double middle = TruthTable.at(e, 0.5);
        assertTrue(middle <= median, measure + ": median error " + middle);
        double most = TruthTable.at(e, 0.95);
        assertTrue(most <= nearlyAll, measure + ": 95 % within " + most);
    }

    @DataProvider
    public Object[][] stated() {
        return new Object[][] {
            {colours, TruthTrial.SCALE},
            {colours, TruthTrial.COLOUR_AB},
            {colours, TruthTrial.COVER},
            {colours, TruthTrial.ANGLE},
            {colours, TruthTrial.DUST},
            {colours, TruthTrial.FOOT},
            {colours, TruthTrial.SPOTS},
            {spectra, SpectralTrial.SCALE},
            {spectra, SpectralTrial.LIGHT},
            {spectra, SpectralTrial.COLOUR},
            {spectra, SpectralTrial.PATCHES},
            {spectra, SpectralTrial.RUST},
            {spectra, SpectralTrial.LENGTH},
            {spectra, SpectralTrial.WIDTH},
            {spectra, SpectralTrial.ANGLE},
            {spectra, SpectralTrial.SPOTS},
            {spectra, SpectralTrial.HALF},
            {spectra, SpectralTrial.FOOT},
        };
    }

    @Test(dataProvider = "stated")
    public void theStatedUncertaintyHoldsTheTruth(TruthTable table, String measure) {
        double share = table.covered(measure);
        assertTrue(share >= 85 && share <= 99, measure + ": " + share + " % covered");
    }

    @Test
    public void streaksThatShineThroughAreCounted() {
        double[] e = spectra.errors(SpectralTrial.COUNT);
        long exact = Arrays.stream(e).filter(v -> v == 0).count();
        assertTrue(exact >= 0.8 * PHOTOGRAPHS, exact + " of " + PHOTOGRAPHS + " counted exactly");
    }

    @Test
    public void whatIsNotToldIsRefusedWithTheReason() {
        for (Outcome t : colours.trials()) {
            for (String r : t.refusals()) {
                assertTrue(r.contains(TOO_SMALL), "not a reason that these give: " + r);
            }
        }
        assertEquals(colours.trials().size(), PHOTOGRAPHS);
        assertEquals(spectra.trials().size(), PHOTOGRAPHS);
        assertTrue(spectra.refused() <= 3, spectra.refused() + " refusals");
    }

    /** A model whose rust is another mix has not less of it. */
    @Test
    public void anotherShadeIsNotLessRust() {
        List<String> wrong = new ArrayList<>();
        for (SpectralPair.Outcome p : pairs) {
            if (p.shade() > 8) {
                continue;
            }
            for (SpectralPair.Told t : p.told()) {
                if (t.told() == Verdict.LIGHTER && t.truth() != Verdict.LIGHTER) {
                    wrong.add(t + " at a shade ΔE00 " + p.shade() + " off");
                }
            }
        }
        assertEquals(wrong, List.of());
    }

    /** No side of a measure is told that is not so: at most one in fifty by chance. */
    @Test
    public void pairsAreNotJudgedTheWrongWay() {
        assertTrue(judged(true) <= 0.02 * judged(false), judged(true) + " of " + judged(false));
    }

    /**
     * Nothing that differs by a third or more is told to be as the prototype: what the photographs
     * would not show is open.
     */
    @Test
    public void nothingThatDiffersMuchIsAsThePrototype() {
        List<String> wrong = new ArrayList<>();
        int much = 0;
        int found = 0;
        for (SpectralPair.Outcome p : pairs) {
            for (SpectralPair.Told t : p.told()) {
                if (t.amount() <= 2 / 3.0 || t.amount() >= 1.5) {
                    much++;
                    found += t.told() == t.truth() ? 1 : 0;
                    if (t.told() == Verdict.AS_PROTOTYPE) {
                        wrong.add(t.toString());
                    }
                }
            }
        }
        assertEquals(wrong, List.of());
        assertTrue(found >= 0.8 * much, found + " told of " + much);
    }

    private long judged(boolean wrongly) {
        return pairs.stream()
                .flatMap(p -> p.told().stream())
                .filter(t -> !wrongly || t.isWrong())
                .count();
    }

    private String page() {
        long refused = colours.refused();
        long seen =
                pairs.stream()
                        .flatMap(p -> p.told().stream())
                        .filter(SpectralPair.Told::differs)
                        .count();
        long found =
                pairs.stream()
                        .flatMap(p -> p.told().stream())
                        .filter(t -> t.differs() && t.told() == t.truth())
                        .count();
        long open =
                pairs.stream()
                        .flatMap(p -> p.told().stream())
                        .filter(t -> t.differs() && t.told() == Verdict.CANNOT_TELL)
                        .count();
        double widest = pairs.stream().mapToDouble(SpectralPair.Outcome::shade).max().orElse(0);
        return """
                # The photo room against the truth

                Two renderers that share nothing, %d photographs each, measured as a user would. Made by `./pendrik truth`; stated
                uncertainties are two standard deviations.

                ## Colours and one light

                Sides on which everything is known: corners, known
                points and straight lines marked with a hand error of 0.5 px, samples of every class but the lettering picked on
                patches, the card under the side taken for the light. Yaw to 50° either way, pitch to 6°, light of 2,700 to 7,500 K of
                which the camera corrects six tenths, 2 %% of each channel in the others, exposure and evenness varied, defocus 0.4 to 1.4 px, noise 0.8 to 2.5 of 255,
                JPEG quality 60 to 95, two radial terms of distortion to 0.10.

                %s
                Not told: %d questions, all of them spots in photographs with fewer than two pixels across the smallest visible mark.

                ## Spectra, films and sensors

                Paints are reflectances, rust and dust are Kubelka–Munk films of varying thickness, old rust hides the paint. Streaks
                fade downwards to nothing; their length is counted to a tenth of their strength, their width at half of it. The camera
                has sensors of its own, each camera within 5 nm of the next, and one matrix for all pigments. Light of 3,000 to 7,700 K
                corrected to within 20 mired, falling off by up to a fifth over the side, lens to ±0.06, blur 0.5 to 1.2 px, shot noise,
                JPEG quality 65 to 95, hand error 0.7 px; samples are picked on the effects themselves.

                %s
                Streaks counted exactly in %d of %d.

                %d pairs of such a prototype and its model, by two cameras in two lights, rust another mix (to ΔE00 %.1f), half, as
                much and 1.6 times as much of everything, samples picked on the prototype alone: of %d measures %d are told the wrong
                way; of %d that differ %d are told so and %d cannot be told, the others differ by less than is seen.
                """
                .formatted(
                        PHOTOGRAPHS,
                        colours.markdown(),
                        refused,
                        spectra.markdown(),
                        Arrays.stream(spectra.errors(SpectralTrial.COUNT))
                                .filter(v -> v == 0)
                                .count(),
                        PHOTOGRAPHS,
                        PAIRS,
                        widest,
                        judged(false),
                        judged(true),
                        seen,
                        found,
                        open);
    }
}
