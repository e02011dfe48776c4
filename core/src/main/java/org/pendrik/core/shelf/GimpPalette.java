package org.pendrik.core.shelf;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pendrik.core.colour.Srgb;

/**
 * Palettes as GIMP keeps them: a line {@code GIMP Palette}, then {@code Name:}, {@code Columns:},
 * and a line for each colour with red, green, blue from 0 to 255 and a name.
 */
public final class GimpPalette {
    private static final String HEAD = "GIMP Palette";
    private static final int MOST = 2000;
    private static final Pattern COLOUR =
            Pattern.compile("\\s*(\\d{1,3})\\s+(\\d{1,3})\\s+(\\d{1,3})(?:\\s+(.*))?");

    private GimpPalette() {}

    /**
     * A colour of a palette.
     *
     * @param line of the file
     * @param rgb packed
     */
    public record Entry(long line, int rgb, String name) {
        /** As #rrggbb. */
        public String hex() {
            return String.format(Locale.ROOT, "#%06x", rgb);
        }
    }

    /** Colours, and what is wrong with the other lines. */
    public record Read(String name, List<Entry> entries, List<ShelfCsv.Fault> faults) {
        public Read {
            entries = List.copyOf(entries);
            faults = List.copyOf(faults);
        }
    }

    /** Reads a palette; never throws for what stands in it. */
    public static Read read(String text) {
        List<Entry> entries = new ArrayList<>();
        List<ShelfCsv.Fault> faults = new ArrayList<>();
        String name = "";
        List<String> lines = text.lines().toList();
        if (lines.isEmpty() || !lines.getFirst().replace("\uFEFF", "").strip().equals(HEAD)) {
            faults.add(
                    new ShelfCsv.Fault(
                            1, "", "", "is no palette", "The first line must say GIMP Palette."));
            return new Read(name, entries, faults);
        }
        for (int i = 1; i < lines.size(); i++) {
            String line = lines.get(i);
            if (line.isBlank() || line.startsWith("#") || line.startsWith("Columns:")) {
                continue;
            }
            if (line.startsWith("Name:")) {
                name = line.substring(5).strip();
                continue;
            }
            Matcher m = COLOUR.matcher(line);
            int n = i + 1;
            if (!m.matches()) {
                faults.add(
                        new ShelfCsv.Fault(
                                n,
                                "",
                                line.length() > 40 ? line.substring(0, 40) + "…" : line,
                                "is no colour",
                                "Write red, green and blue from 0 to 255 and a name."));
                continue;
            }
            int r = Integer.parseInt(m.group(1));
            int g = Integer.parseInt(m.group(2));
            int b = Integer.parseInt(m.group(3));
            if (r > 255 || g > 255 || b > 255 || entries.size() == MOST) {
                faults.add(
                        new ShelfCsv.Fault(
                                n,
                                "",
                                m.group(1) + " " + m.group(2) + " " + m.group(3),
                                entries.size() == MOST
                                        ? "is beyond " + MOST + " colours"
                                        : "must be from 0 to 255",
                                "Correct the line."));
                continue;
            }
            String called = m.group(4) == null ? "" : m.group(4).strip();
            entries.add(new Entry(n, r << 16 | g << 8 | b, called));
        }
        return new Read(name, entries, faults);
    }

    /**
     * The colours of a shelf as a palette; what sRGB cannot show is clamped, and its name says so.
     */
    public static String write(String name, List<Bottle> bottles) {
        StringBuilder out = new StringBuilder(HEAD).append('\n');
        out.append("Name: ").append(name.replaceAll("\\R", " ")).append("\nColumns: 8\n#\n");
        for (Bottle b : bottles) {
            b.colour()
                    .ifPresent(
                            c -> {
                                int p = Srgb.toPixel(c);
                                out.append(
                                        String.format(
                                                Locale.ROOT,
                                                "%3d %3d %3d\t%s%s%n",
                                                p >> 16,
                                                p >> 8 & 255,
                                                p & 255,
                                                b.name(),
                                                Srgb.inGamut(c) ? "" : " (clamped)"));
                            });
        }
        return out.toString();
    }
}
