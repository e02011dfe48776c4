package org.pendrik.app.paper;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.IntPredicate;
import java.util.function.IntUnaryOperator;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.PDFStreamEngine;
import org.apache.pdfbox.contentstream.operator.DrawObject;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.contentstream.operator.state.Concatenate;
import org.apache.pdfbox.contentstream.operator.state.Restore;
import org.apache.pdfbox.contentstream.operator.state.Save;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.pendrik.app.AppTest;
import org.pendrik.app.Shots;
import org.pendrik.core.photo.Point;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PaperTest extends AppTest {
    /**
     * Widths and heights in mm of the pictures on the pages of a PDF, from its drawing commands.
     */
    private static List<double[]> pictures(byte[] pdf) throws IOException {
        List<double[]> out = new ArrayList<>();
        PDFStreamEngine reader =
                new PDFStreamEngine() {
                    @Override
                    protected void processOperator(Operator op, List<COSBase> operands)
                            throws IOException {
                        if (op.getName().equals("Do") && operands.get(0) instanceof COSName) {
                            var m = getGraphicsState().getCurrentTransformationMatrix();
                            out.add(
                                    new double[] {
                                        m.getScalingFactorX() * 25.4 / 72,
                                        m.getScalingFactorY() * 25.4 / 72
                                    });
                        }
                        super.processOperator(op, operands);
                    }
                };
        reader.addOperator(new Concatenate(reader));
        reader.addOperator(new Save(reader));
        reader.addOperator(new Restore(reader));
        reader.addOperator(new DrawObject(reader));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (var page : document.getPages()) {
                reader.processPage(page);
            }
        }
        return out;
    }

    private static byte[] body(MvcTestResult r) {
        assertEquals(r.getResponse().getStatus(), 200);
        return r.getResponse().getContentAsByteArray();
    }

    private UUID measured(String name) {
        UUID job = car(name);
        UUID photo = UUID.randomUUID();
        ok(photograph(job, photo, "PROTOTYPE", Shots.prototype().jpeg()));
        StringBuilder corners = new StringBuilder();
        for (Point p : Shots.prototype().camera().corners()) {
            corners.append(corners.isEmpty() ? "" : ",")
                    .append("{\"x\":" + p.x() + ",\"y\":" + p.y() + "}");
        }
        ok(
                put(
                        "/api/photographs/" + photo + "/marks",
                        "{\"corners\":{\"points\":[" + corners + "]},\"version\":1}"));
        return job;
    }

    private static String region(UUID id, String role, String rest) {
        return """
        {"id": "%s", "name": "patch %s", "zoneKey": null, "side": "LEFT", "role": "%s", "factory": false,
         "outline": [], %s}
        """
                .formatted(id, role, role, rest);
    }

    @DataProvider
    public Object[][] papers() {
        return new Object[][] {{"A4", "FEET"}, {"LETTER", "HALF_METRES"}, {"A4", "NONE"}};
    }

    @Test(dataProvider = "papers")
    public void theSideOnTheCardMeasuresItsModelLength(String paper, String grid)
            throws IOException {
        UUID job = measured("Card " + paper + grid);
        byte[] pdf =
                body(get("/api/jobs/" + job + "/paper/card.pdf?paper=" + paper + "&grid=" + grid));
        List<double[]> found = pictures(pdf);
        assertEquals(found.size(), 1);
        assertEquals(found.getFirst()[0], 6400 / 87.1, 0.1);
        assertEquals(found.getFirst()[1], 2600 / 87.1, 0.1);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains("1:87.1, 73.5 mm long"), text);
            assertEquals(
                    document.getDocumentCatalog().getViewerPreferences().getPrintScaling(), "None");
        }
    }

    private static final int DPI = 400;

    private static double mm(int px) {
        return px * 25.4 / DPI;
    }

    /** The longest run of pixels of a colour along a line of them: its length in pixels. */
    private static int longestRun(IntUnaryOperator pixel, int count, IntPredicate like) {
        int longest = 0;
        int run = 0;
        for (int i = 0; i < count; i++) {
            run = like.test(pixel.applyAsInt(i) & 0xffffff) ? run + 1 : 0;
            longest = Math.max(longest, run);
        }
        return longest;
    }

    private static boolean dark(int rgb) {
        return (rgb & 255) < 160;
    }

    /** What a printer would put on paper: both rulers, and an outline on the side. */
    @Test(dataProvider = "papers")
    public void rulersAndOutlinesAreTrueOnTheRenderedPage(String paper, String grid)
            throws IOException {
        UUID job = measured("Rendered " + paper + grid);
        UUID piece = UUID.randomUUID();
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        "{\"regions\":["
                                + region(
                                        piece,
                                        "CUT",
                                        "\"xMm\":1742,\"yMm\":435,\"widthMm\":1742,\"heightMm\":871")
                                + "],\"version\":1}"));
        byte[] pdf = body(get("/api/jobs/" + job + "/paper/card.pdf?grid=NONE&paper=" + paper));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, DPI);
            int w = page.getWidth();
            int h = page.getHeight();
            int along = 0;
            for (int y = (int) (h - 8 * DPI / 25.4); y < h - 4 * DPI / 25.4; y++) {
                int row = y;
                along = Math.max(along, longestRun(x -> page.getRGB(x, row), w, PaperTest::dark));
            }
            int up = 0;
            for (int x = (int) (w - 7 * DPI / 25.4); x < w - 3 * DPI / 25.4; x++) {
                int column = x;
                up = Math.max(up, longestRun(y -> page.getRGB(column, y), h, PaperTest::dark));
            }
            assertEquals(mm(along), 100, 0.1);
            assertEquals(mm(up), 100, 0.1);
            // the white line under the black one is the only pure white across the side
            int middle = (int) ((26 + (435 + 435) / 87.1) * DPI / 25.4);
            int from = (int) (14 * DPI / 25.4);
            int to = (int) (80 * DPI / 25.4);
            int first = -1;
            int last = -1;
            for (int x = from; x < to; x++) {
                if ((page.getRGB(x, middle) & 0xffffff) == 0xffffff) {
                    first = first < 0 ? x : first;
                    last = x;
                }
            }
            assertTrue(first > 0, "no outline");
            assertEquals(mm(last - first + 1), 20 + 0.9 * 25.4 / 72, 0.1);
            assertEquals(mm(first), 10 + 20 - 0.45 * 25.4 / 72, 0.1);
        }
    }

    /** Letters of any script are in the file: a reader without them shows and prints the same. */
    @Test
    public void everyFaceIsInTheFile() throws IOException {
        UUID job = measured("Torfwagen Übergröße вагон 火車");
        byte[] pdf = body(get("/api/jobs/" + job + "/paper/card.pdf"));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            int faces = 0;
            for (PDPage page : document.getPages()) {
                for (COSName name : page.getResources().getFontNames()) {
                    assertTrue(page.getResources().getFont(name).isEmbedded(), name.getName());
                    faces++;
                }
            }
            assertTrue(faces >= 2, faces + " faces");
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains("Übergröße вагон 火車"), text);
        }
    }

    /** Everything on the sheet is read in order or is an artifact; pictures have words. */
    @Test
    public void theSheetIsTagged() throws IOException {
        UUID job = measured("Tagged");
        try (PDDocument document =
                Loader.loadPDF(body(get("/api/jobs/" + job + "/paper/card.pdf")))) {
            var catalog = document.getDocumentCatalog();
            assertTrue(catalog.getMarkInfo().isMarked());
            assertEquals(catalog.getLanguage(), "en");
            assertEquals(document.getDocumentInformation().getTitle(), "Bench sheet");
            var whole = (PDStructureElement) catalog.getStructureTreeRoot().getKids().getFirst();
            List<Object> parts = whole.getKids();
            int pictures = 0;
            for (Object o : parts) {
                var e = (PDStructureElement) o;
                if (e.getStructureType().equals("Figure")) {
                    pictures++;
                    assertTrue(e.getAlternateDescription().contains("at model scale"));
                }
            }
            assertTrue(pictures >= 1);
            int read = 0;
            StringBuilder letters = new StringBuilder();
            for (PDPage page : document.getPages()) {
                var extractor = new PDFMarkedContentExtractor();
                extractor.processPage(page);
                for (PDMarkedContent c : extractor.getMarkedContents()) {
                    if (c.getMCID() >= 0) {
                        assertEquals(c.getMCID(), read++, "in order, on its one page");
                        c.getContents()
                                .forEach(
                                        t ->
                                                letters.append(
                                                        t instanceof TextPosition p
                                                                ? p.getUnicode()
                                                                : ""));
                    }
                }
            }
            assertEquals(read, parts.size());
            assertEquals(
                    letters.toString().replaceAll("\\s", "").length(),
                    new PDFTextStripper().getText(document).replaceAll("\\s", "").length(),
                    "no text without a tag");
        }
    }

    /** What was measured in a region, what comes near it on the shelf, and what is to be done. */
    @Test
    public void theSheetSaysColoursBottlesAndWhatIsToBeDone() throws IOException {
        UUID job = measured("Told");
        UUID panel = UUID.randomUUID();
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        "{\"regions\":["
                                + region(
                                        panel,
                                        "MEASURE",
                                        "\"xMm\":500,\"yMm\":400,\"widthMm\":900,\"heightMm\":500")
                                + "],\"version\":1}"));
        ok(
                put(
                        "/api/jobs/" + job + "/study/effects",
                        "{\"effects\":[{\"id\":\""
                                + UUID.randomUUID()
                                + "\",\"kind\":\"RUST_STREAKS\",\"zones\":[\"left-side\"],\"strength\":3,"
                                + "\"note\":\"below the ribs\",\"marks\":\"\"}],\"version\":2}"));
        byte[] pdf = body(get("/api/jobs/" + job + "/paper/card.pdf"));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains("patch MEASURE"), text);
            assertTrue(text.matches("(?s).*L\\* \\d+ a\\* .*"), text);
            assertTrue(text.contains("rust streaks, heavy – below the ribs"), text);
            assertTrue(text.contains("left side"), text);
        }
    }

    @Test
    public void withoutAMarkedSideThereIsNoCard() {
        UUID job = car("No card");
        String said = refused(get("/api/jobs/" + job + "/paper/card.pdf"), 422);
        assertTrue(said.contains("Mark them in Study"), said);
    }

    @Test
    public void aMaskIsCutAtModelScale() {
        UUID job = car("Mask");
        UUID piece = UUID.randomUUID();
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        "{\"regions\":["
                                + region(
                                        piece,
                                        "CUT",
                                        "\"xMm\":871,\"yMm\":0,\"widthMm\":1742,\"heightMm\":871")
                                + "],\"version\":1}"));
        MvcTestResult r = get("/api/jobs/" + job + "/paper/mask.svg?kerf=0");
        String svg = text(r);
        assertTrue(svg.contains("width=\"26.000mm\" height=\"16.000mm\""), svg);
        assertTrue(svg.contains("M3.0000 3.0000"), svg);
        assertTrue(
                String.valueOf(r.getResponse().getHeader("Content-Disposition"))
                        .contains("attachment"));
        assertTrue(
                refused(get("/api/jobs/" + job + "/paper/mask.svg?kerf=3"), 422)
                        .contains("from 0 to 1 mm"));
    }

    @Test
    public void artworkIsFittedToItsPanelWithoutBeingStretched() throws IOException {
        UUID job = car("Artwork");
        UUID panel = UUID.randomUUID();
        ok(
                put(
                        "/api/jobs/" + job + "/study/regions",
                        "{\"regions\":["
                                + region(
                                        panel,
                                        "CUT",
                                        "\"xMm\":871,\"yMm\":0,\"widthMm\":1742,\"heightMm\":1742")
                                + "],\"version\":1}"));
        BufferedImage art = new BufferedImage(400, 100, BufferedImage.TYPE_INT_ARGB);
        for (int x = 40; x < 360; x++) {
            for (int y = 20; y < 80; y++) {
                art.setRGB(x, y, 0xffd04020);
            }
        }
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(art, "png", png);
        UUID id = UUID.randomUUID();
        ok(artwork(job, id, panel, png.toByteArray()));
        byte[] sheet = body(get("/api/artworks/" + id + "/sheet.pdf"));
        double[] size = pictures(sheet).getFirst();
        assertEquals(size[0], 20, 0.1);
        assertEquals(size[1], 5, 0.1);
        assertEquals(ok(get("/api/jobs/" + job + "/artworks")).size(), 1);
        assertEquals(delete("/api/artworks/" + id).getResponse().getStatus(), 204);
        assertEquals(ok(get("/api/jobs/" + job + "/artworks")).size(), 0);
        BufferedImage empty = new BufferedImage(40, 40, BufferedImage.TYPE_INT_ARGB);
        png.reset();
        ImageIO.write(empty, "png", png);
        UUID nothing = UUID.randomUUID();
        ok(artwork(job, nothing, panel, png.toByteArray()));
        assertTrue(
                refused(get("/api/artworks/" + nothing + "/sheet.pdf"), 422)
                        .contains("transparent everywhere"));
    }

    private MvcTestResult artwork(UUID job, UUID id, UUID region, byte[] file) {
        return http.put()
                .uri("/api/jobs/" + job + "/artworks/" + id + "?name=tag&region=" + region)
                .header("Host", "127.0.0.1:8420")
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .content(file)
                .exchange();
    }

    @Test
    public void aCardSpeaksAnyScript() throws IOException {
        String said = "Торфяной вагон, 泥炭車, Ξύλο, ΔE 2";
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage();
            document.addPage(page);
            PaperText letters = new PaperText(document);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                out.beginText();
                out.newLineAtOffset(50, 700);
                letters.show(out, 10, said + "\u0007\n" + "x".repeat(300));
                out.endText();
            }
            ByteArrayOutputStream file = new ByteArrayOutputStream();
            document.save(file);
            assertTrue(file.size() < 200_000, file.size() + " bytes");
            try (PDDocument back = Loader.loadPDF(file.toByteArray())) {
                String text = new PDFTextStripper().getText(back);
                assertTrue(text.contains(said), text);
                assertTrue(text.strip().endsWith("x…"), text);
            }
        }
    }
}
