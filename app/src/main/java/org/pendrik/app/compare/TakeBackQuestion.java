package org.pendrik.app.compare;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.pendrik.app.makeup.Plans;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.FilmCheck;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Material;
import org.pendrik.core.film.Technique;
import org.springframework.stereotype.Component;

/**
 * Asks the film check whether a coat can still be taken back on a zone: every way of working it
 * that the techniques know is tried now, on top of what was really laid.
 */
@Component
class TakeBackQuestion {
    private static final String TRIAL = "take-back";

    private final Plans plans;
    private final Catalogue catalogue;
    private final FilmCheck check;
    private final Clock clock;

    TakeBackQuestion(Plans plans, Catalogue catalogue, FilmCheck check, Clock clock) {
        this.plans = plans;
        this.catalogue = catalogue;
        this.check = check;
        this.clock = clock;
    }

    /**
     * The answer.
     *
     * @param possible whether some way does no harm
     * @param sentence what with, or why not
     */
    record Answer(boolean possible, String sentence) {}

    /** Whether the last coat of a technique on a zone can be taken back now. */
    Answer ask(UUID jobId, String technique, String zone) {
        List<StoredStep> done = plans.of(jobId).steps().stream().filter(StoredStep::done).toList();
        Optional<StoredStep> coat =
                done.stream()
                        .filter(
                                s ->
                                        s.technique().equals(technique)
                                                && s.zones().keys().contains(zone))
                        .reduce((_, b) -> b);
        String name = catalogue.technique(technique).name();
        if (coat.isEmpty()) {
            return new Answer(
                    false, "No " + name + " was logged here: what is too much was there before.");
        }
        FilmCase laid = plans.filmCase(jobId, done);
        long now = StoredStep.minute(clock.instant());
        String why = "";
        for (Technique t : works(technique)) {
            for (String key : t.materials()) {
                Material m = catalogue.material(key);
                Optional<Finding> stop = stop(laid, t, m, zone, now);
                if (stop.isEmpty()) {
                    return new Answer(
                            true,
                            "Take some back now: "
                                    + t.name()
                                    + " with "
                                    + m.name()
                                    + ". The film check has nothing against it.");
                }
                why = why.isEmpty() ? stop.get().why() : why;
            }
        }
        return new Answer(
                false,
                why.isEmpty()
                        ? "The "
                                + name
                                + " cannot be worked once it lies: glaze the base colour over it thinly."
                        : "It cannot be taken back now: " + why);
    }

    private List<Technique> works(String technique) {
        return catalogue.techniques().stream()
                .filter(
                        t ->
                                t.role() == Technique.Role.WORK
                                        && t.actsOn().filter(technique::equals).isPresent())
                .toList();
    }

    private Optional<Finding> stop(FilmCase laid, Technique t, Material m, String zone, long now) {
        List<Act> acts = new ArrayList<>(laid.acts());
        acts.add(
                new Act(
                        TRIAL,
                        t,
                        m,
                        t.thickness(),
                        Collections.singleton(zone),
                        now,
                        t.minutes(1),
                        false));
        Set<Finding.Severity> bad = Set.of(Finding.Severity.STOP);
        return check.check(new FilmCase(laid.zones(), acts, laid.air())).findings().stream()
                .filter(f -> f.actId().equals(TRIAL) && bad.contains(f.severity()))
                .findFirst();
    }
}
