package org.pendrik.app.makeup;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.type.MappedTypes;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.TextTypeHandler;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Errand;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.units.InvalidInput;
import org.springframework.stereotype.Component;

/**
 * What is particular about a step beyond its technique.
 *
 * @param text what is done, in the user's own words; empty takes the technique's name
 * @param restMinutes that pass after it before anything else of the subject is done
 * @param minutes of hands-on work; null as the technique takes
 * @param parts that it takes off or puts back on
 * @param share part of the zone that it touches, above 0 to 1; null as its technique does
 * @param needs how dry every coat on its zones has to be; null as its technique has it
 * @param lies how the model lies meanwhile; null as its technique has it
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record StepExtra(
        String text,
        int restMinutes,
        @Nullable Integer minutes,
        List<String> parts,
        @Nullable Double share,
        Errand.@Nullable Needs needs,
        Technique.@Nullable Orientation lies) {
    /** Nothing is particular. */
    static final StepExtra NONE = new StepExtra("", 0, null, List.of(), null, null, null);

    private static final int MOST_MINUTES = 24 * 60;

    public StepExtra {
        Errand errand = new Errand(text.replace('\n', ' '), restMinutes, clean(parts));
        text = errand.text();
        parts = errand.parts();
        if (minutes != null) {
            InvalidInput.requireWithin(
                    "Minutes", minutes, " min", 0, MOST_MINUTES, "Put a wait into the rest.");
        }
        if (share != null) {
            InvalidInput.requireWithin(
                    "Share of the zone", share, "", 0.005, 1, "1 is all of the zone.");
        }
    }

    private static List<String> clean(List<String> parts) {
        return parts.stream().map(p -> p.replace('\n', ' ')).toList();
    }

    StepExtra taking(@Nullable Integer otherMinutes) {
        return StepExtraBuilder.builder(this).minutes(otherMinutes).build();
    }

    /** The same on another part of the zone. */
    StepExtra sharing(@Nullable Double otherShare) {
        return StepExtraBuilder.builder(this).share(otherShare).build();
    }

    Errand errand() {
        return new Errand(
                text, restMinutes, parts, Optional.ofNullable(needs), Optional.ofNullable(lies));
    }

    /** What is particular about an act; null when nothing is. */
    static @Nullable StepExtra of(Act a, Catalogue catalogue) {
        double usual = catalogue.technique(a.technique().key()).share();
        Double share = a.technique().share() == usual ? null : a.technique().share();
        return share == null && a.errand().equals(Errand.NONE)
                ? null
                : new StepExtra(
                        a.errand().text(),
                        a.errand().restMinutes(),
                        null,
                        a.errand().parts(),
                        share,
                        a.errand().needs().orElse(null),
                        a.errand().lies().orElse(null));
    }

    /** Kept as text, rest, minutes, share, needs and lies, each in a line, then the parts. */
    @Component
    @MappedTypes(StepExtra.class)
    public static class Handler extends TextTypeHandler<StepExtra> {
        private static final int PARTS_FROM = 6;

        @Override
        protected String write(StepExtra e) {
            StringBuilder out = new StringBuilder(e.text());
            out.append('\n').append(e.restMinutes());
            out.append('\n').append(e.minutes() == null ? "" : e.minutes());
            out.append('\n').append(e.share() == null ? "" : e.share());
            out.append('\n').append(e.needs() == null ? "" : e.needs());
            out.append('\n').append(e.lies() == null ? "" : e.lies());
            e.parts().forEach(p -> out.append('\n').append(p));
            return out.toString();
        }

        @Override
        protected StepExtra read(String text) {
            List<String> l = Arrays.asList(text.split("\n", -1));
            return new StepExtra(
                    l.get(0),
                    Integer.parseInt(l.get(1)),
                    l.get(2).isEmpty() ? null : Integer.valueOf(l.get(2)),
                    l.subList(PARTS_FROM, l.size()),
                    l.get(3).isEmpty() ? null : Double.valueOf(l.get(3)),
                    l.get(4).isEmpty() ? null : Errand.Needs.valueOf(l.get(4)),
                    l.get(5).isEmpty() ? null : Technique.Orientation.valueOf(l.get(5)));
        }
    }
}
