package org.pendrik.core.catalogue;

import java.util.List;
import org.pendrik.core.units.InvalidInput;

/**
 * A cell of a table of priors that a workshop sees differently.
 *
 * @param table which table
 * @param key of the material or technique
 * @param column of the table
 * @param value as the table would write it; empty where the column may be
 */
public record Overrule(Table table, String key, String column, String value) {
    private static final int LONGEST = 200;

    /** A table that can be overruled. */
    public enum Table {
        MATERIAL,
        TECHNIQUE;

        /** The columns that may be overruled: figures, and the texts of the bench. */
        public List<String> columns() {
            return switch (this) {
                case MATERIAL ->
                        List.of(
                                "touch_min",
                                "handle_min",
                                "recoat_min",
                                "full_min",
                                "work_from_min",
                                "work_until_min",
                                "film_um",
                                "hide",
                                "paint_parts",
                                "thinner_parts",
                                "price_ml",
                                "keeps_months");
                case TECHNIQUE ->
                        List.of(
                                "ideal_min",
                                "ideal_max",
                                "ok_min",
                                "ok_max",
                                "base_min",
                                "zone_min",
                                "dm2_min",
                                "share",
                                "stroke",
                                "stop_rule",
                                "inspection",
                                "caution");
            };
        }
    }

    public Overrule {
        if (!table.columns().contains(column)) {
            throw new InvalidInput(
                    "Column",
                    column,
                    "cannot be overruled",
                    "Use one of " + String.join(", ", table.columns()) + ".");
        }
        if (value.length() > LONGEST) {
            throw new InvalidInput(
                    column, value.length() + " letters", "must have at most 200", "Shorten it.");
        }
    }
}
