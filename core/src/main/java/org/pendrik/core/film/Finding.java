package org.pendrik.core.film;

import java.util.List;
import java.util.Map;

/**
 * Something that the engine has to say about a step.
 *
 * @param rule which rule spoke
 * @param severity how bad it is
 * @param actId the step
 * @param zones keys of the zones where it holds
 * @param coats names of the coats involved, topmost first
 * @param why one sentence for the person at the bench
 * @param numbers what led to it, by name with unit
 * @param answered it would be a warning, and the user has said: I know, I do it so
 */
public record Finding(
        Rule rule,
        Severity severity,
        StepId actId,
        List<String> zones,
        List<String> coats,
        String why,
        Map<String, Double> numbers,
        boolean answered) {
    /** One that nobody has answered. */
    public Finding(
            Rule rule,
            Severity severity,
            StepId actId,
            List<String> zones,
            List<String> coats,
            String why,
            Map<String, Double> numbers) {
        this(rule, severity, actId, zones, coats, why, numbers, false);
    }

    public Finding {
        zones = List.copyOf(zones);
        coats = List.copyOf(coats);
        numbers = java.util.Collections.unmodifiableMap(new java.util.TreeMap<>(numbers));
    }

    /** What a user answers when answering this. */
    public Answer answer() {
        return new Answer(actId, rule, coats.isEmpty() ? "" : coats.getFirst());
    }

    /**
     * A warning that the user has answered: it is kept and not repeated.
     *
     * @param actId the step that was warned of
     * @param rule which rule spoke
     * @param coat the topmost coat involved, empty when none was
     */
    public record Answer(StepId actId, Rule rule, String coat) {}

    /** The same, answered. Stops cannot be: they destroy what cannot be had back. */
    Finding asAnswered() {
        return severity == Severity.WARN
                ? new Finding(rule, Severity.NOTE, actId, zones, coats, why, numbers, true)
                : this;
    }

    /** How bad a finding is; worse comes later. */
    public enum Severity {
        /** Good to know. */
        NOTE(0),
        /** Risky. */
        WARN(1),
        /** Ruins something. */
        STOP(1000);

        private final int weight;

        Severity(int weight) {
            this.weight = weight;
        }

        int weight() {
            return weight;
        }
    }

    /** The rules that the engine knows. */
    public enum Rule {
        /** A carrier softens or breaks a coat that it should not. */
        REACH(
                true,
                "A clear on all of the zone between, more days, a weaker liquid, or a brush on a small place where you see it happen."),
        /** A carrier does too little to the coat that it is meant for. */
        TOO_LITTLE(false, "Earlier, a stronger or warmer liquid, or one that is worked in."),
        /** A hardening film over a soft slow one. */
        TRAPPED(true, "More days; a coat that stays soft itself; a thinner coat beneath."),
        /** A coat that is not dry enough for the next. */
        WET(true, "Later. In mists, or by hand on a small place, it is one step milder."),
        /** A coat runs into one that is still open, or powder sticks in it. */
        BLEND(false),
        /** Paint on a bare surface without a primer, and what then pulls it off. */
        NO_KEY(false, "Primer first."),
        /** A film that hides an effect that was finished. */
        BURIED(false, "Before what it would hide, or thinner, or on less of the zone."),
        /** Spray settles on what has to stay clean. */
        OVERSPRAY(false, "Mask it first, or clean it while the liquid still moves it."),
        /** A waterborne film over a slow one: it beads and takes its time. */
        SLOW(false),
        /** A coat that is not hard enough to be taped, held or packed. */
        SOFT(true, "Later; a film that is laid on lightly and lifted the same sitting."),
        /** The surface is too slick or too rough. */
        TOOTH(
                false,
                "A clear of another finish, or a mist of flat paint: half a finish is some tooth."),
        /** A porous surface keeps what should be wiped off again. */
        STAINS(false),
        /** Unbound powder would be moved. */
        LOOSE(false, "Fix the powder first, or lay it after this."),
        /** Outside the span in which a coat can be worked. */
        WINDOW(false, "Fewer zones at a time, or the next zone only when this one is done."),
        /** A coat that has to be worked and is not. */
        OPEN_WINDOW(false),
        /** Work on a coat that is not there. */
        NO_TARGET(false),
        /** Clears that follow calm the effect. */
        CONTRAST(false),
        /** The chemistry allows it, the workshop's own way of doing things does not. */
        SCHOOL(false);

        private final boolean timeHeals;
        private final String milder;

        Rule(boolean timeHeals) {
            this(timeHeals, "");
        }

        Rule(boolean timeHeals, String milder) {
            this.timeHeals = timeHeals;
            this.milder = milder;
        }

        /** What makes it milder, whatever the mends of a case are; empty where nothing does. */
        public String milder() {
            return milder;
        }

        /** Waiting makes it better or leaves it as it is. */
        boolean timeHeals() {
            return timeHeals;
        }
    }
}
