package org.jalousie.server.adapters;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.junit.jupiter.api.Test;
import org.springframework.http.ProblemDetail;

class ServiceProblemsTest {
    @Test
    void whichServiceIsAwayIsSaidInEveryLanguage() {
        for (String language : Catalogue.LANGUAGES) {
            Set<String> said = new HashSet<>();
            for (ServiceAway.Service service : ServiceAway.Service.values())
                said.add(Catalogue.of(language).say(messageOf(service)));
            assertThat(said).as(language).hasSize(ServiceAway.Service.values().length);
        }
    }

    private static Message messageOf(ServiceAway.Service service) {
        ProblemDetail problem = new ServiceProblems()
                .away(new ServiceAway(service, Message.of("files.cant-be-kept", "reason", "a reason"), null));
        assertThat(problem.getDetail())
                .isEqualTo(Message.of("service.away", "service", service.name()).toString())
                .as("why, which may name machines, is for the office alone")
                .doesNotContain("a reason");
        Map<String, Object> properties = problem.getProperties();
        return (Message) properties.get("message");
    }
}
