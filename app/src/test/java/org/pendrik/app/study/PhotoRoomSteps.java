package org.pendrik.app.study;

import java.util.List;
import java.util.UUID;
import org.pendrik.app.AppTest;
import org.pendrik.app.standins.DemoShots;
import org.pendrik.app.standins.HopperSide;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.photo.Point;
import tools.jackson.databind.JsonNode;

/** What tests of the photo room do: photographs in, regions and samples on them. */
abstract class PhotoRoomSteps extends AppTest {
    static final String REST = ", \"side\": \"LEFT\", \"outline\": [], \"role\": ";

    static String corners(DemoShots.Shot shot) {
        StringBuilder out = new StringBuilder();
        for (Point p : shot.camera().corners()) {
            out.append(out.isEmpty() ? "" : ",")
                    .append("{\"x\":" + p.x() + ",\"y\":" + p.y() + "}");
        }
        return "{\"points\":[" + out + "]}";
    }

    UUID shot(UUID job, String role, DemoShots.Shot shot) {
        UUID id = UUID.randomUUID();
        ok(photograph(job, id, role, shot.jpeg()));
        List<Double> c = shot.camera().card();
        ok(
                put(
                        "/api/photographs/" + id + "/marks",
                        "{\"corners\":"
                                + corners(shot)
                                + ",\"greyPatch\":{\"x\":"
                                + (c.get(0) + 12)
                                + ",\"y\":"
                                + (c.get(1) + 12)
                                + ",\"width\":"
                                + (c.get(2) - 24)
                                + ",\"height\":"
                                + (c.get(3) - 24)
                                + ",\"lightness\":60},\"version\":1}"));
        return id;
    }

    void regions(UUID job) {
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        """
                        {"regions": [
                          {"id": "%s", "name": "plate", "zoneKey": "left-side", "xMm": 3345, "yMm": 660, "widthMm": 220,
                           "heightMm": 290, "factory": true%s"MEASURE"},
                          {"id": "%s", "name": "upper body", "zoneKey": "left-side", "xMm": 450, "yMm": 130,
                           "widthMm": 1900, "heightMm": 1010, "factory": false%s"MEASURE"},
                          {"id": "%s", "name": "lettering", "zoneKey": null, "xMm": 2380, "yMm": 340, "widthMm": 1700,
                           "heightMm": 250, "factory": false%s"EXCLUDE"}
                        ], "version": 1}
                        """
                                .formatted(
                                        UUID.randomUUID(),
                                        REST,
                                        UUID.randomUUID(),
                                        REST,
                                        UUID.randomUUID(),
                                        REST)));
    }

    static String samples(UUID photo) {
        StringBuilder out = new StringBuilder();
        HopperSide.clearPlaces()
                .forEach(
                        (kind, r) ->
                                out.append(out.isEmpty() ? "" : ",")
                                        .append(
                                                """
                                                {"id": "%s", "photographId": "%s", "kind": "%s", "xMm": %s, "yMm": %s,
                                                 "widthMm": %s, "heightMm": %s}
                                                """
                                                        .formatted(
                                                                UUID.randomUUID(),
                                                                photo,
                                                                kind,
                                                                r.getX(),
                                                                r.getY(),
                                                                r.getWidth(),
                                                                r.getHeight())));
        return out.toString();
    }

    static JsonNode named(JsonNode list, String field, String value) {
        for (JsonNode n : list) {
            if (n.path(field).asString().equals(value)) {
                return n;
            }
        }
        throw new AssertionError(value + " is not in " + list);
    }

    static JsonNode region(JsonNode joined, String id) {
        return named(joined.path("regions"), "regionId", id);
    }

    static Lab lab(JsonNode sample) {
        JsonNode m = sample.path("median");
        return new Lab(m.path("l").asDouble(), m.path("a").asDouble(), m.path("b").asDouble());
    }
}
