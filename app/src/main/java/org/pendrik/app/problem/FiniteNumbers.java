package org.pendrik.app.problem;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.exc.InvalidFormatException;
import tools.jackson.databind.module.SimpleModule;

/**
 * Numbers that come in are numbers: "NaN", 1e999 and what no length, colour or time could ever be
 * are refused with their field, before anything computes with them.
 */
@Configuration
class FiniteNumbers {
    private static final double LARGEST = 1e12;

    @Bean
    JsonMapperBuilderCustomizer numbersThatAreFinite() {
        return builder ->
                builder.addModule(
                        new SimpleModule("finite numbers")
                                .addDeserializer(Double.class, new Finite(false))
                                .addDeserializer(Double.TYPE, new Finite(true)));
    }

    private static final class Finite extends ValueDeserializer<Double> {
        private final boolean primitive;

        Finite(boolean primitive) {
            this.primitive = primitive;
        }

        @Override
        public @Nullable Double deserialize(JsonParser json, DeserializationContext context) {
            JsonToken token = json.currentToken();
            if (token != JsonToken.VALUE_NUMBER_FLOAT && token != JsonToken.VALUE_NUMBER_INT) {
                throw refused(json, json.getValueAsString("as sent"));
            }
            double v = json.getDoubleValue();
            if (!(Math.abs(v) <= LARGEST)) {
                throw refused(json, Double.toString(v));
            }
            return v;
        }

        private static InvalidFormatException refused(JsonParser json, String value) {
            return InvalidFormatException.from(
                    json, "must be a finite number of at most 1e12", value, Double.class);
        }

        @Override
        public @Nullable Object getNullValue(DeserializationContext context) {
            return primitive ? context.reportInputMismatch(Double.class, "must be a number") : null;
        }
    }
}
