package org.pendrik.core.film;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
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
            c.lay(new Layer(key, t, m, m.binder().orElseThrow(), Thickness.NORMAL, 0, 1, 1));
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
}
