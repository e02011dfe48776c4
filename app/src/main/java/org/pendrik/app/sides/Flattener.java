package org.pendrik.app.sides;

import java.util.Locale;
import org.pendrik.core.colour.GreyBalance;
import org.pendrik.core.colour.Lab;
import org.pendrik.core.colour.Srgb;
import org.pendrik.core.photo.CylinderUnwrapper;
import org.pendrik.core.photo.Lens;
import org.pendrik.core.photo.LensFit;
import org.pendrik.core.photo.Point;
import org.pendrik.core.photo.Raster;
import org.pendrik.core.photo.Region;
import org.pendrik.core.photo.RegionSampler;
import org.pendrik.core.photo.SideGeometry;
import org.pendrik.core.photo.SideRectifier;
import org.pendrik.core.units.InvalidInput;

/** Lays a side flat by what is marked on its photograph. */
public final class Flattener {
    private Flattener() {}

    /**
     * Where the side lies, checked.
     *
     * @throws InvalidInput when the marks are missing or cannot belong to a side
     */
    public static FlatSide.Fit locate(MarkedSide m) {
        return m.size().curve() == null ? plane(m) : shell(m);
    }

    /**
     * The side laid flat.
     *
     * @param fit where it lies
     * @param light takes out the light, as {@link #light} tells it
     * @param mostPx pixels along it, at most {@link FlatSide#WORKING_WIDTH_PX}
     */
    public static FlatSide flat(
            MarkedSide m,
            FlatSide.Fit fit,
            WholePicture picture,
            GreyBalance light,
            double mostPx) {
        SideSize size = m.size();
        double pxPerMm =
                Math.min(
                        Math.min(mostPx, FlatSide.WORKING_WIDTH_PX) / size.lengthMm(),
                        Math.sqrt(FlatSide.MOST_PIXELS / (size.lengthMm() * size.heightMm())));
        Raster raster = fit.geometry().flat(picture.raster(), picture.step(), pxPerMm);
        return new FlatSide(
                m,
                fit,
                raster,
                pxPerMm,
                light,
                card(m, fit),
                FlatSide.AS_IT_FELL,
                picture.colourless());
    }

    private static FlatSide.Fit plane(MarkedSide m) {
        return switch (found(m)) {
            case SideRectifier.Outcome.Found f -> {
                SideGeometry g = f.geometry();
                yield new FlatSide.Fit(
                        g, g.residualMm(), g.worstMm(), g.slipMm(), g.finestPxPerMm());
            }
            case SideRectifier.Outcome.Refused r ->
                    throw new InvalidInput(
                            m.corners() == null ? "Known points and lines" : "Corners",
                            "as marked",
                            "do not make a side: " + lower(r.reason()),
                            r.remedy());
        };
    }

    private static SideRectifier.Outcome found(MarkedSide m) {
        SideSize size = m.size();
        if (m.corners() != null) {
            return SideRectifier.locate(
                    m.corners().points(),
                    Marks.marks(m.known()),
                    size.length(),
                    size.height(),
                    lens(m));
        }
        if (Marks.needed(m.known(), m.level()).isPresent()) {
            throw new InvalidInput(
                    "Corners", "none", "are needed on a flat side", "Mark its four corners.");
        }
        return SideRectifier.locateByParts(
                Marks.marks(m.known()),
                Marks.lines(m.level()),
                size.length(),
                size.height(),
                lens(m));
    }

    private static FlatSide.Fit shell(MarkedSide m) {
        if (m.shell() == null) {
            throw new InvalidInput(
                    "End circles",
                    "not marked",
                    "are needed on a curved side",
                    "Mark three places on each end circle.");
        }
        return switch (CylinderUnwrapper.locate(
                m.shell().marks(), m.size().shell(), lens(m), m.focalPx())) {
            case CylinderUnwrapper.Outcome.Found f -> {
                double finest = f.shell().pxPerMm(m.size().lengthMm() / 2, m.size().heightMm() / 2);
                double off = f.residualPx() / finest;
                yield new FlatSide.Fit(f.shell(), off, off, 1 / finest, finest);
            }
            case CylinderUnwrapper.Outcome.Refused r ->
                    throw new InvalidInput(
                            "End circles",
                            "as marked",
                            "do not make a shell: " + lower(r.reason()),
                            r.remedy());
        };
    }

    /** The lens that the straight lines tell; a straight one when none are marked. */
    public static Lens lens(MarkedSide m) {
        if (m.lines() == null || m.lines().lines().isEmpty()) {
            return Lens.straight(m.widthPx(), m.heightPx());
        }
        return switch (LensFit.fit(m.lines().lines(), m.widthPx(), m.heightPx())) {
            case LensFit.Outcome.Found f -> f.lens();
            case LensFit.Outcome.Refused r ->
                    throw new InvalidInput(
                            "Straight lines", "as marked", lower(r.reason()), r.remedy());
        };
    }

    private static String lower(String sentence) {
        String s = sentence.substring(0, 1).toLowerCase(Locale.ROOT) + sentence.substring(1);
        return s.endsWith(".") ? s.substring(0, s.length() - 1) : s;
    }

    /** Where the level of the light is taken: on the patch of a flat side, else in the middle. */
    private static Point card(MarkedSide m, FlatSide.Fit fit) {
        Marks.GreyPatch g = m.grey();
        return g != null && fit.geometry() instanceof SideGeometry s
                ? s.toSide(new Point(g.x() + g.width() / 2.0, g.y() + g.height() / 2.0))
                : new Point(m.size().lengthMm() / 2, m.size().heightMm() / 2);
    }

    /**
     * What takes out the light of a photograph.
     *
     * @param grey the patch of known colour in it
     * @throws InvalidInput when the patch is too bright, too dark or too small
     */
    public static GreyBalance light(Marks.GreyPatch grey, WholePicture d) {
        // the sampler works on any picture with a scale: here one "mm" is one photograph pixel
        Region patch = new Region("grey card", grey.x(), grey.y(), grey.width(), grey.height());
        double[] mean =
                RegionSampler.meanLinear(d.raster(), 1.0 / d.step(), patch)
                        .filter(c -> c[0] > 0 && c[1] > 0 && c[2] > 0)
                        .orElseThrow(
                                () ->
                                        new InvalidInput(
                                                "Grey card",
                                                "as marked",
                                                "is too bright, too dark or too small to measure",
                                                "Mark an evenly lit part of it, away from glare."));
        Lab known =
                grey.is().levelTold()
                        ? grey.known()
                        : asLightAsItIs(Srgb.linearToLab(mean[0], mean[1], mean[2]), grey.known());
        return GreyBalance.of(mean[0], mean[1], mean[2], known).by(grey.is());
    }

    private static Lab asLightAsItIs(Lab seen, Lab known) {
        return new Lab(seen.l(), known.a(), known.b());
    }
}
