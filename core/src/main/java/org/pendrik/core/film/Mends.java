package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Finding.Severity;

/**
 * Finds changes that take a finding away.
 *
 * <p>Candidates are made from the shelf; each is applied, the times of the steps from there on are
 * settled, and the whole case is checked again. Guarantee: an offered mend removes its finding and
 * leaves the case with less weight of stops and warnings than before; where it is the waiting that
 * heals, only waiting is offered. Sorted by new clear coats, then by how much later the last step
 * ends.
 */
public final class Mends {
    private static final int MOST = 4;
    private static final List<String> SEALS = List.of("seal-satin", "seal-matte", "seal-gloss");

    private static final List<String> PRIMERS = List.of("prime", "can-prime", "brush-prime");

    private final Catalogue catalogue;
    private final FilmCheck check;
    private final Timing timing;

    public Mends(Catalogue catalogue) {
        this.catalogue = catalogue;
        this.check = new FilmCheck(catalogue);
        this.timing = new Timing(catalogue);
    }

    /**
     * A mend that was checked.
     *
     * @param laterMinutes how much later the last step ends with it
     */
    public record Checked(Mend mend, long laterMinutes) {}

    private record Ranked(Checked checked, int leaves) {}

    /** The mends for a finding of {@code report}, best first, at most four; none for a note. */
    public List<Checked> forFinding(FilmCase question, FilmReport report, Finding finding) {
        if (finding.severity() == Severity.NOTE) {
            return List.of();
        }
        List<Ranked> good = new ArrayList<>();
        for (Mend mend : candidates(question, finding)) {
            apply(question, mend)
                    .ifPresent(
                            mended -> {
                                FilmReport after = check.check(mended);
                                if (isBetter(report, after, finding)
                                        && !isWaitingAlone(question, mended, mend, finding)) {
                                    good.add(
                                            new Ranked(
                                                    new Checked(mend, end(mended) - end(question)),
                                                    after.weight()));
                                }
                            });
        }
        good.sort(
                Comparator.comparingInt(Ranked::leaves)
                        .thenComparingInt(r -> clears(r.checked().mend()))
                        .thenComparingLong(r -> r.checked().laterMinutes()));
        return good.stream().limit(MOST).map(Ranked::checked).toList();
    }

    /**
     * The case with a mend made and its times settled; empty when the mend asks for the impossible.
     */
    public Optional<FilmCase> apply(FilmCase question, Mend mend) {
        List<Act> acts = mend.applyTo(question.acts());
        int from = 0;
        while (from < acts.size()
                && from < question.acts().size()
                && acts.get(from).equals(question.acts().get(from))) {
            from++;
        }
        if (acts.stream().skip(from).anyMatch(Act::done)) {
            // what has happened cannot be pushed later
            return Optional.empty();
        }
        List<Act> ordered = new ArrayList<>();
        long clock = Long.MIN_VALUE;
        for (Act a : acts) {
            Act placed = a.atMinute() < clock ? a.at(clock) : a;
            ordered.add(placed);
            clock = placed.atMinute();
        }
        FilmCase settled = timing.settle(question.with(ordered), from, true);
        return Optional.of(settled);
    }

    /** Whether the step as it is would do as well at the minute to which the mend puts it. */
    private boolean isWaitingAlone(FilmCase question, FilmCase mended, Mend mend, Finding finding) {
        if (mend instanceof Mend.Wait || mend instanceof Mend.TakeOut) {
            return false;
        }
        Act act = question.acts().get(question.indexOf(finding.actId()));
        Optional<Act> there =
                mended.acts().stream().filter(a -> a.id().equals(act.id())).findFirst();
        if (there.isEmpty() || there.get().atMinute() <= act.atMinute()) {
            return false;
        }
        long later = there.get().atMinute() - act.atMinute();
        FilmCase waited = question.with(new Mend.Wait(act.id(), later).applyTo(question.acts()));
        return check.check(waited).about(act.id()).stream().noneMatch(f -> isAsBad(f, finding));
    }

    private static boolean isAsBad(Finding f, Finding than) {
        return f.rule() == than.rule()
                && f.actId().equals(than.actId())
                && f.coats().equals(than.coats())
                && f.severity().weight() >= than.severity().weight();
    }

    private static boolean isBetter(FilmReport before, FilmReport after, Finding finding) {
        boolean gone = after.findings().stream().noneMatch(f -> isAsBad(f, finding));
        return gone && after.weight() < before.weight();
    }

    private List<Mend> candidates(FilmCase question, Finding finding) {
        Act act = question.acts().get(question.indexOf(finding.actId()));
        if (act.done()) {
            return List.of();
        }
        List<Mend> out = new ArrayList<>();
        List<Zone> zones =
                question.zones().stream().filter(z -> finding.zones().contains(z.key())).toList();
        switch (finding.rule()) {
            case TOOTH -> {
                clears(out, question, act, zones);
                earlier(out, question, act);
            }
            case LOOSE -> {
                insert(out, question, act, "fix", zones);
                clears(out, question, act, zones);
                earlier(out, question, act);
            }
            case REACH, TRAPPED, WET -> {
                wait(out, question, act);
                clears(out, question, act, zones);
                swaps(out, act);
                ways(out, question, act);
            }
            case SOFT -> wait(out, question, act);
            case TOO_LITTLE -> {
                swaps(out, act);
                ways(out, question, act);
            }
            case WINDOW -> {
                wait(out, question, act);
                ways(out, question, act);
            }
            case OPEN_WINDOW ->
                    act.technique()
                            .follow()
                            .map(catalogue::technique)
                            .ifPresent(
                                    t ->
                                            t.materials()
                                                    .forEach(
                                                            m ->
                                                                    out.add(
                                                                            Mend.Insert.into(
                                                                                    question,
                                                                                    act,
                                                                                    t,
                                                                                    catalogue
                                                                                            .material(
                                                                                                    m),
                                                                                    zones,
                                                                                    true))));
            case NO_TARGET -> out.add(new Mend.TakeOut(act.id(), act.technique().name()));
            case NO_KEY -> PRIMERS.forEach(p -> insert(out, question, act, p, zones));
            case BURIED -> earlier(out, question, act);
            case OVERSPRAY -> insert(out, question, act, "mask-windows", zones);
            case BLEND, CONTRAST, STAINS, SLOW, SCHOOL -> {}
        }
        return out;
    }

    /** Other techniques that work the same coats. */
    private void ways(List<Mend> out, FilmCase question, Act act) {
        if (!act.technique().worksOnCoats()) {
            return;
        }
        List<Zone> zones =
                question.zones().stream().filter(z -> act.zones().contains(z.key())).toList();
        for (Technique t : catalogue.techniques()) {
            boolean same =
                    act.technique().works().on().stream()
                            .flatMap(List::stream)
                            .anyMatch(k -> t.works().means(k));
            if (same && !t.keepsWindow()) {
                int minutes = t.minutes(zones.size(), Zone.dm2(zones));
                for (String m : t.materials()) {
                    out.add(new Mend.Change(act.id(), t, catalogue.material(m), minutes));
                }
            }
        }
    }

    /** Clears of the kinds that the workshop has, each with what it starts with. */
    private void clears(List<Mend> out, FilmCase question, Act act, List<Zone> zones) {
        for (String seal : SEALS) {
            insert(out, question, act, seal, zones);
        }
    }

    private void insert(
            List<Mend> out, FilmCase question, Act act, String technique, List<Zone> zones) {
        Technique t = catalogue.technique(technique);
        for (String m : t.materials()) {
            out.add(Mend.Insert.into(question, act, t, catalogue.material(m), zones, false));
        }
    }

    private void swaps(List<Mend> out, Act act) {
        for (String key : act.technique().materials()) {
            if (!key.equals(act.material().key())) {
                out.add(new Mend.Swap(act.id(), catalogue.material(key)));
            }
        }
    }

    private void wait(List<Mend> out, FilmCase question, Act act) {
        FilmCase before = question.with(question.acts().subList(0, question.indexOf(act.id())));
        long wait = timing.earliest(before, act, act.atMinute()) - act.atMinute();
        if (wait > 0) {
            out.add(new Mend.Wait(act.id(), wait));
        }
    }

    private static void earlier(List<Mend> out, FilmCase question, Act act) {
        for (int i = question.indexOf(act.id()) - 1; i >= 0; i--) {
            Act other = question.acts().get(i);
            if (other.done()) {
                return;
            }
            if (other.zones().stream().anyMatch(act.zones()::contains)) {
                out.add(new Mend.MoveBefore(act.id(), other.id(), other.technique().name()));
            }
        }
    }

    private static int clears(Mend mend) {
        return mend instanceof Mend.Insert i && i.fresh().technique().role() == Technique.Role.CLEAR
                ? 1
                : 0;
    }

    private static long end(FilmCase c) {
        return c.acts().stream().mapToLong(Act::endMinute).max().orElse(0);
    }
}
