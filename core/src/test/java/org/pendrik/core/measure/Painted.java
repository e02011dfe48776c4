package org.pendrik.core.measure;

import java.util.List;
import java.util.SplittableRandom;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.Length;
import org.pendrik.core.units.Watch;

/** A side painted by a rule, one pixel per 4 mm. */
final class Painted {
    static final double PX_PER_MM = 0.25;
    static final double LENGTH = 2400;
    static final double HEIGHT = 1200;
    static final Lab GREEN = new Lab(40, -14, 12);
    static final Lab RUST = new Lab(42, 26, 30);
    static final Lab DUST = new Lab(60, 5, 17);
    static final Lab BLACK = new Lab(18, 0, 1);
    static final Lab GRIME = new Lab(17, 1, 2);

    final Raster raster = Raster.empty(600, 300);

    /** The colour at a place. */
    @FunctionalInterface
    interface Rule {
        Lab at(double xMm, double yMm);
    }

    static Painted by(Rule rule) {
        Painted p = new Painted();
        SplittableRandom random = new SplittableRandom(7);
        for (int y = 0; y < 300; y++) {
            for (int x = 0; x < 600; x++) {
                Lab c = rule.at((x + 0.5) / PX_PER_MM, (y + 0.5) / PX_PER_MM);
                double n = 0.8 * random.nextGaussian();
                p.raster.argb()[y * 600 + x] =
                        Raster.OPAQUE | Srgb.toPixel(new Lab(c.l() + n, c.a(), c.b()));
            }
        }
        return p;
    }

    LabPlane plane(Region... excluded) {
        return LabPlane.of(raster, PX_PER_MM, GreyBalance.NONE, List.of(excluded));
    }

    static Resolution resolution(double pxPerMm) {
        var found =
                (SideRectifier.Outcome.Found)
                        SideRectifier.locate(
                                List.of(
                                        new Point(0, 0),
                                        new Point(LENGTH * pxPerMm, 0),
                                        new Point(LENGTH * pxPerMm, HEIGHT * pxPerMm),
                                        new Point(0, HEIGHT * pxPerMm)),
                                List.of(),
                                Length.ofMm(LENGTH),
                                Length.ofMm(HEIGHT));
        return new Resolution(found.geometry(), new Sight(600, 87.1));
    }

    static SideMeasurer.Result measure(
            LabPlane plane, List<ClassSample> samples, Region... regions) {
        return SideMeasurer.measure(
                new SideMeasurer.Question(
                        plane,
                        resolution(0.5),
                        List.of(regions),
                        learn(plane, samples),
                        List.of(),
                        java.util.Optional.empty(),
                        false),
                Watch.NOBODY);
    }

    static java.util.Optional<ClassModel> learn(LabPlane plane, List<ClassSample> samples) {
        return samples.isEmpty()
                ? java.util.Optional.empty()
                : java.util.Optional.of(ClassModel.learn(plane, samples));
    }

    static ClassSample sample(WeatherClass c, double x, double y) {
        return new ClassSample(c, new Region(c.label(), x, y, 100, 80));
    }

    static Lab mixed(Lab a, Lab b, double share) {
        double[] u = org.pendrik.core.colour.Srgb.labToLinear(a);
        double[] v = org.pendrik.core.colour.Srgb.labToLinear(b);
        return org.pendrik.core.colour.Srgb.linearToLab(
                u[0] + share * (v[0] - u[0]),
                u[1] + share * (v[1] - u[1]),
                u[2] + share * (v[2] - u[2]));
    }
}
