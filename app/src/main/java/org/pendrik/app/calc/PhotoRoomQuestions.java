package org.pendrik.app.calc;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.sides.CloseUp;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.Laid;
import org.pendrik.app.sides.Sampled;
import org.pendrik.app.task.Tasks;
import org.pendrik.core.colour.ColourDifference;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.measure.AlongLength;
import org.pendrik.core.measure.Answer;
import org.pendrik.core.measure.ClassModel;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.Cover;
import org.pendrik.core.measure.DustHeight;
import org.pendrik.core.measure.EdgeWear;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.Gaps;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Resolution;
import org.pendrik.core.measure.SideMeasurer;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.Spots;
import org.pendrik.core.measure.Streaks;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.paper.CutSheet;
import org.pendrik.core.paper.WiperArc;
import org.pendrik.core.photo.ColourSample;
import org.pendrik.core.photo.CylinderUnwrapper;
import org.pendrik.core.photo.Lens;
import org.pendrik.core.photo.LightFall;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionVerdict;
import org.pendrik.core.photo.Registration;
import org.pendrik.core.photo.SideComparison;
import org.pendrik.core.photo.Verdict;
import org.pendrik.core.plan.NextPass;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;

/** The photo room's questions without a job. */
final class PhotoRoomQuestions {
    private static final Duration LONGEST = Duration.ofSeconds(30);
    private static final String SIDE =
            "{\"pictureBase64\": \"" + AskedSide.PICTURE + "\", \"corners\": null, \"card\": null}";
    private static final String SAMPLES =
            """
            "samples": [
              {"kind": "PAINT", "xMm": 2100, "yMm": 850, "widthMm": 260, "heightMm": 300},
              {"kind": "FRESH_RUST", "xMm": 120, "yMm": 120, "widthMm": 300, "heightMm": 160}
            ],
            "regions": [
              {"name": "body", "xMm": 600, "yMm": 200, "widthMm": 1700, "heightMm": 800, "outline": null},
              {"name": "gusset", "xMm": 0, "yMm": 0, "widthMm": 0, "heightMm": 0,
               "outline": [{"x": 600, "y": 200}, {"x": 1200, "y": 200}, {"x": 600, "y": 800}]}
            ],
            "edges": [{"name": "sill", "from": {"x": 100, "y": 200}, "to": {"x": 2300, "y": 200}}],
            "viewingMm": 800, "ratio": 87.1
            """;
    static final String MEASURE =
            "{\"side\": "
                    + SIDE
                    + ", \"lengthMm\": 2400, \"heightMm\": 1200, \"reference\": {\"l\": 38, \"a\": -9, \"b\": 12},"
                    + " \"roof\": false, "
                    + SAMPLES
                    + "}";
    static final String COMPARE =
            "{\"prototype\": "
                    + SIDE
                    + ", \"model\": "
                    + SIDE
                    + ", \"lengthMm\": 2400, \"heightMm\": 1200, \"factory\": {\"l\": 38, \"a\": -9, \"b\": 12}, "
                    + SAMPLES
                    + "}";
    static final String UNWRAP =
            """
            {
              "radiusMm": 1200, "lengthMm": 9000, "fromDegrees": 20, "toDegrees": 160,
              "widthPx": 2400, "heightPx": 1600, "focalPx": 2000,
              "marks": [
                {"photo": {"x": 405.7, "y": 606.0}, "leftEnd": true, "degrees": 20},
                {"photo": {"x": 366.7, "y": 800.0}, "leftEnd": true, "degrees": 90},
                {"photo": {"x": 405.7, "y": 994.0}, "leftEnd": true, "degrees": 160},
                {"photo": {"x": 1994.3, "y": 606.0}, "leftEnd": false, "degrees": 20},
                {"photo": {"x": 2033.3, "y": 800.0}, "leftEnd": false, "degrees": 90},
                {"photo": {"x": 1994.3, "y": 994.0}, "leftEnd": false, "degrees": 160}
              ],
              "ask": [{"x": 4500, "y": 1466}]
            }
            """;
    static final String MASK =
            """
            {
              "pieces": [{"name": "patch", "outline": [{"x": 0, "y": 0}, {"x": 12, "y": 0}, {"x": 12, "y": 5}, {"x": 0, "y": 5}]}],
              "wiper": {"paneWidthMm": 14, "paneHeightMm": 9, "pivotXMm": 7, "pivotYMm": 10, "armMm": 6.5,
                        "bladeMm": 5, "fromDegrees": -40, "toDegrees": 40},
              "kerfMm": 0.1, "kept": "PIECE"
            }
            """;
    private static final int MOST_REGIONS = 60;

    private PhotoRoomQuestions() {}

    /** A box, or an outline when there is one. */
    record RegionAsked(
            String name,
            double xMm,
            double yMm,
            double widthMm,
            double heightMm,
            @Nullable List<Point> outline) {
        Region region() {
            Region r =
                    outline == null || outline.isEmpty()
                            ? new Region(name, xMm, yMm, widthMm, heightMm)
                            : Region.of(name, outline);
            r.requireUncrossed();
            return r;
        }
    }

    record SamplePart(WeatherClass kind, double xMm, double yMm, double widthMm, double heightMm) {
        ClassSample sample() {
            return new ClassSample(
                    kind, new Region("sample of " + kind.label(), xMm, yMm, widthMm, heightMm));
        }
    }

    /**
     * Lengths in prototype mm.
     *
     * @param reference colour that fades are counted from
     * @param roof seen from above: soot is looked for along the length, not kick-up
     * @param ratio prototype mm per model mm
     * @param evened whether the fall of the light is taken out by the sampled paint; null for yes
     */
    record MeasureQuestion(
            AskedSide.PhotoPart side,
            double lengthMm,
            double heightMm,
            @Nullable Lab reference,
            boolean roof,
            List<SamplePart> samples,
            List<RegionAsked> regions,
            @Nullable List<EdgeWear.Edge> edges,
            double viewingMm,
            double ratio,
            @Nullable Boolean evened) {}

    /**
     * How the light falls off over a side.
     *
     * @param evened it is taken out
     * @param fallPercent how much darker the darkest place is than the brightest; null when not
     *     told
     * @param reason why it is not taken out, empty when it is
     */
    record FallOfLight(boolean evened, @Nullable Double fallPercent, String reason) {
        static FallOfLight of(LightFall.Outcome fall) {
            return switch (fall) {
                case LightFall.Outcome.Found f -> new FallOfLight(true, 100 * f.fall().range(), "");
                case LightFall.Outcome.Left l -> new FallOfLight(false, null, l.reason());
            };
        }
    }

    private static List<ClassSample> samples(List<SamplePart> parts) {
        return parts.stream().map(SamplePart::sample).toList();
    }

    /**
     * A region.
     *
     * @param coverPercent by class, where it can be told
     * @param coverPlusMinus two standard deviations, in points
     * @param cannot what could not be measured, in sentences
     */
    record RegionAnswer(
            String name,
            @Nullable ColourSample colour,
            @Nullable ColourDifference fade,
            Map<WeatherClass, Double> coverPercent,
            Map<WeatherClass, Double> coverPlusMinus,
            Map<WeatherClass, Spots> spots,
            Map<WeatherClass, Streaks> streaks,
            @Nullable DustHeight dust,
            @Nullable AlongLength along,
            List<String> cannot) {}

    /**
     * An edge.
     *
     * @param cannot why it could not be measured, empty when it was
     */
    record EdgeAnswer(String name, @Nullable EdgeWear wear, String cannot) {}

    record MeasureAnswer(
            double finestPxPerMm,
            double scalePercent,
            FallOfLight light,
            List<ClassModel.Pair> pairs,
            List<RegionAnswer> regions,
            List<EdgeAnswer> edges) {}

    static MeasureAnswer measure(MeasureQuestion q) {
        AskedSide.Flat flat = AskedSide.of(q.side(), q.lengthMm(), q.heightMm());
        boolean evened = !Boolean.FALSE.equals(q.evened());
        List<ClassSample> picked = samples(q.samples());
        Sampled sampled = Sampled.by(flat.side(), picked, evened);
        FlatSide side = sampled.side();
        SideMeasurer.Question question =
                asked(
                        side,
                        new Asked(q.regions(), q.edges(), q.roof()),
                        sampled.classes(),
                        Optional.ofNullable(q.reference()),
                        new Sight(q.viewingMm(), q.ratio()));
        SideMeasurer.Result whole = SideMeasurer.measure(question, Tasks.atMost(LONGEST));
        SideMeasurer.Result r =
                CloseUp.of(
                                flat.side(),
                                Registration.unsure().onModelMm(flat.side().pxPerMm()),
                                flat.picture(),
                                "part")
                        .map(c -> closer(c, question, whole, picked, evened))
                        .orElse(whole);
        List<EdgeAnswer> edges = new ArrayList<>();
        for (int i = 0; i < question.edges().size(); i++) {
            Answer<EdgeWear> wear = r.edges().get(i);
            edges.add(
                    new EdgeAnswer(
                            question.edges().get(i).name(),
                            wear.told().orElse(null),
                            wear.refusal().orElse("")));
        }
        return new MeasureAnswer(
                side.fit().finestPxPerMm(),
                200 * side.fit().geometry().scaleSd(),
                FallOfLight.of(sampled.fall()),
                r.pairs(),
                r.regions().stream().map(PhotoRoomQuestions::answer).toList(),
                edges);
    }

    private static SideMeasurer.Result closer(
            CloseUp c,
            SideMeasurer.Question q,
            SideMeasurer.Result whole,
            List<ClassSample> picked,
            boolean evened) {
        Sampled part = Sampled.by(c.side(), c.cutSamples(picked), evened);
        return c.closer(
                whole,
                q.regions(),
                q.edges(),
                (regions, edges) ->
                        SideMeasurer.measure(
                                new SideMeasurer.Question(
                                        part.side().plane(List.of()),
                                        new Resolution(
                                                c.side().fit().geometry(), q.resolution().sight()),
                                        regions,
                                        part.classes(),
                                        edges,
                                        q.reference(),
                                        q.roof()),
                                Tasks.atMost(LONGEST)));
    }

    /** What is measured on a side. */
    private record Asked(
            List<RegionAsked> regions, @Nullable List<EdgeWear.Edge> edges, boolean roof) {}

    private static SideMeasurer.Question asked(
            FlatSide side,
            Asked what,
            Optional<ClassModel> model,
            Optional<Lab> reference,
            Sight sight) {
        List<EdgeWear.Edge> edges = what.edges() == null ? List.of() : what.edges();
        int all = what.regions().size() + edges.size();
        if (all > MOST_REGIONS) {
            throw new InvalidInput(
                    "Regions and edges",
                    "" + all,
                    "must be at most " + MOST_REGIONS,
                    "Ask about one side at a time.");
        }
        return new SideMeasurer.Question(
                side.plane(List.of()),
                new Resolution(side.fit().geometry(), sight),
                what.regions().stream().map(RegionAsked::region).toList(),
                model,
                edges,
                reference,
                what.roof());
    }

    private static RegionAnswer answer(MeasuredRegion m) {
        List<String> cannot = new ArrayList<>(m.refusals());
        Map<WeatherClass, Double> percent = new TreeMap<>();
        Map<WeatherClass, Double> plusMinus = new TreeMap<>();
        for (Cover.ClassCover c : m.toldCover().map(Cover::classes).orElse(List.of())) {
            if (c.share().isPresent()) {
                percent.put(c.kind(), 100 * c.share().get());
                plusMinus.put(c.kind(), 200 * c.sd());
            } else {
                cannot.add(c.note());
            }
        }
        return new RegionAnswer(
                m.region().name(),
                m.base().orElse(null),
                m.fade().orElse(null),
                percent,
                plusMinus,
                m.toldSpots(),
                m.toldStreaks(),
                m.dust().told().orElse(null),
                m.along().told().orElse(null),
                cannot);
    }

    /**
     * Both photographs of the same side; samples are taken on the prototype and turned to the
     * shades of the model, and say nothing of it where one of the two has no colour.
     *
     * @param modelSamples samples on the model, which are surer; null for none
     * @param evened whether the fall of the light is taken out by the sampled paint; null for yes
     */
    record CompareQuestion(
            AskedSide.PhotoPart prototype,
            AskedSide.PhotoPart model,
            double lengthMm,
            double heightMm,
            @Nullable Lab factory,
            List<SamplePart> samples,
            List<RegionAsked> regions,
            @Nullable List<EdgeWear.Edge> edges,
            double viewingMm,
            double ratio,
            @Nullable List<SamplePart> modelSamples,
            @Nullable Boolean evened) {}

    /**
     * A region of the two.
     *
     * @param verdict from all measures
     * @param by what differs most, or cannot be told; empty when all is as the prototype
     * @param colourVerdict of its colour alone
     * @param plusMinus what the photographs leave open of ΔE
     * @param gaps every measure that both tell
     * @param open what one of them leaves open
     */
    record RegionCompared(
            String name,
            Verdict verdict,
            String by,
            Verdict colourVerdict,
            double deltaE00,
            double plusMinus,
            List<Gap> gaps,
            List<Gaps.Unmeasured> open,
            List<NextPass.Advice> advice) {
        static RegionCompared of(String name, RegionVerdict v, Gaps gaps) {
            NextPass.Judgement j = NextPass.in(v, gaps);
            return new RegionCompared(
                    name,
                    j.verdict(),
                    j.by(),
                    v.verdict(),
                    v.difference().deltaE00(),
                    v.plusMinus(),
                    gaps.told(),
                    gaps.open(),
                    j.advice());
        }
    }

    /** An edge of the two, as a region. */
    record EdgeCompared(
            String name,
            Verdict verdict,
            String by,
            List<Gap> gaps,
            List<Gaps.Unmeasured> open,
            List<NextPass.Advice> advice) {
        static EdgeCompared of(String name, Gaps gaps) {
            NextPass.Judgement j = NextPass.along(gaps);
            return new EdgeCompared(
                    name, j.verdict(), j.by(), gaps.told(), gaps.open(), j.advice());
        }
    }

    /**
     * A comparison.
     *
     * @param medianDeltaE00 at viewing distance, the prototype's edges left out
     * @param registered the model's side was laid over by its edges
     * @param movedPx by how many pixels of the flat side at most
     */
    record CompareAnswer(
            boolean registered,
            double movedPx,
            @Nullable Double medianDeltaE00,
            FallOfLight prototypeLight,
            FallOfLight modelLight,
            List<RegionCompared> regions,
            List<EdgeCompared> edges) {}

    static CompareAnswer compare(CompareQuestion q) {
        boolean evened = !Boolean.FALSE.equals(q.evened());
        FlatSide fell = AskedSide.flat(q.model(), q.lengthMm(), q.heightMm());
        Sampled prototype =
                Sampled.by(
                        AskedSide.flat(q.prototype(), q.lengthMm(), q.heightMm()),
                        samples(q.samples()),
                        evened);
        List<SamplePart> picked = q.modelSamples() == null ? List.of() : q.modelSamples();
        boolean own = !picked.isEmpty();
        Sampled model =
                own ? Sampled.by(fell, samples(picked), evened) : prototype.to(fell, evened);
        FlatSide one = prototype.side();
        Laid laid = Laid.of(one, model.side(), "model");
        Optional<ClassModel> onModel =
                own ? model.classes() : model.laid(laid.side(), prototype).classes();
        Sight sight = new Sight(q.viewingMm(), q.ratio());
        Asked what = new Asked(q.regions(), q.edges(), false);
        SideMeasurer.Question question =
                asked(one, what, prototype.classes(), Optional.empty(), sight);
        var first = SideMeasurer.measure(question, Tasks.atMost(LONGEST));
        var second =
                SideMeasurer.measure(
                        asked(laid.side(), what, onModel, Optional.empty(), sight),
                        Tasks.atMost(LONGEST));
        var a = first.regions();
        var b = second.regions();
        List<RegionCompared> out = new ArrayList<>();
        for (int i = 0; i < a.size(); i++) {
            if (a.get(i).base().isEmpty() || b.get(i).base().isEmpty()) {
                continue;
            }
            RegionVerdict v =
                    SideComparison.judge(
                            a.get(i).region(),
                            a.get(i).base().get(),
                            b.get(i).base().get(),
                            q.factory());
            String name = a.get(i).region().name();
            out.add(RegionCompared.of(name, v, Gaps.between(a.get(i), b.get(i))));
        }
        List<EdgeCompared> edges = new ArrayList<>();
        for (int i = 0; i < question.edges().size(); i++) {
            String name = question.edges().get(i).name();
            Gaps gaps = Gaps.between(first.edges().get(i), second.edges().get(i));
            edges.add(EdgeCompared.of(name, gaps));
        }
        double blur = SideComparison.eyeBlurMm(q.viewingMm(), q.ratio()) * one.pxPerMm();
        return new CompareAnswer(
                laid.fit().sure(),
                laid.fit().movedPx(),
                SideComparison.median(laid.differences(one, blur)).orElse(null),
                FallOfLight.of(prototype.fall()),
                FallOfLight.of(model.fall()),
                out,
                edges);
    }

    /**
     * A shell.
     *
     * @param focalPx 0 when not known
     * @param ask places of the flattened arc, prototype mm
     * @param pictureBase64 null when only places are asked for
     */
    record UnwrapQuestion(
            double radiusMm,
            double lengthMm,
            double fromDegrees,
            double toDegrees,
            int widthPx,
            int heightPx,
            double focalPx,
            List<CylinderUnwrapper.ArcMark> marks,
            @Nullable List<Point> ask,
            @Nullable String pictureBase64) {}

    /**
     * What was found.
     *
     * @param photo where the asked places are seen
     */
    record UnwrapAnswer(
            double residualPx,
            double focalPx,
            double arcMm,
            List<Point> photo,
            @Nullable String flatJpegBase64) {}

    static UnwrapAnswer unwrap(UnwrapQuestion q) {
        InvalidInput.requireWithin(
                "Width", q.widthPx(), " px", 16, 20_000, "As the photograph is.");
        InvalidInput.requireWithin(
                "Height", q.heightPx(), " px", 16, 20_000, "As the photograph is.");
        var shell =
                new CylinderUnwrapper.Shell(
                        Length.ofMm(q.radiusMm()),
                        Length.ofMm(q.lengthMm()),
                        q.fromDegrees(),
                        q.toDegrees());
        return switch (CylinderUnwrapper.locate(
                q.marks(), shell, Lens.straight(q.widthPx(), q.heightPx()), q.focalPx())) {
            case CylinderUnwrapper.Outcome.Refused r ->
                    throw new InvalidInput(
                            "Marks",
                            "as given",
                            r.reason().toLowerCase(Locale.ROOT).replaceFirst("\\.$", ""),
                            r.remedy());
            case CylinderUnwrapper.Outcome.Found f ->
                    new UnwrapAnswer(
                            f.residualPx(),
                            f.shell().focalPx(),
                            shell.arc().mm(),
                            q.ask() == null
                                    ? List.of()
                                    : q.ask().stream().map(f.shell()::toPhoto).toList(),
                            q.pictureBase64() == null
                                    ? null
                                    : AskedSide.jpeg(
                                            f.shell()
                                                    .unwrap(
                                                            AskedSide.picture(q.pictureBase64()),
                                                            1600 / q.lengthMm())));
        };
    }

    /**
     * What to cut, model mm.
     *
     * @param wiper null when no wiper arc is wanted
     */
    record MaskQuestion(
            List<CutSheet.Piece> pieces,
            @Nullable WiperArc wiper,
            double kerfMm,
            CutSheet.Kept kept) {}

    /**
     * A sheet to cut.
     *
     * @param widthMm of the sheet with its margin
     * @param pieces as they have to come out, where the question has them; the wiper arc last, on a
     *     pane with its upper left corner at 0, 0
     * @param svg the lines to cut, the kerf taken into account
     */
    record MaskAnswer(double widthMm, double heightMm, List<CutSheet.Piece> pieces, String svg) {}

    static MaskAnswer mask(MaskQuestion q) {
        List<CutSheet.Piece> pieces = new ArrayList<>(q.pieces());
        if (q.wiper() != null) {
            pieces.add(q.wiper().piece());
        }
        CutSheet sheet = CutSheet.of(pieces, q.kerfMm(), q.kept());
        return new MaskAnswer(sheet.widthMm(), sheet.heightMm(), pieces, sheet.svg());
    }
}
