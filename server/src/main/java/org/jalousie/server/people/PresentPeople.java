package org.jalousie.server.people;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jalousie.core.access.Role;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.StillLetIn;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.stereotype.Component;

/** Looks up, for each request, who somebody is and what they may. */
@Component
class PresentPeople implements StillLetIn {
    private final JdbcClient sql;

    PresentPeople(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param lacksFactor whether they came in with a password only, and one of their roles needs more */
    record Present(SignedIn person, boolean lacksFactor) {}

    @Override
    public Optional<Authentication> now(Authentication before, HttpServletRequest request) {
        return before.getPrincipal() instanceof SignedIn person
                ? find(person.mail(), request).map(one -> letIn(one.person()))
                : Optional.of(before);
    }

    private static Authentication letIn(SignedIn person) {
        return new UsernamePasswordAuthenticationToken(
                person,
                null,
                Role.inOrder(person.roles()).stream()
                        .map(role -> new SimpleGrantedAuthority("ROLE_" + role))
                        .toList());
    }

    /** Who is signed in under an address; empty when they are let in no more. */
    Optional<Present> find(String mail, HttpServletRequest request) {
        boolean strong = Optional.ofNullable(request.getSession(false))
                .map(session -> (Entry) session.getAttribute(Entry.NAME))
                .filter(entry -> entry.way().strong())
                .isPresent();
        return sql.sql("select a.name, a.roles, a.roles && r.second_factor as needs from account a, entry_rule r"
                        + " where a.mail = ? and a.closed_at is null")
                .param(mail)
                .query((row, i) -> present(mail, row, strong))
                .optional();
    }

    private static Present present(String mail, ResultSet row, boolean strong) throws SQLException {
        boolean lacks = row.getBoolean("needs") && !strong;
        List<String> roles = Arrays.asList((String[]) row.getArray("roles").getArray());
        Set<Role> may = lacks ? Set.of() : roles.stream().map(Role::valueOf).collect(Collectors.toSet());
        return new Present(new SignedIn(mail, row.getString("name"), may), lacks);
    }
}
