package org.pendrik.app.calc;

import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.examples.Example;
import java.util.Objects;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;

/** Puts the worked examples into the description of the API. */
@Component
class WorkedExamples implements OperationCustomizer {
    @Override
    public Operation customize(Operation operation, HandlerMethod method) {
        WorkedExample e = method.getMethodAnnotation(WorkedExample.class);
        if (e != null) {
            var example = new Example().description(e.name()).value(parsed(e));
            Objects.requireNonNull(operation.getRequestBody())
                    .getContent()
                    .values()
                    .forEach(body -> body.addExamples(e.name(), example));
        }
        return operation;
    }

    private static Object parsed(WorkedExample e) {
        try {
            return Json.mapper().readTree(e.body());
        } catch (com.fasterxml.jackson.core.JsonProcessingException wrong) {
            throw new IllegalStateException("The example " + e.name() + " is not JSON", wrong);
        }
    }
}
