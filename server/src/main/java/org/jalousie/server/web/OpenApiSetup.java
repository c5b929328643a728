package org.jalousie.server.web;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.core.placement.Spot;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

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
            }
        };
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void require(Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        if (properties != null) schema.setRequired(new ArrayList<>(properties.keySet()));
        List<Schema> parts = schema.getAllOf();
        if (parts != null) parts.forEach(OpenApiSetup::require);
    }
}
