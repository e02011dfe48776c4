package org.pendrik.app.apidocs;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** Says in the description of the API that the body of a request is a file as it is. */
@Operation(
        requestBody =
                @RequestBody(
                        required = true,
                        content =
                                @Content(
                                        mediaType = "application/octet-stream",
                                        schema = @Schema(type = "string", format = "binary"))))
@Target(ElementType.METHOD)
@Retention(RetentionPolicy.RUNTIME)
public @interface FileBody {}
