package org.pendrik.core.plan;

import java.util.Optional;

/**
 * How one effect is made where that is not how the schools would have it. What is empty is as the
 * schools have it.
 *
 * @param way key of a way of the effect's kind
 * @param technique key of the technique that shows it
 * @param applicator answer to the school question of the same name, for this effect alone
 * @param thinner key of the liquid that its paint is let down with
 * @param liquid key of the liquid that works its coat afterwards
 */
public record Made(
        Optional<String> way,
        Optional<String> technique,
        Optional<String> applicator,
        Optional<String> thinner,
        Optional<String> liquid) {
    /** As the schools have it. */
    public static final Made BY_SCHOOL =
            new Made(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty());

    /** By one of the ways of its kind. */
    public static Made by(String way) {
        return new Made(
                Optional.of(way),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    /** The same with its paint let down otherwise. */
    public Made thinnedWith(String material) {
        return new Made(way, technique, applicator, Optional.of(material), liquid);
    }

    /** The same worked with another liquid. */
    public Made workedWith(String material) {
        return new Made(way, technique, applicator, thinner, Optional.of(material));
    }
}
