package org.pendrik.app.about;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.jar.JarEntry;
import java.util.jar.JarFile;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.json.JsonMapper;

/**
 * Run by the build: collects the licences of the libraries that are packed into the program. The
 * text comes out of the library itself; the name out of its project description, which lies beside
 * it in the repository of this machine, or in that of its parent.
 */
final class CollectLicences {
    private static final Pattern TEXT =
            Pattern.compile(
                    "(META-INF/)?(LICEN[CS]E|NOTICE|COPYING)[^/]*", Pattern.CASE_INSENSITIVE);
    private static final Pattern OWN = Pattern.compile("pendrik-[a-z]+-.*\\.jar");
    private static final Pattern NAMED =
            Pattern.compile("<license>.*?<name>\\s*(.*?)\\s*</name>", Pattern.DOTALL);
    private static final Pattern PARENT = Pattern.compile("<parent>(.*?)</parent>", Pattern.DOTALL);
    private static final int MOST_PARENTS = 6;

    /** Names that libraries give to a licence, by the file of its text. */
    private static final Map<String, Pattern> STANDARD =
            Map.of(
                    "apache-2.0.txt", Pattern.compile("(?i).*apache.*2.*"),
                    "epl-2.0.txt", Pattern.compile("(?i)(epl|eclipse public).*2.*"),
                    "mpl-2.0.txt", Pattern.compile("(?i)(mpl|mozilla public).*2.*"),
                    // iCal4j calls its three clauses by its own name
                    "bsd-3-clause.txt", Pattern.compile("(?i).*bsd.*|ical4j - license"));

    private CollectLicences() {}

    /**
     * Writes the list.
     *
     * @param args the file to write, and the folder of the standard texts, for libraries that name
     *     their licence and bring no text
     */
    public static void main(String[] args) throws IOException {
        List<Bundled> out = new ArrayList<>();
        for (String entry : System.getProperty("java.class.path").split(File.pathSeparator, -1)) {
            Path jar = Path.of(entry);
            if (entry.endsWith(".jar") && !OWN.matcher(jar.getFileName().toString()).matches()) {
                out.add(of(jar, Path.of(args[1])));
            }
        }
        out.sort(Comparator.comparing(Bundled::name));
        Path file = Path.of(args[0]);
        Files.createDirectories(file.toAbsolutePath().getParent());
        Files.write(file, new JsonMapper().writeValueAsBytes(out));
    }

    private static Bundled of(Path jar, Path texts) throws IOException {
        // …/artifact/version/artifact-version.jar
        Path at = jar.toAbsolutePath();
        int depth = at.getNameCount();
        Path pom = at.resolveSibling(at.getFileName().toString().replaceFirst("\\.jar$", ".pom"));
        String licence = name(pom, MOST_PARENTS).orElse("");
        String own = text(jar);
        return new Bundled(
                at.getName(depth - 3).toString(),
                at.getName(depth - 2).toString(),
                licence,
                own.isEmpty() ? standard(licence, texts) : own);
    }

    private static String standard(String licence, Path texts) throws IOException {
        for (Map.Entry<String, Pattern> e : STANDARD.entrySet()) {
            if (e.getValue().matcher(licence).matches()) {
                return Files.readString(texts.resolve(e.getKey())).strip();
            }
        }
        return "";
    }

    private static String text(Path jar) throws IOException {
        StringBuilder out = new StringBuilder();
        try (JarFile file = new JarFile(jar.toFile())) {
            List<JarEntry> entries =
                    file.stream()
                            .filter(e -> !e.isDirectory() && TEXT.matcher(e.getName()).matches())
                            .sorted(Comparator.comparing(JarEntry::getName))
                            .toList();
            for (JarEntry e : entries) {
                try (InputStream in = file.getInputStream(e)) {
                    String said = new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
                    if (out.indexOf(said) < 0) {
                        out.append(out.isEmpty() ? "" : "\n\n").append(said);
                    }
                }
            }
        }
        return out.toString();
    }

    private static Optional<String> name(Path pom, int left) throws IOException {
        if (left == 0 || !Files.exists(pom)) {
            return Optional.empty();
        }
        String project = Files.readString(pom);
        Matcher named = NAMED.matcher(project);
        if (named.find()) {
            return Optional.of(named.group(1));
        }
        Matcher parent = PARENT.matcher(project);
        return parent.find()
                ? name(inRepository(pom, parent.group(1)), left - 1)
                : Optional.empty();
    }

    /** Where the description of a parent lies: in the repository that the child lies in. */
    private static Path inRepository(Path child, String parent) {
        String artifact = tag(parent, "artifactId").orElse("");
        String version = tag(parent, "version").orElse("");
        Path inside =
                Path.of(tag(parent, "groupId").orElse("").replace('.', '/'))
                        .resolve(artifact)
                        .resolve(version)
                        .resolve(artifact + "-" + version + ".pom");
        for (Path at = child.getParent(); at != null; at = at.getParent()) {
            if (Files.exists(at.resolve(inside))) {
                return at.resolve(inside);
            }
        }
        return inside;
    }

    private static Optional<String> tag(String xml, String tag) {
        Matcher m = Pattern.compile("<" + tag + ">\\s*(.*?)\\s*</" + tag + ">").matcher(xml);
        return m.find() ? Optional.of(m.group(1)) : Optional.empty();
    }
}
