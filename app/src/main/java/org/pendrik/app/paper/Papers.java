package org.pendrik.app.paper;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.JobZone;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.shelf.ColoursAtHand;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.Side;
import org.pendrik.app.study.EvenSides;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.JoinedSides;
import org.pendrik.app.study.Measuring;
import org.pendrik.app.study.Proposals;
import org.pendrik.app.study.RegionRole;
import org.pendrik.app.study.Studies;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.paper.CardLayout;
import org.pendrik.core.paper.CutSheet;
import org.pendrik.core.paper.Underlay;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.units.InvalidInput;
import org.pendrik.core.units.Watch;
import org.springframework.stereotype.Service;

/** Makes what leaves the screen. */
@Service
class Papers {
    private static final String[] HOW = {"a trace", "plain", "heavy"};

    /** ΔE00 from which a bottle on the shelf is no help for a colour. */
    private static final double WORTH_NAMING = 12;

    private final Jobs jobs;
    private final Photographs photographs;
    private final EvenSides even;
    private final Studies studies;
    private final JoinedSides joined;
    private final Proposals proposals;
    private final ColoursAtHand colours;
    private final Artworks artworks;

    Papers(
            Jobs jobs,
            Photographs photographs,
            EvenSides even,
            Studies studies,
            JoinedSides joined,
            Proposals proposals,
            ColoursAtHand colours,
            Artworks artworks) {
        this.jobs = jobs;
        this.photographs = photographs;
        this.even = even;
        this.studies = studies;
        this.joined = joined;
        this.proposals = proposals;
        this.colours = colours;
        this.artworks = artworks;
    }

    /** The sides of the prototype that are located, with what was measured on them. */
    byte[] sheet(UUID jobId, List<Side> wanted, CardLayout.Paper paper, BenchSheetPdf.Grid grid) {
        Job job = jobs.get(jobId);
        List<Photograph> shown = new ArrayList<>();
        for (Side side : wanted.isEmpty() ? List.of(Side.values()) : wanted) {
            Photograph p = photographs.leading(jobId, Role.PROTOTYPE, side);
            if (p != null && p.located() && photographs.hasFile(p.hash())) {
                shown.add(p);
            }
        }
        List<ColoursAtHand.AtHand> atHand = colours.all();
        List<BenchSheetPdf.Card> cards = new ArrayList<>();
        List<BenchSheetPdf.Entry> entries = new ArrayList<>();
        for (Photograph p : shown) {
            List<JobRegion> regions = regions(jobId, p.side());
            even.of(p)
                    .ifPresent(
                            flat -> {
                                cards.add(card(job, p, flat, regions));
                                String where =
                                        shown.size() < 2 ? "" : ", " + p.side().label(job.kind());
                                entries.addAll(entries(p, flat, regions, atHand, where));
                            });
        }
        if (cards.isEmpty()) {
            throw new InvalidInput(
                    "Bench sheet",
                    "no side",
                    "needs a photograph of the prototype with its corners marked",
                    "Mark them in Study.");
        }
        return BenchSheetPdf.of(
                new BenchSheetPdf.Content(cards, entries, ticks(jobId), job.note()), paper, grid);
    }

    /** In the order in which Study numbers them. */
    private List<JobRegion> regions(UUID jobId, Side side) {
        return studies.of(jobId).regions().stream().filter(r -> r.side() == side).toList();
    }

    private BenchSheetPdf.Card card(Job job, Photograph p, FlatSide side, List<JobRegion> regions) {
        List<BenchSheetPdf.Outlined> outlined = new ArrayList<>();
        for (int i = 0; i < regions.size(); i++) {
            JobRegion r = regions.get(i);
            if (r.role() == RegionRole.MEASURE || r.role() == RegionRole.CUT) {
                outlined.add(new BenchSheetPdf.Outlined("" + (i + 1), outline(r, 1)));
            }
        }
        return new BenchSheetPdf.Card(
                job.name() + ", " + p.side().label(job.kind()),
                joined.together(p, side),
                side.pxPerMm(),
                job.scaleRatio(),
                outlined);
    }

    private List<BenchSheetPdf.Entry> entries(
            Photograph p,
            FlatSide side,
            List<JobRegion> regions,
            List<ColoursAtHand.AtHand> atHand,
            String where) {
        Measuring.Measured m = joined.measure(p, side, Watch.NOBODY);
        List<Proposals.EffectProposal> seen =
                proposals.of(p.id()).map(Proposals.Proposed::effects).orElse(List.of());
        List<BenchSheetPdf.Entry> out = new ArrayList<>();
        for (Measuring.Coloured c : m.colours()) {
            Lab lab = c.colour().median();
            List<String> lines = new ArrayList<>();
            lines.add(
                    String.format(
                            Locale.ROOT,
                            "L* %.0f a* %.0f b* %.0f ± %.1f%s",
                            lab.l(),
                            lab.a(),
                            lab.b(),
                            c.colour().plusMinus(),
                            c.region().factory() ? ", factory colour" : ""));
            ColoursAtHand.nearest(atHand, lab)
                    .filter(a -> a.deltaE00(lab) <= WORTH_NAMING)
                    .ifPresent(
                            a ->
                                    lines.add(
                                            String.format(
                                                    Locale.ROOT,
                                                    "nearest %s: %s, ΔE00 %.1f",
                                                    a.recipe() ? "recipe" : "bottle",
                                                    a.name(),
                                                    a.deltaE00(lab))));
            for (Proposals.EffectProposal e : seen) {
                if (e.regionId().equals(c.region().id())) {
                    lines.add(e.label() + ", " + HOW[e.strength() - 1] + ": " + e.why());
                    if (!e.marks().isEmpty()) {
                        lines.add("  " + e.marks());
                    }
                }
            }
            out.add(
                    new BenchSheetPdf.Entry(
                            "" + (regions.indexOf(c.region()) + 1),
                            c.region().name(),
                            where,
                            Srgb.toPixel(lab),
                            lines));
        }
        return out;
    }

    private List<BenchSheetPdf.Tick> ticks(UUID jobId) {
        Map<String, String> names =
                jobs.zones(jobId).stream()
                        .collect(Collectors.toMap(JobZone::zoneKey, JobZone::name));
        return studies.of(jobId).effects().stream()
                .map(
                        e ->
                                new BenchSheetPdf.Tick(
                                        e.kind().label()
                                                + ", "
                                                + HOW[e.strength() - 1]
                                                + (e.note().isBlank() ? "" : " – " + e.note()),
                                        e.zones().keys().stream()
                                                .map(k -> names.getOrDefault(k, k))
                                                .collect(Collectors.joining(", "))))
                .toList();
    }

    /** Regions as pieces at model scale; without a choice, those that are for cutting. */
    String mask(UUID jobId, List<UUID> wanted, double kerfMm, CutSheet.Kept kept) {
        double ratio = jobs.get(jobId).scaleRatio();
        List<CutSheet.Piece> pieces =
                studies.of(jobId).regions().stream()
                        .filter(
                                r ->
                                        wanted.isEmpty()
                                                ? r.role() == RegionRole.CUT
                                                : wanted.contains(r.id()))
                        .filter(r -> r.role() != RegionRole.EDGE)
                        .map(r -> new CutSheet.Piece(r.name(), outline(r, ratio)))
                        .toList();
        return CutSheet.of(pieces, kerfMm, kept).svg();
    }

    private static List<Point> outline(JobRegion r, double ratio) {
        List<Point> prototype =
                r.outline().isEmpty()
                        ? List.of(
                                new Point(r.xMm(), r.yMm()),
                                new Point(r.xMm() + r.widthMm(), r.yMm()),
                                new Point(r.xMm() + r.widthMm(), r.yMm() + r.heightMm()),
                                new Point(r.xMm(), r.yMm() + r.heightMm()))
                        : r.outline();
        return prototype.stream().map(p -> new Point(p.x() / ratio, p.y() / ratio)).toList();
    }

    /** Artwork fitted into its region without being stretched, and the outline of its white. */
    byte[] artwork(UUID id, CardLayout.Paper paper) {
        Artworks.Artwork a = artworks.get(id);
        JobRegion r = artworks.region(a.jobId(), a.regionId());
        double ratio = jobs.get(a.jobId()).scaleRatio();
        Raster art = artworks.picture(a);
        double width =
                Math.min(r.widthMm() / ratio, r.heightMm() / ratio * art.width() / art.height());
        List<List<Point>> white = Underlay.outline(art, width, a.chokeMm());
        if (white.isEmpty()) {
            throw new InvalidInput(
                    "Artwork " + a.name(),
                    "as it is",
                    "is transparent everywhere, or vanishes under the choke",
                    "Choose a picture with something in it, or a choke of 0.");
        }
        BufferedImage image =
                new BufferedImage(art.width(), art.height(), BufferedImage.TYPE_INT_ARGB);
        image.setRGB(0, 0, art.width(), art.height(), art.argb(), 0, art.width());
        return ArtworkPdf.of(
                Optional.of(a.name()).filter(n -> !n.isBlank()).orElse("Artwork"),
                image,
                width,
                white,
                paper);
    }
}
