package org.pendrik.app.calc;

import org.pendrik.core.film.WheelTread;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.Spacing;
import org.pendrik.core.paper.WiperArc;
import org.pendrik.core.units.FeetInches;
import org.pendrik.core.units.Gauge;
import org.pendrik.core.units.Scale;

/** Small questions about what is laid out on the model: wiper arcs, treads, rows of marks. */
final class LayoutQuestions {
    static final String WIPER =
            """
            {"paneWidth": "24in", "paneHeight": "20in", "arm": "14in", "blade": "12in",
             "sweepDegrees": 90, "ratio": "43.5"}
            """;
    static final String TREAD =
            """
            {"wheel": "33in", "tread": "100 mm", "ratio": "87.1"}
            """;
    static final String SPACING =
            """
            {"length": "12 m", "apart": "600 mm", "ratio": "87.1", "viewingMm": 400}
            """;

    static final String UNITS =
            """
            {"value": 20, "from": "PSI"}
            """;

    private LayoutQuestions() {}

    private static double mm(String field, String text) {
        return FeetInches.parse(field, text).value();
    }

    private static double ratio(String text) {
        return Scale.parseRatio(text).value();
    }

    /**
     * A wiper in the middle of the lower edge of its pane; lengths of the prototype as people write
     * them.
     *
     * @param arm from the pivot to the middle of the blade
     * @param sweepDegrees to both sides together, 1 to 359
     * @param ratio prototype mm per model mm
     */
    record WiperQuestion(
            String paneWidth,
            String paneHeight,
            String arm,
            String blade,
            double sweepDegrees,
            String ratio) {}

    /**
     * On the model.
     *
     * @param outerMm radius of the outer arc
     * @param innerMm radius of the inner arc, 0 when the blade begins at the pivot
     * @param cleanShare of the pane, 0 to 1
     */
    record WiperAnswer(
            double paneWidthMm,
            double paneHeightMm,
            double outerMm,
            double innerMm,
            double cleanShare) {}

    static WiperAnswer wiper(WiperQuestion q) {
        double ratio = new Sight(400, ratio(q.ratio())).ratio();
        double width = mm("Width of the pane", q.paneWidth()) / ratio;
        double height = mm("Height of the pane", q.paneHeight()) / ratio;
        double arm = mm("Arm", q.arm()) / ratio;
        double blade = mm("Blade", q.blade()) / ratio;
        double half = q.sweepDegrees() / 2;
        WiperArc arc = new WiperArc(width, height, width / 2, height, arm, blade, -half, half);
        return new WiperAnswer(
                width, height, arm + blade / 2, Math.max(0, arm - blade / 2), arc.cleanShare());
    }

    /**
     * A wheel; lengths of the prototype as people write them.
     *
     * @param tread its width without the flange
     */
    record TreadQuestion(String wheel, String tread, String ratio) {}

    /**
     * On the model.
     *
     * @param stripMm length of a strip of film that covers it
     * @param rollMm how far the car rolls in one turn
     */
    record TreadAnswer(double wheelMm, double treadMm, double stripMm, double rollMm) {}

    static TreadAnswer tread(TreadQuestion q) {
        double ratio = new Sight(400, ratio(q.ratio())).ratio();
        WheelTread t =
                new WheelTread(mm("Wheel", q.wheel()) / ratio, mm("Tread", q.tread()) / ratio);
        return new TreadAnswer(t.wheelMm(), t.treadMm(), t.stripMm(), t.aroundMm());
    }

    /**
     * A row of marks; lengths of the prototype as people write them.
     *
     * @param apart from one mark to the next
     */
    record SpacingQuestion(String length, String apart, String ratio, double viewingMm) {}

    /**
     * On the model.
     *
     * @param oneIn one in so many is made
     */
    record SpacingAnswer(int onPrototype, int onModel, int oneIn, double modelMm) {}

    static SpacingAnswer spacing(SpacingQuestion q) {
        Spacing s =
                new Spacing(
                        mm("Length of the row", q.length()),
                        mm("Spacing", q.apart()),
                        new Sight(q.viewingMm(), ratio(q.ratio())));
        return new SpacingAnswer(s.onPrototype(), s.onModel(), s.oneIn(), s.modelMm());
    }

    /** A number on a gauge or a thermometer. */
    record UnitsQuestion(double value, Gauge from) {}

    /** The same in the other unit of its kind. */
    record UnitsAnswer(double value, Gauge unit) {}

    static UnitsAnswer units(UnitsQuestion q) {
        return new UnitsAnswer(q.from().toOther(q.value()), q.from().other());
    }
}
