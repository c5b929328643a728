package org.jalousie.server.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;

/** Problem details (RFC 9457) of what is refused before any room is asked. */
final class ProblemBody {
    private ProblemBody() {}

    static void write(HttpServletResponse response, int status, Message said) throws IOException {
        response.setStatus(status);
        response.setContentType("application/problem+json");
        response.setCharacterEncoding("UTF-8");
        response.getWriter()
                .write(Json.canonical(Map.of("detail", said.toString(), "status", status, "message", said)));
    }

    static void write(HttpServletResponse response, Refusal refusal) throws IOException {
        refusal.retryAfter().ifPresent(wait -> response.setHeader("Retry-After", "" + wait.toSeconds()));
        write(response, Problems.status(refusal).value(), refusal.said());
    }
}
