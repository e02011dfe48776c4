package org.pendrik.app.study;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.EffectsSeen;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;

/** Proposes effects from what was measured on a photograph. */
@Service
public class Proposals {
    private final Measuring measuring;
    private final Photographs photographs;
    private final JoinedSides joined;
    private final Engines engines;

    Proposals(Measuring measuring, Photographs photographs, JoinedSides joined, Engines engines) {
        this.joined = joined;
        this.measuring = measuring;
        this.photographs = photographs;
        this.engines = engines;
    }

    /**
     * A proposed effect with its evidence.
     *
     * @param material key of the nearest material, if the effect has a colour
     * @param regionId the region that shows it
     * @param why the measures that led to it
     */
    public record EffectProposal(
            EffectKind kind,
            String label,
            List<String> zones,
            int strength,
            @Nullable String colour,
            @Nullable String material,
            String marks,
            String why,
            UUID regionId,
            String region) {}

    /**
     * Proposals of a photograph.
     *
     * @param unplaced names of regions without a zone: what they show cannot be placed
     */
    public record Proposed(
            UUID photographId, List<EffectProposal> effects, List<String> unplaced) {}

    /** Of a photograph of the prototype; empty while its side is not located. */
    public Optional<Proposed> of(UUID photographId) {
        Photograph p = photographs.get(photographId);
        Photograph leading = photographs.leading(p.jobId(), Role.PROTOTYPE, p.side());
        // of the leading one, each region tells what its own photograph shows
        return measuring
                .measure(photographId, Watch.NOBODY)
                .map(m -> p.equals(leading) ? joined.measure(p, m.side(), Watch.NOBODY) : m)
                .map(m -> of(p, m));
    }

    private Proposed of(Photograph p, Measuring.Measured m) {
        List<EffectsSeen.Seen> seen = new ArrayList<>();
        List<String> unplaced = new ArrayList<>();
        for (JobRegion r : m.regions()) {
            if (r.factory()) {
                continue;
            }
            if (r.zoneKey() == null) {
                unplaced.add(r.name());
            } else {
                seen.add(
                        new EffectsSeen.Seen(
                                m.of(r).orElseThrow(),
                                r.zoneKey(),
                                m.result().colours(),
                                r.id().toString()));
            }
        }
        List<EffectsSeen.SeenEdge> edges = new ArrayList<>();
        for (JobRegion r : m.edges()) {
            Optional<EdgeWear> wear = m.ofEdge(r).flatMap(Answer::told);
            if (r.zoneKey() == null) {
                unplaced.add(r.name());
            } else if (wear.isPresent()) {
                edges.add(
                        new EffectsSeen.SeenEdge(
                                r.name(),
                                wear.get(),
                                r.zoneKey(),
                                m.result().colours(),
                                r.id().toString()));
            }
        }
        List<EffectProposal> out =
                new EffectsSeen(engines.catalogue(), measuring.sight(p.jobId()))
                        .in(seen, edges).stream().map(Proposals::proposal).toList();
        return new Proposed(p.id(), out, unplaced);
    }

    private static EffectProposal proposal(EffectsSeen.Proposal e) {
        return new EffectProposal(
                e.kind(),
                e.kind().label(),
                List.copyOf(e.zones()),
                e.strength(),
                e.colour().map(Srgb::toHex).orElse(null),
                e.material().orElse(null),
                e.marks(),
                e.why(),
                UUID.fromString(e.source()),
                e.region());
    }
}
