package org.pendrik.app.photograph;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.measure.ClassModel;
import org.pendrik.core.measure.ClassSample;
import org.pendrik.core.measure.Gap;
import org.pendrik.core.measure.Gaps;
import org.pendrik.core.measure.LabPlane;
import org.pendrik.core.measure.MeasuredRegion;
import org.pendrik.core.measure.Resolution;
import org.pendrik.core.measure.SideMeasurer;
import org.pendrik.core.measure.Sight;
import org.pendrik.core.measure.WeatherClass;
import org.pendrik.core.photo.CornerFinder;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.Registration;
import org.pendrik.core.photo.SideComparison;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Length;
import org.pendrik.core.units.Watch;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Photographs that nobody rendered and that show no railway: the nature photographs of Debian's
 * package mate-backgrounds, read from where it installs them. What counts is that every question is
 * answered by a number that makes sense or by a refusal that says what helps.
 */
public class StrangePhotographsTest {
    private static final Path FOLDER = Path.of("/usr/share/backgrounds/mate/nature");
    private static final int FEWEST = 10;
    private static final double LENGTH = 6000;

    @DataProvider
    public Object[][] photographs() throws IOException {
        try (Stream<Path> all = Files.exists(FOLDER) ? Files.walk(FOLDER) : Stream.<Path>empty()) {
            Object[][] out =
                    all.filter(Files::isRegularFile)
                            .filter(p -> p.toString().matches(".*\\.(jpg|png)"))
                            .filter(p -> p.toFile().length() < 3_000_000)
                            .sorted()
                            .map(p -> new Object[] {p.getFileName().toString(), p})
                            .toArray(Object[][]::new);
            assertTrue(
                    out.length >= FEWEST,
                    "install Debian's mate-backgrounds; only " + out.length + " photographs found");
            return out;
        }
    }

    private static Raster read(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        return PhotographFile.decode(bytes, PhotographFile.header(bytes, ZoneOffset.UTC)).raster();
    }

    private static SideGeometry somewhere(Raster photo) {
        double w = photo.width();
        double h = photo.height();
        return ((SideRectifier.Outcome.Found)
                        SideRectifier.locate(
                                List.of(
                                        new Point(0.1 * w, 0.12 * h),
                                        new Point(0.93 * w, 0.2 * h),
                                        new Point(0.9 * w, 0.85 * h),
                                        new Point(0.05 * w, 0.9 * h)),
                                List.of(),
                                Length.ofMm(LENGTH),
                                Length.ofMm(LENGTH * 0.45)))
                .geometry();
    }

    @Test(dataProvider = "photographs")
    public void everyQuestionIsAnsweredOrRefused(String name, Path file) throws IOException {
        Raster photo = read(file);
        switch (CornerFinder.propose(photo)) {
            case CornerFinder.Outcome.Nothing n -> assertFalse(n.remedy().isBlank());
            case CornerFinder.Outcome.Proposed p -> {
                for (Point c : p.corners()) {
                    assertTrue(c.x() >= 0 && c.y() >= 0, c.toString());
                    assertTrue(c.x() <= photo.width() && c.y() <= photo.height(), c.toString());
                }
            }
        }
        SideGeometry g = somewhere(photo);
        Raster side = g.rectify(photo, 0.2);
        LabPlane plane = LabPlane.of(side, 0.2, GreyBalance.NONE, List.of());
        var result = measure(g, plane);
        for (MeasuredRegion r : result.regions()) {
            makesSense(name, r);
        }
        // against itself, moved: found again or said not to be
        Raster other = g.rectify(photo, 0.2);
        var fit = Registration.find(side, other);
        assertTrue(fit.movedPx() < 1.5, name + " moved by " + fit.movedPx());
        var map = SideComparison.map(side, GreyBalance.NONE, other, GreyBalance.NONE, 2);
        assertTrue(SideComparison.median(map).orElse(0.0) < 0.01);
        for (Gap gap : Gaps.between(result.regions().get(0), result.regions().get(0)).told()) {
            assertTrue(gap.difference() == 0 && gap.tolerance() > 0, gap.toString());
        }
    }

    /** Each against the next, as if one were the model of the other. */
    @Test
    public void noTwoOfThemAreOneSide() throws IOException {
        List<Raster> sides = new ArrayList<>();
        for (Object[] one : photographs()) {
            Raster photo = read((Path) one[1]);
            sides.add(somewhere(photo).rectify(photo, 0.2));
        }
        for (int i = 0; i < sides.size(); i++) {
            Raster next = sides.get((i + 1) % sides.size());
            assertFalse(Registration.find(sides.get(i), next).sure(), "photograph " + i);
        }
    }

    private static SideMeasurer.Result measure(SideGeometry g, LabPlane plane) {
        List<ClassSample> samples = new ArrayList<>();
        WeatherClass[] kinds = {
            WeatherClass.PAINT, WeatherClass.FRESH_RUST, WeatherClass.GRIME, WeatherClass.DUST
        };
        for (int i = 0; i < kinds.length; i++) {
            samples.add(
                    new ClassSample(
                            kinds[i],
                            new Region("sample", 500 + 1400 * i, 300 + 500 * i, 300, 200)));
        }
        Optional<ClassModel> model;
        try {
            model = Optional.of(ClassModel.learn(plane, samples));
        } catch (InvalidInput clipped) {
            assertTrue(clipped.getMessage().contains("neither clipped nor excluded"));
            model = Optional.empty();
        }
        return SideMeasurer.measure(
                new SideMeasurer.Question(
                        plane,
                        new Resolution(g, new Sight(600, 87.1)),
                        List.of(
                                new Region("all", 100, 100, 5700, 2400),
                                new Region("corner", 200, 1500, 900, 1000)),
                        model,
                        List.of(),
                        Optional.empty(),
                        false),
                Watch.NOBODY);
    }

    private static void makesSense(String name, MeasuredRegion r) {
        r.toldCover()
                .ifPresent(
                        c -> {
                            double sum = 0;
                            for (var one : c.classes()) {
                                double share = one.share().orElse(one.sd());
                                assertTrue(share >= 0 && share <= 1 && one.sd() >= 0, name);
                                sum += one.share().orElse(0.0);
                            }
                            assertTrue(sum <= 1.001, name + ": " + sum);
                        });
        r.spots()
                .values()
                .forEach(
                        a -> {
                            a.told()
                                    .ifPresent(
                                            s ->
                                                    assertTrue(
                                                            s.lowerMm() <= s.medianMm()
                                                                    && s.medianMm() <= s.upperMm()
                                                                    && s.medianPlusMinusMm() > 0));
                            a.refusal().ifPresent(t -> assertTrue(t.length() > 20, t));
                        });
        r.streaks()
                .values()
                .forEach(
                        a ->
                                a.told()
                                        .ifPresent(
                                                s ->
                                                        assertTrue(
                                                                s.count() > 0
                                                                        && s.anglePlusMinus() > 0
                                                                        && s.coherence() <= 1)));
        r.dust()
                .told()
                .ifPresent(
                        d ->
                                assertTrue(
                                        d.halfHeightMm() > 0
                                                && d.halfHeightMm() <= r.region().heightMm()
                                                && d.halfHeightPlusMinusMm() > 0,
                                        name + ": " + d));
        r.base()
                .ifPresent(
                        b ->
                                assertTrue(
                                        b.median().l() >= 0
                                                && b.median().l() <= 100.5
                                                && b.plusMinus() >= 0.8));
    }
}
