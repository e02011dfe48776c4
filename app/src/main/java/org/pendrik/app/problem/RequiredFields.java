package org.pendrik.app.problem;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.lang.reflect.RecordComponent;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.AnnotationIntrospector;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.Annotated;
import tools.jackson.databind.introspect.AnnotatedMember;
import tools.jackson.databind.introspect.AnnotatedParameter;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.introspect.NopAnnotationIntrospector;

/**
 * A field of a record has to be sent, and not as null, unless it is marked as nullable; a list
 * holds no null.
 */
@Configuration
class RequiredFields {
    @Bean
    JsonMapperBuilderCustomizer fieldsAreRequired() {
        return builder ->
                builder.annotationIntrospector(
                                AnnotationIntrospector.pair(
                                        new JacksonAnnotationIntrospector(), new Nullness()))
                        .changeDefaultNullHandling(nulls -> nulls.withContentNulls(Nulls.FAIL));
    }

    private static final class Nullness extends NopAnnotationIntrospector {
        @java.io.Serial private static final long serialVersionUID = 1L;

        @Override
        public @Nullable Boolean hasRequiredMarker(MapperConfig<?> config, AnnotatedMember member) {
            return required(member).orElse(null);
        }

        @Override
        public JsonSetter.Value findSetterInfo(MapperConfig<?> config, Annotated member) {
            return required(member).orElse(false)
                    ? JsonSetter.Value.forValueNulls(Nulls.FAIL)
                    : JsonSetter.Value.empty();
        }

        /** Whether a component of a record is required; empty for anything else. */
        private static Optional<Boolean> required(Annotated member) {
            if (!(member instanceof AnnotatedParameter p) || !p.getDeclaringClass().isRecord()) {
                return Optional.empty();
            }
            RecordComponent[] parts = p.getDeclaringClass().getRecordComponents();
            return Optional.of(
                    p.getIndex() < parts.length
                            && !parts[p.getIndex()]
                                    .getAnnotatedType()
                                    .isAnnotationPresent(Nullable.class));
        }
    }
}
