package org.pendrik.app.study;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.photograph.Sides;
import org.pendrik.app.sides.CloseUp;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.FlatSides;
import org.pendrik.app.sides.SideSize;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.photo.LightFall;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.Registration;
import org.springframework.stereotype.Component;

/**
 * Flat sides with the fall of the light taken out where the user did not switch that off, and what
 * their classes look like: by samples of their own, else by those of the prototype, which its
 * photographs share.
 */
@Component
public class EvenSides {
    private static final LightFall.Outcome SWITCHED_OFF =
            new LightFall.Outcome.Left("The light is left as it fell.");

    private final Studies studies;
    private final Photographs photographs;
    private final Sides sides;
    private final FlatSides flat;

    EvenSides(Studies studies, Photographs photographs, Sides sides, FlatSides flat) {
        this.studies = studies;
        this.photographs = photographs;
        this.sides = sides;
        this.flat = flat;
    }

    /**
     * A side in even light and its classes.
     *
     * @param from the photograph whose samples show them
     * @param shown null when none does
     */
    record Known(
            FlatSides.Even even,
            Optional<UUID> from,
            FlatSides.@Nullable ClassesShown shown,
            List<Region> excluded) {}

    /** The side of a photograph in even light; empty while it is not located. */
    public Optional<FlatSide> of(Photograph p) {
        return known(p).map(k -> k.even().side());
    }

    Optional<Known> known(Photograph p) {
        return sides.of(p).map(side -> known(p, side, studies.of(p.jobId())));
    }

    /** What a photograph shows of its side, and what is known of that part. */
    record Close(CloseUp closeUp, Known known) {}

    /**
     * The part of a side that a photograph shows, at its own resolution and in even light; empty
     * where that is hardly finer than the whole side.
     *
     * @param whole the side, or where it was laid over another one
     * @param over how it was laid over that, unsure where it was not
     * @param known of the side before it was laid over anything
     */
    Optional<Close> closeUp(Photograph p, FlatSide whole, Registration.Fit over, Known known) {
        Studies.Study study = studies.of(p.jobId());
        double pxPerMm = whole.pxPerMm();
        return sides.closeUp(p, whole, over.onModelMm(pxPerMm))
                .map(c -> new Close(c, close(p, c, own(p, c, over, known, study), known, study)));
    }

    /** Its classes, shown where its samples were picked: on its own side. */
    private FlatSides.@Nullable ClassesShown own(
            Photograph p, CloseUp c, Registration.Fit over, Known known, Studies.Study study) {
        List<ClassSample> picked = on(p, study).stream().map(JobSample::sample).toList();
        if (picked.isEmpty()) {
            return known.shown();
        }
        CloseUp there =
                over.sure()
                        ? sides.closeUp(
                                        p,
                                        known.even().side(),
                                        Registration.unsure().onModelMm(c.side().pxPerMm()))
                                .orElse(c)
                        : c;
        List<Region> excluded = there.cut(known.excluded());
        List<ClassSample> samples = there.cutSamples(picked);
        var asItFell = new FlatSides.ClassesShown(there.side(), excluded, samples, false);
        return new FlatSides.ClassesShown(
                even(p, there.side(), excluded, asItFell).side(), excluded, samples, false);
    }

    private Known close(
            Photograph p,
            CloseUp c,
            FlatSides.@Nullable ClassesShown shown,
            Known known,
            Studies.Study study) {
        List<Region> excluded = c.cut(excluded(p, study));
        return new Known(even(p, c.side(), excluded, shown), known.from(), shown, excluded);
    }

    /** The same, all that it hangs on being at hand. */
    Optional<FlatSide> of(Photograph p, Optional<SideSize> size, Studies.Study study) {
        return sides.of(p, size).map(s -> known(p, s, study).even().side());
    }

    /** All that the side in even light hangs on, as text; empty while there is none. */
    Optional<String> basis(Photograph p, Optional<SideSize> size, Studies.Study study) {
        return Sides.basis(p, size)
                .map(
                        b ->
                                p.evened()
                                        ? b
                                                + " "
                                                + on(p, study)
                                                + excluded(p, study)
                                                + shared(p, size, study)
                                        : b);
    }

    /** The samples of other photographs that even one out which has none, and all these hang on. */
    private String shared(Photograph p, Optional<SideSize> size, Studies.Study study) {
        if (study.samples().isEmpty() || !on(p, study).isEmpty()) {
            return "";
        }
        return sampled(p, study).stream()
                .map(q -> Sides.basis(q, size).orElse("") + q.evened() + on(q, study))
                .collect(Collectors.joining(" "));
    }

    /** Its own samples; else those of the prototype, if both have colour or neither has. */
    private Known known(Photograph p, FlatSide side, Studies.Study study) {
        List<Region> excluded = excluded(p, study);
        List<JobSample> own = on(p, study);
        if (!own.isEmpty()) {
            var even = even(p, side, excluded, shown(side, excluded, own));
            return new Known(
                    even, Optional.of(p.id()), shown(even.side(), excluded, own), excluded);
        }
        Optional<Known> known =
                sampled(p, study).stream()
                        .flatMap(
                                main ->
                                        sides
                                                .of(main)
                                                .filter(s -> s.colourless() == side.colourless())
                                                .map(s -> known(main, s, study))
                                                .stream())
                        .findFirst();
        FlatSides.ClassesShown theirs = known.map(Known::shown).orElse(null);
        if (theirs == null) {
            return new Known(even(p, side, excluded, null), Optional.empty(), null, excluded);
        }
        var shown =
                new FlatSides.ClassesShown(
                        theirs.side(), theirs.excluded(), theirs.samples(), true);
        return new Known(even(p, side, excluded, shown), known.get().from(), shown, excluded);
    }

    /** The other photographs of the prototype's side that have samples, the leading one first. */
    private List<Photograph> sampled(Photograph p, Studies.Study study) {
        Photograph main = photographs.leading(p.jobId(), Role.PROTOTYPE, p.side());
        return Stream.concat(
                        Stream.ofNullable(main),
                        photographs.joined(p.jobId(), p.side()).stream()
                                .filter(q -> !q.equals(main)))
                .filter(q -> !q.id().equals(p.id()) && photographs.hasFile(q.hash()))
                .filter(q -> !on(q, study).isEmpty())
                .toList();
    }

    private FlatSides.Even even(
            Photograph p,
            FlatSide side,
            List<Region> excluded,
            FlatSides.@Nullable ClassesShown shown) {
        return p.evened()
                ? flat.even(side, excluded, shown)
                : new FlatSides.Even(side, SWITCHED_OFF);
    }

    private static FlatSides.ClassesShown shown(
            FlatSide side, List<Region> excluded, List<JobSample> samples) {
        return new FlatSides.ClassesShown(
                side, excluded, samples.stream().map(JobSample::sample).toList(), false);
    }

    private static List<JobSample> on(Photograph p, Studies.Study study) {
        return study.samples().stream().filter(s -> s.photographId().equals(p.id())).toList();
    }

    private static List<Region> excluded(Photograph p, Studies.Study study) {
        return study.regions().stream()
                .filter(r -> r.side() == p.side() && r.role() == RegionRole.EXCLUDE)
                .map(JobRegion::region)
                .toList();
    }
}
