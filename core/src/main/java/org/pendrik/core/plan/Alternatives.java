package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToLongFunction;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.FilmReport;
import org.pendrik.core.film.Finding;
import org.pendrik.core.units.Watch;
import org.pendrik.core.units.Words;

/**
 * The same effects under other schools: which of them is worth a thought, and what it gives and
 * takes.
 *
 * <p>Every question is answered otherwise, one at a time, and for pairs of questions that shorten
 * the plan most also together; each is compiled. Kept is the front: what no other beats in all of
 * ready date, clear coats, hands-on minutes and risk at once. Risk counts moments that go wrong
 * easily: a window to keep 1, a note of the film engine 1, each clear over loose powder 1 (workshop
 * priors).
 */
public final class Alternatives {
    /** Pairs are tried among this many of the best single changes. */
    private static final int PAIRED = 3;

    /** Of the whole work, single changes are about this share. */
    private static final double SINGLES_SHARE = 0.9;

    /**
     * Many plans are laid beside one another: each is searched less widely than one that is kept.
     */
    private static final int BEAM = 4;

    /** Whoever differs by less than this in time has the same date. */
    private static final long SAME_DATE_MINUTES = 120;

    private final PlanCompiler compiler;
    private final FilmCheck check;

    /**
     * For a catalogue.
     *
     * @param mostTries the search's limit for each of the plans
     */
    public Alternatives(Catalogue catalogue, int mostTries) {
        this.compiler = new PlanCompiler(catalogue, mostTries, BEAM);
        this.check = new FilmCheck(catalogue);
    }

    /**
     * A plan under some schools, and how it stands.
     *
     * @param changed questions answered otherwise than asked, with the answer's key
     * @param plan the plan
     * @param readyMinute when it is ready
     * @param handsOnMinutes of all steps still to do
     * @param risk moments that go wrong easily
     * @param title what is done otherwise; empty for the plan asked for
     * @param sentence what that gives and takes beside the plan asked for; empty for that plan
     */
    public record Alternative(
            Map<String, String> changed,
            Schools.Choice schools,
            PlanOutcome.Compiled plan,
            long readyMinute,
            long handsOnMinutes,
            int risk,
            String title,
            String sentence) {}

    /**
     * What was found.
     *
     * @param ways the plan asked for first, then the front, earliest first; empty when the plan
     *     asked for cannot be made and no other can either
     * @param untried ways that were left when the time was up; the front may lack some of them
     */
    public record Answer(List<Alternative> ways, int untried) {
        public Answer {
            ways = List.copyOf(ways);
        }
    }

    /** Plans of the answers that were tried, until the time was up. */
    private final class Trial {
        private final PlanRequest request;
        private final ToLongFunction<FilmCase> ready;
        private final Watch watch;
        private final List<Alternative> made = new ArrayList<>();
        private int untried;

        Trial(PlanRequest request, ToLongFunction<FilmCase> ready, Watch watch) {
            this.request = request;
            this.ready = ready;
            this.watch = watch;
        }

        /** Tries each of them, unless the time was up before. */
        void all(List<Map<String, String>> changes, double from, double until) {
            for (int i = 0; i < changes.size(); i++) {
                try {
                    watch.at("other ways", from + (until - from) * i / changes.size());
                } catch (Watch.TimeUp e) {
                    untried += changes.size() - i;
                    return;
                }
                compiled(request, changes.get(i), ready).ifPresent(made::add);
            }
        }
    }

    /** Each question answered otherwise, one at a time. */
    private static List<Map<String, String>> singles(PlanRequest request) {
        List<Map<String, String>> out = new ArrayList<>();
        for (Schools.Question q : Schools.all()) {
            if (q.key().equals("ends") || q.key().equals("last-clear")) {
                // what is wanted, not how it is done
                continue;
            }
            for (Schools.Answer a : q.answers()) {
                if (!a.key().equals(request.schools().of(q.key()))) {
                    out.add(Map.of(q.key(), a.key()));
                }
            }
        }
        return out;
    }

    /** The quickest of them, two at a time. */
    private static List<Map<String, String>> pairs(List<Alternative> all) {
        List<Alternative> quickest =
                all.stream()
                        .sorted(Comparator.comparingLong(Alternative::readyMinute))
                        .limit(PAIRED)
                        .toList();
        List<Map<String, String>> out = new ArrayList<>();
        for (int i = 0; i < quickest.size(); i++) {
            for (int j = i + 1; j < quickest.size(); j++) {
                Map<String, String> both = new LinkedHashMap<>(quickest.get(i).changed());
                quickest.get(j).changed().forEach(both::putIfAbsent);
                if (both.size() > 1) {
                    out.add(both);
                }
            }
        }
        return out;
    }

    /**
     * Compiles the plan asked for and those of other answers.
     *
     * @param ready when a plan is ready: by drying alone, or as somebody's diary has it
     * @param watch asked before each of them
     */
    public Answer of(PlanRequest request, ToLongFunction<FilmCase> ready, Watch watch) {
        Optional<Alternative> base = compiled(request, Map.of(), ready);
        Trial trial = new Trial(request, ready, watch);
        trial.all(singles(request), 0, SINGLES_SHARE);
        List<Alternative> all = trial.made;
        all.removeIf(a -> base.filter(b -> isSame(a, b)).isPresent());
        trial.all(pairs(all), SINGLES_SHARE, 1);
        List<Alternative> out = new ArrayList<>();
        base.ifPresent(out::add);
        all.sort(
                Comparator.comparingInt((Alternative a) -> a.changed().size())
                        .thenComparingLong(Alternative::readyMinute));
        List<Alternative> kept = new ArrayList<>();
        for (Alternative a : all) {
            boolean beaten = all.stream().anyMatch(o -> beats(o, a));
            boolean beatenByBase = base.filter(b -> beats(b, a) || isSame(a, b)).isPresent();
            boolean twin = kept.stream().anyMatch(o -> isSame(o, a) || isNoOtherThan(o, a));
            if (!beaten && !beatenByBase && !twin) {
                kept.add(a);
            }
        }
        kept.sort(Comparator.comparingLong(Alternative::readyMinute));
        kept.forEach(a -> out.add(base.map(b -> said(a, b)).orElse(a)));
        return new Answer(out, trial.untried);
    }

    private Optional<Alternative> compiled(
            PlanRequest request, Map<String, String> changed, ToLongFunction<FilmCase> ready) {
        Schools.Choice schools = request.schools();
        for (Map.Entry<String, String> e : changed.entrySet()) {
            schools = schools.with(e.getKey(), e.getValue());
        }
        if (!(compiler.compile(request.with(schools)) instanceof PlanOutcome.Compiled plan)) {
            return Optional.empty();
        }
        long hands = plan.steps().stream().mapToLong(s -> s.act().minutes()).sum();
        return Optional.of(
                new Alternative(
                        changed,
                        schools,
                        plan,
                        ready.applyAsLong(plan.timed()),
                        hands,
                        risk(plan),
                        "",
                        ""));
    }

    private int risk(PlanOutcome.Compiled plan) {
        FilmReport report = check.check(plan.timed());
        int notes =
                (int)
                        report.findings().stream()
                                .filter(f -> f.severity() == Finding.Severity.NOTE)
                                .filter(f -> f.rule() != Finding.Rule.CONTRAST)
                                .count();
        int windows =
                (int) plan.steps().stream().filter(s -> s.act().technique().keepsWindow()).count();
        int fixed =
                (int)
                        report.columns().stream()
                                .flatMap(c -> c.layers().stream())
                                .filter(l -> l.binder().isLoose())
                                .map(l -> l.actId())
                                .distinct()
                                .count();
        return notes + windows + fixed;
    }

    private static boolean isSame(Alternative a, Alternative b) {
        return a.plan().steps().stream()
                .map(s -> s.act().id() + s.act().material().key())
                .toList()
                .equals(
                        b.plan().steps().stream()
                                .map(s -> s.act().id() + s.act().material().key())
                                .toList());
    }

    /** Sorted by how much they change: what costs the same and changes more says nothing new. */
    private static boolean isNoOtherThan(Alternative a, Alternative b) {
        return a.readyMinute() == b.readyMinute()
                && a.plan().clears() == b.plan().clears()
                && a.handsOnMinutes() == b.handsOnMinutes()
                && a.risk() == b.risk()
                && b.changed().entrySet().containsAll(a.changed().entrySet());
    }

    private static boolean beats(Alternative a, Alternative b) {
        boolean noWorse =
                a.readyMinute() <= b.readyMinute()
                        && a.plan().clears() <= b.plan().clears()
                        && a.handsOnMinutes() <= b.handsOnMinutes()
                        && a.risk() <= b.risk();
        boolean better =
                a.readyMinute() < b.readyMinute()
                        || a.plan().clears() < b.plan().clears()
                        || a.handsOnMinutes() < b.handsOnMinutes()
                        || a.risk() < b.risk();
        return noWorse && better;
    }

    private static Alternative said(Alternative a, Alternative base) {
        List<String> what = new ArrayList<>();
        List<String> trades = new ArrayList<>();
        a.changed()
                .forEach(
                        (q, key) -> {
                            Schools.Question question = Schools.question(q);
                            String now =
                                    question.answer(base.schools().of(q)).orElseThrow().label();
                            Schools.Answer other = question.answer(key).orElseThrow();
                            what.add(question.text() + ": " + other.label() + " instead of " + now);
                            trades.add(other.trade());
                        });
        List<String> gains = new ArrayList<>();
        long earlier = base.readyMinute() - a.readyMinute();
        if (Math.abs(earlier) < SAME_DATE_MINUTES) {
            gains.add("as early");
        } else {
            gains.add(
                    Words.span((double) Math.abs(earlier)) + (earlier > 0 ? " earlier" : " later"));
        }
        count(gains, a.plan().clears() - base.plan().clears(), "clear");
        long hands = a.handsOnMinutes() - base.handsOnMinutes();
        if (Math.abs(hands) >= 5) {
            gains.add(
                    Words.span((double) Math.abs(hands))
                            + (hands > 0 ? " more work" : " less work"));
        }
        count(gains, a.risk() - base.risk(), "moment to watch", "moments to watch");
        String sentence =
                Words.capital(String.join(", ", gains))
                        + ". "
                        + Words.capital(String.join("; ", trades))
                        + ".";
        return new Alternative(
                a.changed(),
                a.schools(),
                a.plan(),
                a.readyMinute(),
                a.handsOnMinutes(),
                a.risk(),
                String.join("; ", what),
                sentence);
    }

    private static void count(List<String> out, int more, String one) {
        count(out, more, one, one + "s");
    }

    private static void count(List<String> out, int more, String one, String many) {
        if (more != 0) {
            int n = Math.abs(more);
            out.add((n == 1 ? "one " + one : n + " " + many) + (more > 0 ? " more" : " fewer"));
        }
    }
}
