package org.jalousie.server.trail;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.Timestamp;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.json.Json;
import org.jalousie.core.messages.Message;
import org.jalousie.server.account.SignedIn;
import org.slf4j.MDC;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Writes the trail, which the database lets nobody change. */
@Component
class OfficeActs implements Trail {
    /** Who does what nobody has asked for just then. */
    private static final SignedIn ITSELF = new SignedIn("", "Jalousie", Set.of());

    private final JdbcClient sql;
    private final Clock clock;

    OfficeActs(JdbcClient sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public void note(Message act) {
        Authentication present = SecurityContextHolder.getContext().getAuthentication();
        note(present != null && present.getPrincipal() instanceof SignedIn by ? by : ITSELF, act);
    }

    @Override
    @Transactional(propagation = Propagation.MANDATORY)
    public void note(SignedIn by, Message act) {
        sql.sql(
                        "insert into office_act (at, by_mail, by_name, by_program, from_address, request_id, code, arguments, said)"
                                + " values (?, ?, ?, ?, ?, ?, ?, cast(? as jsonb), ?)")
                .params(
                        Timestamp.from(clock.instant()),
                        by.mail(),
                        by.displayName(),
                        by.asProgram().isPresent(),
                        from(),
                        Optional.ofNullable(MDC.get("request")).orElse(""),
                        act.code(),
                        Json.canonical(act.arguments()),
                        act.toString())
                .update();
    }

    private static String from() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes
                ? address(attributes.getRequest())
                : "";
    }

    private static String address(HttpServletRequest request) {
        return Optional.ofNullable(request.getRemoteAddr()).orElse("");
    }
}
