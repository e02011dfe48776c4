package org.pendrik.benchmarks;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Function;
import org.pendrik.core.diary.Availability.Span;
import org.pendrik.core.diary.DiaryCase;
import org.pendrik.core.diary.DiaryJob;
import org.pendrik.core.diary.DiaryTask;
import org.pendrik.core.diary.TimeLag;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads the workshops that are kept for trying solvers on (workshops.schema.json). */
final class DiaryCases {
    private DiaryCases() {}

    /** A workshop. */
    record Workshop(String name, DiaryCase asked) {}

    static List<Workshop> read(Path file) throws IOException {
        List<Workshop> out = new ArrayList<>();
        for (JsonNode w : new JsonMapper().readTree(file.toFile())) {
            out.add(
                    new Workshop(
                            w.path("name").asString(),
                            new DiaryCase(
                                    all(w.path("jobs"), DiaryCases::job),
                                    all(w.path("bench"), DiaryCases::span),
                                    all(w.path("resources"), DiaryCases::resource),
                                    w.path("fromMinute").asLong())));
        }
        return out;
    }

    private static <T> List<T> all(JsonNode list, Function<JsonNode, T> one) {
        List<T> out = new ArrayList<>();
        list.forEach(n -> out.add(one.apply(n)));
        return out;
    }

    private static Span span(JsonNode n) {
        return new Span(n.path("from").asLong(), n.path("until").asLong());
    }

    private static OptionalLong minute(JsonNode n) {
        return n.isNumber() ? OptionalLong.of(n.asLong()) : OptionalLong.empty();
    }

    private static DiaryCase.Resource resource(JsonNode n) {
        return new DiaryCase.Resource(
                n.path("key").asString(),
                n.path("name").asString(),
                n.path("places").asInt(),
                all(n.path("closed"), DiaryCases::span));
    }

    private static DiaryJob job(JsonNode n) {
        return new DiaryJob(
                n.path("id").asString(),
                n.path("name").asString(),
                all(n.path("tasks"), DiaryCases::task),
                all(n.path("lags"), DiaryCases::lag),
                minute(n.path("due")),
                n.path("weight").asInt(),
                n.path("promised").asBoolean());
    }

    private static TimeLag lag(JsonNode n) {
        return new TimeLag(
                n.path("from").asString(),
                n.path("to").asString(),
                n.path("min").asLong(),
                minute(n.path("max")),
                n.path("why").asString());
    }

    private static DiaryTask task(JsonNode n) {
        return new DiaryTask(
                n.path("id").asString(),
                n.path("name").asString(),
                n.path("minutes").asInt(),
                OptionalLong.empty(),
                n.has("setUp") ? Optional.of(n.path("setUp").asString()) : Optional.empty(),
                all(
                        n.path("needs"),
                        o ->
                                new DiaryTask.Need(
                                        o.path("resource").asString(),
                                        o.path("minutesAfter").asLong())),
                minute(n.path("notBefore")),
                Optional.empty(),
                n.path("cureMinutes").asLong(0));
    }
}
