package org.pendrik.app.shelf;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.springframework.stereotype.Service;

/** Which bottle on the shelf, or which recipe that is kept, comes nearest to a colour. */
@Service
public class ColoursAtHand {
    private final Shelf shelf;
    private final Recipes recipes;

    ColoursAtHand(Shelf shelf, Recipes recipes) {
        this.shelf = shelf;
        this.recipes = recipes;
    }

    /**
     * A colour that stands ready.
     *
     * @param recipe it is mixed by a recipe that is kept, else it comes out of a bottle
     */
    public record AtHand(String name, Lab colour, boolean recipe) {
        /** CIEDE2000 to another colour. */
        public double deltaE00(Lab other) {
            return ColourDifference.ciede2000(colour, other);
        }
    }

    /** Bottles with a colour, and recipes by what they aim at. */
    public List<AtHand> all() {
        Stream<AtHand> bottles =
                shelf.bottles().values().stream()
                        .filter(b -> b.colour().isPresent())
                        .map(b -> new AtHand(b.name(), b.colour().orElseThrow(), false));
        Stream<AtHand> mixed =
                recipes.all().stream()
                        .map(r -> new AtHand(r.recipe().name(), r.recipe().target(), true));
        return Stream.concat(mixed, bottles).toList();
    }

    /** The nearest of some; empty when there are none. */
    public static Optional<AtHand> nearest(List<AtHand> all, Lab colour) {
        return all.stream().min(Comparator.comparingDouble(a -> a.deltaE00(colour)));
    }
}
