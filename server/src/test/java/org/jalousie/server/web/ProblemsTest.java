package org.jalousie.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.apache.catalina.connector.ClientAbortException;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;

class ProblemsTest {
    private final Problems problems = new Problems();

    @Test
    void whoeverHasLeftIsNotAFailure() {
        assertThat(problems.unexpected(new ClientAbortException(new IOException("Broken pipe"))))
                .isNull();
    }

    @Test
    void whatFailsHereHasANumberToAskFor() {
        assertThat(problems.unexpected(new IOException("Connection reset by peer")))
                .isNotNull();
        var answer = problems.unexpected(new IllegalStateException("a file is gone: /var/secret"));
        assertThat(answer.getStatusCode()).isEqualTo(HttpStatus.INTERNAL_SERVER_ERROR);
        assertThat(String.valueOf(answer.getBody())).doesNotContain("secret");
    }
}
