package org.pendrik.app.paper;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.pendrik.app.apidocs.FileBody;
import org.pendrik.app.sides.Side;
import org.pendrik.core.paper.CardLayout;
import org.pendrik.core.paper.CutSheet;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PaperController {
    private static final String SVG = "image/svg+xml";
    private static final int MOST_BYTES = 17 * 1024 * 1024;

    private final Papers papers;
    private final Artworks artworks;

    PaperController(Papers papers, Artworks artworks) {
        this.papers = papers;
        this.artworks = artworks;
    }

    @GetMapping(
            value = "/api/jobs/{jobId}/paper/card.pdf",
            produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> card(
            @PathVariable UUID jobId,
            @RequestParam(defaultValue = "") List<Side> side,
            @RequestParam(defaultValue = "A4") CardLayout.Paper paper,
            @RequestParam(defaultValue = "FEET") BenchSheetPdf.Grid grid) {
        return file(
                papers.sheet(jobId, side, paper, grid),
                "bench-sheet.pdf",
                MediaType.APPLICATION_PDF);
    }

    @GetMapping(value = "/api/jobs/{jobId}/paper/mask.svg", produces = SVG)
    ResponseEntity<byte[]> mask(
            @PathVariable UUID jobId,
            @RequestParam(defaultValue = "") List<UUID> region,
            @RequestParam(defaultValue = "0") double kerf,
            @RequestParam(defaultValue = "PIECE") CutSheet.Kept kept) {
        return svg(papers.mask(jobId, region, kerf, kept), "mask.svg");
    }

    @GetMapping("/api/jobs/{jobId}/artworks")
    List<Artworks.Artwork> artworks(@PathVariable UUID jobId) {
        return artworks.ofJob(jobId);
    }

    @FileBody
    @PutMapping(
            value = "/api/jobs/{jobId}/artworks/{id}",
            consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    Artworks.Artwork add(
            @PathVariable UUID jobId,
            @PathVariable UUID id,
            @RequestParam UUID region,
            @RequestParam String name,
            @RequestParam(defaultValue = "0.1") double choke,
            InputStream body)
            throws IOException {
        return artworks.add(jobId, id, region, name, choke, body.readNBytes(MOST_BYTES));
    }

    @DeleteMapping("/api/artworks/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        artworks.remove(id, true);
    }

    @PostMapping("/api/artworks/{id}/restore")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restore(@PathVariable UUID id) {
        artworks.remove(id, false);
    }

    @GetMapping(value = "/api/artworks/{id}/sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> sheet(
            @PathVariable UUID id, @RequestParam(defaultValue = "A4") CardLayout.Paper paper) {
        return file(papers.artwork(id, paper), "artwork.pdf", MediaType.APPLICATION_PDF);
    }

    private static ResponseEntity<byte[]> svg(String svg, String name) {
        return file(svg.getBytes(StandardCharsets.UTF_8), name, MediaType.parseMediaType(SVG));
    }

    /** As a download: what is drawn in it is never run as a page of this server. */
    private static ResponseEntity<byte[]> file(byte[] body, String name, MediaType type) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(body);
    }
}
