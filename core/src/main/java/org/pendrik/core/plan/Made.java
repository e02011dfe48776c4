package org.pendrik.core.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
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
 * @param beside by technique, keys of materials for steps of the way that show no tone: its release
 *     layer, its clear, its primer
 */
@RecordBuilder
@RecordBuilder.Options(
        builderClassModifiers = {},
        enableWither = false)
public record Made(
        Optional<String> way,
        Optional<String> technique,
        Optional<String> applicator,
        Optional<String> thinner,
        Optional<String> liquid,
        Map<String, String> beside) {
    /** As the schools have it. */
    public static final Made BY_SCHOOL =
            new Made(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Map.of());

    public Made {
        beside = Collections.unmodifiableMap(new LinkedHashMap<>(beside));
    }

    /** By one of the ways of its kind. */
    public static Made by(String way) {
        Made s = BY_SCHOOL;
        return new Made(Optional.of(way), s.technique, s.applicator, s.thinner, s.liquid, s.beside);
    }

    /** Shown by one technique, whatever way that belongs to. */
    public static Made shownBy(String technique) {
        Made s = BY_SCHOOL;
        return new Made(s.way, Optional.of(technique), s.applicator, s.thinner, s.liquid, s.beside);
    }

    /** The same laid with another applicator. */
    public Made appliedWith(String answer) {
        return MadeBuilder.builder(this).applicator(Optional.of(answer)).build();
    }

    /** The same with its paint let down otherwise. */
    public Made thinnedWith(String material) {
        return MadeBuilder.builder(this).thinner(Optional.of(material)).build();
    }

    /** The same worked with another liquid. */
    public Made workedWith(String material) {
        return MadeBuilder.builder(this).liquid(Optional.of(material)).build();
    }

    /** The same with another material for a step that shows no tone. */
    public Made laying(String step, String material) {
        Map<String, String> more = new LinkedHashMap<>(beside);
        more.put(step, material);
        return MadeBuilder.builder(this).beside(more).build();
    }
}
