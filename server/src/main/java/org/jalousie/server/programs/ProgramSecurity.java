package org.jalousie.server.programs;

import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.programs.ProgramTerms;
import org.jalousie.core.programs.Scope;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What opens each operation, in the description of the interface to the outside. */
@Configuration
class ProgramSecurity {
    private static final String KEY = "key";
    private static final String SESSION = "session";

    @Bean
    OpenApiCustomizer scopesOfOperations() {
        return api -> {
            Components components = api.getComponents();
            components.addSecuritySchemes(
                    KEY,
                    new SecurityScheme()
                            .type(SecurityScheme.Type.HTTP)
                            .scheme("bearer")
                            .description(
                                    "A program's key (RFC 6750), with the scopes that an operation names. In its place a request may be signed (RFC 9421, hmac-sha256): docs/api.md."));
            components.addSecuritySchemes(
                    SESSION,
                    new SecurityScheme()
                            .type(SecurityScheme.Type.APIKEY)
                            .in(SecurityScheme.In.COOKIE)
                            .name("JALOUSIE")
                            .description("Somebody who has signed in."));
            Schema<?> scope = new StringSchema()
                    ._enum(Scope.all().stream().map(Scope::toString).toList());
            components.addSchemas("Scope", scope);
            Schema<?> terms = components.getSchemas().get(ProgramTerms.class.getSimpleName());
            terms.getProperties().get("scopes").setItems(new Schema<>().$ref("#/components/schemas/Scope"));
            api.getPaths()
                    .forEach((path, item) ->
                            item.readOperationsMap().forEach((method, operation) -> say(path, method, operation)));
        };
    }

    private static void say(String path, PathItem.HttpMethod method, Operation operation) {
        Optional<Needs.Need> need = Needs.of(method.name(), path);
        if (need.isEmpty()) return;
        for (List<Scope> way : need.get().oneOf())
            operation.addSecurityItem(new SecurityRequirement()
                    .addList(KEY, way.stream().map(Scope::toString).toList()));
        operation.addSecurityItem(new SecurityRequirement().addList(SESSION));
    }
}
