package org.pendrik.core.plan;

import java.util.List;
import java.util.Optional;
import org.pendrik.core.tables.DomainTable;
import org.pendrik.core.tables.DomainTable.Row;

/** The zones of each kind of subject, from zones.csv. */
public final class Subjects {
    private final List<ZoneTemplate> zones =
            DomainTable.load(Subjects.class, "zones.csv", Subjects::zone);

    /** The zones of a kind, in the order of the table. */
    public List<ZoneTemplate> zones(SubjectKind kind) {
        return zones.stream().filter(z -> z.kind() == kind).toList();
    }

    private static ZoneTemplate zone(Row r) {
        double weight = r.number("weight");
        double area = r.number("area");
        if (!(weight >= 0 && weight <= 1 && area > 0 && area < 10)) {
            throw new IllegalArgumentException("weight must be from 0 to 1 and area from 0 to 10");
        }
        return new ZoneTemplate(
                r.of("kind", SubjectKind.class),
                r.text("key"),
                r.text("name"),
                r.of("aspect", ZoneTemplate.Aspect.class),
                weight,
                area,
                r.has("box") ? Optional.of(box(r.text("box"))) : Optional.empty(),
                r.yes("lettering"),
                r.yes("clean"));
    }

    private static ZoneTemplate.Box box(String text) {
        String[] p = text.split(" ", -1);
        if (p.length != 4) {
            throw new IllegalArgumentException("box (" + text + ") must be four numbers");
        }
        return new ZoneTemplate.Box(
                Double.parseDouble(p[0]),
                Double.parseDouble(p[1]),
                Double.parseDouble(p[2]),
                Double.parseDouble(p[3]));
    }
}
