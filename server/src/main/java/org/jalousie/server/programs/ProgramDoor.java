package org.jalousie.server.programs;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.programs.Scope;
import org.jalousie.server.Refusal;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.web.Attempts;
import org.jalousie.server.web.KeyDoor;
import org.slf4j.MDC;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Lets programs in with their keys, as far as their scopes and forms reach and as often as was agreed, and notes each use. */
@Component
class ProgramDoor implements KeyDoor {
    private static final String BASE = "/api/v1/";
    /** Whoever comes to these comes with a link of their own. */
    private static final List<String> OTHERS = List.of("signing/", "ask/", "asked/");

    /** Lists that are narrowed to a form by {@code template=}. */
    private static final Set<String> OF_A_FORM = Set.of("requests", "runs", "form-links");

    private static final String BEARER = "bearer ";

    private final ProgramKeys keys;
    private final ProgramUses uses;
    private final SignedRequests signed;
    private final Attempts attempts;
    private final ObjectProvider<Reached> reached;
    private final Clock clock;

    ProgramDoor(
            ProgramKeys keys,
            ProgramUses uses,
            SignedRequests signed,
            Attempts attempts,
            ObjectProvider<Reached> reached,
            Clock clock) {
        this.keys = keys;
        this.uses = uses;
        this.signed = signed;
        this.attempts = attempts;
        this.reached = reached;
        this.clock = clock;
    }

    @Override
    public boolean knocks(HttpServletRequest request) {
        String path = request.getRequestURI();
        if (!path.startsWith(BASE) || OTHERS.stream().anyMatch(other -> path.startsWith(BASE + other))) return false;
        return bearer(request).isPresent() || request.getHeader(SignedRequests.INPUT) != null;
    }

    private static Optional<String> bearer(HttpServletRequest request) {
        return Optional.ofNullable(request.getHeader("Authorization"))
                .filter(field -> field.toLowerCase(Locale.ROOT).startsWith(BEARER))
                .map(field -> field.substring(BEARER.length()).strip());
    }

    @Override
    public Entered open(HttpServletRequest request) throws IOException {
        Attempts.Attempt attempt = attempts.link(request.getRemoteAddr());
        Optional<String> bearer = bearer(request);
        SignedRequests.Signed came = bearer.isPresent()
                ? new SignedRequests.Signed(
                        keys.bySecret(bearer.get()).orElseThrow(() -> Refusal.unauthorized(Message.of("key.wrong"))),
                        request)
                : signed.read(request);
        attempt.succeeded();
        return new Inside(came.by(), came.request());
    }

    private final class Inside implements Entered {
        private final ProgramKeys.Known known;
        private final HttpServletRequest request;

        Inside(ProgramKeys.Known known, HttpServletRequest request) {
            this.known = known;
            this.request = request;
        }

        @Override
        public SignedIn program() {
            return SignedIn.program(
                    known.title(),
                    new SignedIn.Program(
                            known.program(),
                            known.key().toString(),
                            request.getRemoteAddr(),
                            Set.copyOf(known.terms().forms())));
        }

        @Override
        public HttpServletRequest request() {
            return request;
        }

        @Override
        public List<Scope> lacks() {
            takeTurn();
            Needs.Need need =
                    Needs.of(request.getMethod(), request.getRequestURI()).orElseThrow(() -> notAllowed("key.nowhere"));
            List<List<Scope>> ways =
                    need.oneOf().stream().filter(known.terms()::allows).toList();
            if (ways.isEmpty()) return need.oneOf().get(0);
            return need.oneOf().size() > 1 || known.terms().limited() ? lacksFor(ways) : List.of();
        }

        /** @param ways that are open to it, by its scopes */
        private List<Scope> lacksFor(List<List<Scope>> ways) {
            if (ways.equals(Needs.Need.NOTHING.oneOf())) return List.of();
            List<String> segments = Arrays.asList(
                    request.getRequestURI().substring(BASE.length()).split("/"));
            Optional<Reached.About> about = reached.stream()
                    .map(one -> one.about(segments))
                    .flatMap(Optional::stream)
                    .findFirst();
            if (known.terms().limited() && !isOfItsForms(segments, about)) throw notAllowed("key.form");
            return about.flatMap(Reached.About::area)
                    .filter(area ->
                            ways.stream().noneMatch(way -> way.stream().allMatch(scope -> scope.area() == area)))
                    .map(area -> List.of(new Scope(area, ways.get(0).get(0).writes())))
                    .orElse(List.of());
        }

        private boolean isOfItsForms(List<String> segments, Optional<Reached.About> about) {
            List<UUID> own = known.terms().forms();
            if (about.isPresent()) return about.get().forms().stream().anyMatch(own::contains);
            // which form a new request is of stands in its body, where it is looked at
            if (segments.equals(List.of("requests")) && request.getMethod().equals("POST")) return true;
            // a file is known by what it is, to whoever has it
            if (segments.get(0).equals("form-files")) return true;
            boolean list = request.getMethod().equals("GET") && OF_A_FORM.contains(segments.get(0))
                    || segments.get(0).equals("runs");
            return list
                    && segments.size() == 1
                    && own.stream().anyMatch(form -> form.toString().equals(request.getParameter("template")));
        }

        private void takeTurn() {
            int most = known.terms().perMinute();
            keys.take(known.program(), most).ifPresent(wait -> {
                throw Refusal.tooMany(Message.of("key.too-often", "most", most, "seconds", wait.toSeconds()), wait);
            });
        }

        @Override
        public void answered(int status, int milliseconds) {
            uses.note(
                    known.program(),
                    new ProgramUses.ProgramUse(
                            clock.instant(),
                            known.key(),
                            request.getMethod(),
                            request.getRequestURI(),
                            status,
                            milliseconds,
                            request.getRemoteAddr(),
                            Optional.ofNullable(MDC.get("request")).orElse("")));
        }
    }

    private static Refusal notAllowed(String code) {
        return Refusal.of(Refusal.Kind.NOT_ALLOWED, Message.of(code));
    }
}
