package org.pendrik.core.catalogue;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pendrik.core.tables.DomainTable;

/**
 * How hard a carrier bites a binder, from bite.csv.
 *
 * <p>Solvent resistance lags dryness: with r = q³ the bite is (1 − r)·raw + r·cured. Alcohol is
 * interpolated between water, 35 % and 70 % and goes on rising at the last slope above, at most 1.
 */
public final class BiteTable {
    /** Bite times exposure from which a coat is softened. */
    public static final double SOFTENS = 0.25;

    private record Cell(double cured, double raw) {}

    private final Map<Binder, Map<Solvent, Cell>> cells;

    /** What a bench has learned of pairs; nothing of the others. */
    private final Map<BiteSense.Pair, BiteSense> senses;

    private BiteTable(List<Map.Entry<Binder, Map<Solvent, Cell>>> rows) {
        cells = new EnumMap<>(Binder.class);
        senses = Map.of();
        rows.forEach(r -> cells.put(r.getKey(), r.getValue()));
        for (Binder b : Binder.values()) {
            if (!cells.containsKey(b)) {
                throw new IllegalStateException("bite.csv has no line for " + b);
            }
        }
    }

    private BiteTable(BiteTable shipped, Map<BiteSense.Pair, BiteSense> senses) {
        this.cells = shipped.cells;
        this.senses = Map.copyOf(senses);
    }

    /** The same table at a bench that has seen pairs bitten harder or less. */
    BiteTable learned(Map<BiteSense.Pair, BiteSense> seen) {
        return seen.isEmpty() ? this : new BiteTable(this, seen);
    }

    static BiteTable load() {
        return new BiteTable(DomainTable.load(BiteTable.class, "bite.csv", BiteTable::row));
    }

    private static Map.Entry<Binder, Map<Solvent, Cell>> row(DomainTable.Row r) {
        Map<Solvent, Cell> cells = new EnumMap<>(Solvent.class);
        for (Solvent s : Solvent.values()) {
            String[] parts = r.text(s.name()).split("/", -1);
            double cured = share(s, parts[0]);
            cells.put(s, new Cell(cured, parts.length > 1 ? share(s, parts[1]) : cured));
        }
        return Map.entry(r.of("binder", Binder.class), cells);
    }

    private static double share(Solvent s, String text) {
        double v = Double.parseDouble(text);
        if (!(v >= 0 && v <= 1)) {
            throw new IllegalArgumentException(s + " (" + text + ") must be from 0 to 1");
        }
        return v;
    }

    /** Bite of a carrier on a binder at cure fraction {@code q}, 0 to 1, before the action. */
    public double bite(Carrier carrier, Binder binder, double q) {
        double told = told(carrier, binder, q);
        return senses.isEmpty()
                ? told
                : learned(carrier, binder).map(s -> Math.min(1, told * s.factor())).orElse(told);
    }

    /** What this bench has learned of a pair. */
    public Optional<BiteSense> learned(Carrier carrier, Binder binder) {
        return senses.isEmpty()
                ? Optional.empty()
                : Optional.ofNullable(senses.get(BiteSense.Pair.of(binder, carrier)));
    }

    private double told(Carrier carrier, Binder binder, double q) {
        double r = q * q * q;
        return switch (carrier) {
            case Carrier.Dry _ -> 0;
            case Carrier.Named n -> at(binder, n.column(), r);
            case Carrier.Alcohol a -> {
                double w = at(binder, Solvent.W, r);
                double mid = at(binder, Solvent.I35, r);
                double strong = at(binder, Solvent.I70, r);
                double v =
                        a.percent() <= 35
                                ? w + (mid - w) * a.percent() / 35
                                : mid + (strong - mid) * (a.percent() - 35) / 35;
                yield Math.clamp(v, 0.0, 1.0);
            }
        };
    }

    private double at(Binder b, Solvent s, double r) {
        Cell c = cells.getOrDefault(b, Map.of()).getOrDefault(s, new Cell(1, 1));
        return (1 - r) * c.raw() + r * c.cured();
    }
}
