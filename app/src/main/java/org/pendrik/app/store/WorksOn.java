package org.pendrik.app.store;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.ibatis.type.MappedTypes;
import org.pendrik.core.catalogue.Must;
import org.pendrik.core.film.StepId;
import org.springframework.stereotype.Component;

/**
 * The coats that a step of the user's own is meant for.
 *
 * @param steps that laid them, at least one
 * @param must what has to happen to the lowest of them
 */
public record WorksOn(List<StepId> steps, Must must) {
    public WorksOn {
        steps = List.copyOf(steps);
    }

    /** Kept as what must happen and the ids, each in a line of its own. */
    @Component
    @MappedTypes(WorksOn.class)
    public static class Handler extends TextTypeHandler<WorksOn> {
        @Override
        protected String write(WorksOn value) {
            List<String> lines = new ArrayList<>(List.of(value.must().name()));
            value.steps().forEach(s -> lines.add(s.value()));
            return String.join("\n", lines);
        }

        @Override
        protected WorksOn read(String text) {
            List<String> lines = Arrays.asList(text.split("\n", -1));
            return new WorksOn(
                    lines.stream().skip(1).map(StepId::new).toList(),
                    Must.valueOf(lines.getFirst()));
        }
    }
}
