package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.BiteSense;
import org.pendrik.core.catalogue.BiteSense.Seen;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.testng.annotations.Test;

/** What a bench answers to warnings, and what it learns from what came of them. */
public class BiteSenseTest {
    @Test
    public void nothingSeenChangesNothingAndWhatIsSeenMovesTheLimit() {
        BiteSense none = BiteSense.of(List.of());
        assertEquals(none.factor(), 1, 1e-3);
        assertEquals(none.high(), Math.exp(1.645 * 0.35), 0.01);
        // warned of at 0.3 and nothing happened, again and again: it bites less here
        BiteSense milder = BiteSense.of(Collections.nCopies(6, new Seen(0.3, false)));
        assertTrue(milder.factor() < 0.75, milder.toString());
        assertTrue(milder.high() - milder.low() < none.high() - none.low());
        BiteSense harder = BiteSense.of(Collections.nCopies(6, new Seen(0.2, true)));
        assertTrue(harder.factor() > 1.3, harder.toString());
        // what was expected teaches little
        assertEquals(BiteSense.of(List.of(new Seen(0.9, true))).factor(), 1, 0.01);
        assertEquals(milder.observations(), 6);
    }

    private static FilmCase warned() {
        return Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                .done(0, "oil-wash", "oil-umber")
                .then(20 * Bench.DAY, "wipe-grime", "spirit-odourless")
                .build();
    }

    @Test
    public void anAnsweredWarningIsKeptAndNotRepeatedAndAStopIsNot() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .then(0, "powder", "powder-kiln-dust")
                        .build();
        Finding warning =
                Bench.check(c).findings().stream()
                        .filter(f -> f.severity() == Severity.WARN)
                        .findFirst()
                        .orElseThrow();
        FilmReport after = Bench.check(c.knowing(Set.of(warning.answer())));
        assertTrue(after.isClean());
        Finding kept =
                after.findings().stream()
                        .filter(f -> f.rule() == Rule.TOOTH)
                        .findFirst()
                        .orElseThrow();
        assertTrue(kept.answered());
        assertEquals(kept.why(), warning.why());
        FilmCase late =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "oil-streak", "oil-fresh-rust")
                        .then(60, "final-flat", "clear-flat-lacquer")
                        .build();
        Finding stop =
                Bench.check(late).findings().stream()
                        .filter(f -> f.severity() == Severity.STOP)
                        .findFirst()
                        .orElseThrow();
        FilmReport still = Bench.check(late.knowing(Set.of(stop.answer())));
        assertTrue(still.stops() > 0);
        assertFalse(still.findings().stream().anyMatch(Finding::answered));
    }

    @Test
    public void aBenchAtWhichSpiritBitesLessIsWarnedLess() {
        FilmCase c = warned();
        FilmReport told = Bench.check(c);
        Reach.Met oil = told.reaches().get(c.acts().getLast().id()).get("side").met().getFirst();
        Catalogue learned =
                Bench.CATALOGUE.learned(
                        Map.of(
                                BiteSense.Pair.of(Binder.OIL, Carrier.Named.ODOURLESS_SPIRIT),
                                BiteSense.of(Collections.nCopies(8, new Seen(0.3, false)))));
        FilmReport after = new FilmCheck(learned).check(c);
        Reach.Met there = after.reaches().get(c.acts().getLast().id()).get("side").met().getFirst();
        assertTrue(there.bite() < oil.bite(), there + " after " + oil);
    }

    @Test
    public void theWorkingSaysHowOftenItWasSeen() {
        FilmCase c =
                Bench.on(Substrate.FACTORY_SEMI_GLOSS)
                        .done(0, "oil-streak", "oil-umber")
                        .then(Bench.DAY, "oil-wash", "oil-umber")
                        .build();
        Finding told = reach(Bench.check(c));
        assertFalse(told.numbers().containsKey("learned here: times seen"));
        BiteSense twice = BiteSense.of(Collections.nCopies(2, new Seen(0.3, false)));
        Catalogue learned =
                Bench.CATALOGUE.learned(
                        Map.of(BiteSense.Pair.of(Binder.OIL, c.acts().getLast().carrier()), twice));
        Finding after = reach(new FilmCheck(learned).check(c));
        assertEquals(after.numbers().get("learned here: times seen"), 2.0);
        assertEquals(after.numbers().get("learned here: bite ×"), twice.factor());
        assertEquals(
                after.numbers().get("bite"), told.numbers().get("bite") * twice.factor(), 1e-9);
    }

    private static Finding reach(FilmReport report) {
        return report.findings().stream()
                .filter(f -> f.rule() == Rule.REACH)
                .findFirst()
                .orElseThrow();
    }
}
