package org.pendrik.app.problem;

import java.lang.reflect.RecordComponent;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.AnnotationIntrospector;
import tools.jackson.databind.cfg.MapperConfig;
import tools.jackson.databind.introspect.AnnotatedMember;
import tools.jackson.databind.introspect.AnnotatedParameter;
import tools.jackson.databind.introspect.JacksonAnnotationIntrospector;
import tools.jackson.databind.introspect.NopAnnotationIntrospector;

/** A field of a record has to be sent unless it is marked as nullable. */
@Configuration
class RequiredFields {
    @Bean
    JsonMapperBuilderCustomizer fieldsAreRequired() {
        return builder ->
                builder.annotationIntrospector(
                        AnnotationIntrospector.pair(
                                new JacksonAnnotationIntrospector(), new Nullness()));
    }

    private static final class Nullness extends NopAnnotationIntrospector {
        @java.io.Serial private static final long serialVersionUID = 1L;

        @Override
        public @Nullable Boolean hasRequiredMarker(MapperConfig<?> config, AnnotatedMember member) {
            Class<?> type = member.getDeclaringClass();
            if (!type.isRecord() || !(member instanceof AnnotatedParameter p)) {
                return null;
            }
            RecordComponent[] parts = type.getRecordComponents();
            return p.getIndex() < parts.length
                    && !parts[p.getIndex()].getAnnotatedType().isAnnotationPresent(Nullable.class);
        }
    }
}
