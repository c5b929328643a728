package org.jalousie.server.documents;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.messages.Message;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.template.Meaning;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.Inclusion;
import org.jalousie.core.wording.Mention;
import org.jalousie.core.wording.Origin;
import org.jalousie.core.wording.Passage;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.web.PrintedView;

/**
 * Something that printed on an agreement's pages, as those who prepared it call it.
 *
 * @param name of a value as the wording has it; empty for anything else
 * @param list the list whose item's value it is
 * @param number of a passage, or of a clause's place in the wording; -1 for a value
 * @param datum the agreement's datum that it is of: the list, for what its items print; empty for what follows by rule
 * @param label what it is called
 * @param rule whether it is a value that a rule or a choice gives
 * @param unless whether it is a passage that stands when something does not hold
 * @param repeats whether it is a passage that stands once for each item of a list
 */
record PrintedThing(
        PrintedView.Kind kind,
        String name,
        String list,
        int number,
        String datum,
        String label,
        boolean rule,
        boolean unless,
        boolean repeats) {
    /** Each once, in the order in which they stand on the pages. @param wording that the pages were made from; empty for others */
    static List<PrintedThing> of(List<PrintedPlace> places, TemplateContent content, Optional<Wording> wording) {
        Set<PrintedThing> things = new LinkedHashSet<>();
        for (PrintedPlace place : places) of(place.origin(), content, wording).ifPresent(things::add);
        return List.copyOf(things);
    }

    private static Optional<PrintedThing> of(Origin origin, TemplateContent content, Optional<Wording> wording) {
        if (origin instanceof Origin.Datum datum) return Optional.of(value(datum, content));
        if (origin instanceof Origin.Clause clause) {
            List<Inclusion> all = wording.map(Wording::inclusions).orElse(List.of());
            if (clause.number() >= all.size()) return Optional.empty();
            String name = all.get(clause.number()).clause();
            String label =
                    name.equals(Clauses.ANSWERS) ? Message.of("answers.all").toString() : name.replace('_', ' ');
            return Optional.of(
                    new PrintedThing(PrintedView.Kind.CLAUSE, "", "", clause.number(), "", label, false, false, false));
        }
        int number = ((Origin.Printing) origin).number();
        return wording.stream()
                .flatMap(one -> one.passages().stream())
                .filter(one -> one.number() == number)
                .findFirst()
                .map(one -> passage(one, content));
    }

    private static PrintedThing value(Origin.Datum datum, TemplateContent content) {
        List<String> within = datum.list().isEmpty() ? List.of() : List.of(datum.list());
        String label = Meaning.of(content, new Mention(Mention.Kind.VALUE, datum.name(), within))
                .map(Meaning::label)
                .orElse(datum.name());
        boolean rule = content.rules().stream()
                        .anyMatch(one ->
                                one.name().equals(datum.name()) && one.within().equals(datum.list()))
                || content.choices().stream().anyMatch(one -> one.name().equals(datum.name()));
        String of = rule
                ? ""
                : content.fields().stream()
                        .filter(field ->
                                datum.list().isEmpty() ? field.isCalled(datum.name()) : has(field, datum.list()))
                        .findFirst()
                        .map(field -> field.name().value())
                        .orElse("");
        return new PrintedThing(PrintedView.Kind.VALUE, datum.name(), datum.list(), -1, of, label, rule, false, false);
    }

    /** Whether a field is the list, or has it among its items. */
    private static boolean has(Field field, String list) {
        return field.isCalled(list) || field.items().stream().anyMatch(item -> has(item, list));
    }

    private static PrintedThing passage(Passage passage, TemplateContent content) {
        // where a passage stands within a list, its name may be one of the items'
        List<String> lists = new ArrayList<>();
        content.fields().forEach(field -> lists(field, lists));
        String label = Meaning.of(content, new Mention(Mention.Kind.OPEN, passage.name(), List.of()))
                .or(() -> Meaning.of(content, new Mention(Mention.Kind.OPEN, passage.name(), lists)))
                .map(Meaning::label)
                .orElse(passage.name().replace('_', ' '));
        return new PrintedThing(
                PrintedView.Kind.PASSAGE,
                "",
                "",
                passage.number(),
                "",
                label,
                false,
                passage.inverted(),
                !passage.inverted() && lists.contains(passage.name()));
    }

    private static void lists(Field field, List<String> into) {
        if (field.items().isEmpty()) return;
        into.add(field.name().value());
        field.items().forEach(item -> lists(item, into));
    }
}
