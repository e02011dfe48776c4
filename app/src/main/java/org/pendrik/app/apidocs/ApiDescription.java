package org.pendrik.app.apidocs;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
            Map<String, Class<?>> records = records();
            api.getComponents()
                    .getSchemas()
                    .forEach(
                            (name, schema) -> {
                                Class<?> type = records.get(name);
                                if (type != null) {
                                    complete(schema, type);
                                }
                            });
        };
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

    /**
     * The records of the program by simple name; two of the same name would describe each other, so
     * that is refused.
     */
    private static Map<String, Class<?>> records() {
        var scanner = new ClassPathScanningCandidateComponentProvider(false);
        scanner.addIncludeFilter(new AssignableTypeFilter(Record.class));
        Map<String, Class<?>> out = new HashMap<>();
        // what the application shows takes precedence over a core record of the same simple name
        for (String root : List.of("org.pendrik.core", "org.pendrik.app")) {
            for (var candidate : scanner.findCandidateComponents(root)) {
                Class<?> type =
                        ClassUtils.resolveClassName(
                                String.valueOf(candidate.getBeanClassName()),
                                ApiDescription.class.getClassLoader());
                out.put(type.getSimpleName(), type);
            }
        }
        return out;
    }
}
