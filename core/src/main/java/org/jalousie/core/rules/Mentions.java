package org.jalousie.core.rules;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.camunda.feel.syntaxtree.ConstDate;
import org.camunda.feel.syntaxtree.ConstNumber;
import org.camunda.feel.syntaxtree.ConstString;
import org.camunda.feel.syntaxtree.FunctionInvocation;
import org.camunda.feel.syntaxtree.ParsedExpression;
import org.camunda.feel.syntaxtree.PathExpression;
import org.camunda.feel.syntaxtree.Ref;
import scala.Product;
import scala.collection.Iterator;

/** What an expression speaks of: names, functions and constants, found by walking its syntax tree. */
final class Mentions {
    final Set<String> names = new LinkedHashSet<>();
    final Set<String> paths = new LinkedHashSet<>();
    final Set<String> bound = new LinkedHashSet<>(Set.of("item", "partial"));
    final Set<String> functions = new LinkedHashSet<>();
    final List<Object> constants = new ArrayList<>();

    static Mentions of(ParsedExpression expression) {
        Mentions mentions = new Mentions();
        mentions.walk(expression.expression());
        return mentions;
    }

    /** Names that are not bound by the expression itself ({@code for x in …}). */
    Set<String> free() {
        Set<String> free = new LinkedHashSet<>(names);
        free.removeAll(bound);
        return free;
    }

    private void walk(Object node) {
        if (node instanceof Ref ref) {
            names.add(ref.names().head());
            for (Iterator<String> more = ref.names().iterator(); more.hasNext(); ) paths.add(more.next());
        } else if (node instanceof ConstNumber number) {
            constants.add(number.value().bigDecimal());
        } else if (node instanceof ConstString text) {
            constants.add(text.value());
        } else if (node instanceof ConstDate date) {
            constants.add(date.value());
        } else if (node instanceof PathExpression path) {
            paths.add(path.key());
        } else if (node instanceof FunctionInvocation call) {
            functions.add(call.function());
        }
        if (node instanceof scala.collection.Iterable<?> many) {
            for (Iterator<?> each = many.iterator(); each.hasNext(); ) walk(each.next());
        } else if (node instanceof Product product) {
            boolean binds = List.of("For", "SomeItem", "EveryItem", "FunctionDefinition")
                    .contains(product.productPrefix());
            if (binds) bind(product.productElement(0));
            for (Iterator<Object> each = product.productIterator(); each.hasNext(); ) walk(each.next());
        }
        if (node instanceof FunctionInvocation call && call.function().equals("date")) {
            constants.stream()
                    .filter(String.class::isInstance)
                    .map(String.class::cast)
                    .toList()
                    .forEach(this::asDate);
        }
    }

    private void asDate(String text) {
        if (text.matches("\\d{4}-\\d\\d-\\d\\d")) constants.add(LocalDate.parse(text));
    }

    private void bind(Object iterators) {
        if (iterators instanceof scala.collection.Iterable<?> many) {
            for (Iterator<?> each = many.iterator(); each.hasNext(); ) {
                Object one = each.next();
                if (one instanceof String name) bound.add(name);
                else if (one instanceof Product pair && pair.productElement(0) instanceof String name) bound.add(name);
            }
        }
    }
}
