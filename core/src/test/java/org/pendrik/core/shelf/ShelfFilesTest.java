package org.pendrik.core.shelf;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.testng.annotations.Test;

public class ShelfFilesTest {
    static Bottle bottle(String name, Lab colour) {
        return Bottle.usual()
                .name(name)
                .maker("own brew")
                .family("waterborne acrylic")
                .colour(Optional.of(colour))
                .amountMl(12.5)
                .fullMl(17)
                .opened(Optional.of(LocalDate.of(2026, 3, 14)))
                .pricePerMl(0.18)
                .place("left drawer")
                .build();
    }

    private static Bottle any(SplittableRandom r, int i) {
        String odd =
                List.of(
                                "plain",
                                "with, comma",
                                "with \"quotes\"",
                                "two\nlines",
                                "ümläut",
                                "=HYPERLINK(\"x\")",
                                "'=1",
                                "-2+3")
                        .get(r.nextInt(8));
        Bottle.Kind kind = List.of(Bottle.Kind.values()).get(r.nextInt(6));
        Optional<Lab> colour = r.nextInt(4) == 0 ? Optional.empty() : Optional.of(lab(r));
        List<Swatch> swatches = new ArrayList<>();
        for (int n = r.nextInt(3); n > 0 && kind == Bottle.Kind.PAINT && colour.isPresent(); n--) {
            swatches.add(new Swatch(Swatch.Ground.LET_DOWN, r.nextDouble(0.01, 0.9), lab(r)));
        }
        return new Bottle(
                odd + " " + i,
                r.nextBoolean() ? "" : "maker " + r.nextInt(4),
                r.nextBoolean() ? "enamel" : "waterborne acrylic",
                kind,
                List.of("gloss", "semi-gloss", "satin", "flat", "powder").get(r.nextInt(5)),
                colour,
                r.nextBoolean() ? Bottle.Source.TYPED : Bottle.Source.MEASURED,
                r.nextInt(1, 100) / 100.0,
                r.nextInt(0, 300) / 10.0,
                r.nextInt(0, 600) / 10.0,
                r.nextBoolean()
                        ? Optional.empty()
                        : Optional.of(LocalDate.of(2025, 1, 1).plusDays(r.nextInt(900))),
                r.nextBoolean() ? Optional.empty() : Optional.of(LocalDate.of(2027, 2, 3)),
                r.nextInt(0, 50) / 100.0,
                r.nextBoolean() ? "" : "drawer, left",
                r.nextInt(5, 100) / 1000.0,
                r.nextInt(50, 150) / 100.0,
                odd,
                swatches);
    }

    private static Lab lab(SplittableRandom r) {
        return new Lab(r.nextInt(101), r.nextInt(-600, 600) / 10.0, r.nextInt(-600, 600) / 10.0);
    }

    @Test
    public void whatIsWrittenReadsBackAsItWas() {
        SplittableRandom r = new SplittableRandom(8);
        for (int trial = 0; trial < 200; trial++) {
            List<Bottle> shelf = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                shelf.add(any(r, i));
            }
            ShelfCsv.Read read = ShelfCsv.read(ShelfCsv.write(shelf));
            assertEquals(read.faults(), List.of());
            assertEquals(read.lines().stream().map(ShelfCsv.Line::bottle).toList(), shelf);
        }
    }

    @Test
    public void faultsAreNamedWithLineColumnAndRemedy() {
        String csv =
                """
                name,family,L*,a*,b*,hiding [%],opened,kind
                sleeper brown,enamel,30,12,x,90,2026-03-14,paint
                warm black,enamel,20,0,0,900,2026-03-14,paint
                ,enamel,20,0,0,90,,paint
                kiln dust,enamel,20,0,0,90,14.3.2026,paint
                grey,enamel,20,0,0,90,,sparkle
                fine,enamel,20,0,0,90,,paint
                """;
        ShelfCsv.Read read = ShelfCsv.read(csv);
        assertEquals(read.lines().size(), 1);
        assertEquals(read.lines().getFirst().bottle().name(), "fine");
        List<String> told = read.faults().stream().map(f -> f.line() + " " + f.column()).toList();
        assertEquals(told, List.of("2 b*", "3 hiding [%]", "4 name", "5 opened", "6 kind"));
        assertTrue(read.faults().stream().noneMatch(f -> f.remedy().isEmpty()));
        assertTrue(read.faults().get(1).rule().contains("from 1 to 99.9 %"));
    }

    @Test
    public void headersAreCheckedBeforeLines() {
        assertTrue(ShelfCsv.read("").faults().getFirst().rule().contains("empty"));
        ShelfCsv.Read read = ShelfCsv.read("name,colour\nx,y\n");
        assertEquals(
                read.faults().stream().map(ShelfCsv.Fault::column).toList(),
                List.of("colour", "family"));
        assertEquals(
                ShelfCsv.read("name,family,name\nx,y,z\n").faults().getFirst().rule(),
                "is named twice");
        assertEquals(ShelfCsv.read("name,family\na,b,c\n").faults().getFirst().line(), 2);
        assertEquals(
                ShelfCsv.read("name,family,sRGB\nred,enamel,#ff0000\n")
                        .lines()
                        .getFirst()
                        .bottle()
                        .colour()
                        .map(Srgb::toHex),
                Optional.of("#ff0000"));
    }

    /** Five thousand broken tables: each is read to faults and whole bottles, never to an error. */
    @Test
    public void brokenTablesNeverCrash() {
        SplittableRandom r = new SplittableRandom(99);
        List<Bottle> shelf = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            shelf.add(any(r, i));
        }
        String good = ShelfCsv.write(shelf);
        String junk = "\",;\n\r\t\u0000\uFEFFé😀0-#'[]%eE.";
        for (int trial = 0; trial < 5000; trial++) {
            StringBuilder bad = new StringBuilder(good);
            for (int cut = r.nextInt(6); cut >= 0; cut--) {
                int at = r.nextInt(bad.length() + 1);
                switch (r.nextInt(3)) {
                    case 0 -> bad.insert(at, junk.charAt(r.nextInt(junk.length())));
                    case 1 -> bad.setLength(Math.max(1, at));
                    default -> bad.deleteCharAt(Math.max(0, Math.min(at, bad.length() - 1)));
                }
                if (bad.isEmpty()) {
                    bad.append('x');
                }
            }
            ShelfCsv.Read read = ShelfCsv.read(bad.toString());
            ShelfChanges.Dry dry = ShelfChanges.of(read, Map.of("one", shelf.getFirst()));
            assertTrue(dry.faults().size() >= read.faults().size());
            for (ShelfCsv.Fault f : dry.faults()) {
                assertTrue(!f.rule().isEmpty() && !f.remedy().isEmpty(), f.toString());
            }
            GimpPalette.read(bad.toString());
        }
    }

    @Test
    public void aDryRunSaysWhatWouldChange() {
        Bottle brown = bottle("sleeper brown", new Lab(30, 10, 12));
        Bottle black = bottle("warm black", new Lab(22, 1, 1));
        Map<String, Bottle> shelf = Map.of("1", brown, "2", black);
        String csv =
                ShelfCsv.write(
                        List.of(
                                bottle("Sleeper Brown", new Lab(31, 10, 12)),
                                black,
                                bottle("kiln dust", new Lab(60, 4, 18))));
        ShelfChanges.Dry dry = ShelfChanges.of(ShelfCsv.read(csv), shelf);
        assertEquals(
                dry.changes().stream().map(ShelfChanges.Change::what).toList(),
                List.of(ShelfChanges.What.CHANGED, ShelfChanges.What.SAME, ShelfChanges.What.NEW));
        assertEquals(dry.changes().getFirst().key(), Optional.of("1"));
        assertEquals(
                dry.changes().getFirst().fields(),
                List.of(
                        new ShelfChanges.Field("name", "sleeper brown", "Sleeper Brown"),
                        new ShelfChanges.Field("L*", "30", "31")));
        ShelfChanges.Dry twice =
                ShelfChanges.of(ShelfCsv.read(ShelfCsv.write(List.of(black, black))), shelf);
        assertEquals(twice.faults().size(), 1);
        assertTrue(twice.faults().getFirst().rule().contains("line 2"));
    }

    @Test
    public void palettesComeBack() {
        List<Bottle> shelf = new ArrayList<>();
        SplittableRandom r = new SplittableRandom(2);
        for (int i = 0; i < 40; i++) {
            shelf.add(bottle("paint " + i, Srgb.toLab(r.nextInt(0x1000000))));
        }
        GimpPalette.Read read = GimpPalette.read(GimpPalette.write("Ostrel shelf", shelf));
        assertEquals(read.name(), "Ostrel shelf");
        assertEquals(read.faults(), List.of());
        for (int i = 0; i < shelf.size(); i++) {
            assertEquals(read.entries().get(i).name(), shelf.get(i).name());
            assertEquals(
                    read.entries().get(i).hex(), Srgb.toHex(shelf.get(i).colour().orElseThrow()));
        }
        assertEquals(GimpPalette.read("nothing").faults().size(), 1);
        GimpPalette.Read bad = GimpPalette.read("GIMP Palette\n1 2 3 ok\n300 0 0 x\nred\n");
        assertEquals(bad.entries().size(), 1);
        assertEquals(bad.faults().stream().map(ShelfCsv.Fault::line).toList(), List.of(3L, 4L));
    }

    /** A short table changes what it has columns for, and takes nothing else away. */
    @Test
    public void whatATableHasNoColumnForStays() {
        Bottle is = bottle("moor green", new Lab(38, -14, 12)).ofStrength(1.3);
        String csv = "name,maker,family,amount [ml]\nmoor green,own brew,waterborne acrylic,4\n";
        ShelfChanges.Dry dry = ShelfChanges.of(ShelfCsv.read(csv), Map.of("key", is));
        assertEquals(dry.faults(), List.of());
        ShelfChanges.Change c = dry.changes().getFirst();
        assertEquals(c.fields(), List.of(new ShelfChanges.Field("amount [ml]", "12.5", "4")));
        assertEquals(c.bottle().colour(), is.colour());
        assertEquals(c.bottle().strength(), 1.3);
        assertEquals(c.bottle().fullMl(), is.fullMl());
        String paler = "name,maker,family,sRGB\nmoor green,own brew,waterborne acrylic,#5f7a60\n";
        Bottle to =
                ShelfChanges.of(ShelfCsv.read(paler), Map.of("key", is))
                        .changes()
                        .getFirst()
                        .bottle();
        assertEquals(Srgb.toHex(to.colour().orElseThrow()), "#5f7a60");
        assertEquals(to.amountMl(), is.amountMl());
    }

    /**
     * A table of colours alone, as a palette becomes one, leaves stock and strength as they are.
     */
    @Test
    public void coloursAloneChangeColoursAlone() {
        Bottle is = bottle("moor green", new Lab(38, -14, 12)).ofStrength(1.3);
        Bottle lighter = bottle("moor green", new Lab(52, -10, 9));
        String csv = ShelfCsv.writeColours(List.of(lighter));
        Bottle to =
                ShelfChanges.of(ShelfCsv.read(csv), Map.of("key", is))
                        .changes()
                        .getFirst()
                        .bottle();
        assertEquals(to.colour().orElseThrow().l(), 52, 0.01);
        assertEquals(to.strength(), 1.3);
        assertEquals(to.amountMl(), is.amountMl());
        assertEquals(to.fullMl(), is.fullMl());
        assertEquals(
                ShelfChanges.of(
                                ShelfCsv.read(ShelfCsv.writeColours(List.of(is))),
                                Map.of("key", is))
                        .changes()
                        .stream()
                        .flatMap(c -> c.fields().stream())
                        .toList(),
                List.of());
    }

    @Test
    public void whatASpreadsheetWouldRunIsDisarmedAndReadBack() {
        for (String name : List.of("=1+1", "+x", "-2+3", "@sum", "'=1", "''=1")) {
            String csv = ShelfCsv.write(List.of(bottle(name, new Lab(40, 1, 2))));
            assertTrue(csv.contains("'" + name), csv);
            var read = ShelfCsv.read(csv);
            assertEquals(read.faults(), List.of());
            assertEquals(read.lines().getFirst().bottle().name(), name);
        }
        assertTrue(ShelfCsv.write(List.of(bottle("it's", new Lab(40, -1, 2)))).contains("it's"));
    }

    @Test
    public void columnsStandInAnyOrder() {
        ShelfCsv.Read read =
                ShelfCsv.read(
                        """
                        b*,bottle [ml],amount [ml],family,name,sRGB
                        ,,12,enamel,rust,#808080
                        7,30,12,enamel,dust,#808080
                        """);
        assertEquals(read.faults(), List.of());
        Bottle rust = read.lines().getFirst().bottle();
        assertEquals(rust.fullMl(), 12.0, "a bottle of which no more is said was full");
        assertEquals(rust.colour().map(Srgb::toHex).orElseThrow(), "#808080");
        Bottle dust = read.lines().getLast().bottle();
        assertEquals(dust.fullMl(), 30.0);
        assertEquals(dust.colour().orElseThrow(), new Lab(0, 0, 7), "a typed part goes before");
    }
}
