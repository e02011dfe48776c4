package org.pendrik.core.shelf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Light;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.recipe.Recipe;
import org.pendrik.core.units.InvalidInput;
import org.testng.annotations.Test;

public class ShelfTest {
    private static Bottle of(Bottle b, Bottle.Kind kind, String family, double amount) {
        return BottleBuilder.builder(b).kind(kind).family(family).amountMl(amount).build();
    }

    @Test
    public void whatIsNoPaintIsRefusedWithItsReason() {
        Bottle silver = ShelfFilesTest.bottle("silver", new Lab(75, 0, 0));
        for (Bottle.Kind kind :
                List.of(Bottle.Kind.METALLIC, Bottle.Kind.FLUORESCENT, Bottle.Kind.CLEAR)) {
            Bottle b = of(silver, kind, "enamel", 5);
            InvalidInput e = org.testng.Assert.expectThrows(InvalidInput.class, b::paint);
            assertTrue(e.getMessage().contains(kind.whyNot()), e.getMessage());
        }
    }

    @Test
    public void whatStandsInIsOfTheFamilyAndNearestFirst() {
        Bottle brown = ShelfFilesTest.bottle("brown", new Lab(30, 12, 14));
        Map<String, Bottle> shelf = new LinkedHashMap<>();
        shelf.put("brown", brown);
        shelf.put("near", ShelfFilesTest.bottle("near", new Lab(31, 12, 14)));
        shelf.put("far", ShelfFilesTest.bottle("far", new Lab(50, 12, 14)));
        shelf.put(
                "other",
                of(
                        ShelfFilesTest.bottle("other", new Lab(30, 12, 14)),
                        Bottle.Kind.PAINT,
                        "oil",
                        5));
        shelf.put(
                "empty",
                of(
                        ShelfFilesTest.bottle("empty", new Lab(30, 12, 14)),
                        Bottle.Kind.PAINT,
                        "waterborne acrylic",
                        0));
        List<Substitutes.Substitute> found = Substitutes.of("brown", shelf, 5);
        assertEquals(
                found.stream().map(Substitutes.Substitute::key).toList(), List.of("near", "far"));
        assertTrue(found.getFirst().worst() >= found.getFirst().deltaE00() - 1e-9);
    }

    /** A black that is twice as strong as its swatch says: the card finds most of it. */
    @Test
    public void aTestCardTeachesTheStrengths() {
        Surface flat = Surface.of("flat");
        Ingredient white = ShelfFilesTest.bottle("white", new Lab(95, 0, 2)).ingredient("white", 1);
        Bottle black = ShelfFilesTest.bottle("black", new Lab(22, 0, 0));
        Recipe said =
                Recipe.of(
                        List.of(
                                new Recipe.Part(white, 8),
                                new Recipe.Part(black.ingredient("black", 1), 2)),
                        flat);
        Recipe real =
                Recipe.of(
                        List.of(
                                new Recipe.Part(white, 8),
                                new Recipe.Part(black.ofStrength(1.6).ingredient("black", 1), 2)),
                        flat);
        Lab seen = Light.D65.lab(real.seen());
        TestCard card = TestCard.learn(said, flat, seen);
        double ratio = card.strengths().get("black") / card.strengths().get("white");
        assertEquals(ratio, 1.6, 0.15);
        assertTrue(card.left() < 0.7, "left " + card.left());
        TestCard same = TestCard.learn(said, flat, Light.D65.lab(said.seen()));
        assertEquals(same.strengths().get("black"), 1, 1e-6);
        Recipe one = Recipe.of(List.of(new Recipe.Part(white, 3)), flat);
        assertEquals(TestCard.learn(one, flat, seen).strengths(), Map.of("white", 1.0));
    }

    @Test
    public void badBottlesAreRefused() {
        Bottle b = ShelfFilesTest.bottle("brown", new Lab(30, 12, 14));
        assertThrows(InvalidInput.class, () -> ShelfFilesTest.bottle(" ", new Lab(30, 0, 0)));
        assertThrows(
                InvalidInput.class, () -> ShelfFilesTest.bottle("x".repeat(81), new Lab(30, 0, 0)));
        assertThrows(InvalidInput.class, () -> ShelfFilesTest.bottle("a\u0007", new Lab(30, 0, 0)));
        assertThrows(InvalidInput.class, () -> ShelfFilesTest.bottle("x", new Lab(130, 0, 0)));
        assertThrows(InvalidInput.class, () -> of(b, Bottle.Kind.PAINT, "", 5));
        assertThrows(InvalidInput.class, () -> of(b, Bottle.Kind.PAINT, "oil", -5));
        assertEquals(Bottle.Kind.of(" Metallic "), Optional.of(Bottle.Kind.METALLIC));
    }
}
