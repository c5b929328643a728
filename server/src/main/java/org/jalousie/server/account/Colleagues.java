package org.jalousie.server.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;

/** People of the office, as other rooms see them. */
public interface Colleagues {
    /** @param mail by which they sign in */
    record Colleague(String mail, String name) {}

    /** Those who can take care of something, by name. */
    List<Colleague> coordinators();

    /** Mail addresses of a team's people who are let in; none for a team that is gone. */
    List<String> team(UUID id);

    /** One of them; empty for anybody else. */
    default Optional<Colleague> coordinator(String mail) {
        return coordinators().stream()
                .filter(one -> one.mail().equalsIgnoreCase(mail))
                .findFirst();
    }
}
