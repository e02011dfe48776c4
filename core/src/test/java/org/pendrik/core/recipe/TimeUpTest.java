package org.pendrik.core.recipe;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.concurrent.atomic.AtomicInteger;
import org.pendrik.core.units.Watch;
import org.testng.annotations.Test;

public class TimeUpTest {
    /** The best so far is a recipe that was really weighed, and it claims nothing. */
    @Test
    public void whenTheTimeIsUpTheBestSoFarComesWithoutAClaim() {
        RecipeQuestion question =
                Shelves.question(Shelves.target(5), Shelves.random(24, 5), 4, 12, false);
        var whole = (RecipeAnswer.Proven) RecipeSearch.search(question, Watch.NOBODY);
        for (int pieces : new int[] {1, 2, 5, 20}) {
            AtomicInteger left = new AtomicInteger(pieces);
            Watch impatient =
                    (what, share) -> {
                        if (left.getAndDecrement() <= 0) {
                            throw new Watch.TimeUp(what);
                        }
                    };
            var early = (RecipeAnswer.Proven) RecipeSearch.search(question, impatient);
            assertTrue(early.deltaE00() >= whole.deltaE00() - whole.within() - 1e-9);
            assertEquals(early.within(), early.deltaE00());
            assertTrue(early.recipe().drops() > 0);
        }
    }
}
