package org.jalousie.server.web;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.core.placement.Spot;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.util.StringUtils;

/** The description of the interface to the outside. */
@Configuration
class OpenApiSetup {
    @Bean
    OpenAPI description() {
        return new OpenAPI()
                .info(new Info()
                        .title("Jalousie")
                        .version("1")
                        .description("Templates, intake, agreements and their archive."))
                .servers(List.of(new Server().url("/")));
    }

    /** No part of an answer is ever left out: what is absent is an empty text or list, or null where it says so. */
    @Bean
    OpenApiCustomizer everythingIsRequired() {
        return api -> api.getComponents().getSchemas().values().forEach(OpenApiSetup::require);
    }

    /** Signing field types and sources of persons are told apart by the names that they are stored and sent with. */
    @Bean
    OpenApiCustomizer kindsHaveTheirNames() {
        return api -> {
            for (Class<?> told : List.of(SigningFieldType.class, PersonSource.class, Spot.class)) {
                Map<String, String> names = new LinkedHashMap<>();
                for (JsonSubTypes.Type type :
                        told.getAnnotation(JsonSubTypes.class).value())
                    names.put(
                            type.name(), "#/components/schemas/" + type.value().getSimpleName());
                Schema<?> schema = api.getComponents().getSchemas().get(told.getSimpleName());
                schema.getDiscriminator().setMapping(names);
                oneOfThem(api, told.getSimpleName(), schema);
            }
        };
    }

    /** What is one of several kinds has a name of its own: a generated client would make one up, and it may be taken. */
    private static void oneOfThem(OpenAPI api, String kind, Schema<?> base) {
        String name = "Any" + kind;
        Set<String> all = Set.copyOf(base.getDiscriminator().getMapping().values());
        Map<String, Schema> schemas = api.getComponents().getSchemas();
        Schema<?> any = new Schema<>().discriminator(base.getDiscriminator());
        all.stream().sorted().forEach(one -> any.addOneOfItem(new Schema<>().$ref(one)));
        for (Schema<?> schema : List.copyOf(schemas.values())) {
            List<Schema> parts = schema.getAllOf() == null ? List.of(schema) : schema.getAllOf();
            for (Schema<?> part : parts) {
                if (part.getProperties() == null) continue;
                part.getProperties()
                        .replaceAll((property, value) -> isOneOf(value, all) ? new Schema<>().$ref(name) : value);
                for (Schema<?> value : part.getProperties().values())
                    if (isOneOf(value.getItems(), all)) value.setItems(new Schema<>().$ref(name));
            }
        }
        schemas.put(name, any);
    }

    private static boolean isOneOf(Schema<?> schema, Set<String> all) {
        return schema != null
                && schema.getOneOf() != null
                && schema.getOneOf().stream()
                        .map(Schema::get$ref)
                        .collect(Collectors.toSet())
                        .equals(all);
    }

    /** An operation is called by its room and what it does, so that a new one doesn't rename another. */
    @Bean
    OperationCustomizer operationsHaveTheirNames() {
        return (operation, method) -> operation.operationId(
                StringUtils.uncapitalize(method.getBeanType().getSimpleName().replace("Controller", ""))
                        + StringUtils.capitalize(method.getMethod().getName()));
    }

    /** What Javadoc says is for those who read the program, too; its marks are not for others. */
    @Bean
    OpenApiCustomizer wordsWithoutMarks() {
        return api -> api.getPaths().values().stream()
                .flatMap(path -> path.readOperations().stream())
                .forEach(operation -> {
                    operation.setSummary(plain(operation.getSummary()));
                    operation.setDescription(plain(operation.getDescription()));
                });
    }

    private static String plain(String words) {
        return words == null
                ? null
                : words.replaceAll("(?s)\\s*@(param|return|throws)\\b.*", "")
                        .replaceAll("</?code>", "`")
                        .replaceAll("<[^>]+>", "")
                        .replaceAll("\\s+", " ")
                        .strip();
    }

    /** Files are bytes as they are, not letters that stand for them. */
    @Bean
    OpenApiCustomizer filesAreBytes() {
        return api -> api.getPaths().values().stream()
                .flatMap(path -> path.readOperations().stream())
                .flatMap(operation -> operation.getResponses().values().stream())
                .filter(response -> response.getContent() != null)
                .flatMap(response -> response.getContent().values().stream())
                .map(MediaType::getSchema)
                .filter(schema -> schema != null && "byte".equals(schema.getFormat()))
                .forEach(schema -> schema.setFormat("binary"));
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void require(Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        if (properties != null) schema.setRequired(new ArrayList<>(properties.keySet()));
        List<Schema> parts = schema.getAllOf();
        if (parts != null) parts.forEach(OpenApiSetup::require);
    }
}
