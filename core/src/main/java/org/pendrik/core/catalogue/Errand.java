package org.pendrik.core.catalogue;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.units.InvalidInput;

/**
 * What the user says of a step beside how and with what it is done.
 *
 * @param text what is done, in the user's own words; empty takes the technique's name
 * @param restMinutes that pass after it before anything else of the subject is done: "a day, to be
 *     sure"; 0 to a year
 * @param parts that it takes off or puts back on
 * @param needs how dry every coat on its zones has to be, where its technique does not say it
 * @param lies how the model lies meanwhile, where that is not as its technique has it
 */
public record Errand(
        String text,
        int restMinutes,
        List<String> parts,
        Optional<Needs> needs,
        Optional<Technique.Orientation> lies) {
    /** Nothing is said. */
    public static final Errand NONE = new Errand("", 0, List.of());

    /** How dry a coat has to be. */
    public enum Needs {
        TOUCH(CureAnchors.Q_TOUCH),
        HANDLE(CureAnchors.Q_HANDLE),
        RECOAT(CureAnchors.Q_RECOAT),
        CURED(CureAnchors.Q_FULL);

        private final double cure;

        Needs(double cure) {
            this.cure = cure;
        }
    }

    /** Without anything about how dry it has to be and how the model lies. */
    public Errand(String text, int restMinutes, List<String> parts) {
        this(text, restMinutes, parts, Optional.empty(), Optional.empty());
    }

    /** The same once coats are as dry as said. */
    public Errand needing(Needs dry) {
        return new Errand(text, restMinutes, parts, Optional.of(dry), lies);
    }

    /** The same while the model lies as said. */
    public Errand lying(Technique.Orientation how) {
        return new Errand(text, restMinutes, parts, needs, Optional.of(how));
    }

    /** What it asks of the model, given what its technique asks. */
    public Technique.Handling over(Technique.Handling usual) {
        return needs.isEmpty() && lies.isEmpty()
                ? usual
                : new Technique.Handling(
                        lies.orElse(usual.orientation()),
                        usual.handles(),
                        needs.map(n -> n.cure).orElse(usual.needsCure()),
                        usual.lowTack(),
                        usual.masking());
    }

    private static final int LONGEST_TEXT = 200;
    private static final int LONGEST_REST = 366 * 1440;
    private static final int MOST_PARTS = 60;
    private static final int LONGEST_PART = 60;

    /**
     * @throws InvalidInput when it is too long
     */
    public Errand {
        text = text.strip();
        parts = parts.stream().map(String::strip).filter(p -> !p.isEmpty()).distinct().toList();
        if (text.length() > LONGEST_TEXT) {
            throw new InvalidInput(
                    "What is done",
                    text.length() + " letters",
                    "must have at most " + LONGEST_TEXT,
                    "Put the rest into a step of its own.");
        }
        InvalidInput.requireWithin(
                "Rest", restMinutes, " min", 0, LONGEST_REST, "A year is 527040 min.");
        boolean tooLong = parts.stream().anyMatch(p -> p.length() > LONGEST_PART);
        if (parts.size() > MOST_PARTS || tooLong) {
            throw new InvalidInput(
                    "Parts",
                    parts.size() + " parts",
                    "must be at most " + MOST_PARTS + " of at most " + LONGEST_PART + " letters",
                    "Bag some of them together under one name.");
        }
    }
}
