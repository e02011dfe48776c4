package org.pendrik.app.compare;

import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.makeup.JobSnapshots;
import org.pendrik.app.makeup.StoredStep;
import org.pendrik.app.makeup.TakeBacks;
import org.pendrik.core.film.StepId;
import org.pendrik.core.film.TakeBack;
import org.springframework.stereotype.Component;

/** Whether a coat that is too much can still be taken back on a zone, in a sentence. */
@Component
class TakeBackQuestion {
    private final JobSnapshots snapshots;
    private final TakeBacks takeBacks;
    private final Engines engines;

    TakeBackQuestion(JobSnapshots snapshots, TakeBacks takeBacks, Engines engines) {
        this.snapshots = snapshots;
        this.takeBacks = takeBacks;
        this.engines = engines;
    }

    /**
     * The answer.
     *
     * @param possible whether some way does no harm
     * @param sentence what with, or why not
     * @param stepId the step whose coat it is, or null when none was logged
     */
    record Answer(boolean possible, String sentence, @Nullable StepId stepId) {}

    /** Whether the last coat of a technique on a zone can be taken back now. */
    Answer ask(UUID jobId, String technique, String zone) {
        Optional<StoredStep> coat =
                snapshots.plan(jobId).steps().stream()
                        .filter(StoredStep::done)
                        .filter(
                                s ->
                                        s.technique().equals(technique)
                                                && s.zones().keys().contains(zone))
                        .reduce((_, b) -> b);
        String name = engines.catalogue().technique(technique).name();
        if (coat.isEmpty()) {
            return new Answer(
                    false,
                    "No " + name + " was logged here: what is too much was there before.",
                    null);
        }
        StepId id = coat.get().id();
        TakeBack.Answer a = takeBacks.ask(jobId, id, Set.of(zone), 0.5);
        if (a.ways().isEmpty()) {
            String nearest = String.join(" ", a.nearest());
            return new Answer(
                    false, "Nothing takes it back now. " + nearest + " " + a.instead(), id);
        }
        TakeBack.Way best = a.ways().getFirst();
        return new Answer(
                true,
                "Take some back: "
                        + best.act().technique().name()
                        + ", "
                        + best.act().material().name()
                        + ". It leaves "
                        + String.join(", ", a.mustNotTouch())
                        + " alone.",
                id);
    }
}
