package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Mend;
import org.pendrik.core.film.Mends;

/**
 * Finds the cheapest few changes that make a list of steps hold again.
 *
 * <p>Best first over sequences of checked mends: of the cases met, the one with the least weight of
 * stops and warnings, then the fewest new clears, then the earliest end is mended further, first
 * finding first. Ends when a case has neither stop nor warning or after {@value #MOST_CASES} cases.
 * Guarantee: what is offered was checked as a whole; cheapest among what was looked at.
 */
public final class Repair {
    private static final int MOST_CASES = 40;

    private final FilmCheck check;
    private final Mends mends;

    public Repair(Catalogue catalogue) {
        this.check = new FilmCheck(catalogue);
        this.mends = new Mends(catalogue);
    }

    /**
     * Changes that together make the steps hold.
     *
     * @param mends in the order in which they are made
     * @param mended the case with all of them
     * @param clears new clear coats among them
     * @param laterMinutes how much later the last step ends
     */
    public record Offer(List<Mend> mends, FilmCase mended, int clears, long laterMinutes) {
        public Offer {
            mends = List.copyOf(mends);
        }
    }

    private record Case(FilmCase film, FilmReport report, List<Mend> made, int clears, long end) {
        int weight() {
            return report.weight();
        }
    }

    /** The cheapest repair found; empty when nothing is wrong or nothing helps. */
    public Optional<Offer> of(FilmCase question) {
        Case start = new Case(question, check.check(question), List.of(), 0, end(question));
        if (start.report().isClean()) {
            return Optional.empty();
        }
        PriorityQueue<Case> open =
                new PriorityQueue<>(
                        Comparator.comparingInt(Case::weight)
                                .thenComparingInt(Case::clears)
                                .thenComparingLong(Case::end));
        open.add(start);
        Set<List<Act>> seen = new HashSet<>();
        int looked = 0;
        while (!open.isEmpty() && looked < MOST_CASES) {
            Case c = open.remove();
            if (c.report().isClean()) {
                return Optional.of(
                        new Offer(c.made(), c.film(), c.clears(), c.end() - start.end()));
            }
            looked++;
            Finding first =
                    c.report().findings().stream()
                            .filter(f -> f.severity() != Finding.Severity.NOTE)
                            .max(Comparator.comparing(Finding::severity))
                            .orElseThrow();
            for (Mends.Checked m : mends.forFinding(c.film(), c.report(), first)) {
                mends.apply(c.film(), m.mend())
                        .filter(f -> seen.add(f.acts()))
                        .ifPresent(
                                f -> {
                                    List<Mend> made = new ArrayList<>(c.made());
                                    made.add(m.mend());
                                    open.add(
                                            new Case(
                                                    f,
                                                    check.check(f),
                                                    made,
                                                    c.clears() + clears(m.mend()),
                                                    end(f)));
                                });
            }
        }
        return Optional.empty();
    }

    private static int clears(Mend m) {
        return m instanceof Mend.Insert i && i.fresh().technique().role() == Technique.Role.CLEAR
                ? 1
                : 0;
    }

    private static long end(FilmCase c) {
        return c.acts().stream().mapToLong(Act::endMinute).max().orElse(0);
    }
}
