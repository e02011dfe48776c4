package org.pendrik.bench;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.Warmup;
import org.pendrik.core.film.Catalogue;
import org.pendrik.core.film.Substrate;
import org.pendrik.core.film.Zone;
import org.pendrik.core.plan.Effect;
import org.pendrik.core.plan.EffectKind;
import org.pendrik.core.plan.PlanCompiler;
import org.pendrik.core.plan.PlanOutcome;
import org.pendrik.core.plan.PlanRequest;
import org.pendrik.core.units.Climate;

/** A plan for some effects on twelve zones; the bound for fourteen is half a second. */
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class PlanBenchmark extends Timed {
    private static final int ZONES = 12;

    /** How many effects. */
    @Param({"6", "14"})
    private int effects;

    private final PlanCompiler compiler = new PlanCompiler(Catalogue.load());
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
        List<EffectKind> kinds = List.of(EffectKind.values());
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

    /** Compiles. */
    @Benchmark
    public PlanOutcome plan() {
        return compiler.compile(request);
    }
}
