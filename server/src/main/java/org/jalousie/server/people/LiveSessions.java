package org.jalousie.server.people;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Where people are signed in. */
@Component
class LiveSessions {
    private static final int ID = 32;

    private final ObjectProvider<FindByIndexNameSessionRepository<? extends Session>> sessions;
    private final JdbcClient sql;

    LiveSessions(ObjectProvider<FindByIndexNameSessionRepository<? extends Session>> sessions, JdbcClient sql) {
        this.sessions = sessions;
        this.sql = sql;
    }

    /**
     * @param id by which it is ended; nobody comes in by it
     * @param from the network address, {@code browser} what that said of itself; empty where it isn't known
     * @param way empty where it isn't known
     * @param here whether it is the one that asks
     */
    record LiveSession(
            String id,
            String from,
            String browser,
            Optional<Entry.Way> way,
            Instant since,
            Instant seen,
            boolean here) {}

    /** Last used first. @param here the session that asks; empty for none */
    List<LiveSession> of(String mail, String here) {
        return sessions.getObject().findByPrincipalName(mail).values().stream()
                .filter(one -> !one.isExpired())
                .map(one -> live(one, here))
                .sorted(Comparator.comparing(LiveSession::seen).reversed())
                .toList();
    }

    private static LiveSession live(Session one, String here) {
        Optional<Entry> entry = Optional.ofNullable(one.getAttribute(Entry.NAME));
        return new LiveSession(
                id(one.getId()),
                entry.map(Entry::from).orElse(""),
                entry.map(Entry::agent).orElse(""),
                entry.map(Entry::way),
                entry.map(Entry::at).orElse(one.getCreationTime()),
                one.getLastAccessedTime(),
                one.getId().equals(here));
    }

    private static String id(String session) {
        return Sha256.of(session.getBytes(StandardCharsets.US_ASCII)).hex().substring(0, ID);
    }

    /** @return whether there was such a one */
    @Transactional
    boolean end(String mail, String id) {
        // past the repository, which would take a second connection for it
        return sql
                .sql("select session_id from spring_session where principal_name = ?")
                .param(mail)
                .query(String.class)
                .list()
                .stream()
                .filter(one -> id(one).equals(id))
                .anyMatch(one -> sql.sql("delete from spring_session where session_id = ?")
                                .param(one)
                                .update()
                        == 1);
    }

    /** @return how many there were */
    @Transactional
    int endAll(String mail) {
        return endOthers(mail, "");
    }

    /** @param but the session that stays */
    @Transactional
    int endOthers(String mail, String but) {
        return sql.sql("delete from spring_session where principal_name = ? and session_id <> ?")
                .params(mail, but)
                .update();
    }
}
