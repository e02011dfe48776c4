package org.pendrik.core.measure;

import java.util.Optional;
import java.util.function.Function;

/**
 * What came of a question to a photograph.
 *
 * @param <T> the measure
 */
public sealed interface Answer<T> {
    /** It could be measured. */
    record Told<T>(T value) implements Answer<T> {}

    /**
     * It could not.
     *
     * @param reason one sentence with the numbers that led to it
     * @param remedy what helps
     * @param absent whether the photograph would have shown it: there is none, or too little of it
     */
    record CannotTell<T>(String reason, String remedy, boolean absent) implements Answer<T> {
        /** The photograph does not tell whether there is any. */
        public CannotTell(String reason, String remedy) {
            this(reason, remedy, false);
        }

        /** There is nothing of the kind to be measured. */
        static <T> CannotTell<T> nothing(String reason, String remedy) {
            return new CannotTell<>(reason, remedy, true);
        }
    }

    /** The measure, if there is one. */
    default Optional<T> told() {
        return this instanceof Told<T>(T v) ? Optional.of(v) : Optional.empty();
    }

    /** Why there is none, with what helps; empty when there is one. */
    default Optional<String> refusal() {
        return this instanceof CannotTell<T>(String reason, String remedy, _)
                ? Optional.of(reason + " " + remedy)
                : Optional.empty();
    }

    /** The same answer about something that follows from the measure. */
    default <U> Answer<U> map(Function<T, U> how) {
        return switch (this) {
            case Told<T>(T v) -> new Told<>(how.apply(v));
            case CannotTell<T>(String reason, String remedy, boolean absent) ->
                    new CannotTell<>(reason, remedy, absent);
        };
    }
}
