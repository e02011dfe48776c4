package org.pendrik.app.record;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Comparator;
import java.util.Map;
import org.pendrik.core.units.InvalidInput;
import org.springframework.core.io.ClassPathResource;

/** The published form of a record, which one that is read in has to keep to. */
final class RecordSchema {
    private static final ObjectMapper JSON = new ObjectMapper();

    private RecordSchema() {}

    /**
     * Compares a record with the schema of its version.
     *
     * @throws InvalidInput naming the first field that does not keep to it
     */
    static void require(Map<String, Object> record, int version) {
        JsonNode tree = JSON.valueToTree(record);
        schema(version).validate(tree).stream()
                .min(
                        Comparator.comparing(
                                (ValidationMessage m) -> m.getInstanceLocation().toString()))
                .ifPresent(
                        m -> {
                            String field = m.getInstanceLocation().toString();
                            String said = m.getMessage();
                            int colon = said.indexOf(": ");
                            throw new InvalidInput(
                                    "Field " + field.replaceFirst("^\\$\\.?", ""),
                                    value(m.getInstanceNode()),
                                    colon < 0 ? said : said.substring(colon + 2),
                                    "See the schema at /api/schema/record-" + version + ".json.");
                        });
    }

    private static String value(JsonNode node) {
        String text = node == null ? "nothing" : node.isTextual() ? node.asText() : node.toString();
        return text.length() > 40 ? text.substring(0, 40) + " …" : text;
    }

    private static JsonSchema schema(int version) {
        try (InputStream in =
                new ClassPathResource("schema/record-" + version + ".json").getInputStream()) {
            return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                    .getSchema(JSON.readTree(in));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
