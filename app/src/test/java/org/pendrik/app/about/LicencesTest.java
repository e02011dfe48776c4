package org.pendrik.app.about;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.File;
import java.util.ArrayList;
import java.util.List;
import org.pendrik.app.AppTest;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What ships is named with its licence. */
public class LicencesTest extends AppTest {
    private List<String> packages() {
        List<String> out = new ArrayList<>();
        for (JsonNode l : ok(get("/api/licences"))) {
            l.path("packages").forEach(p -> out.add(p.asString()));
        }
        return out;
    }

    @Test
    public void everyLibraryAndFontIsNamedOnce() {
        List<String> all = packages();
        assertEquals(all.stream().distinct().count(), all.size());
        for (String wanted :
                List.of(
                        "h2 ",
                        "spring-core ",
                        "caffeine ",
                        "pdfbox ",
                        "svelte ",
                        "bits-ui ",
                        "@fontsource/saira-condensed ",
                        "@fontsource-variable/public-sans ",
                        "@fontsource-variable/big-shoulders-stencil-text ")) {
            assertTrue(all.stream().anyMatch(p -> p.startsWith(wanted)), wanted + all);
        }
    }

    @Test
    public void everythingHasALicenceWithItsText() {
        int texts = 0;
        int packages = 0;
        for (JsonNode l : ok(get("/api/licences"))) {
            String what = l.path("packages").toString();
            assertTrue(
                    !l.path("name").asString().isEmpty()
                            || l.path("text").asString().length() > 200,
                    what);
            packages += l.path("packages").size();
            texts += l.path("text").asString().isEmpty() ? 0 : l.path("packages").size();
        }
        assertEquals(texts, packages);
    }

    /** Each jar that the program runs with is one of them. */
    @Test
    public void noLibraryIsLeftOut() {
        List<String> all = packages();
        long jars =
                List.of(System.getProperty("java.class.path").split(File.pathSeparator, -1))
                        .stream()
                        .map(p -> new File(p).getName())
                        .filter(n -> n.startsWith("spring-") && !n.contains("-test"))
                        .filter(n -> !n.contains("modulith-core") && !n.contains("starter"))
                        .filter(
                                n ->
                                        all.stream()
                                                .noneMatch(
                                                        p ->
                                                                n.equals(
                                                                        p.replace(' ', '-')
                                                                                + ".jar")))
                        .count();
        assertEquals(jars, 0);
    }
}
