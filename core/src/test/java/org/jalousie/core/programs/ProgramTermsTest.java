package org.jalousie.core.programs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jalousie.core.json.Json;
import org.junit.jupiter.api.Test;

class ProgramTermsTest {
    private static final UUID ONE = UUID.randomUUID();
    private static final UUID TWO = UUID.randomUUID();

    private static ProgramTerms terms(List<UUID> forms, int perMinute, String... scopes) {
        return new ProgramTerms(
                " Collection ", List.of(scopes).stream().map(Scope::of).toList(), forms, perMinute);
    }

    @Test
    void whoMayWriteMayRead() {
        ProgramTerms terms = terms(List.of(), 60, "intake:write", "archive:read");
        assertThat(terms.allows(List.of(Scope.reading(Scope.Area.INTAKE)))).isTrue();
        assertThat(terms.allows(List.of(Scope.writing(Scope.Area.INTAKE), Scope.reading(Scope.Area.ARCHIVE))))
                .isTrue();
        assertThat(terms.allows(List.of(Scope.writing(Scope.Area.ARCHIVE)))).isFalse();
        assertThat(terms.allows(List.of(Scope.reading(Scope.Area.INTAKE), Scope.reading(Scope.Area.AGREEMENTS))))
                .isFalse();
        assertThat(terms.title()).isEqualTo("Collection");
    }

    @Test
    void noneGivesAnotherMoreThanItHas() {
        ProgramTerms own = terms(List.of(ONE, TWO), 60, "intake:write", "programs:write");
        assertThat(terms(List.of(ONE), 60, "intake:read").within(own)).isTrue();
        assertThat(terms(List.of(), 60, "intake:read").within(own)).isFalse();
        assertThat(terms(List.of(UUID.randomUUID()), 60, "intake:read").within(own))
                .isFalse();
        assertThat(terms(List.of(ONE), 61, "intake:read").within(own)).isFalse();
        assertThat(terms(List.of(ONE), 1, "archive:read").within(own)).isFalse();
        assertThat(terms(List.of(ONE), 1, "intake:read").within(terms(List.of(), 1, "intake:read")))
                .isTrue();
    }

    @Test
    void whatIsMissingIsSaidWhereItIs() {
        assertThat(new ProgramTerms("", List.of(), List.of(), 0).faults())
                .containsOnlyKeys("title", "scopes", "perMinute");
        assertThat(terms(List.of(), 6_000, "office:read").faults()).isEmpty();
        assertThat(terms(List.of(), 6_001, "office:read").faults()).containsOnlyKeys("perMinute");
        List<UUID> many =
                IntStream.range(0, 201).mapToObj(i -> UUID.randomUUID()).toList();
        assertThat(terms(many, 1, "office:read").faults()).containsOnlyKeys("forms");
    }

    @Test
    void scopesAreTokens() {
        assertThat(Json.canonical(List.of(Scope.of("registers:write")))).isEqualTo("[\"registers:write\"]");
        assertThat(Scope.all()).hasSize(2 * Scope.Area.values().length).doesNotHaveDuplicates();
        assertThatThrownBy(() -> Scope.of("registers:own")).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void triesGoOnForThreeDaysAndEnd() {
        Duration all = IntStream.rangeClosed(1, 12)
                .mapToObj(tries -> NextTry.after(tries).orElseThrow())
                .reduce(Duration.ZERO, Duration::plus);
        assertThat(all).isBetween(Duration.ofDays(3), Duration.ofDays(4));
        assertThat(NextTry.after(13)).isEmpty();
        assertThat(IntStream.range(1, 12)
                        .allMatch(i -> NextTry.after(i)
                                        .orElseThrow()
                                        .compareTo(NextTry.after(i + 1).orElseThrow())
                                <= 0))
                .isTrue();
    }

    @Test
    void noticesHaveTheirNames() {
        assertThat(NoticeKind.AGREEMENT_SIGNED.type()).isEqualTo("org.jalousie.agreement.signed");
        for (NoticeKind kind : NoticeKind.values())
            assertThat(NoticeKind.named(kind.toString())).isEqualTo(kind);
        assertThatThrownBy(() -> NoticeKind.named("agreement.eaten")).isInstanceOf(IllegalArgumentException.class);
    }
}
