package org.pendrik.app.calc;

import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.mix.Airbrush;
import org.pendrik.core.mix.Amount;
import org.pendrik.core.mix.Dilution;
import org.pendrik.core.mix.DropMeasures;
import org.pendrik.core.mix.FlowTest;
import org.pendrik.core.recipe.Ingredient;
import org.pendrik.core.units.Climate;
import org.pendrik.core.units.FeetInches;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Rational;
import org.pendrik.core.units.Scale;

/** Cups, bottles and rulers without a job. */
final class MixQuestions {
    static final String RATIO = "{\"parts\": [1, 9], \"wantedMl\": 1}";
    static final String DILUTE =
            """
            {"stockPercent": "91", "weakPercent": "0", "wantedPercent": "35", "wantedMl": "100"}
            """;
    static final String AMOUNT =
            """
            {"areaMm2": 9600, "models": 3, "coats": 2, "filmMicrometres": 6, "solids": 0.3, "transfer": 0.35,
             "thinnerPerPaint": 3, "cupMl": 2, "bottleMl": 17, "pricePerMl": 0.18}
            """;
    static final String FLOW =
            "{\"run\": 34, \"line\": 50, \"paintDrops\": 6, \"thinnerDrops\": 6}";
    static final String AIRBRUSH =
            """
            {"effect": "soot", "ratio": 87.1, "carries": "WATER", "retarder": false, "celsius": 26, "humidity": 0.35}
            """;
    static final String SCALE =
            "{\"length\": \"40ft 6in\", \"on\": \"PROTOTYPE\", \"ratio\": \"87.1\", \"viewingMm\": 400}";
    private static final int PLACES = 3;

    private MixQuestions() {}

    /**
     * A ratio.
     *
     * @param parts by volume
     * @param dropMl of each part; null for 0.05 ml
     */
    record RatioQuestion(List<Double> parts, @Nullable List<Double> dropMl, double wantedMl) {}

    static DropMeasures ratio(RatioQuestion q) {
        List<Double> drops = q.dropMl();
        if (drops != null && drops.size() != q.parts().size()) {
            throw new InvalidInput(
                    "Drops",
                    drops.size() + " sizes",
                    "must be one for each of " + q.parts().size() + " parts",
                    "Leave them out for drops of 0.05 ml.");
        }
        return DropMeasures.of(
                q.parts(),
                drops == null
                        ? Collections.nCopies(q.parts().size(), Ingredient.USUAL_DROP_ML)
                        : drops,
                q.wantedMl());
    }

    /**
     * Two liquids. With what is wanted: how much of each; with what there is: what it comes to.
     * Numbers as people type them: 12.5, 1 3/8.
     *
     * @param wantedPercent with {@code wantedMl}; null when two amounts are given
     * @param stockMl with {@code weakMl}, what is mixed; null when a strength is wanted
     */
    record DiluteQuestion(
            String stockPercent,
            String weakPercent,
            @Nullable String wantedPercent,
            @Nullable String wantedMl,
            @Nullable String stockMl,
            @Nullable String weakMl) {}

    /**
     * An exact answer, and the same rounded.
     *
     * @param stockMl decimals
     * @param percent decimals
     * @param exact the three as fractions
     */
    record DiluteAnswer(String stockMl, String weakMl, String percent, List<String> exact) {}

    static DiluteAnswer dilute(DiluteQuestion q) {
        Rational stock = Rational.parse("Strength of the stock", q.stockPercent());
        Rational weak = Rational.parse("Strength of the weaker liquid", q.weakPercent());
        Dilution d;
        if (q.stockMl() != null && q.weakMl() != null) {
            d =
                    Dilution.mixture(
                            stock,
                            Rational.parse("Amount of stock", q.stockMl()),
                            weak,
                            Rational.parse("Amount of the weaker liquid", q.weakMl()));
        } else if (q.wantedPercent() != null && q.wantedMl() != null) {
            d =
                    Dilution.make(
                            stock,
                            weak,
                            Rational.parse("Strength wanted", q.wantedPercent()),
                            Rational.parse("Amount", q.wantedMl()));
        } else {
            throw new InvalidInput(
                    "Dilution",
                    "nothing wanted",
                    "needs a strength and an amount, or the two amounts that are mixed",
                    "Fill in either pair.");
        }
        return new DiluteAnswer(
                d.stockMl().decimals(2),
                d.weakMl().decimals(2),
                d.percent().decimals(2),
                List.of(d.stockMl().toString(), d.weakMl().toString(), d.percent().toString()));
    }

    /**
     * What is painted with what.
     *
     * @param solids of the paint by volume; null as a label that is silent
     * @param transfer what reaches the model; null as an airbrush has it
     */
    record AmountQuestion(
            double areaMm2,
            int models,
            int coats,
            double filmMicrometres,
            @Nullable Double solids,
            @Nullable Double transfer,
            double thinnerPerPaint,
            double cupMl,
            double bottleMl,
            double pricePerMl) {}

    static Amount amount(AmountQuestion q) {
        return Amount.of(
                new Amount.PaintedArea(
                        q.areaMm2(),
                        q.models(),
                        q.coats(),
                        q.filmMicrometres(),
                        q.solids() == null ? Amount.USUAL_SOLIDS : q.solids(),
                        q.transfer() == null ? Amount.USUAL_TRANSFER : q.transfer(),
                        q.thinnerPerPaint(),
                        q.cupMl(),
                        q.bottleMl(),
                        q.pricePerMl()));
    }

    /**
     * A flow test.
     *
     * @param run mm on the card, or seconds through the cup
     * @param line where a mix that sprays well ends, in the same
     * @param cup whether a cup was used; null for the card
     */
    record FlowQuestion(
            double run, double line, int paintDrops, int thinnerDrops, @Nullable Boolean cup) {}

    static FlowTest flow(FlowQuestion q) {
        return Boolean.TRUE.equals(q.cup())
                ? FlowTest.throughCup(q.run(), q.line(), q.paintDrops(), q.thinnerDrops())
                : FlowTest.onCard(q.run(), q.line(), q.paintDrops(), q.thinnerDrops());
    }

    /** What the airbrush is wanted for. */
    record AirbrushQuestion(
            String effect,
            double ratio,
            Airbrush.Carries carries,
            boolean retarder,
            double celsius,
            double humidity) {}

    static Airbrush airbrush(AirbrushQuestion q) {
        return Airbrush.start(
                q.effect(),
                q.ratio(),
                q.carries(),
                q.retarder(),
                new Climate(q.celsius(), q.humidity()));
    }

    /** Which of the two a length is measured on. */
    enum MeasuredOn {
        PROTOTYPE,
        MODEL
    }

    /**
     * A length and a scale.
     *
     * @param length as people write it: 8ft 6in, 8' 6 1/2", 10.5 m, 34 mm, 34
     * @param ratio prototype mm per model mm, as text so that it is exact
     * @param viewingMm from which the model is looked at
     */
    record ScaleQuestion(String length, MeasuredOn on, String ratio, double viewingMm) {}

    /** A length in both systems. */
    record BothSystems(String mm, String feetInches) {
        static BothSystems of(Rational mm, int denominator) {
            return new BothSystems(mm.decimals(PLACES), FeetInches.write(mm, denominator));
        }
    }

    /** The same length in another common scale. */
    record InScale(String name, double ratio, BothSystems model) {}

    /**
     * The length on prototype and model.
     *
     * @param smallestModelMm what is just seen as a mark at that distance
     * @param smallestPrototype the same on the prototype
     * @param makeableModelMm the narrowest mark that a tool makes
     * @param finestTool that makes it
     */
    record ScaleAnswer(
            BothSystems prototype,
            BothSystems model,
            List<InScale> others,
            double smallestModelMm,
            BothSystems smallestPrototype,
            double makeableModelMm,
            String finestTool) {}

    static ScaleAnswer scale(ScaleQuestion q) {
        Rational length = FeetInches.parse("Length", q.length());
        Rational ratio = Scale.parseRatio(q.ratio());
        Sight sight = new Sight(q.viewingMm(), ratio.value());
        boolean real = q.on() == MeasuredOn.PROTOTYPE;
        Rational prototype = real ? length : length.times(ratio);
        Rational model = real ? length.over(ratio) : length;
        List<InScale> others =
                Scale.COMMON.stream()
                        .map(
                                s ->
                                        new InScale(
                                                s.name(),
                                                s.ratio(),
                                                BothSystems.of(
                                                        prototype.over(Rational.of(s.ratio())),
                                                        64)))
                        .toList();
        var finest = Sight.finest();
        return new ScaleAnswer(
                BothSystems.of(prototype, 16),
                BothSystems.of(model, 64),
                others,
                sight.smallestModelMm(),
                BothSystems.of(Rational.of(sight.smallestPrototypeMm()), 16),
                finest.fromMm(),
                finest.name());
    }
}
