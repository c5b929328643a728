package org.jalousie.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.jalousie.demo.Client;
import org.jalousie.server.testbed.TestPaths;
import org.jalousie.server.testbed.Testbed;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The web client's types come from web/openapi.json; this fails when that file no longer describes the server. */
class ApiDescriptionTest {
    @Test
    void theDescriptionThatTheWebClientIsBuiltFromIsTheServersOwn() throws Exception {
        JsonMapper mapper =
                JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
        String now = mapper.writeValueAsString(new Client(Testbed.start().address())
                        .get("/api/v1/openapi")
                        .json()) + "\n";
        Path file = TestPaths.root().resolve("web/openapi.json");
        if (Boolean.getBoolean("openapi.update")) Files.writeString(file, now);
        assertThat(now)
                .as("run ./jalousie api after changing the interface to the outside")
                .isEqualTo(Files.readString(file));
    }
}
