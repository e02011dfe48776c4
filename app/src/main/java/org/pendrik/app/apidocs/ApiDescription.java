package org.pendrik.app.apidocs;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.type.filter.AssignableTypeFilter;
import org.springframework.util.ClassUtils;

/**
 * Completes the generated description: a component of a record is required unless it is marked as
 * nullable or is optional, and then null is one of its types.
 */
@Configuration
class ApiDescription {
    @Bean
    OpenAPI pendrikApi() {
        return new OpenAPI()
                .info(
                        new Info()
                                .title("Pendrik")
                                .version("1")
                                .description(
                                        "Paths under /api/calc answer the engines' questions without a job and keep nothing."
                                                + " Errors are problem details (RFC 9457) that name field, value, rule and"
                                                + " remedy."));
    }

    @Bean
    OpenApiCustomizer nullness() {
        return api -> {
            Map<String, List<Class<?>>> records = records();
            api.getComponents()
                    .getSchemas()
                    .forEach(
                            (name, schema) ->
                                    describedBy(schema, records.getOrDefault(name, List.of()))
                                            .forEach(type -> complete(schema, type)));
        };
    }

    /** Those of the records of one simple name that have what the schema has. */
    private static List<Class<?>> describedBy(Schema<?> schema, List<Class<?>> records) {
        Set<String> shown =
                schema.getProperties() == null ? Set.of() : schema.getProperties().keySet();
        return records.stream().filter(r -> shown.containsAll(components(r))).toList();
    }

    private static List<String> components(Class<?> type) {
        return Arrays.stream(type.getRecordComponents()).map(RecordComponent::getName).toList();
    }

    private static void complete(Schema<?> schema, Class<?> type) {
        List<String> required = new ArrayList<>();
        for (RecordComponent c : type.getRecordComponents()) {
            Schema<?> property =
                    schema.getProperties() == null ? null : schema.getProperties().get(c.getName());
            if (property == null) {
                continue;
            }
            boolean canBeNull =
                    c.getAnnotatedType().isAnnotationPresent(Nullable.class)
                            || c.getType() == Optional.class;
            if (!canBeNull) {
                required.add(c.getName());
            } else if (property.get$ref() != null) {
                Schema<Object> either = new Schema<>();
                either.addAnyOfItem(new Schema<>().$ref(property.get$ref()));
                either.addAnyOfItem(nothing());
                schema.getProperties().put(c.getName(), either);
            } else if (property.getTypes() != null) {
                var types = new LinkedHashSet<>(property.getTypes());
                types.add("null");
                property.setTypes(types);
            }
        }
        schema.setRequired(required.isEmpty() ? null : required);
    }

    private static Schema<Object> nothing() {
        Schema<Object> s = new Schema<>();
        s.addType("null");
        return s;
    }

    /** The records of the program by simple name. */
    private static Map<String, List<Class<?>>> records() {
        var scanner = new ClassPathScanningCandidateComponentProvider(false);
        scanner.addIncludeFilter(new AssignableTypeFilter(Record.class));
        Map<String, List<Class<?>>> out = new HashMap<>();
        for (var candidate : scanner.findCandidateComponents("org.pendrik")) {
            Class<?> type =
                    ClassUtils.resolveClassName(
                            String.valueOf(candidate.getBeanClassName()),
                            ApiDescription.class.getClassLoader());
            out.computeIfAbsent(type.getSimpleName(), any -> new ArrayList<>()).add(type);
        }
        return out;
    }
}
