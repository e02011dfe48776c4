package org.pendrik.app.study;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.List;
import org.apache.ibatis.type.MappedTypes;
import org.pendrik.app.store.TextTypeHandler;
import org.springframework.stereotype.Component;

/**
 * Keys of the materials that carry the tones of an effect.
 *
 * @param keys without blanks, in their order
 */
public record ToneKeys(@JsonValue List<String> keys) {
    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    public ToneKeys {
        keys = List.copyOf(keys);
    }

    /** Kept as the keys with a blank between. */
    @Component
    @MappedTypes(ToneKeys.class)
    public static class Handler extends TextTypeHandler<ToneKeys> {
        @Override
        protected String write(ToneKeys value) {
            return String.join(" ", value.keys());
        }

        @Override
        protected ToneKeys read(String text) {
            return new ToneKeys(text.isEmpty() ? List.of() : Arrays.asList(text.split(" ", -1)));
        }
    }
}
