package org.jalousie.core.rules;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Rules that would never end, or fill the memory, are ended; what comes after them is worked out as ever. */
class BudgetTest {
    private static Feel.Result worked(String expression) {
        Feel.Parsed parsed = Feel.parse(expression);
        assertThat(parsed.failure()).isEmpty();
        return assertTimeoutPreemptively(
                Duration.ofSeconds(8), () -> Feel.evaluate(parsed.expression(), Map.of("a", "x")));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "sum(for i in 1..1000000000 return i)",
                "count(for i in 1..2000, j in 1..2000, k in 1..2000 return i)",
                "some i in 1..900000000 satisfies i < 0",
                "every i in 1..900000000 satisfies i > 0",
                "for i in 1..60 return if i = 1 then \"xxxxxxxx\" else partial[-1] + partial[-1]",
                "{f: function(n) f(n + 1), r: f(1)}.r",
                "2 ** 2000000000",
            })
    void isEnded(String expression) {
        Feel.Result result = worked(expression);
        assertThat(result.failures()).as(expression).isNotEmpty();
        assertThat(worked("sum(for i in 1..1000 return i)").value()).hasToString("500500");
    }

    @Test
    void aRuleWithinARuleHasABudgetOfItsOwn() {
        Object sum = Budget.within(() -> Budget.within(() -> worked("1 + 1").value()));
        assertThat(sum).hasToString("2");
    }

    @Test
    void whatIsTooDeepOrTooLongIsAFaultOfTheRule() {
        assertTimeoutPreemptively(Duration.ofSeconds(20), () -> {
            assertThat(Feel.parse("(".repeat(4900) + "1" + ")".repeat(4900)).failure())
                    .isNotEmpty();
            assertThat(Feel.parse("1+".repeat(20_000) + "1")
                            .failure()
                            .orElseThrow()
                            .code())
                    .isEqualTo("rule.too-long");
            Feel.parse("[".repeat(3000));
            Feel.parse("-".repeat(9000) + "1");
        });
    }
}
