package org.pendrik.app.priors;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.engines.Engines;
import org.pendrik.app.problem.NotFound;
import org.pendrik.core.catalogue.Binder;
import org.pendrik.core.catalogue.BiteSense;
import org.pendrik.core.catalogue.Carrier;
import org.pendrik.core.catalogue.Catalogue;
import org.pendrik.core.catalogue.Overrule;
import org.pendrik.core.film.BenchPace;
import org.pendrik.core.film.StepId;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Keeps what the workshop knows better than the tables, and lets the engines work by it. */
@Service
public class Priors implements SmartInitializingSingleton {
    private final PriorMapper mapper;
    private final Engines engines;

    Priors(PriorMapper mapper, Engines engines) {
        this.mapper = mapper;
        this.engines = engines;
    }

    @Override
    public void afterSingletonsInstantiated() {
        engines.use(catalogue());
    }

    /** A figure of a material or technique. */
    record Cell(String column, String shipped, @Nullable String own) {}

    /**
     * A material or technique with its figures.
     *
     * @param pace what was learned of it; null for techniques and where nothing was seen
     */
    record Line(
            Overrule.Table table,
            String key,
            String name,
            String group,
            List<Cell> cells,
            @Nullable BenchPace pace) {}

    /** All figures, the materials first. */
    @Transactional
    public List<Line> lines() {
        Map<String, String> own = new HashMap<>();
        overrules().forEach(o -> own.put(name(o.table(), o.key(), o.column()), o.value()));
        Map<String, BenchPace> paces = paces();
        List<Line> out = new ArrayList<>();
        for (var m : engines.catalogue().materials()) {
            out.add(
                    line(
                            Overrule.Table.MATERIAL,
                            m.key(),
                            m.name(),
                            m.family(),
                            own,
                            paces.get(m.key())));
        }
        for (var t : engines.catalogue().techniques()) {
            String group = t.role().name().toLowerCase(java.util.Locale.ROOT);
            out.add(line(Overrule.Table.TECHNIQUE, t.key(), t.name(), group, own, null));
        }
        return out;
    }

    private static Line line(
            Overrule.Table table,
            String key,
            String name,
            String group,
            Map<String, String> own,
            @Nullable BenchPace pace) {
        List<Cell> cells =
                table.columns().stream()
                        .map(
                                c ->
                                        new Cell(
                                                c,
                                                Catalogue.shipped(table, key, c).orElse(""),
                                                own.get(name(table, key, c))))
                        .toList();
        return new Line(table, key, name, group, cells, pace);
    }

    private static String name(Overrule.Table table, String key, String column) {
        return table + "/" + key + "/" + column;
    }

    /**
     * Puts the workshop's own figures for one material or technique in place of those it had.
     *
     * @param values by column; a column that is not named goes back to the tables
     */
    @Transactional
    public void overrule(Overrule.Table table, String key, Map<String, String> values) {
        if (Catalogue.shipped(table, key, "key").isEmpty()) {
            throw new NotFound(table == Overrule.Table.MATERIAL ? "The material" : "The technique");
        }
        for (String c : table.columns()) {
            mapper.drop(table, key, c);
        }
        values.forEach(
                (column, value) -> {
                    Overrule o = new Overrule(table, key, column, value.strip());
                    if (!Catalogue.shipped(table, key, column).orElse("").equals(o.value())) {
                        mapper.add(o);
                    }
                });
        useWhenStored();
    }

    /** Notes when a coat was touch dry; the same coat noted again is corrected. */
    @Transactional
    public BenchPace see(
            UUID jobId,
            StepId stepId,
            String material,
            double predictedMin,
            double seenMin,
            Instant at) {
        new BenchPace.Observation(predictedMin, seenMin);
        mapper.forget(jobId, stepId);
        mapper.see(new PriorMapper.Seen(jobId, stepId, material, predictedMin, seenMin, at));
        useWhenStored();
        return paces().getOrDefault(material, BenchPace.of(List.of()));
    }

    /** Takes an observation back. */
    @Transactional
    public void forget(UUID jobId, StepId stepId) {
        mapper.forget(jobId, stepId);
        useWhenStored();
    }

    /** A coat that was seen to be touch dry, as the tables and as the eye had it. */
    public record Drying(
            StepId step, String material, double predictedMin, double seenMin, Instant seenAt) {}

    /** What was seen of the coats of a job. */
    public List<Drying> dryingOf(UUID jobId) {
        return mapper.seen().stream()
                .filter(s -> s.jobId().equals(jobId))
                .map(
                        s ->
                                new Drying(
                                        s.stepId(),
                                        s.material(),
                                        s.predictedMin(),
                                        s.seenMin(),
                                        s.seenAt()))
                .toList();
    }

    /**
     * Takes in what was seen elsewhere; what this workshop has seen itself is not counted twice.
     */
    @Transactional
    public void take(UUID jobId, Drying d) {
        boolean known =
                mapper.seen().stream()
                        .anyMatch(
                                s ->
                                        s.stepId().equals(d.step())
                                                && s.material().equals(d.material())
                                                && s.seenAt().equals(d.seenAt()));
        if (!known) {
            see(jobId, d.step(), d.material(), d.predictedMin(), d.seenMin(), d.seenAt());
        }
    }

    /** What was seen of a coat, in minutes; empty when nothing was. */
    public Map<StepId, Double> seenOf(UUID jobId) {
        Map<StepId, Double> out = new LinkedHashMap<>();
        mapper.seen().stream()
                .filter(s -> s.jobId().equals(jobId))
                .forEach(s -> out.put(s.stepId(), s.seenMin()));
        return out;
    }

    /** A coat that a step bit, as hard as the table says. */
    public record Bite(Binder binder, Carrier carrier, double hit) {}

    /** Notes what came of the bites of a step; noted again it is corrected. */
    @Transactional
    public void seeBites(UUID jobId, StepId stepId, List<Bite> bites, boolean lifted, Instant at) {
        mapper.forgetBites(jobId, stepId);
        for (Bite b : bites) {
            new BiteSense.Seen(b.hit(), lifted);
            mapper.seeBite(
                    new PriorMapper.Bitten(
                            jobId,
                            stepId,
                            b.binder(),
                            BiteSense.Pair.of(b.binder(), b.carrier()).solvent(),
                            b.hit(),
                            lifted,
                            at));
        }
        useWhenStored();
    }

    /** Takes what was noted of the bites of a step back. */
    @Transactional
    public void forgetBites(UUID jobId, StepId stepId) {
        mapper.forgetBites(jobId, stepId);
        useWhenStored();
    }

    /** What came of the bites of a job's steps: lifted or not. */
    public Map<StepId, Boolean> bitesOf(UUID jobId) {
        Map<StepId, Boolean> out = new LinkedHashMap<>();
        mapper.bitten().stream()
                .filter(b -> b.jobId().equals(jobId))
                .forEach(b -> out.merge(b.stepId(), b.lifted(), Boolean::logicalOr));
        return out;
    }

    /** What was learned of pairs of binder and liquid. */
    public Map<BiteSense.Pair, BiteSense> senses() {
        Map<BiteSense.Pair, List<BiteSense.Seen>> seen = new LinkedHashMap<>();
        for (PriorMapper.Bitten b : mapper.bitten()) {
            seen.computeIfAbsent(
                            new BiteSense.Pair(b.binder(), b.solvent()), _ -> new ArrayList<>())
                    .add(new BiteSense.Seen(b.hit(), b.lifted()));
        }
        Map<BiteSense.Pair, BiteSense> out = new LinkedHashMap<>();
        seen.forEach((p, s) -> out.put(p, BiteSense.of(s)));
        return out;
    }

    private Map<String, BenchPace> paces() {
        Map<String, List<BenchPace.Observation>> seen = new LinkedHashMap<>();
        mapper.seen()
                .forEach(
                        s ->
                                seen.computeIfAbsent(s.material(), _ -> new ArrayList<>())
                                        .add(
                                                new BenchPace.Observation(
                                                        s.predictedMin(), s.seenMin())));
        Map<String, BenchPace> out = new LinkedHashMap<>();
        seen.forEach((m, o) -> out.put(m, BenchPace.of(o)));
        return out;
    }

    private List<Overrule> overrules() {
        return mapper.overrules().stream().map(PriorMapper.Kept::overrule).toList();
    }

    private Catalogue catalogue() {
        Map<String, Double> factors = new HashMap<>();
        paces().forEach((m, p) -> factors.put(m, p.factor()));
        return Catalogue.load(overrules(), factors).learned(senses());
    }

    /** Refuses at once what makes no sense; the engines change when it is stored. */
    private void useWhenStored() {
        Catalogue fresh = catalogue();
        TransactionSynchronizationManager.registerSynchronization(
                new TransactionSynchronization() {
                    @Override
                    public void afterCommit() {
                        engines.use(fresh);
                    }
                });
    }
}
