package org.pendrik.app.job;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.Years;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.plan.SubjectKind;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Scale;

/**
 * What a person says of a job.
 *
 * @param version 0 for a new job, else the version that was seen
 */
public record JobDraft(
        String name,
        SubjectKind kind,
        double scaleRatio,
        double lengthMm,
        double heightMm,
        Substrate substrate,
        @Nullable LocalDate wantedOn,
        String note,
        int version) {
    private static final double SHORTEST_MM = 500;
    private static final double LONGEST_MM = 100_000;

    public JobDraft {
        name = name.strip();
        if (name.isEmpty() || name.length() > 120) {
            throw new InvalidInput(
                    "Job name",
                    name.isEmpty() ? "empty" : name.length() + " letters",
                    "must have from 1 to 120 letters",
                    "Use the road number or what you call it.");
        }
        Years.require("Date wanted", wantedOn, Years.OF_WORK);
        new Scale("", scaleRatio);
        InvalidInput.requireWithin(
                "Prototype length",
                lengthMm,
                " mm",
                SHORTEST_MM,
                LONGEST_MM,
                "Take it from a drawing of the prototype.");
        InvalidInput.requireWithin(
                "Prototype height",
                heightMm,
                " mm",
                SHORTEST_MM,
                LONGEST_MM,
                "Take it from a drawing of the prototype.");
        if (note.length() > 2000) {
            throw new InvalidInput(
                    "Note",
                    note.length() + " letters",
                    "must have at most 2000 letters",
                    "Shorten it.");
        }
    }
}
