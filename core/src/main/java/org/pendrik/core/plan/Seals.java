package org.pendrik.core.plan;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.MadeFor;

/** The clears that a workshop lays, by what it lays them with. */
final class Seals {
    private static final List<String> FINISHES = List.of("satin", "matte", "gloss");

    private Seals() {}

    /**
     * A clear that can be laid, or the primer that a bare surface needs.
     *
     * @param usual the one that is tried first
     * @param primer it is laid where nothing else would hold
     */
    record Seal(Technique technique, Material material, boolean usual, boolean primer) {
        Seal(Technique technique, Material material, boolean usual) {
            this(technique, material, usual, false);
        }
    }

    /** Whether a coat is one that was put in for another step: a clear, or a primer. */
    static boolean isPutIn(Act act) {
        return act.madeFor() instanceof MadeFor.OfStep
                && (act.technique().role() == Technique.Role.CLEAR
                        || (act.technique().isGround() && act.material().keys()));
    }

    private static String kind(Schools.Choice schools) {
        return switch (schools.of(SchoolAnswer.Applicator.class)) {
            case AIRBRUSH -> "seal-";
            case BRUSH -> "brush-";
            case CANS, HANDS -> "can-";
        };
    }

    /** All clears, satin first; lacquer in mists where water and alcohol have to be kept out. */
    static List<Seal> of(Schools.Choice schools, Catalogue catalogue) {
        List<Seal> out = new ArrayList<>();
        for (String f : FINISHES) {
            Technique t = catalogue.technique(kind(schools) + f);
            out.add(new Seal(t, catalogue.startingMaterial(t), true));
        }
        if (schools.of(SchoolAnswer.Applicator.class) == SchoolAnswer.Applicator.AIRBRUSH) {
            for (String key : List.of("lacquer-satin", "lacquer-matte")) {
                Technique t = catalogue.technique(key);
                out.add(new Seal(t, catalogue.startingMaterial(t), false));
            }
            out.add(
                    new Seal(
                            catalogue.technique("seal-gloss"),
                            catalogue.material("polish-gloss"),
                            false));
        }
        Technique primer =
                catalogue.technique(
                        switch (schools.of(SchoolAnswer.Applicator.class)) {
                            case AIRBRUSH -> "prime";
                            case BRUSH -> "brush-prime";
                            case CANS, HANDS -> "can-prime";
                        });
        out.add(new Seal(primer, catalogue.startingMaterial(primer), false, true));
        return out;
    }

    /** A technique, or for a clear the one that the workshop lays it with. */
    static Technique as(String technique, Schools.Choice schools, Catalogue catalogue) {
        return catalogue.technique(
                technique.startsWith("seal-")
                        ? kind(schools) + technique.substring("seal-".length())
                        : technique);
    }

    static String finalFlat(Schools.Choice schools) {
        return switch (schools.of(SchoolAnswer.Applicator.class)) {
            case AIRBRUSH -> "final-flat";
            case BRUSH -> "brush-final";
            case CANS, HANDS -> "can-final";
        };
    }
}
