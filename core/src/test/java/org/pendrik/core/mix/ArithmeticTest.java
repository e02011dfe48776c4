package org.pendrik.core.mix;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Rational;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class ArithmeticTest {
    /** Ratio, drops of 0.05 ml, amount; worked by hand. */
    @DataProvider
    Object[][] ratios() {
        return new Object[][] {
            {List.of(1.0, 2.0), 0.6, List.of(4, 8)},
            {List.of(1.0, 1.0), 0.5, List.of(5, 5)},
            {List.of(2.0, 3.0), 0.5, List.of(4, 6)},
            {List.of(1.0, 9.0), 1.0, List.of(2, 18)},
            {List.of(3.0, 2.0, 1.0), 0.3, List.of(3, 2, 1)},
            {List.of(1.0, 30.0), 0.5, List.of(1, 30)}
        };
    }

    @Test(dataProvider = "ratios")
    public void ratiosBecomeWholeDrops(List<Double> parts, double ml, List<Integer> drops) {
        DropMeasures m =
                DropMeasures.of(parts, java.util.Collections.nCopies(parts.size(), 0.05), ml);
        assertEquals(m.drops(), drops);
        assertTrue(m.total() >= ml - 1e-9);
        assertEquals(m.worst(), 0, 1e-9);
        assertEquals(m.share().stream().mapToDouble(d -> d).sum(), 1, 1e-12);
    }

    @Test
    public void dropsOfDifferentBottlesCountByVolume() {
        DropMeasures m = DropMeasures.of(List.of(1.0, 1.0), List.of(0.05, 0.025), 0.5);
        assertEquals(m.drops(), List.of(5, 10));
        DropMeasures odd = DropMeasures.of(List.of(1.0, 2.0), List.of(0.04, 0.05), 0.4);
        double real = odd.millilitres().get(1) / odd.millilitres().get(0);
        assertEquals(odd.share().get(1) / odd.share().get(0), real, 1e-9);
        assertTrue(odd.worst() < 0.02, "worst " + odd.worst());
    }

    @Test
    public void badRatiosAreRefused() {
        assertThrows(InvalidInput.class, () -> DropMeasures.of(List.of(1.0), List.of(0.05), 1));
        assertThrows(
                InvalidInput.class,
                () -> DropMeasures.of(List.of(1.0, 0.0), List.of(0.05, 0.05), 1));
        assertThrows(
                InvalidInput.class,
                () -> DropMeasures.of(List.of(1.0, 2.0), List.of(0.05, Double.NaN), 1));
    }

    /** Stock %, weaker %, wanted %, ml; stock and weaker ml worked by hand. */
    @DataProvider
    Object[][] dilutions() {
        return new Object[][] {
            {"70", "0", "35", "100", "50", "50"},
            {"91", "0", "35", "91", "35", "56"},
            {"99", "0", "70", "99", "70", "29"},
            {"96", "40", "70", "56", "30", "26"},
            {"70", "0", "70", "10", "10", "0"},
            {"99.5", "0", "33 1/3", "3", "200/199", "397/199"}
        };
    }

    @Test(dataProvider = "dilutions")
    public void dilutionsAreExact(
            String stock, String weak, String wanted, String ml, String stockMl, String weakMl) {
        Dilution d = Dilution.make(n(stock), n(weak), n(wanted), n(ml));
        assertEquals(d.stockMl(), n(stockMl));
        assertEquals(d.weakMl(), n(weakMl));
        Dilution back = Dilution.mixture(n(stock), d.stockMl(), n(weak), d.weakMl());
        assertEquals(back.percent(), n(wanted));
    }

    private static Rational n(String t) {
        return Rational.parse("n", t);
    }

    @Test
    public void impossibleDilutionsAreRefusedWithTheirBounds() {
        InvalidInput e =
                org.testng.Assert.expectThrows(
                        InvalidInput.class, () -> Dilution.make(n("70"), n("0"), n("91"), n("10")));
        assertTrue(e.getMessage().contains("0 to 70 %"), e.getMessage());
        assertThrows(InvalidInput.class, () -> Dilution.make(n("170"), n("0"), n("91"), n("10")));
        assertThrows(InvalidInput.class, () -> Dilution.make(n("70"), n("0"), n("35"), n("0")));
    }

    @Test
    public void theFlowTestFindsBackToTheLine() {
        assertTrue(FlowTest.onCard(50, 50, 4, 4).onTheLine());
        FlowTest thick = FlowTest.onCard(25, 50, 10, 10);
        assertTrue(thick.thinnerDrops() > 0 && thick.paintDrops() == 0);
        double share = (10.0 + thick.thinnerDrops()) / (20 + thick.thinnerDrops());
        assertEquals(share, thick.wanted(), 0.02);
        assertEquals(thick.wanted() - 0.5, Math.log(2) / Math.log(60), 1e-12);
        FlowTest thin = FlowTest.onCard(100, 50, 10, 10);
        assertTrue(thin.paintDrops() > 0 && thin.thinnerDrops() == 0);
        FlowTest cup = FlowTest.throughCup(20, 10, 10, 10);
        assertEquals(cup.thinnerDrops(), thick.thinnerDrops());
        assertEquals(FlowTest.onCard(500, 20, 10, 1).paintDrops(), 0);
        assertThrows(InvalidInput.class, () -> FlowTest.onCard(0, 50, 4, 4));
        assertThrows(InvalidInput.class, () -> FlowTest.onCard(10, 50, 0, 4));
    }

    /** 100 × 200 mm, 10 µm, one coat: 0.2 ml dry; by 0.3 solids and 0.35 transfer 1.905 ml. */
    @Test
    public void amountsFollowTheArea() {
        Amount one = Amount.of(job(20_000, 1, 1, 2, 7));
        double paint = 0.2 / 0.3 / 0.35;
        assertEquals(one.cups(), 1);
        assertEquals(one.mixMl(), paint * 3 + 0.15, 1e-9);
        assertEquals(one.paintMl(), (paint * 3 + 0.15) / 3, 1e-9);
        assertEquals(one.paintDrops(), (int) Math.ceil(one.paintMl() / 0.05));
        assertEquals(one.cost(), one.paintMl() * 0.2, 1e-9);
        Amount three = Amount.of(job(20_000, 3, 2, 2, 7));
        assertEquals(three.cups(), (int) Math.ceil(paint * 18 / (7 - 0.15)));
        assertTrue(three.mixMl() <= three.cups() * 7);
        assertThrows(InvalidInput.class, () -> job(0, 1, 1, 0, 7));
        assertThrows(InvalidInput.class, () -> job(10, 1, 0, 0, 7));
    }

    private static Amount.PaintedArea job(
            double area, int models, int coats, double thinner, double cup) {
        return new Amount.PaintedArea(area, models, coats, 10, 0.3, 0.35, thinner, cup, 17, 0.2);
    }

    @Test
    public void heatAndDryAirDryTheTip() {
        Airbrush usual = start(21, 0.5, false);
        Airbrush hot = start(30, 0.3, false);
        assertTrue(hot.risk() > usual.risk());
        assertEquals(hot.tipDry(), Airbrush.TipDry.HIGH);
        assertTrue(hot.lowers().getFirst().contains("retarder"));
        assertTrue(start(30, 0.3, true).risk() < hot.risk() / 2);
        assertTrue(start(15, 0.8, true).lowers().isEmpty());
        assertThrows(
                InvalidInput.class,
                () ->
                        Airbrush.start(
                                "glitter", 87.1, Airbrush.Carries.WATER, false, Climate.REFERENCE));
    }

    private static Airbrush start(double celsius, double humidity, boolean retarder) {
        return Airbrush.start(
                "soot", 87.1, Airbrush.Carries.WATER, retarder, new Climate(celsius, humidity));
    }

    @Test
    public void smallScalesWantLessPressureFromNearer() {
        for (Airbrush.SprayEffect e : Airbrush.effects()) {
            Airbrush large =
                    Airbrush.start(e.key(), 22.5, Airbrush.Carries.WATER, false, Climate.REFERENCE);
            Airbrush small =
                    Airbrush.start(e.key(), 220, Airbrush.Carries.WATER, false, Climate.REFERENCE);
            assertTrue(small.toBar() <= large.fromBar() + 1e-9, e.name());
            assertTrue(small.toMm() <= large.fromMm() + 1e-9, e.name());
            assertTrue(small.fromBar() < small.toBar() && small.fromMm() < small.toMm());
        }
    }

    @Test
    public void aCupWithoutThinnerThatRunsPastTheLineIsNotOnIt() {
        FlowTest t = FlowTest.onCard(90, 40, 8, 0);
        assertFalse(t.onTheLine());
        assertEquals(t.thinnerDrops() + t.paintDrops(), 0);
        assertTrue(t.note().contains("drops cannot thicken it"), t.note());
    }

    @Test
    public void whatNoThinnerBringsToTheLineIsSaid() {
        FlowTest t = FlowTest.onCard(0.5, 400, 8, 40);
        assertFalse(t.onTheLine());
        assertTrue(t.note().contains("no thinner alone"), t.note());
        assertEquals(FlowTest.onCard(34, 50, 6, 6).note(), "");
    }

    @Test
    public void aRatioThatDropsCannotHoldSaysWhatWould() {
        DropMeasures far = DropMeasures.of(List.of(1.0, 999.0), List.of(0.05, 0.05), 0.5);
        assertTrue(far.note().contains("two steps: 1 part to 32"), far.note());
        DropMeasures exact = DropMeasures.of(List.of(1.0, 2.0), List.of(0.05, 0.05), 0.6);
        assertEquals(exact.note(), "");
    }
}
