package org.pendrik.core.plan;

import static org.pendrik.core.plan.Practitioner.job;
import static org.pendrik.core.plan.Practitioner.parts;
import static org.pendrik.core.plan.Practitioner.rest;
import static org.pendrik.core.plan.Practitioner.says;
import static org.pendrik.core.plan.Practitioner.worst;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.catalogue.Errand;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Face;
import org.pendrik.core.film.Finding;
import org.pendrik.core.film.Finding.Rule;
import org.pendrik.core.film.Finding.Severity;
import org.testng.annotations.Test;

/**
 * Whole jobs of people who do this for years, each planned in the order in which they do it, and
 * what they would be warned of when they did it otherwise.
 */
public class PractitionersJobsTest {
    private static final Substrate BARE = Substrate.BARE;
    private static final Substrate FACTORY = Substrate.FACTORY_SEMI_GLOSS;
    private static final Substrate FLAT = Substrate.FACTORY_FLAT;
    private static final Substrate GLASS = Substrate.GLAZING;
    private static final int DAY = 1440;

    private static void warns(List<Finding> found, Rule rule, Severity least) {
        Optional<Severity> w = worst(found, rule);
        assertTrue(
                w.isPresent() && w.get().compareTo(least) >= 0,
                rule + " should be at least " + least + " in " + found);
    }

    /** Something at least as bad is said, by whatever rule. */
    private static void speaks(List<Finding> found, Severity least) {
        assertTrue(
                found.stream().anyMatch(f -> f.severity().compareTo(least) >= 0),
                "at least " + least + " in " + found);
    }

    private static void holds(List<Finding> found) {
        assertTrue(found.stream().allMatch(f -> f.severity() == Severity.NOTE), found.toString());
    }

    @Test
    public void aLoadingStagePlateIsScuffedBackToRust() {
        Practitioner.Plan p =
                job().up(BARE, "deck")
                        .sides(BARE, "edges")
                        .wants(
                                e -> e.in(Tones.inRounds("detail-black", "rust-dark")),
                                EffectKind.REPAINT,
                                2,
                                "deck",
                                "edges")
                        .wants(
                                e ->
                                        e.in(Tones.of("base-plank-grey"))
                                                .made(Made.by("release-on-paint")),
                                EffectKind.CHIPS,
                                3,
                                "deck",
                                "edges")
                        .wants(EffectKind.JOINT_SHADE, 2, "edges")
                        .wants(EffectKind.DECAL, 2, "edges")
                        .own("wait", rest("a day, to be sure", DAY), 0)
                        .between("e0:base-coat-again", "e1:release-coat")
                        .plan();
        p.on("deck", "prime", "base-coat", "base-coat", "release-coat", "chip-top", "final-flat");
        p.inOrder("e0:base-coat-again", "o0", "e1:release-coat", "e1:wet-chip", "e3:decal");
        // the layer takes its top within the hour, and the chipping follows the same afternoon
        p.waits("e1:release-coat", "e1:chip-top", 5, 60);
        p.waits("e1:chip-top", "e1:wet-chip", 5, 166);
        p.waits("e0:base-coat-again", "e1:release-coat", DAY, DAY + 60);
        assertTrue(p.reason("e1:chip-top").contains("heavy"), p.reason("e1:chip-top"));
        warns(p.ifAfter("e1:wet-chip", "e1:chip-top", 1), Rule.WINDOW, Severity.STOP);
        warns(p.ifAfter("e1:wet-chip", "e1:chip-top", DAY), Rule.TOO_LITTLE, Severity.STOP);
        warns(
                p.ifThen("e0:base-coat-again", 5, "release-coat", "hairspray", "deck"),
                Rule.WET,
                Severity.WARN);
        // decals that lie before the water comes
        warns(
                job().up(BARE, "deck")
                        .lies("base-coat", "rust-dark", 2 * DAY, "deck")
                        .lies("release-coat", "hairspray", 120, "deck")
                        .lies("chip-top", "base-plank-grey", 60, "deck")
                        .lies("decal", "decal-film", 30, "deck")
                        .ifNow("wet-chip", "water", "deck"),
                Rule.REACH,
                Severity.WARN);
    }

    @Test
    public void aHoopedVatGetsItsPowderWipedAndItsBounce() {
        Practitioner.Plan p =
                job().school("applicator", "cans")
                        .sides(FACTORY, "hoops", "vat")
                        .up(FLAT, "planks")
                        .sides(FLAT, "plank-ends", "flat-side", "wheels")
                        .down(FLAT, "below")
                        .own("parts-off", parts("lamp board"), -1, "vat")
                        .wants(
                                e ->
                                        e.in(Tones.together("powder-warm-soot", "powder-chalk"))
                                                .made(Made.by("powder")),
                                EffectKind.JOINT_SHADE,
                                2,
                                "hoops",
                                "vat")
                        .wants(
                                e -> e.in(Tones.together("powder-earth", "powder-warm-soot")),
                                EffectKind.POWDER,
                                1,
                                "planks",
                                "flat-side")
                        .wants(
                                e -> e.in(Tones.of("detail-brown")),
                                EffectKind.DETAILS,
                                2,
                                "plank-ends")
                        .wants(
                                e -> e.in(Tones.of("powder-warm-soot")),
                                EffectKind.POWDER,
                                2,
                                "hoops",
                                "flat-side")
                        .wants(
                                e -> e.in(Tones.of("can-earth")).at(Phase.AFTER_FLAT),
                                EffectKind.DUST,
                                2,
                                "flat-side",
                                "below")
                        .wants(EffectKind.WHEEL_FACES, 2, "wheels")
                        .plan();
        p.inOrder("o0", "e0:powder-crevice", "e0:wipe-powder", "e3:powder", "can-final");
        p.inOrder("can-final", "e4:bounce-dust", "reassemble");
        assertEquals(p.act("reassemble").errand().parts(), List.of("lamp board"));
        // powder never lies on the gloss
        assertTrue(p.on("vat").getFirst().equals("can-matte"), p.toString());
        p.waits("e0:powder-crevice-again", "e0:wipe-powder", 0, 30).withinDays(0.5);
        warns(
                job().sides(FACTORY, "vat").ifNow("powder", "powder-earth", "vat"),
                Rule.TOOTH,
                Severity.WARN);
    }

    @Test
    public void aLimeCartFlakesFromTimberAndKeepsItsIron() {
        Practitioner.Plan p =
                job().sides(BARE, "outside", "ironwork")
                        .up(BARE, "inside")
                        .own("build", says("pare the plates off, build it square, lever off"), -1)
                        .own("handle", says("a stick as handle"), -1)
                        .wants(
                                e -> e.in(Tones.of("detail-brown")),
                                EffectKind.REPAINT,
                                2,
                                "outside",
                                "inside",
                                "ironwork")
                        .wants(
                                e ->
                                        e.in(Tones.of("dry-buff"))
                                                .made(Made.by("dry"))
                                                .at(Phase.WITH_PAINT),
                                EffectKind.HIGHLIGHTS,
                                2,
                                "outside",
                                "inside")
                        .wants(
                                e ->
                                        e.in(Tones.of("base-moor-green"))
                                                .made(Made.by("release-on-paint")),
                                EffectKind.CHIPS,
                                3,
                                "outside")
                        .pin("e1:dry-brush", "e2:release-coat")
                        .wants(
                                e -> e.in(Tones.of("detail-black")).at(Phase.BEFORE_DIRT),
                                EffectKind.DETAILS,
                                2,
                                "ironwork")
                        .wants(
                                e -> e.made(Made.by("wipe")),
                                EffectKind.GRIME,
                                2,
                                "outside",
                                "inside",
                                "ironwork")
                        .wants(
                                e -> e.in(Tones.of("dry-light-grey")).made(Made.by("dry")),
                                EffectKind.HIGHLIGHTS,
                                1,
                                "ironwork")
                        .wants(e -> e.at(Phase.AFTER_DIRT), EffectKind.DECAL, 2, "outside")
                        .wants(
                                e -> e.in(Tones.of("powder-rust")).made(Made.by("loose")),
                                EffectKind.POWDER,
                                2,
                                "ironwork")
                        .own("parts-on", parts("wheels", "lever"), -1, "ironwork")
                        .between("e6:decal-soften", "e7:powder-last")
                        .plan();
        p.inOrder("o0", "o1", "e0:prime", "e0:base-coat", "e1:dry-brush", "e2:release-coat");
        p.inOrder("e2:wet-chip", "e4:dab-wash", "e6:decal", "o2", "final-flat", "e7:powder-last");
        p.waits("e4:dab-wash", "e4:wipe-wet", 0, 15).withinDays(3);
        // number late: local gloss in front of it
        p.inOrder("e4:wipe-wet", "e6:decal+seal-gloss", "e6:decal");
        speaks(p.ifAfter("e4:wipe-wet", "e4:dab-wash", 180), Severity.WARN);
        warns(
                job().sides(BARE, "outside").ifNow("base-coat", "base-moor-green", "outside"),
                Rule.NO_KEY,
                Severity.WARN);
    }

    @Test
    public void twoFishVansShareTheirLetteringSheet() {
        Practitioner.Plan p =
                job().sides(FACTORY, "left", "right", "doors", "trucks")
                        .up(FACTORY, "roof")
                        .wants(
                                e -> e.in(Tones.of("base-kiln-red")),
                                EffectKind.REPAINT,
                                2,
                                "left",
                                "right",
                                "doors")
                        .own("print-sheet", rest("print; the ink dries overnight", 720), -1, "left")
                        .between("e0:base-coat", "")
                        .own("seal-sheet", rest("", 120), -1, "left")
                        .between("o0", "e1:white-underlay")
                        .wants(EffectKind.HOME_DECAL, 3, "left", "right")
                        .wants(
                                e -> e.in(Tones.of("oil-fresh-rust")),
                                EffectKind.RUST_STREAKS,
                                2,
                                "left",
                                "right")
                        .wants(
                                e -> e.in(Tones.of("pencil-rust")).made(Made.by("pencil")),
                                EffectKind.RUST_SPOTS,
                                3,
                                "doors")
                        .wants(EffectKind.PATCH, 2, "left", "right")
                        .wants(
                                e -> e.made(Made.by("decal")).at(Phase.AFTER_RUST),
                                EffectKind.GRAFFITI,
                                1,
                                "right")
                        .wants(
                                e ->
                                        e.in(Tones.together("oil-rust-thick", "powder-rust"))
                                                .made(Made.by("oil-powder"))
                                                .at(Phase.AFTER_RUST),
                                EffectKind.HEAVY_RUST,
                                3,
                                "roof")
                        .wants(EffectKind.TRUCK_TONES, 2, "trucks")
                        .plan();
        p.inOrder("e0:base-coat", "o0", "o1", "e1:decal-home", "e2:oil-streak", "e4:mask-patch");
        p.inOrder("e4:decal", "e5:decal-home", "final-flat");
        // ink and the sheet's clear are dry before water comes to it
        p.waits("o0", "o1", 720, 5000).waits("o1", "e1:decal-home", 120, 5000);
        // the long wait of the oil lies between the runs and the gloss of the patch
        p.waits("e2:draw-down", "e4:mask-patch", 2 * DAY, 4 * DAY);
        p.inOrder("e6:roof-rust", "e6:powder-into-oil");
        warns(
                p.ifThen("e2:draw-down", 300, "seal-gloss", "clear-gloss", "left"),
                Rule.TRAPPED,
                Severity.STOP);
        warns(
                job().sides(FLAT, "left").ifNow("decal", "decal-film", "left"),
                Rule.TOOTH,
                Severity.WARN);
    }

    @Test
    public void aMessCoachIsDampOverItsGloss() {
        Practitioner.Plan p =
                job().zone("left", FACTORY, Face.SIDE, true)
                        .zone("right", FACTORY, Face.SIDE, true)
                        .ends(FACTORY, "ends")
                        .up(FACTORY, "roof")
                        .down(FACTORY, "underframe")
                        .lies("seal-gloss", "clear-gloss", 5 * DAY, "left", "right", "ends", "roof")
                        .wants(
                                e ->
                                        e.in(
                                                        Tones.together(
                                                                "streak-enamel-rust",
                                                                "wash-warm-brown"))
                                                .made(Made.by("enamel-plain")),
                                EffectKind.RUST_SPOTS,
                                2,
                                "left",
                                "right",
                                "ends")
                        .wants(
                                e -> e.at(Phase.AFTER_RUST),
                                EffectKind.ROAD_DIRT,
                                2,
                                "left",
                                "right",
                                "ends",
                                "roof")
                        .wants(
                                e -> e.at(Phase.AFTER_RUST),
                                EffectKind.ROAD_DIRT,
                                1,
                                "left",
                                "right",
                                "ends",
                                "roof")
                        .plan();
        p.inOrder("e0:rust-spots", "e0:rust-spots-again", "e0:blend-spots", "e1:dirt-mist");
        p.inOrder("e1:draw-alcohol", "e2:dirt-mist", "e2:draw-alcohol");
        // the enamel has its day before water-borne dirt comes
        p.waits("e0:blend-spots", "e1:dirt-mist", 16 * 60, 2 * DAY);
        p.without("seal-satin", "seal-gloss");
        assertTrue(
                p.acts().stream().noneMatch(a -> a.zones().contains("underframe")), p.toString());
        warns(p.ifAfter("e1:dirt-mist", "e0:blend-spots", 180), Rule.TRAPPED, Severity.WARN);
        warns(p.ifAfter("e1:draw-alcohol", "e1:dirt-mist", DAY), Rule.TOO_LITTLE, Severity.STOP);
        warns(
                p.ifThen("e0:blend-spots", 10, "take-back-wipe", "cleaner-ammonia", "left"),
                Rule.REACH,
                Severity.STOP);
    }

    @Test
    public void theGearOfAYardCraneIsShadedOverEnamel() {
        Practitioner.Plan p =
                job().sides(FLAT, "frames", "gear")
                        .lies("base-coat", "base-oxide-enamel", 3 * DAY, "frames", "gear")
                        .school("grime", "acrylic")
                        .school("last-clear", "none")
                        .wants(EffectKind.GRIME, 2, "frames", "gear")
                        .plan();
        // no barrier, rubbed when it is dry and not before
        p.on("frames", "sludge-wash").times("rub-off", 1);
        p.waits("e0:sludge-wash", "e0:rub-off", 0, 40).withinDays(0.1);
        assertTrue(
                p.act("e0:rub-off").beginOn("frames") - p.act("e0:sludge-wash").endOn("frames")
                        >= 20);
        speaks(p.ifAfter("e0:rub-off", "e0:sludge-wash", 300), Severity.WARN);
        // spirit while the enamel is young
        warns(
                job().sides(FLAT, "frames")
                        .lies("base-coat", "base-oxide-enamel", 300, "frames")
                        .ifNow("grime-wash", "grime-enamel", "frames"),
                Rule.REACH,
                Severity.WARN);
    }

    @Test
    public void aBinWagonForACustomerBleachesAndRusts() {
        Made sprayed = Made.by("mist").appliedWith("airbrush").thinnedWith("alcohol-95");
        Practitioner.Plan p =
                job().zone("left", FACTORY, Face.SIDE, true)
                        .zone("right", FACTORY, Face.SIDE, true)
                        .ends(FACTORY, "ends")
                        .up(FACTORY, "roof", "walkway")
                        .down(FACTORY, "below")
                        .school("ends", "packed")
                        .school("applicator", "cans")
                        .wants(
                                e -> e.in(Tones.of("fade-chalk")).made(sprayed),
                                EffectKind.FADE,
                                3,
                                "left",
                                "right",
                                "ends",
                                "roof")
                        .wants(
                                e -> e.made(Made.by("alcohol")),
                                EffectKind.GRIME,
                                3,
                                "ends",
                                "below",
                                "roof")
                        .wants(
                                e -> e.made(Made.by("alcohol")),
                                EffectKind.GRIME,
                                1,
                                "left",
                                "right")
                        .wants(
                                e ->
                                        e.in(Tones.together("oil-fresh-rust", "oil-old-rust"))
                                                .made(Made.by("oil-plain")),
                                EffectKind.RUST_SPOTS,
                                2,
                                "left",
                                "right")
                        .wants(
                                e -> e.in(Tones.of("oil-umber")),
                                EffectKind.DIRT_STREAKS,
                                1,
                                "left",
                                "right")
                        .wants(
                                e -> e.in(Tones.of("oil-rust-thick")),
                                EffectKind.HEAVY_RUST,
                                3,
                                "roof")
                        .own("approve", rest("ask the customer", 2 * DAY), -1)
                        .between("e0:mist-fade", "e1:alcohol-wash")
                        .plan();
        assertEquals(p.act("e0:mist-fade").material().key(), "fade-chalk~alcohol-95");
        p.inOrder("e0:mist-fade", "o0", "e1:alcohol-wash", "e5:roof-rust", "can-final", "pack");
        // oil beside and into oil, in one sitting
        p.inOrder("e3:blend-spots", "e4:dirt-streak");
        holds(p.ifAfter("e4:dirt-streak", "e3:blend-spots", 5));
        // days before the lacquer, and full cure before the parcel
        p.waits("e5:roof-rust", "can-final", 4 * DAY, 12 * DAY);
        p.waits("e5:roof-rust", "pack", 12 * DAY, 40 * DAY);
        warns(p.ifAfter("can-final", "e4:draw-down", DAY), Rule.TRAPPED, Severity.STOP);
        warns(p.ifAfter("pack", "can-final", DAY), Rule.SOFT, Severity.STOP);
    }

    @Test
    public void twoWellKeptRailcarsStayClean() {
        Practitioner.Plan p =
                job().sides(FACTORY, "left", "right", "tank", "trucks", "wheels", "grilles")
                        .up(FACTORY, "roof")
                        .sides(GLASS, "glass")
                        .school("windows", "clean")
                        .school("wheels", "turning")
                        .school("powder-fix", "never")
                        .school("last-clear", "none")
                        .wants(
                                e -> e.in(Tones.of("dust-buff")).at(Phase.WITH_DIRT),
                                EffectKind.DUST,
                                1,
                                "tank",
                                "roof",
                                "left",
                                "right")
                        .wants(
                                e -> e.in(Tones.inRounds("truck-grime", "truck-brown")),
                                EffectKind.TRUCK_TONES,
                                2,
                                "trucks",
                                "tank")
                        .wants(EffectKind.WHEEL_FACES, 2, "wheels")
                        .wants(
                                e -> e.made(Made.by("left")),
                                EffectKind.PANEL_LINES,
                                2,
                                "trucks",
                                "grilles")
                        .wants(
                                e -> e.in(Tones.of("powder-earth")),
                                EffectKind.POWDER,
                                1,
                                "trucks",
                                "roof")
                        .wants(EffectKind.WINDOWS, 2, "glass")
                        .plan();
        p.without("final-flat", "mask-windows");
        p.inOrder("e0:airbrush-dust", "e5:clean-glass")
                .inOrder("e1:truck-tones", "e1:truck-tones-again");
        // the glass while the liquid still moves the film
        p.inOrder("e3:panel-left", "e4:powder-last");
        warns(
                job().sides(FACTORY, "trucks").ifNow("powder", "powder-earth", "trucks"),
                Rule.TOOTH,
                Severity.WARN);
    }

    @Test
    public void aSkipHoistIsGrubbyByTomorrow() {
        Practitioner.Plan p =
                job().sides(FLAT, "hoist", "vents")
                        .ends(FLAT, "ends")
                        .school("last-clear", "none")
                        .lies("decal", "decal-film", 900, "hoist")
                        .own("scrap-test", says("how tough is this paint"), -1)
                        .wants(
                                e -> e.made(Made.by("dry")),
                                EffectKind.GRIME,
                                2,
                                "hoist",
                                "vents",
                                "ends")
                        .plan();
        // no barrier by choice, wiped within three quarters of an hour on every panel
        p.inOrder("o0", "e0:grime-wash", "e0:wipe-dry").on("vents", "grime-wash");
        for (String z : List.of("hoist", "vents", "ends")) {
            long open = p.act("e0:wipe-dry").endOn(z) - p.act("e0:grime-wash").endOn(z);
            assertTrue(open <= 45, open + " min on " + z);
        }
        p.withinDays(0.2);
        warns(p.ifAfter("e0:wipe-dry", "e0:grime-wash", 120), Rule.WINDOW, Severity.WARN);
        warns(
                p.ifThen("e0:wipe-dry", 180, "can-matte", "can-matte", "hoist"),
                Rule.TRAPPED,
                Severity.STOP);
        holds(p.ifThen("e0:wipe-dry", 30 * 60, "seal-matte", "clear-matte", "vents"));
        // the other schools say what they take: gloss first, artist oil for days
        Practitioner.Plan oil =
                job().sides(FLAT, "hoist")
                        .wants(e -> e.made(Made.by("oil")), EffectKind.GRIME, 3, "hoist")
                        .plan();
        assertTrue(oil.made().minutes() > 2 * DAY, oil.toString());
    }

    @Test
    public void aWoolVanGetsItsOtherFlank() {
        Practitioner.Plan p =
                job().sides(FLAT, "near", "far")
                        .up(FLAT, "roof", "panel")
                        .ends(FLAT, "ends")
                        .lies("stencil-graffiti", "stencil-violet", 30 * DAY, "far")
                        .lies("final-flat", "clear-matte", 29 * DAY, "far")
                        .school("applicator", "cans")
                        .wants(
                                e -> e.in(Tones.of("marker-silver")).made(Made.by("marker")),
                                EffectKind.GRAFFITI,
                                3,
                                "near")
                        .wants(
                                e ->
                                        e.in(
                                                        Tones.together(
                                                                "marker-red",
                                                                "marker-blue",
                                                                "pen-black"))
                                                .made(Made.by("marker")),
                                EffectKind.GRAFFITI,
                                3,
                                "near")
                        .wants(
                                e ->
                                        e.in(
                                                Tones.together(
                                                        "powder-warm-soot",
                                                        "powder-rust",
                                                        "powder-kiln-dust")),
                                EffectKind.POWDER,
                                3,
                                "roof",
                                "panel")
                        .wants(EffectKind.RENEWED_PANEL, 2, "panel")
                        .own(
                                "can-matte",
                                says("bind the roof before it is turned"),
                                -1,
                                "roof",
                                "panel")
                        .between("e3:wipe-panel", "o1")
                        .own("step", says("turn it onto its side"), 2, "near", "far")
                        .between("o0", "e4:powder")
                        .wants(
                                e -> e.in(Tones.of("powder-earth")),
                                EffectKind.POWDER,
                                1,
                                "near",
                                "far",
                                "ends")
                        .plan();
        // the piece is older than the dirt, and the roof is bound before the sides are powdered
        p.inOrder(
                "e0:marker",
                "e1:marker",
                "e2:powder",
                "e3:wipe-panel",
                "o0",
                "o1",
                "e4:powder",
                "can-final");
        warns(
                job().up(FLAT, "roof")
                        .sides(FLAT, "near")
                        .lies("powder", "powder-rust", 60, "roof")
                        .ifNow("truck-tones", "truck-grime", "near"),
                Rule.LOOSE,
                Severity.WARN);
        assertTrue(p.act("e0:marker").technique().texts().inspection().contains("bleed"));
        warns(
                job().sides(FACTORY, "near").ifNow("powder", "powder-earth", "near"),
                Rule.TOOTH,
                Severity.WARN);
    }

    @Test
    public void twoShuntersWearOutUnderNewOwners() {
        Practitioner.Plan p =
                job().sides(FACTORY, "hood-left", "hood-right", "trucks")
                        .up(FACTORY, "top")
                        .zone("lettering", FACTORY, Face.SIDE, true)
                        .sides(GLASS, "glass")
                        .own("parts-off", parts("body", "walkways", "tank"), -1)
                        .wants(EffectKind.WINDOWS, 2, "glass")
                        .wants(
                                e -> e.in(Tones.of("base-moor-green")).at(Phase.WITH_LETTERING),
                                EffectKind.WORN_LETTERING,
                                2,
                                "lettering")
                        .wants(
                                e ->
                                        e.in(Tones.together("oil-white", "oil-buff", "oil-grey"))
                                                .made(Made.by("dots")),
                                EffectKind.FADE,
                                3,
                                "hood-left",
                                "hood-right",
                                "top",
                                "lettering")
                        .wants(EffectKind.PANEL_LINES, 2, "hood-left", "hood-right")
                        .wants(
                                e ->
                                        e.in(Tones.together("chip-primer-grey", "chip-rust-brown"))
                                                .made(Made.by("brush"))
                                                .inSet("chipped doors"),
                                EffectKind.CHIPS,
                                2,
                                "hood-left",
                                "hood-right")
                        .wants(
                                e ->
                                        e.in(Tones.of("oil-old-rust"))
                                                .made(Made.by("oil"))
                                                .inSet("chipped doors"),
                                EffectKind.RUST_STREAKS,
                                3,
                                "hood-left")
                        .own("approve", rest("pictures to the client, wait", DAY), -1)
                        .between("e4:brush-chip-again", "e6:mask-patch")
                        .wants(EffectKind.PATCH, 2, "lettering")
                        .wants(EffectKind.SOOT, 1, "top")
                        .wants(
                                e -> e.in(Tones.of("dust-buff")).at(Phase.AFTER_FLAT),
                                EffectKind.DUST,
                                1,
                                "hood-left",
                                "hood-right",
                                "trucks")
                        .plan();
        p.inOrder("o0", "e1:worn-letters", "e2:dot-filter", "e2:blend-dots", "e3:panel-wash");
        // the dots are blended at once, and then they have their days
        p.waits("e2:dot-filter-again3", "e2:blend-dots", 0, 60);
        p.waits("e2:blend-dots", "e3:panel-wash", 2 * DAY, 9 * DAY);
        p.inOrder("e4:brush-chip", "e4:brush-chip-again", "e5:oil-streak", "o1", "e6:mask-patch");
        // approval before what cannot be undone; the masks come off when nothing is sprayed any
        // more
        p.inOrder("final-flat", "e8:airbrush-dust", "e0:unmask", "reassemble");
        assertEquals(p.act("reassemble").errand().parts(), List.of("body", "walkways", "tank"));
        warns(
                p.ifThen("e2:blend-dots", 12 * 60, "seal-matte", "clear-matte", "top"),
                Rule.TRAPPED,
                Severity.STOP);
        warns(p.ifThen("e2:blend-dots", DAY, "tape", "mask-tape", "top"), Rule.SOFT, Severity.STOP);
    }

    @Test
    public void aKilnGableKeepsItsPaintedSign() {
        Practitioner.Plan p =
                job().sides(Substrate.MASONRY, "gable", "corners", "sills")
                        .sides(FLAT, "frames")
                        .up(FLAT, "canopy")
                        .sides(GLASS, "panes")
                        .lies("mortar-wash", "wash-mortar", 10 * DAY, "gable", "corners")
                        .wants(e -> e.made(Made.by("wall")), EffectKind.DECAL, 2, "gable")
                        .own("mask-windows", says("low-tack masks for every pane"), 180, "panes")
                        .between("e0:decal-soften-again3", "o1")
                        .own(
                                "seal-satin",
                                rest("satin; overnight", 720),
                                -1,
                                "gable",
                                "corners",
                                "sills",
                                "canopy",
                                "frames")
                        .between("o0", "e2:oil-streak")
                        .own("unmask", says("masks off"), -1, "panes")
                        .between("o1", "e2:oil-streak")
                        .wants(EffectKind.WINDOWS, 2, "panes")
                        .wants(
                                e -> e.in(Tones.of("oil-old-rust")).made(Made.by("oil")),
                                EffectKind.RUST_STREAKS,
                                2,
                                "canopy")
                        .wants(e -> e.made(Made.by("oil")), EffectKind.JOINT_SHADE, 2, "frames")
                        .wants(
                                e -> e.in(Tones.of("oil-umber")),
                                EffectKind.DIRT_STREAKS,
                                1,
                                "corners",
                                "sills")
                        .wants(e -> e.made(Made.by("loose")), EffectKind.POWDER, 1, "gable")
                        .plan();
        p.times("mask-windows", 2).times("unmask", 2).times("decal-soften", 3);
        p.inOrder("e0:decal-wall", "o0", "o1", "e2:oil-streak", "final-flat", "e5:powder-last");
        p.waits("o1", "e2:oil-streak", 720, 2000);
        p.waits("e2:draw-down", "final-flat", 2 * DAY, 6 * DAY);
        warns(p.ifAfter("final-flat", "e2:draw-down", 600), Rule.TRAPPED, Severity.STOP);
        // clear on bare glass
        warns(
                job().sides(FLAT, "gable")
                        .sides(GLASS, "panes")
                        .ifNow("seal-satin", "clear-satin", "gable"),
                Rule.OVERSPRAY,
                Severity.WARN);
    }

    @Test
    public void anAshSkipRustsThroughItsPaint() {
        Practitioner.Plan p =
                job().sides(FACTORY, "skip")
                        .school("last-clear", "none")
                        .wants(
                                e ->
                                        e.in(
                                                        Tones.together(
                                                                "powder-rust",
                                                                "powder-kiln-dust",
                                                                "powder-earth"))
                                                .made(Made.by("reseep")),
                                EffectKind.HEAVY_RUST,
                                3,
                                "skip")
                        .plan();
        p.inOrder(
                "e0:wet-varnish",
                "e0:powder-in-varnish",
                "e0:powder-in-varnish-again3",
                "e0:setter-top",
                "e0:chip-setter",
                "e0:rewake");
        // three powders while the varnish is wet; the thinner the same sitting as the picking
        p.waits("e0:wet-varnish", "e0:powder-in-varnish-again3", 0, 45);
        p.waits("e0:setter-top", "e0:chip-setter", 0, 240)
                .waits("e0:chip-setter", "e0:rewake", 0, 600);
        p.withinDays(3);
        assertEquals(p.act("e0:rewake").material().key(), "thinner-enamel");
        warns(
                p.ifThen("e0:wet-varnish", 120, "powder-in-varnish", "powder-rust", "skip"),
                Rule.WINDOW,
                Severity.STOP);
    }

    @Test
    public void aTarBoilerOxidisesInRainLines() {
        Practitioner.Plan p =
                job().sides(FACTORY, "boiler", "gear")
                        .school("applicator", "cans")
                        .wants(
                                e ->
                                        e.in(Tones.together("powder-chalk", "powder-warm-soot"))
                                                .made(Made.by("damp")),
                                EffectKind.POWDER,
                                2,
                                "boiler")
                        .wants(e -> e.in(Tones.of("powder-earth")), EffectKind.POWDER, 2, "gear")
                        .wants(EffectKind.SPILL, 3, "boiler")
                        .plan();
        p.inOrder(
                "e0:powder", "e0:powder-again", "e0:powder-streak", "can-final", "e2:gloss-spill");
        // flat first, gloss last
        assertEquals(p.on("boiler").getFirst(), "can-matte");
        assertEquals(p.on("boiler").getLast(), "gloss-spill");
        p.withinDays(1);
    }

    @Test
    public void aSpoilTipperIsSoldToAContractor() {
        Practitioner.Plan p =
                job().sides(BARE, "body", "frame")
                        .sides(FACTORY, "wheels")
                        .own("handle", says("clamp and turntable"), -1)
                        .wants(
                                e -> e.in(Tones.inRounds("rust-dark", "detail-brown")),
                                EffectKind.REPAINT,
                                1,
                                "body")
                        .own("can-matte", says("flat over the primer as a guard"), -1, "body")
                        .between("e0:prime", "e0:base-coat")
                        .wants(e -> e.in(Tones.of("detail-black")), EffectKind.REPAINT, 1, "frame")
                        .wants(
                                e ->
                                        e.in(Tones.of("base-moor-green"))
                                                .made(Made.by("release-brush")),
                                EffectKind.CHIPS,
                                1,
                                "body")
                        .wants(e -> e.in(Tones.of("patch-grey")), EffectKind.PAINTED_OUT, 2, "body")
                        .wants(e -> e.at(Phase.AFTER_RUST), EffectKind.DECAL, 2, "body")
                        .wants(
                                e -> e.in(Tones.of("powder-chalk")),
                                EffectKind.POWDER,
                                1,
                                "wheels",
                                "body")
                        .plan();
        p.inOrder(
                "o0",
                "e0:base-coat",
                "e0:base-coat-again",
                "e2:release-brush",
                "e2:chip-top",
                "e2:wet-chip");
        p.inOrder(
                "e2:wet-chip",
                "e3:patch-paint",
                "e4:decal+seal-gloss",
                "e4:decal",
                "e5:powder",
                "final-flat");
        // light wear: less of it is chipped
        assertTrue(p.act("e2:wet-chip").technique().share() < 0.1, p.toString());
        speaks(p.ifThen("e4:decal-soften", 30, "wet-chip", "water", "body"), Severity.STOP);
    }

    @Test
    public void aPermanentWayVanNeedsBrushesAndOneCan() {
        Practitioner.Plan p =
                job().sides(FACTORY, "rails", "sides", "frame", "footboards", "pipe")
                        .up(FACTORY, "roof")
                        .school("applicator", "cans")
                        .wants(
                                e -> e.in(Tones.of("detail-white")).at(Phase.WITH_LETTERING),
                                EffectKind.DETAILS,
                                2,
                                "rails")
                        .own("can-matte", says("flat over everything"), -1)
                        .between("e0:pick-out", "e1:dab-wash")
                        .wants(e -> e.made(Made.by("wipe")), EffectKind.GRIME, 2, "sides", "rails")
                        .wants(
                                e -> e.made(Made.by("brushed")).at(Phase.AFTER_DIRT),
                                EffectKind.DUST,
                                2,
                                "frame",
                                "footboards",
                                "sides")
                        .wants(
                                e -> e.made(Made.by("pounce")).in(Tones.of("rust-orange")),
                                EffectKind.RUST_SPOTS,
                                1,
                                "sides",
                                "frame")
                        .wants(EffectKind.SOOT, 3, "roof")
                        .wants(
                                e -> e.in(Tones.of("powder-rust")),
                                EffectKind.POWDER,
                                1,
                                "pipe",
                                "footboards")
                        .plan();
        p.inOrder("e0:pick-out", "o0", "e1:dab-wash", "e1:wipe-wet", "e2:dirt-up", "e3:pounce");
        p.inOrder("e4:powder-soot", "can-final").waits("e1:dab-wash", "e1:wipe-wet", 0, 15);
        // nothing but what was asked for, in one afternoon
        p.on("roof", "can-matte", "powder-soot", "can-final").withinDays(0.4);
        speaks(p.ifAfter("e1:wipe-wet", "e1:dab-wash", 120), Severity.WARN);
        warns(
                job().up(FACTORY, "roof").ifNow("powder-soot", "powder-warm-soot", "roof"),
                Rule.TOOTH,
                Severity.WARN);
    }

    @Test
    public void aSlidingWallVanCarriesAMuralUnderItsDirt() {
        Practitioner.Plan p =
                job().sides(FACTORY, "left", "right", "seams")
                        .ends(FACTORY, "ends")
                        .up(FACTORY, "roof")
                        .wants(
                                e ->
                                        e.in(Tones.together("stencil-yellow", "stencil-violet"))
                                                .made(Made.by("set")),
                                EffectKind.GRAFFITI,
                                3,
                                "left")
                        .wants(EffectKind.HOME_DECAL, 1, "right")
                        .wants(
                                e -> e.in(Tones.of("pen-black")).made(Made.by("marker")),
                                EffectKind.GRAFFITI,
                                1,
                                "left")
                        .wants(
                                e -> e.made(Made.by("alcohol")),
                                EffectKind.GRIME,
                                1,
                                "left",
                                "right",
                                "ends",
                                "roof")
                        .wants(
                                e ->
                                        e.in(Tones.together("powder-rust", "powder-kiln-dust"))
                                                .made(Made.by("powder")),
                                EffectKind.RUST_STREAKS,
                                1,
                                "seams")
                        .wants(EffectKind.POWDER, 2, "ends", "roof")
                        .wants(e -> e.made(Made.by("acrylic")), EffectKind.RUST_STREAKS, 1, "ends")
                        .wants(e -> e.at(Phase.AFTER_RUST), EffectKind.DECAL, 1, "left")
                        .plan();
        p.inOrder(
                "e0:stencil-ground",
                "e0:stencil-shape",
                "e0:stencil-graffiti",
                "e0:stencil-graffiti-again");
        p.inOrder("e2:marker", "e3:alcohol-wash", "e7:decal", "final-flat");
        p.inOrder("e4:wet-streak", "e4:wet-streak-again")
                .inOrder("e6:acrylic-run", "e6:tone-alcohol");
        p.waits("e6:acrylic-run", "e6:tone-alcohol", 0, 120).withinDays(2);
        // alcohol on a mural that is minutes old
        warns(
                p.ifThen("e0:stencil-graffiti-again", 5, "alcohol-wash", "wash-alcohol", "left"),
                Rule.WET,
                Severity.WARN);
        warns(
                p.ifThen("e0:stencil-ground", 1, "low-tack", "mask-film", "left"),
                Rule.SOFT,
                Severity.STOP);
        warns(
                p.ifThen("e0:stencil-ground", 12, "low-tack", "mask-film", "left"),
                Rule.SOFT,
                Severity.WARN);
    }

    @Test
    public void aFastRailcarIsBlownBlackAtItsVents() {
        Practitioner.Plan p =
                job().ends(FACTORY, "nose", "rear")
                        .up(FACTORY, "cab-roof", "roof")
                        .sides(FACTORY, "left", "doors", "frames", "boxes")
                        .sides(GLASS, "front-panes")
                        .wants(
                                e -> e.in(Tones.of("oil-white")).made(Made.by("dots")),
                                EffectKind.FADE,
                                1,
                                "nose",
                                "cab-roof")
                        .wants(EffectKind.WINDOWS, 2, "front-panes")
                        .wants(
                                e ->
                                        e.in(Tones.together("oil-umber", "oil-grey"))
                                                .made(Made.by("oil")),
                                EffectKind.JOINT_SHADE,
                                2,
                                "doors",
                                "rear")
                        .wants(e -> e.made(Made.by("brushed")), EffectKind.DUST, 2, "nose")
                        .wants(EffectKind.SOOT, 3, "roof", "cab-roof")
                        .own("parts-off", parts("body"), -1)
                        .wants(
                                e -> e.in(Tones.inRounds("truck-brown", "truck-grime")),
                                EffectKind.TRUCK_TONES,
                                2,
                                "frames")
                        .own("parts-on", parts("body"), -1)
                        .between("e5:truck-tones-again", "e6:airbrush-dust")
                        .wants(
                                e -> e.in(Tones.of("dust-peat")),
                                EffectKind.DUST,
                                1,
                                "left",
                                "rear",
                                "roof")
                        .wants(EffectKind.POWDER, 1, "boxes")
                        .own(
                                "clean-wheels",
                                says("wheels, pickups, door between the cars"),
                                -1,
                                "frames")
                        .plan();
        p.inOrder("o0", "e5:truck-tones", "o1", "e6:airbrush-dust", "final-flat", "e1:unmask");
        p.inOrder("e1:mask-windows", "e4:soot").inOrder("final-flat", "o2");
        // the days of the white oil lie between the fade and the soot over it
        p.waits("e0:blend-dots", "e4:soot", 2 * DAY, 5 * DAY);
        warns(p.ifAfter("e4:soot", "e0:blend-dots", 600), Rule.TRAPPED, Severity.STOP);
    }

    @Test
    public void aBulkheadFlatIsWornByHands() {
        Practitioner.Plan p =
                job().zone("side", FACTORY, Face.SIDE, true)
                        .up(FACTORY, "deck")
                        .sides(FACTORY, "ladders")
                        .school("last-clear", "none")
                        .lies("mist-fade", "fade-chalk", 20 * DAY, "side", "deck", "ladders")
                        .lies("grime-wash", "grime-enamel", 15 * DAY, "side", "deck", "ladders")
                        .own(
                                "seal-matte",
                                says("flat over previous work"),
                                -1,
                                "side",
                                "deck",
                                "ladders")
                        .between("", "e0:worn-letters")
                        .wants(
                                e -> e.in(Tones.of("base-kiln-red")),
                                EffectKind.WORN_LETTERING,
                                2,
                                "side")
                        .wants(
                                e -> e.in(Tones.together("chip-rust-brown", "chip-primer-grey")),
                                EffectKind.CHIPS,
                                1,
                                "side",
                                "ladders",
                                "deck")
                        .wants(
                                e ->
                                        e.in(Tones.together("rust-dark", "rust-orange"))
                                                .made(Made.by("pounce")),
                                EffectKind.RUST_SPOTS,
                                1,
                                "side",
                                "ladders")
                        .plan();
        // sponge on matte, tone over tone after minutes, no barrier between, unprotected for now
        p.on(
                "side",
                "seal-matte",
                "worn-letters",
                "sponge-chip",
                "sponge-chip",
                "pounce",
                "pounce");
        p.withinDays(0.5);
        assertTrue(p.act("e1:sponge-chip").technique().share() < 0.05);
        warns(
                job().sides(FACTORY, "side")
                        .lies("oil-wash", "oil-umber", 300, "side")
                        .ifNow("sponge-chip", "chip-rust-brown", "side"),
                Rule.TRAPPED,
                Severity.WARN);
    }

    @Test
    public void sisterShuntersGetNumbersOfTheirOwn() {
        Practitioner.Plan p =
                job().zone("hood", FACTORY, Face.SIDE, true)
                        .up(FACTORY, "top")
                        .sides(FACTORY, "trim", "trucks", "pilots")
                        .zone("number", FACTORY, Face.SIDE, true)
                        .own("parts-off", parts("rails"), -1)
                        .wants(EffectKind.STRIPPED_LETTERING, 2, "number")
                        .wants(EffectKind.DECAL, 2, "number")
                        .wants(
                                e -> e.made(Made.by("brush")),
                                EffectKind.TRUCK_TONES,
                                2,
                                "trucks",
                                "pilots")
                        .wants(
                                e -> e.made(Made.by("wash")).at(Phase.BEFORE_DIRT),
                                EffectKind.SOOT,
                                2,
                                "top",
                                "hood")
                        .wants(
                                e -> e.in(Tones.of("patch-grey")).made(Made.by("brush")),
                                EffectKind.PAINTED_OUT,
                                1,
                                "trim")
                        .wants(EffectKind.FADE, 2, "hood", "top", "trim", "number")
                        .pin("e3:soot-wash", "e5:mist-fade")
                        .pin("e4:brush-patch", "e5:mist-fade")
                        .wants(
                                e -> e.in(Tones.of("wash-sludge")).made(Made.by("left")),
                                EffectKind.JOINT_SHADE,
                                2,
                                "hood",
                                "top")
                        .wants(
                                e -> e.in(Tones.together("powder-warm-soot", "powder-earth")),
                                EffectKind.POWDER,
                                2,
                                "top",
                                "trucks",
                                "pilots")
                        .plan();
        // shade before fade, by the user's word; powder on what is flat; rails back on at the end
        p.inOrder(
                "o0",
                "e0:strip-lettering",
                "e1:decal",
                "e3:soot-wash",
                "e5:mist-fade",
                "e6:pin-left");
        p.inOrder("e4:brush-patch", "e5:mist-fade")
                .inOrder("e7:powder", "final-flat", "reassemble");
        assertEquals(p.act("reassemble").errand(), new Errand("", 0, List.of("rails")));
        warns(
                job().up(FACTORY, "top")
                        .lies("seal-gloss", "clear-gloss", DAY, "top")
                        .ifNow("powder", "powder-earth", "top"),
                Rule.TOOTH,
                Severity.WARN);
    }

    @Test
    public void aTestPlankSaysWhatAWashDoes() {
        Practitioner plank =
                job().sides(FLAT, "gloss", "satin", "matte", "enamel")
                        .school("last-clear", "none")
                        .lies("seal-gloss", "clear-gloss", 4 * DAY, "gloss")
                        .lies("seal-satin", "clear-satin", 4 * DAY, "satin")
                        .lies("seal-matte", "clear-matte", 4 * DAY, "matte")
                        .lies("base-coat", "base-oxide-enamel", 9 * DAY, "enamel");
        Practitioner.Plan p =
                plank.wants(
                                e -> e.in(Tones.of("wash-warm-brown")).made(Made.by("enamel")),
                                EffectKind.GRIME,
                                2,
                                "gloss",
                                "satin",
                                "matte",
                                "enamel")
                        .wants(
                                e -> e.made(Made.by("acrylic")).at(Phase.AFTER_DIRT),
                                EffectKind.GRIME,
                                2,
                                "satin",
                                "matte")
                        .wants(
                                e ->
                                        e.in(Tones.together("oil-umber", "oil-grey"))
                                                .made(Made.by("oil"))
                                                .at(Phase.AFTER_DIRT),
                                EffectKind.JOINT_SHADE,
                                2,
                                "gloss")
                        .plan();
        // enamel over cured water-borne paint with no clear between
        p.on("satin", "grime-wash", "sludge-wash");
        p.inOrder("e0:grime-wash", "e0:wipe-grime", "e1:sludge-wash", "e1:rub-off");
        warns(
                job().sides(FLAT, "enamel")
                        .lies("base-coat", "base-oxide-enamel", 300, "enamel")
                        .ifNow("grime-wash", "grime-enamel", "enamel"),
                Rule.REACH,
                Severity.WARN);
        // a reducer wipes the water-borne wash and the paint beneath it
        warns(
                job().sides(FLAT, "field")
                        .lies("base-coat", "base-kiln-red", 3 * 60, "field")
                        .lies("sludge-wash", "wash-sludge", 60, "field")
                        .ifNow("take-back-wipe", "reducer-acrylic", "field"),
                Rule.REACH,
                Severity.STOP);
    }

    @Test
    public void aLampStoreIsDoneInOneGo() {
        Practitioner.Plan p =
                job().sides(BARE, "walls", "doors", "pipes")
                        .up(BARE, "roof")
                        .school("last-clear", "none")
                        .wants(
                                e -> e.in(Tones.of("metal-galvanised")).made(Made.by("metal")),
                                EffectKind.REPAINT,
                                2,
                                "roof",
                                "pipes")
                        .wants(
                                e -> e.in(Tones.of("base-plank-grey")),
                                EffectKind.REPAINT,
                                2,
                                "walls",
                                "doors")
                        .wants(
                                e -> e.in(Tones.together("wash-warm-brown", "wash-oily-blue")),
                                EffectKind.PANEL_LINES,
                                2,
                                "walls",
                                "doors",
                                "roof")
                        .wants(
                                e ->
                                        e.in(
                                                        Tones.together(
                                                                "powder-rust",
                                                                "powder-earth",
                                                                "powder-warm-soot"))
                                                .made(Made.by("loose")),
                                EffectKind.POWDER,
                                1,
                                "walls",
                                "roof",
                                "doors")
                        .plan();
        p.inOrder(
                "e0:gloss-black",
                "e0:metallic-coat",
                "e2:panel-wash",
                "e2:wipe-back",
                "e3:powder-last");
        p.waits("e2:panel-wash-again", "e2:wipe-back", 0, 15);
        // a wash on paint with no clear, and the powder is left as it is
        p.without("final-flat");
        warns(p.ifThen("e1:base-coat", 5, "tape", "mask-tape", "walls"), Rule.SOFT, Severity.STOP);
        warns(
                p.ifThen("e3:powder-last-again3", 5, "take-back-brush", "water", "walls"),
                Rule.LOOSE,
                Severity.STOP);
    }
}
