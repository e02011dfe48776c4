package org.pendrik.app;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.pendrik.app.standins.DemoShots;
import org.pendrik.app.standins.DemoShots.Shot;
import org.pendrik.app.standins.Weathering;

/** The stand-in camera's photographs, each taken once for all tests. */
public final class Shots {
    private static final Map<Weathering, Shot> MODELS = new ConcurrentHashMap<>();
    private static final Shot PROTOTYPE = DemoShots.prototype();

    private Shots() {}

    /** The prototype beside the line. */
    public static Shot prototype() {
        return PROTOTYPE;
    }

    /** The model with this weathering. */
    public static Shot model(Weathering w) {
        return MODELS.computeIfAbsent(w, DemoShots::model);
    }
}
