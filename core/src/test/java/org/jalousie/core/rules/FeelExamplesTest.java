package org.jalousie.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Worked examples of OMG DMN 1.4 chapter 10 (FEEL), from memory: the text of the standard is not at hand here. */
class FeelExamplesTest {
    private static Object eval(String expression) {
        Feel.Parsed parsed = Feel.parse(expression);
        assertThat(parsed.failure()).as(expression).isEmpty();
        Map<String, Object> context = Map.of(
                "loans",
                List.of(
                        Map.of("amount", new BigDecimal(10), "rate", new BigDecimal("0.25")),
                        Map.of("amount", new BigDecimal(20), "rate", new BigDecimal("0.10"))));
        Feel.Result result = Feel.evaluate(parsed.expression(), context);
        assertThat(result.failures()).as(expression).isEmpty();
        return result.value();
    }

    // table 73 and after, built-in functions
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "decimal(1/3, 2) | 0.33",
                "decimal(1.5, 0) | 2",
                "decimal(2.5, 0) | 2",
                "floor(1.5) | 1",
                "floor(-1.5) | -2",
                "ceiling(1.5) | 2",
                "ceiling(-1.5) | -1",
                "abs(-10) | 10",
                "modulo(12, 5) | 2",
                "modulo(-12, 5) | 3",
                "count([1, 2, 3]) | 3",
                "min([1, 2, 3]) | 1",
                "max([1, 2, 3]) | 3",
                "sum([1, 2, 3]) | 6",
                "mean([1, 2, 3]) | 2",
                "median(8, 2, 5, 3, 4) | 4",
                "string length(\"foo\") | 3",
                "0.1 + 0.2 | 0.3",
                "2 ** 3 | 8",
                "if 3 > 2 then 1 else 0 | 1",
                "date(\"2012-12-25\").year | 2012",
                "sum(loans.amount) | 30",
                "sum(for l in loans return l.amount * l.rate) | 4.5",
                "loans[1].amount | 10",
                "loans[-1].amount | 20",
                "count(loans[amount > 15]) | 1",
                "(date(\"2012-12-25\") - date(\"2012-12-24\")).days | 1"
            })
    void numbers(String expression, BigDecimal expected) {
        assertThat((BigDecimal) eval(expression)).isEqualByComparingTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "substring(\"foobar\", 3) | obar",
                "substring(\"foobar\", 3, 3) | oba",
                "substring(\"foobar\", -2, 1) | a",
                "upper case(\"aBc4\") | ABC4",
                "lower case(\"aBc4\") | abc4",
                "substring before(\"foobar\", \"bar\") | foo",
                "substring after(\"foobar\", \"ob\") | ar",
                "\"foo\" + \"bar\" | foobar"
            })
    void texts(String expression, String expected) {
        assertThat(eval(expression)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "contains(\"foobar\", \"of\") | false",
                "starts with(\"foobar\", \"fo\") | true",
                "ends with(\"foobar\", \"r\") | true",
                "matches(\"foobar\", \"^fo*b\") | true",
                "list contains([1, 2, 3], 2) | true",
                "5 in [1..5] | true",
                "5 in (1..5) | false",
                "5 between 3 and 7 | true",
                "some x in [1, 2, 3] satisfies x > 2 | true",
                "every x in [1, 2, 3] satisfies x > 2 | false",
                "date(\"2012-12-25\") > date(\"2012-12-24\") | true",
                "not(true) | false",
                "null = null | true",
                "[1, 2] = [1, 2] | true"
            })
    void truths(String expression, boolean expected) {
        assertThat(eval(expression)).isEqualTo(expected);
    }

    @Test
    void dates() {
        assertThat(eval("date(2012, 12, 25)")).isEqualTo(LocalDate.of(2012, 12, 25));
        assertThat(eval("date(\"2012-12-25\") + duration(\"P1D\")")).isEqualTo(LocalDate.of(2012, 12, 26));
        assertThat(eval("date(\"2012-01-31\") + duration(\"P1M\")")).isEqualTo(LocalDate.of(2012, 2, 29));
    }
}
