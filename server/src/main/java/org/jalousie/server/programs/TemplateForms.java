package org.jalousie.server.programs;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** A form's own addresses: {@code templates/{id}/form/…}. */
@Component
class TemplateForms implements Reached {
    @Override
    public Optional<About> about(List<String> segments) {
        if (segments.size() < 3
                || !segments.get(0).equals("templates")
                || !segments.get(2).equals("form")) return Optional.empty();
        try {
            return Optional.of(About.forms(Set.of(UUID.fromString(segments.get(1)))));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
