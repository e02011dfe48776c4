package org.pendrik.core.diary;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.units.InvalidInput;

/**
 * A question to the diary of a workshop: what is to be done on all its subjects, and when somebody
 * is at the bench.
 *
 * @param jobs ids unique
 * @param bench the stretches of bench time, in order and apart; each is one sitting. Nothing is
 *     done outside them
 * @param resources what tasks may need besides the person; keys unique
 * @param fromMinute nothing new begins before, minutes since 1970-01-01 UTC
 */
public record DiaryCase(
        List<DiaryJob> jobs, List<Span> bench, List<Resource> resources, long fromMinute) {
    /**
     * Something that work takes: the booth, the airbrush, places in a drying box, daylight.
     *
     * @param key names it in {@link DiaryTask.Need}
     * @param name as the user calls it
     * @param places how many tasks can have it at once
     * @param closed when it cannot be used by hand, such as a compressor in quiet hours, in order
     */
    public record Resource(String key, String name, int places, List<Span> closed) {
        public Resource {
            closed = List.copyOf(closed);
            InvalidInput.requireWithin(
                    name, places, " places", 1, 100, "Leave out what you do not have.");
        }
    }

    public DiaryCase {
        jobs = List.copyOf(jobs);
        bench = List.copyOf(bench);
        resources = List.copyOf(resources);
        Set<String> keys = new HashSet<>();
        resources.forEach(
                r -> {
                    if (!keys.add(r.key())) {
                        throw new InvalidInput(
                                "Resource", r.key(), "is given twice", "Name each once.");
                    }
                });
        Set<String> ids = new HashSet<>();
        for (DiaryJob j : jobs) {
            if (!ids.add(j.id())) {
                throw new InvalidInput("Job", j.id(), "is given twice", "Name each once.");
            }
            for (DiaryTask t : j.tasks()) {
                for (DiaryTask.Need n : t.needs()) {
                    if (!keys.contains(n.resource())) {
                        throw new InvalidInput(
                                "Step " + t.name() + " of " + j.name(),
                                n.resource(),
                                "is no resource of the workshop",
                                "Use one of " + String.join(", ", keys) + ".");
                    }
                }
            }
        }
        for (int i = 0; i < bench.size(); i++) {
            Span s = bench.get(i);
            if (s.fromMinute() >= s.untilMinute()
                    || (i > 0 && bench.get(i - 1).untilMinute() > s.fromMinute())) {
                throw new InvalidInput(
                        "Bench time",
                        "stretch " + (i + 1),
                        "must end after it begins, and begin after the one before has ended",
                        "Put the stretches in order and join what overlaps.");
            }
        }
    }
}
