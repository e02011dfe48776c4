package org.pendrik.app.about;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** The licences of what ships with the program, as the build has collected them. */
@Service
class Licences {
    private static final List<String> LISTS =
            List.of("/licences/libraries.json", "/web/licences.json");

    private final JsonMapper json;

    Licences(JsonMapper json) {
        this.json = json;
    }

    /**
     * A licence and what is under it.
     *
     * @param name as its packages say it
     * @param packages names and versions of what has this very text
     * @param text the licence and its notices; empty when the packages bring none
     */
    record LicenceView(String name, List<String> packages, String text) {}

    private record Named(String licence, String text) {}

    /** All licences; those with most packages first. */
    List<LicenceView> all() {
        Map<Named, List<String>> out = new LinkedHashMap<>();
        LISTS.stream()
                .flatMap(this::bundled)
                .forEach(
                        b ->
                                out.computeIfAbsent(
                                                new Named(b.licence(), b.text()),
                                                _ -> new ArrayList<>())
                                        .add(b.name() + " " + b.version()));
        List<LicenceView> views = new ArrayList<>();
        out.forEach((n, of) -> views.add(new LicenceView(n.licence(), of, n.text())));
        views.sort(
                Comparator.comparingInt((LicenceView v) -> -v.packages().size())
                        .thenComparing(v -> v.packages().getFirst()));
        return views;
    }

    private Stream<Bundled> bundled(String resource) {
        try (InputStream in = Licences.class.getResourceAsStream(resource)) {
            if (in == null) {
                throw new IllegalStateException(resource + " is missing from the program");
            }
            return Stream.of(json.readValue(in.readAllBytes(), Bundled[].class));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
