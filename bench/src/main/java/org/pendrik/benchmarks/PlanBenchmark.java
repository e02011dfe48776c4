package org.pendrik.benchmarks;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.Warmup;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Substrate;
import org.pendrik.core.film.Act;
import org.pendrik.core.film.FilmCase;
import org.pendrik.core.film.MadeFor;
import org.pendrik.core.film.Zone;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.PlanCheck;
import org.pendrik.core.plan.PlanCompiler;
import org.pendrik.core.plan.PlanOutcome;
import org.pendrik.core.plan.PlanRequest;
import org.pendrik.core.units.Climate;

/** A plan for some effects on twelve zones; the bound for fourteen is half a second. */
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class PlanBenchmark extends Timed {
    private static final int ZONES = 12;
    private static final List<EffectKind> KINDS =
            List.of(
                    EffectKind.FADE,
                    EffectKind.JOINT_SHADE,
                    EffectKind.CHIPS,
                    EffectKind.RUST_STREAKS,
                    EffectKind.DUST,
                    EffectKind.POWDER,
                    EffectKind.GRIME,
                    EffectKind.DECAL,
                    EffectKind.WORN_EDGES,
                    EffectKind.SOOT,
                    EffectKind.PATCH,
                    EffectKind.TRUCK_TONES,
                    EffectKind.SPILL,
                    EffectKind.MINERAL_STREAKS);

    /** How many effects. */
    @Param({"6", "8", "14"})
    private int effects;

    private final Catalogue catalogue = Catalogue.load();
    private final PlanCompiler compiler = new PlanCompiler(catalogue);
    private final PlanCheck check = new PlanCheck(catalogue);
    private PlanRequest request = request(0);

    private static PlanRequest request(int effects) {
        Random random = new Random(effects);
        List<Zone> zones = new ArrayList<>();
        for (int i = 0; i < ZONES; i++) {
            zones.add(
                    new Zone(
                            "z" + i,
                            "zone " + i,
                            Substrate.FACTORY_SEMI_GLOSS,
                            false,
                            Substrate.UNKNOWN_COLOUR));
        }
        List<EffectKind> kinds = KINDS;
        List<Effect> wanted = new ArrayList<>();
        for (int i = 0; i < effects; i++) {
            Set<String> on = new LinkedHashSet<>();
            for (int k = 0; k < 4; k++) {
                on.add("z" + random.nextInt(ZONES));
            }
            EffectKind kind = kinds.get(i % kinds.size());
            wanted.add(new Effect("e" + i, kind, on, 2, Optional.empty()));
        }
        return new PlanRequest(zones, List.of(), wanted, List.of(), Climate.REFERENCE, 0);
    }

    /** Draws the effects. */
    @Setup
    public void draw() {
        request = request(effects);
    }

    /**
     * The naive twin for six: every order of their steps settled and checked as a whole, without
     * any clear between.
     */
    @Benchmark
    public long everyOrder() {
        if (effects > 6 || !(compiler.compile(request) instanceof PlanOutcome.Compiled plan)) {
            return 0;
        }
        Map<String, List<Act>> byEffect = new LinkedHashMap<>();
        for (Act a : plan.timed().acts()) {
            if (a.madeFor() instanceof MadeFor.OfEffect e) {
                byEffect.computeIfAbsent(e.effectId(), _ -> new ArrayList<>()).add(a);
            }
        }
        return orders(plan.timed(), new ArrayList<>(byEffect.values()), List.of());
    }

    private long orders(FilmCase film, List<List<Act>> left, List<Act> acts) {
        if (left.isEmpty()) {
            List<Act> untimed = acts.stream().map(a -> a.at(0)).toList();
            return check.check(film.with(untimed), List.of(), 0).film().stops();
        }
        long best = Long.MAX_VALUE;
        for (List<Act> next : left) {
            List<List<Act>> rest = new ArrayList<>(left);
            rest.remove(next);
            List<Act> more = new ArrayList<>(acts);
            more.addAll(next);
            best = Math.min(best, orders(film, rest, more));
        }
        return best;
    }

    /** Compiles. */
    @Benchmark
    public PlanOutcome plan() {
        return compiler.compile(request);
    }
}
