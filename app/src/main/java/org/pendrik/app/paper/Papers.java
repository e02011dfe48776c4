package org.pendrik.app.paper;

import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.pendrik.app.job.Job;
import org.pendrik.app.job.Jobs;
import org.pendrik.app.photograph.Photograph;
import org.pendrik.app.photograph.Photographs;
import org.pendrik.app.photograph.Role;
import org.pendrik.app.photograph.Sides;
import org.pendrik.app.sides.FlatSide;
import org.pendrik.app.sides.Side;
import org.pendrik.app.study.JobRegion;
import org.pendrik.app.study.Measuring;
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
    private final Jobs jobs;
    private final Photographs photographs;
    private final Measuring measuring;
    private final Studies studies;
    private final Sides sides;
    private final Artworks artworks;

    Papers(
            Jobs jobs,
            Photographs photographs,
            Measuring measuring,
            Studies studies,
            Sides sides,
            Artworks artworks) {
        this.jobs = jobs;
        this.photographs = photographs;
        this.measuring = measuring;
        this.studies = studies;
        this.sides = sides;
        this.artworks = artworks;
    }

    /** The sides of the prototype that are located, one card each. */
    byte[] cards(UUID jobId, List<Side> wanted, CardLayout.Paper paper, SideCardPdf.Grid grid) {
        Job job = jobs.get(jobId);
        List<SideCardPdf.Card> cards = new ArrayList<>();
        for (Side side : wanted.isEmpty() ? List.of(Side.values()) : wanted) {
            Photograph p = photographs.leading(jobId, Role.PROTOTYPE, side);
            if (p != null) {
                sides.of(p).map(s -> card(job, p, s)).ifPresent(cards::add);
            }
        }
        if (cards.isEmpty()) {
            throw new InvalidInput(
                    "Side card",
                    "no side",
                    "needs a photograph of the prototype with its corners marked",
                    "Mark them in Study.");
        }
        return SideCardPdf.of(cards, paper, grid);
    }

    private SideCardPdf.Card card(Job job, Photograph p, FlatSide side) {
        List<SideCardPdf.Chip> chips = new ArrayList<>();
        measuring
                .measure(p.id(), Watch.NOBODY)
                .ifPresent(
                        m ->
                                m.colours()
                                        .forEach(
                                                c ->
                                                        chips.add(
                                                                chip(
                                                                        c.region().name(),
                                                                        c.colour().median()))));
        return new SideCardPdf.Card(
                job.name() + ", " + p.side().label(job.kind()),
                side.inNeutralLight(),
                side.pxPerMm(),
                job.scaleRatio(),
                chips,
                job.note());
    }

    private static SideCardPdf.Chip chip(String name, Lab c) {
        String shown = name.length() > 18 ? name.substring(0, 17) + "." : name;
        return new SideCardPdf.Chip(
                shown,
                Srgb.toPixel(c),
                String.format(Locale.ROOT, "L %.0f a %.0f b %.0f", c.l(), c.a(), c.b()));
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
        return SideCardPdf.artwork(
                Optional.of(a.name()).filter(n -> !n.isBlank()).orElse("Artwork"),
                image,
                width,
                white,
                paper);
    }
}
