package org.pendrik.app.standins;

import java.util.List;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.Point;

/**
 * The photographs of the demonstration: one of the prototype beside the line, one of the model on
 * the bench.
 */
public final class DemoShots {
    private static final Lab YARD = new Lab(58, 1, 5);
    private static final Lab BENCH = new Lab(66, 0, 1);

    private DemoShots() {}

    /**
     * A photograph with what is known about it.
     *
     * @param jpeg the file
     * @param camera what took it
     */
    @SuppressWarnings("ArrayRecordComponent") // handed on once, never compared
    public record Shot(byte[] jpeg, StandInCamera camera) {}

    /** The prototype in afternoon sun, seen from a little to the left. */
    public static Shot prototype() {
        var camera =
                new StandInCamera(
                        2400,
                        1350,
                        List.of(
                                new Point(212, 262),
                                new Point(2190, 196),
                                new Point(2224, 1064),
                                new Point(236, 1006)),
                        new StandInCamera.Light(1.0, 0.95, 0.84, -0.16, -0.08),
                        YARD,
                        List.of(1120.0, 1130.0, 150.0, 110.0),
                        1.6,
                        0.9f);
        var side = HopperSide.picture(Weathering.PROTOTYPE, YARD, "3041");
        return new Shot(camera.photograph(side, HopperSide.PX_PER_MM, 1), camera);
    }

    /** The model under a warm bench lamp, seen from a little to the right. */
    public static Shot model(Weathering w) {
        var camera =
                new StandInCamera(
                        2400,
                        1350,
                        List.of(
                                new Point(300, 236),
                                new Point(2122, 310),
                                new Point(2098, 1066),
                                new Point(268, 1110)),
                        new StandInCamera.Light(1.0, 0.88, 0.70, 0.12, -0.10),
                        BENCH,
                        List.of(1130.0, 1150.0, 150.0, 110.0),
                        1.8,
                        0.9f);
        var side = HopperSide.picture(w, BENCH, "3041");
        return new Shot(camera.photograph(side, HopperSide.PX_PER_MM, 2), camera);
    }
}
