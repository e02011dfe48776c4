package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Finish;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.catalogue.Thickness;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.units.Climate;
import org.testng.annotations.Test;

/** What coats look like in a column: films, not averages. */
public class FilmColourTest {
    private static final Catalogue ALL = Catalogue.load();
    private static final Lab GREEN = new Lab(38, -14, 12);

    private static Column column(String... materials) {
        Column c = new Column(new Zone("side", "side", Substrate.FACTORY_SEMI_GLOSS, false, GREEN));
        for (String key : materials) {
            Material m = ALL.material(key);
            Technique t =
                    ALL.techniques().stream()
                            .filter(x -> x.materials().contains(key))
                            .findFirst()
                            .orElseThrow();
            c.lay(
                    new Layer(
                            new StepId(key),
                            t,
                            m,
                            m.binder().orElseThrow(),
                            Thickness.NORMAL,
                            1,
                            0,
                            1,
                            1,
                            MadeFor.ITSELF,
                            false));
        }
        assertEquals(Climate.REFERENCE.celsius(), 21.0);
        return c;
    }

    @Test
    public void aFlatClearPalesAndAGlossOneDeepens() {
        List<Lab> flat = column("clear-matte").colours();
        List<Lab> gloss = column("clear-gloss").colours();
        assertEquals(flat.getFirst(), GREEN);
        assertTrue(flat.getLast().l() > GREEN.l() + 0.5, flat.toString());
        assertTrue(gloss.getLast().l() < GREEN.l(), gloss.toString());
        assertTrue(gloss.getLast().chroma() > flat.getLast().chroma());
    }

    @Test
    public void aSecondClearOfAKindChangesNothing() {
        List<Lab> c = column("clear-gloss", "clear-gloss").colours();
        assertTrue(c.get(1).distance(c.get(2)) < 1e-9);
    }

    @Test
    public void dustDrawsTowardsItsColourAndNeverPastIt() {
        List<Lab> c = column("dust-peat", "dust-peat", "dust-peat").colours();
        Lab dust = ALL.material("dust-peat").colour().orElseThrow();
        double before = c.get(0).distance(dust);
        for (int i = 1; i < c.size(); i++) {
            double now = c.get(i).distance(dust);
            assertTrue(now < before, i + ": " + c);
            before = now;
        }
        assertTrue(before > 1);
    }

    /** A gloss spill deepens the spot where it lies, and the mean of the zone a little. */
    @Test
    public void whatLiesOnPartOfAZoneChangesThatPart() {
        Technique spill = ALL.technique("gloss-spill");
        Material gloss = ALL.material(spill.materials().getFirst());
        Lab all =
                NextCoat.of(
                                GREEN,
                                Finish.FLAT,
                                ALL.technique("seal-gloss"),
                                ALL.material("clear-gloss"),
                                Thickness.NORMAL,
                                GREEN)
                        .orElseThrow()
                        .colour();
        Lab part =
                NextCoat.of(GREEN, Finish.FLAT, spill, gloss, Thickness.NORMAL, GREEN)
                        .orElseThrow()
                        .colour();
        assertTrue(spill.share() < 1);
        assertTrue(part.l() < GREEN.l() && part.l() > all.l(), part + " " + all);
    }

    /** Fades, filters, washes, dust, soot and chips: more of one is farther from the start. */
    @Test
    public void strengthGrowsWithTheFilm() {
        for (String key :
                List.of(
                        "mist-fade",
                        "dot-filter",
                        "rust-filter",
                        "grime-wash",
                        "pin-wash",
                        "airbrush-dust",
                        "soot",
                        "sponge-chip",
                        "dirt-mist")) {
            Technique t = ALL.technique(key);
            Material m = ALL.material(t.materials().getFirst());
            double last = 0;
            for (Thickness thick : List.of(Thickness.MIST, Thickness.LIGHT, Thickness.NORMAL)) {
                NextCoat c = NextCoat.of(GREEN, Finish.FLAT, t, m, thick, GREEN).orElseThrow();
                assertTrue(c.deltaE00() > last, key + " " + thick + ": " + c);
                last = c.deltaE00();
            }
        }
    }

    @Test
    public void theNearestCoatIsTheOneThatLeavesLeast() {
        Technique dust = ALL.technique("airbrush-dust");
        Material peat = ALL.material(dust.materials().getFirst());
        for (Thickness made : List.of(Thickness.MIST, Thickness.LIGHT, Thickness.NORMAL)) {
            Lab wanted =
                    NextCoat.of(GREEN, Finish.FLAT, dust, peat, made, GREEN).orElseThrow().colour();
            NextCoat best = NextCoat.nearest(GREEN, Finish.FLAT, dust, peat, wanted).orElseThrow();
            assertEquals(best.thickness(), made);
            assertEquals(best.deltaE00(), 0, 1e-9);
        }
        assertEquals(
                NextCoat.nearest(GREEN, Finish.FLAT, dust, peat, GREEN).orElseThrow().strength(),
                1);
        Material thinner =
                ALL.materials().stream().filter(m -> !m.deposits()).findFirst().orElseThrow();
        assertTrue(NextCoat.nearest(GREEN, Finish.FLAT, dust, thinner, GREEN).isEmpty());
    }
}
