package org.pendrik.e2e;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds jobs of a server by name. */
final class Jobs {
    private Jobs() {}

    static String id(Server server, String name) {
        Matcher m =
                Pattern.compile(
                                "\"id\":\"([0-9a-f-]{36})\",\"name\":\""
                                        + Pattern.quote(name)
                                        + "\"")
                        .matcher(server.get("/api/jobs"));
        if (!m.find()) {
            throw new AssertionError("no job " + name);
        }
        return m.group(1);
    }
}
