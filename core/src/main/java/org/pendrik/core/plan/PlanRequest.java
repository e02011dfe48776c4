package org.pendrik.core.plan;

import java.util.List;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.Zone;
import org.pendrik.core.units.Climate;

/**
 * What a plan is wanted for.
 *
 * @param zones the subject as it was before the first coat
 * @param done what already lies on it, in order
 * @param effects what is wanted on top
 * @param pins the user's word on order between steps that make effects
 * @param air the climate of the bench
 * @param fromMinute nothing begins before
 * @param schools how the workshop does things
 * @param own steps that the user has put in, to be kept
 * @param standing where they stood: before and behind which others; kept where nothing else is
 *     against it
 */
public record PlanRequest(
        List<Zone> zones,
        List<Act> done,
        List<Effect> effects,
        List<Pin> pins,
        Climate air,
        long fromMinute,
        Schools.Choice schools,
        List<Act> own,
        List<Pin> standing) {
    public PlanRequest {
        zones = List.copyOf(zones);
        done = List.copyOf(done);
        effects = List.copyOf(effects);
        pins = List.copyOf(pins);
        own = List.copyOf(own);
        standing = List.copyOf(standing);
    }

    /** Asked of a workshop that does everything as the table of schools starts. */
    public PlanRequest(
            List<Zone> zones,
            List<Act> done,
            List<Effect> effects,
            List<Pin> pins,
            Climate air,
            long fromMinute) {
        this(zones, done, effects, pins, air, fromMinute, Schools.Choice.START, List.of());
    }

    /** Asked with steps of the user's own that stand nowhere yet. */
    public PlanRequest(
            List<Zone> zones,
            List<Act> done,
            List<Effect> effects,
            List<Pin> pins,
            Climate air,
            long fromMinute,
            Schools.Choice schools,
            List<Act> own) {
        this(zones, done, effects, pins, air, fromMinute, schools, own, List.of());
    }

    /** The same under other schools. */
    public PlanRequest with(Schools.Choice others) {
        return new PlanRequest(zones, done, effects, pins, air, fromMinute, others, own, standing);
    }
}
