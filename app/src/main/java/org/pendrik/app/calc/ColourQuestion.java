package org.pendrik.app.calc;

import org.pendrik.core.colour.Lab;

/** Two colours. */
record ColourQuestion(Lab reference, Lab sample) {
    static final String EXAMPLE =
            """
            {"reference": {"l": 38, "a": -14, "b": 12}, "sample": {"l": 46, "a": -9, "b": 11}}
            """;
}
