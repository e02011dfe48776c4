package org.pendrik.core.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * All that two measured regions tell of how far they are apart, and what they do not tell.
 *
 * @param told every measure that both tell
 * @param open what one of them leaves open, of all that is there on either
 * @param forms the shape of the prototype's marks, or of the model's where it alone has any
 */
public record Gaps(List<Gap> told, List<Unmeasured> open, Map<WeatherClass, MarkForm> forms) {
    public Gaps {
        forms = Map.copyOf(forms);
        told = List.copyOf(told);
        open = List.copyOf(open);
    }

    /**
     * A measure that is on one side or the other and cannot be compared.
     *
     * @param what as said at the bench
     * @param why one sentence
     * @param remedy what helps
     */
    public record Unmeasured(String what, String why, String remedy) {}

    /** Two sides of the same region. */
    public static Gaps between(MeasuredRegion prototype, MeasuredRegion model) {
        List<Gap> told = Gap.between(prototype, model);
        Map<WeatherClass, MarkForm> forms = new TreeMap<>(MarkForm.in(model));
        forms.putAll(MarkForm.in(prototype));
        return new Gaps(told, new Open(prototype, model, told).all(), forms);
    }

    /** The wear along an edge on both sides. */
    public static Gaps between(Answer<EdgeWear> prototype, Answer<EdgeWear> model) {
        List<Gap> told =
                prototype
                        .told()
                        .flatMap(p -> model.told().map(m -> Gap.between(p, m)))
                        .orElse(List.of());
        List<Unmeasured> open = new ArrayList<>();
        Optional.of(prototype)
                .filter(a -> a.told().isEmpty())
                .or(() -> Optional.of(model).filter(a -> a.told().isEmpty()))
                .ifPresent(a -> open.add(unmeasured("wear along the edge", a)));
        return new Gaps(told, open, Map.of());
    }

    /** The shape of the marks of a class. */
    public MarkForm form(WeatherClass c) {
        return forms.getOrDefault(c, MarkForm.UNKNOWN);
    }

    /** The measures that are seen to differ, those that do so most first. */
    public List<Gap> seen() {
        return told.stream()
                .filter(Gap::isSeen)
                .sorted(Comparator.comparingDouble(g -> -Math.abs(g.inTolerances())))
                .toList();
    }

    /** The measures whose ± leaves open whether they differ, the widest first. */
    public List<Gap> unsure() {
        return told.stream()
                .filter(Gap::isUnsure)
                .sorted(Comparator.comparingDouble(g -> -g.plusMinus() / g.notSeen()))
                .toList();
    }

    private static Unmeasured unmeasured(String what, Answer<?> a) {
        Answer.CannotTell<?> c = (Answer.CannotTell<?>) a;
        return new Unmeasured(what, c.reason(), c.remedy());
    }

    /** Looks for what is left open. */
    private record Open(MeasuredRegion prototype, MeasuredRegion model, List<Gap> told) {
        List<Unmeasured> all() {
            List<Unmeasured> out = new ArrayList<>();
            if (prototype.cover().isEmpty() && model.cover().isEmpty()) {
                out.add(
                        new Unmeasured(
                                "rust, dust and chips",
                                "Nothing is sampled, so only the colour is compared.",
                                "Pick a sample of the paint and one of every film in Study."));
                return out;
            }
            covers(out);
            for (WeatherClass c : marks()) {
                if (!coverDiffers(c)) {
                    form(c.label() + " spots", r -> r.spots().get(c), out);
                    form(c.label() + " streaks", r -> r.streaks().get(c), out);
                }
            }
            if (there(WeatherClass.DUST) && !coverDiffers(WeatherClass.DUST)) {
                form("heights of dust", MeasuredRegion::dust, out);
            }
            return out;
        }

        private void covers(List<Unmeasured> out) {
            for (WeatherClass c : WeatherClass.values()) {
                boolean apart =
                        told.stream()
                                .noneMatch(
                                        g ->
                                                g.kind() == Gap.Kind.COVER
                                                        && g.of().equals(Optional.of(c)));
                if (c != WeatherClass.PAINT && c != WeatherClass.OTHER && apart && there(c)) {
                    out.add(
                            new Unmeasured(
                                    c.label(),
                                    onlyOn(c),
                                    "Pick a sample of it, and of the paint, on the other one too."));
                }
            }
            for (MeasuredRegion r : List.of(prototype, model)) {
                r.cover()
                        .filter(a -> a.told().isEmpty())
                        .ifPresent(a -> out.add(unmeasured("rust, dust and chips", a)));
            }
        }

        private String onlyOn(WeatherClass c) {
            boolean first = share(prototype, c) > 0;
            return "On the "
                    + (first ? "model" : "prototype")
                    + " "
                    + c.label()
                    + " is not told from what else is there.";
        }

        /** How marks or films lie, where one side tells it and the other does not. */
        private <T> void form(
                String what,
                Function<MeasuredRegion, @Nullable Answer<T>> of,
                List<Unmeasured> out) {
            Optional<Answer<T>> p = Optional.ofNullable(of.apply(prototype));
            Optional<Answer<T>> m = Optional.ofNullable(of.apply(model));
            Optional<Answer<T>> unseen =
                    p.filter(Open::isUnseen).or(() -> m.filter(Open::isUnseen));
            boolean onFirst = p.flatMap(Answer::told).isPresent();
            boolean onSecond = m.flatMap(Answer::told).isPresent();
            if (unseen.isPresent()) {
                out.add(unmeasured(what, unseen.get()));
            } else if (onFirst != onSecond) {
                out.add(
                        new Unmeasured(
                                what,
                                "Only the "
                                        + (onFirst ? "prototype" : "model")
                                        + " has enough of them to be measured.",
                                "Look at how they lie on both."));
            }
        }

        private static boolean isUnseen(Answer<?> a) {
            return a instanceof Answer.CannotTell<?>(_, _, boolean absent) && !absent;
        }

        private TreeSet<WeatherClass> marks() {
            var out = new TreeSet<>(prototype.spots().keySet());
            out.addAll(model.spots().keySet());
            return out;
        }

        private boolean coverDiffers(WeatherClass c) {
            return told.stream()
                    .anyMatch(
                            g ->
                                    g.kind() == Gap.Kind.COVER
                                            && g.of().equals(Optional.of(c))
                                            && g.isSeen());
        }

        /** Whether a side has more of a class than what nobody sees. */
        private boolean there(WeatherClass c) {
            double most = Math.max(share(prototype, c), share(model, c));
            return 100 * most > Gap.Kind.COVER.amount();
        }

        /** How much of a class there is, or may be where it is not told from another. */
        private static double share(MeasuredRegion r, WeatherClass c) {
            return r.toldCover().stream()
                    .flatMap(v -> v.classes().stream())
                    .filter(x -> x.kind() == c)
                    .mapToDouble(x -> x.share().orElse(x.sd()))
                    .sum();
        }
    }
}
