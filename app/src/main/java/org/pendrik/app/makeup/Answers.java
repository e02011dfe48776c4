package org.pendrik.app.makeup;

import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.StepId;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the warnings that the user has answered with: I know, I do it so. */
@Component
@Transactional
public class Answers {
    private final AnswerMapper mapper;
    private final Clock clock;

    Answers(AnswerMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /**
     * A warning that was answered.
     *
     * @param coat the topmost coat involved, empty when none was
     */
    public record Given(StepId stepId, Finding.Rule rule, String coat, Instant answeredAt) {
        Finding.Answer answer() {
            return new Finding.Answer(stepId, rule, coat);
        }
    }

    /** What was answered in a job, oldest first. */
    public List<Given> ofJob(UUID jobId) {
        return mapper.ofJob(jobId);
    }

    Set<Finding.Answer> known(UUID jobId) {
        Set<Finding.Answer> out = new HashSet<>();
        ofJob(jobId).forEach(g -> out.add(g.answer()));
        return Set.copyOf(out);
    }

    /** What is answered, by job. */
    Map<UUID, Set<Finding.Answer>> known() {
        Map<UUID, Set<Finding.Answer>> out = new HashMap<>();
        for (AnswerMapper.Row r : mapper.all()) {
            out.computeIfAbsent(r.jobId(), _ -> new HashSet<>())
                    .add(new Finding.Answer(r.stepId(), r.rule(), r.coat()));
        }
        return out;
    }

    /** Keeps an answer, or takes it back; either twice is once. */
    void set(UUID jobId, Finding.Answer answer, boolean known) {
        mapper.drop(jobId, answer.actId(), answer.rule(), answer.coat());
        if (known) {
            mapper.add(jobId, answer.actId(), answer.rule(), answer.coat(), clock.instant());
        }
    }

    /** Stores an answer of a record that is read in. */
    public void insert(UUID jobId, Given g) {
        mapper.drop(jobId, g.stepId(), g.rule(), g.coat());
        mapper.add(jobId, g.stepId(), g.rule(), g.coat(), g.answeredAt());
    }
}
