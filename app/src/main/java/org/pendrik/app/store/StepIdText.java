package org.pendrik.app.store;

import io.swagger.v3.oas.models.media.StringSchema;
import org.apache.ibatis.type.MappedTypes;
import org.pendrik.core.film.StepId;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.jackson.JacksonComponent;
import org.springframework.stereotype.Component;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;

/** The id of a step is a line of text in tables and in JSON. */
@JacksonComponent
public class StepIdText {
    static {
        SpringDocUtils.getConfig().replaceWithSchema(StepId.class, new StringSchema());
    }

    /** In a table. */
    @Component
    @MappedTypes(StepId.class)
    public static class Handler extends TextTypeHandler<StepId> {
        @Override
        protected String write(StepId value) {
            return value.value();
        }

        @Override
        protected StepId read(String text) {
            return new StepId(text);
        }
    }

    /** In JSON, out. */
    public static class Writer extends ValueSerializer<StepId> {
        @Override
        public void serialize(StepId id, JsonGenerator json, SerializationContext context) {
            json.writeString(id.value());
        }
    }

    /** In JSON, in. */
    public static class Reader extends ValueDeserializer<StepId> {
        @Override
        public StepId deserialize(JsonParser json, DeserializationContext context) {
            return new StepId(json.getValueAsString(""));
        }
    }
}
