package org.pendrik.app.store;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.apache.ibatis.type.MappedTypes;
import org.springframework.stereotype.Component;

/**
 * Keys of zones in their order.
 *
 * @param keys without blanks, each once
 */
public record ZoneKeys(@JsonValue List<String> keys) {
    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    public ZoneKeys {
        keys = List.copyOf(new LinkedHashSet<>(keys));
    }

    /** The keys as a set that keeps their order. */
    public Set<String> set() {
        return new LinkedHashSet<>(keys);
    }

    /** Kept as the keys with a blank between. */
    @Component
    @MappedTypes(ZoneKeys.class)
    public static class Handler extends TextTypeHandler<ZoneKeys> {
        @Override
        protected String write(ZoneKeys value) {
            return String.join(" ", value.keys());
        }

        @Override
        protected ZoneKeys read(String text) {
            return new ZoneKeys(text.isEmpty() ? List.of() : Arrays.asList(text.split(" ", -1)));
        }
    }
}
