package org.pendrik.core.recipe;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.paint.Paint;
import org.pendrik.core.paint.Surface;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.units.Watch;

/**
 * Which paint that is not on the shelf would bring a target nearest: each of the usual strong
 * paints of usual-paints.csv is tried on the shelf in turn, with recipes of two bottles, in the
 * family that the shelf has most of.
 */
public final class MissingPaint {
    private static final List<Usual> USUAL =
            DomainTable.load(
                    MissingPaint.class,
                    "usual-paints.csv",
                    r ->
                            new Usual(
                                    r.text("name"),
                                    new Lab(r.number("L"), r.number("a"), r.number("b")),
                                    r.number("hiding")));

    private static final double COAT_UM = 10;

    private MissingPaint() {}

    private record Usual(String name, Lab colour, double hiding) {}

    /**
     * A paint that would help.
     *
     * @param name in plain words
     * @param colour of a hiding flat coat, D65
     * @param deltaE00 that the best recipe with it would have
     */
    public record Help(String name, Lab colour, double deltaE00) {}

    /**
     * The paint that helps most.
     *
     * @param reached what the shelf reaches without
     * @return empty when none brings it a tenth of ΔE00 and a tenth of the way nearer
     */
    public static Optional<Help> of(RecipeQuestion question, double reached) {
        String family =
                question.shelf().stream()
                        .map(Ingredient::family)
                        .collect(
                                java.util.stream.Collectors.groupingBy(
                                        f -> f,
                                        java.util.TreeMap::new,
                                        java.util.stream.Collectors.counting()))
                        .entrySet()
                        .stream()
                        .max(java.util.Map.Entry.comparingByValue())
                        .orElseThrow()
                        .getKey();
        List<Help> helps = new ArrayList<>();
        for (Usual u : USUAL) {
            Paint paint = Paint.estimated(u.colour(), Surface.of("flat"), u.hiding(), COAT_UM);
            List<Ingredient> more = new ArrayList<>(question.shelf());
            more.add(Ingredient.of("usual paint " + u.name(), u.name(), family, paint));
            RecipeQuestion.Rules r = question.limits();
            RecipeQuestion with =
                    new RecipeQuestion(
                            question.target(),
                            question.light(),
                            question.surface(),
                            more,
                            new RecipeQuestion.Rules(
                                    Math.min(2, r.mostPaints()),
                                    r.mostDrops(),
                                    r.must().size() > 2 ? java.util.Set.of() : r.must(),
                                    r.families(),
                                    r.opacity(),
                                    r.micrometres()),
                            false);
            if (RecipeSearch.search(with, Watch.NOBODY) instanceof RecipeAnswer.Proven p) {
                helps.add(new Help(u.name(), u.colour(), p.deltaE00()));
            }
        }
        return helps.stream()
                .min(Comparator.comparingDouble(Help::deltaE00).thenComparing(Help::name))
                .filter(h -> h.deltaE00() < reached - Math.max(0.1, reached / 10));
    }
}
