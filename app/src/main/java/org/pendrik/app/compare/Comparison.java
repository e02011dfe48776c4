package org.pendrik.app.compare;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.sides.Side;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.LightKnown;
import org.pendrik.core.film.StepId;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.photo.Verdict;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.NextPass;

/**
 * A comparison.
 *
 * @param prototypeId the prototype's photograph, null while none is located
 * @param modelId the model's photograph, as before
 * @param factoryKnown a factory colour is named, so directions can be judged
 * @param medianDeltaE00 over the whole side at viewing distance, edges left out
 * @param eyeBlurMm the blur of the eye on the side, prototype mm
 * @param registered the model's side was laid over the prototype's by its edges
 * @param movedMm how far that moved it at most, prototype mm
 * @param slackMm how far the two may still be off each other
 * @param classes what tells rust and dust on the model
 * @param missing what has to be there first, in words; empty when nothing is missing
 */
record Comparison(
        Side side,
        @Nullable UUID prototypeId,
        @Nullable UUID modelId,
        LightKnown prototypeLight,
        LightKnown modelLight,
        boolean factoryKnown,
        @Nullable Double medianDeltaE00,
        int viewingMm,
        double eyeBlurMm,
        boolean registered,
        double movedMm,
        double slackMm,
        Classes classes,
        List<Judged> regions,
        List<JudgedEdge> edges,
        List<String> missing) {

    /** Whose samples sort the pixels of the model. */
    enum Classes {
        /** Those picked on the model's photograph. */
        OWN,
        /** The prototype's, turned to the paint of the model. */
        PROTOTYPE,
        /** There are none. */
        NONE
    }

    /**
     * A region judged.
     *
     * @param verdict from all measures: that of what differs most
     * @param by what differs most, or cannot be told; empty when all is as the prototype
     * @param others how many more measures differ, or cannot be told where none differs
     * @param colourVerdict of its colour alone
     * @param byLightness one of the photographs has no colour, so lightness alone is compared
     * @param plusMinus what the photographs leave open of the difference in colour, ΔE
     */
    record Judged(
            UUID regionId,
            String name,
            Verdict verdict,
            String by,
            int others,
            Verdict colourVerdict,
            boolean byLightness,
            String prototypeHex,
            String modelHex,
            Lab prototype,
            Lab model,
            double deltaL,
            double deltaC,
            double deltaH,
            double deltaE00,
            @Nullable Double progress,
            double offAxis,
            double plusMinus,
            List<Difference> differences,
            List<Advised> advice,
            List<LeftOpen> open) {}

    /**
     * What cannot be told besides what differs.
     *
     * @param why one sentence or more
     * @param remedy what would tell
     */
    record LeftOpen(String why, String remedy) {
        static List<LeftOpen> of(List<NextPass.Advice> open) {
            return open.stream().map(a -> new LeftOpen(a.why(), a.remedy())).toList();
        }
    }

    /**
     * An edge on both sides, judged as a region.
     *
     * @param differences empty when one side cannot tell
     */
    record JudgedEdge(
            UUID regionId,
            String name,
            Verdict verdict,
            String by,
            int others,
            List<Difference> differences,
            List<Advised> advice,
            List<LeftOpen> open) {}

    /**
     * A measure on both sides.
     *
     * @param of class that it is of, in words; empty when of none
     * @param plusMinus what the photographs leave open of the difference
     * @param notSeen differences up to here are not seen at the layout
     * @param inTolerances the difference in the wider of the two; beyond ±1 it is seen
     */
    record Difference(
            Gap.Kind kind,
            String label,
            String of,
            String unit,
            double prototype,
            double model,
            double plusMinus,
            double notSeen,
            double inTolerances,
            Verdict verdict) {
        static Difference of(Gap g) {
            return new Difference(
                    g.kind(),
                    g.kind().label(),
                    g.of().map(c -> c.label()).orElse(""),
                    g.kind().unit(),
                    g.prototype(),
                    g.model(),
                    g.plusMinus(),
                    g.notSeen(),
                    g.inTolerances(),
                    g.verdict());
        }
    }

    /**
     * What to do.
     *
     * @param effect the effect that it is about; null for all or none
     * @param strength of another pass, 1 to 3, 0 for none
     * @param possible false when it has to be done and cannot
     * @param thenHex the model's colour after it, by its film; null when it cannot be told
     * @param thenDeltaE00 what is then left to the prototype's
     */
    record Advised(
            NextPass.Do what,
            @Nullable EffectKind effect,
            int strength,
            boolean possible,
            String text,
            String why,
            @Nullable StepId takeBackStep,
            @Nullable String thenHex,
            @Nullable Double thenDeltaE00) {}

    /**
     * One photograph on the way.
     *
     * @param coats what was laid since the one before
     */
    record Stage(UUID photographId, Instant at, List<String> coats, List<StageValue> values) {}

    /** A measure at one stage, beside the prototype's. */
    record StageValue(
            UUID regionId,
            String region,
            String measure,
            String unit,
            double prototype,
            double model,
            double plusMinus) {}
}
