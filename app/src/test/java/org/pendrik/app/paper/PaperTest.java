package org.pendrik.app.paper;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
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
import org.apache.pdfbox.text.PDFTextStripper;
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
