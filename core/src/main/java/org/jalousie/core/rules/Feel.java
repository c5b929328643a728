package org.jalousie.core.rules;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import org.camunda.feel.FeelEngineClock;
import org.camunda.feel.api.EvaluationResult;
import org.camunda.feel.api.FeelEngineApi;
import org.camunda.feel.api.FeelEngineBuilder;
import org.camunda.feel.api.ParseResult;
import org.camunda.feel.syntaxtree.ParsedExpression;
import org.camunda.feel.syntaxtree.Val;
import org.camunda.feel.syntaxtree.ValNumber;
import org.camunda.feel.valuemapper.JavaCustomValueMapper;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;
import scala.jdk.javaapi.CollectionConverters;

/** The expression language: reads and evaluates FEEL with exact decimals and no outside functions. */
final class Feel {
    private static final FeelEngineApi ENGINE = FeelEngineBuilder.forJava()
            .withCustomValueMapper(new ExactNumbers())
            .withClock(new NoClock())
            .withEnabledExternalFunctions(false)
            .build();

    private static final int LONGEST = 10_000;

    private Feel() {}

    /** What reading came to: an expression, or why there is none. */
    record Parsed(ParsedExpression expression, Optional<Message> failure) {
        boolean ok() {
            return failure.isEmpty();
        }
    }

    /** @param failures what the engine could not make sense of on the way; the value is then null or partly null */
    record Result(Object value, List<Message> failures) {}

    static Parsed parse(String text) {
        if (text.length() > LONGEST) return new Parsed(null, Optional.of(Message.of("rule.too-long", "most", LONGEST)));
        ParseResult result;
        try {
            result = Budget.within(() -> ENGINE.parseExpression(text));
        } catch (Told | IllegalArgumentException e) {
            return new Parsed(null, Optional.of(said(e)));
        }
        if (result.isSuccess()) return new Parsed(result.parsedExpression(), Optional.empty());
        return new Parsed(null, Optional.of(firstLine(result.failure().message())));
    }

    static Result evaluate(ParsedExpression expression, Map<String, Object> context) {
        try {
            return Budget.within(() -> evaluated(expression, context));
        } catch (Told | IllegalArgumentException e) {
            return new Result(null, List.of(said(e)));
        }
    }

    private static Message said(RuntimeException e) {
        if (e instanceof Told known) return known.said();
        return Message.of("rule.engine", "said", Objects.requireNonNullElse(e.getMessage(), ""));
    }

    private static Result evaluated(ParsedExpression expression, Map<String, Object> context) {
        EvaluationResult result = ENGINE.evaluate(expression, context);
        if (!result.isSuccess())
            return new Result(null, List.of(firstLine(result.failure().message())));
        return new Result(
                inJava(result.result()),
                result.getSuppressedFailures().stream()
                        .map(failure -> firstLine(failure.failureMessage()))
                        .toList());
    }

    /** The engine hands some lists and contexts out as Scala's. */
    private static Object inJava(Object result) {
        if (result instanceof scala.collection.Map<?, ?> map) return inJava(CollectionConverters.asJava(map));
        if (result instanceof scala.collection.Iterable<?> many) {
            List<Object> list = new ArrayList<>();
            CollectionConverters.asJava(many).forEach(one -> list.add(inJava(one)));
            return list;
        }
        if (result instanceof List<?> many) {
            List<Object> list = new ArrayList<>();
            many.forEach(one -> list.add(inJava(one)));
            return list;
        }
        if (result instanceof Map<?, ?> map) {
            Map<Object, Object> members = new LinkedHashMap<>();
            map.forEach((name, value) -> members.put(name, inJava(value)));
            return members;
        }
        return result;
    }

    /** The engine speaks for itself, in English. */
    private static Message firstLine(String message) {
        String line = message.lines().findFirst().orElse("");
        return Message.of(
                "rule.engine",
                "said",
                line.replaceFirst("^failed to parse expression '.*?': ", "").strip());
    }

    /** The engine's own mapper hands numbers out as binary fractions; money needs them exact. */
    private static final class ExactNumbers extends JavaCustomValueMapper {
        @Override
        public Optional<Val> toValue(Object value, Function<Object, Val> inner) {
            return Optional.empty();
        }

        @Override
        public Optional<Object> unpackValue(Val value, Function<Val, Object> inner) {
            return value instanceof ValNumber number
                    ? Optional.of(new BigDecimal(number.value().bigDecimal().toPlainString()))
                    : Optional.empty();
        }
    }

    /** A rule gives the same for the same data on any day, so there is no now. */
    private static final class NoClock implements FeelEngineClock {
        @Override
        public java.time.ZonedDateTime getCurrentTime() {
            throw new IllegalStateException("a rule can't ask for the current time");
        }
    }
}
