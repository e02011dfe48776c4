package org.pendrik.core.film;

import java.util.ArrayList;
import java.util.List;
import org.pendrik.core.catalogue.Material;
import org.pendrik.core.catalogue.Technique;
import org.pendrik.core.units.Words;

/** A change to a list of acts that takes a finding away. */
public sealed interface Mend {
    /** The step it is about. */
    StepId actId();

    /** What it does, verbs first. */
    String label();

    /** The list with the change made; times are not settled yet. */
    List<Act> applyTo(List<Act> acts);

    /**
     * Wait before the step.
     *
     * @param minutes how much later than now planned
     */
    record Wait(StepId actId, long minutes) implements Mend {
        @Override
        public String label() {
            return "Wait " + Words.span((double) minutes) + " longer";
        }

        @Override
        public List<Act> applyTo(List<Act> acts) {
            List<Act> out = new ArrayList<>();
            boolean later = false;
            for (Act a : acts) {
                later |= a.id().equals(actId);
                out.add(later && !a.done() ? a.at(a.atMinute() + minutes) : a);
            }
            return out;
        }
    }

    /**
     * Lay another coat first, or work the coat afterwards.
     *
     * @param actId the step that needs it
     * @param fresh the new step; its id is made of what it is, so that the same mend gives the same
     *     plan
     * @param after stands behind that step instead of in front of it
     */
    record Insert(StepId actId, Act fresh, boolean after) implements Mend {
        static Insert into(
                FilmCase question,
                Act act,
                Technique t,
                Material m,
                List<Zone> zones,
                boolean after) {
            StepId id = StepIds.besides(question.acts()).ofStep(act.id(), t);
            Act planned = Act.planned(id, t, m, zones).madeFor(new MadeFor.OfStep(act.id()));
            return new Insert(act.id(), planned, after);
        }

        @Override
        public String label() {
            String material = fresh.material().name();
            if (after) {
                return "Add " + fresh.technique().name() + " in the window";
            }
            return fresh.material().deposits()
                    ? "Lay " + material + " before it"
                    : Words.capital(fresh.technique().name()) + " with " + material + " before it";
        }

        @Override
        public List<Act> applyTo(List<Act> acts) {
            List<Act> out = new ArrayList<>();
            for (Act a : acts) {
                if (a.id().equals(actId) && !after) {
                    out.add(fresh.at(a.atMinute()));
                }
                out.add(a);
                if (a.id().equals(actId) && after) {
                    out.add(fresh.at(a.endMinute()));
                }
            }
            return out;
        }
    }

    /** Use another material. */
    record Swap(StepId actId, Material material) implements Mend {
        @Override
        public String label() {
            return "Use " + material.name() + " instead";
        }

        @Override
        public List<Act> applyTo(List<Act> acts) {
            return acts.stream().map(a -> a.id().equals(actId) ? a.with(material) : a).toList();
        }
    }

    /** Work another way, with the minutes that it takes. */
    record Change(StepId actId, Technique technique, Material material, int minutes)
            implements Mend {
        @Override
        public String label() {
            return Words.capital(technique.name()) + " with " + material.name();
        }

        @Override
        public List<Act> applyTo(List<Act> acts) {
            return acts.stream()
                    .map(a -> a.id().equals(actId) ? a.with(technique, material, minutes) : a)
                    .toList();
        }
    }

    /** Leave the step out. */
    record TakeOut(StepId actId, String name) implements Mend {
        @Override
        public String label() {
            return "Take " + name + " out";
        }

        @Override
        public List<Act> applyTo(List<Act> acts) {
            return acts.stream().filter(a -> !a.id().equals(actId)).toList();
        }
    }

    /** Do it earlier, before another step. */
    record MoveBefore(StepId actId, StepId beforeActId, String beforeName) implements Mend {
        @Override
        public String label() {
            return "Do it before the " + beforeName;
        }

        @Override
        public List<Act> applyTo(List<Act> acts) {
            Act moved = acts.stream().filter(a -> a.id().equals(actId)).findFirst().orElseThrow();
            List<Act> out = new ArrayList<>();
            for (Act a : acts) {
                if (a.id().equals(beforeActId)) {
                    out.add(moved.at(a.atMinute()));
                }
                if (!a.id().equals(actId)) {
                    out.add(a);
                }
            }
            return out;
        }
    }
}
