package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jalousie.core.data.Field;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;

/** What two versions of a template differ in besides their words, a sentence each. */
public final class SettingsDifference {
    private final List<Message> sentences = new ArrayList<>();

    private SettingsDifference() {}

    public static List<Message> between(TemplateContent before, TemplateContent after) {
        SettingsDifference difference = new SettingsDifference();
        difference.compare(
                "field", before.fields(), after.fields(), field -> field.name().value(), Field::label);
        difference.compare("rule", before.rules(), after.rules(), Rule::name, Rule::label);
        difference.compare("choice", before.choices(), after.choices(), CaseChoice::name, CaseChoice::label);
        difference.compare(
                "party", before.parties(), after.parties(), party -> party.key().value(), Party::label);
        difference.compare(
                "signing-field",
                before.signingFields(),
                after.signingFields(),
                SigningField::name,
                SigningField::title);
        difference.compare(
                "document",
                before.documents(),
                after.documents(),
                document -> document.id().value(),
                document -> document.titleIn(""));
        if (!before.bundle().equals(after.bundle())) difference.sentences.add(Message.of("change.bundle"));
        if (!before.sending().equals(after.sending())) difference.sentences.add(Message.of("change.sending"));
        if (!before.layout().equals(after.layout())) difference.sentences.add(Message.of("change.layout"));
        if (!before.language().equals(after.language()))
            difference.sentences.add(
                    Message.of("change.language", "now", after.language(), "before", before.language()));
        return difference.sentences;
    }

    /** What is new under the label of something that is gone has only another name in the tags. */
    private <T> void compare(
            String what, List<T> before, List<T> after, Function<T, String> name, Function<T, String> label) {
        Map<String, T> gone = new LinkedHashMap<>();
        before.forEach(one -> gone.put(name.apply(one), one));
        List<T> come = new ArrayList<>();
        for (T one : after) {
            T was = gone.remove(name.apply(one));
            if (was == null) come.add(one);
            else if (!was.equals(one)) sentences.add(change("change.changed", what, label.apply(one)));
        }
        for (T one : come) {
            String called = label.apply(one);
            List<T> same = gone.values().stream()
                    .filter(was -> label.apply(was).equals(called))
                    .toList();
            if (same.size() == 1
                    && come.stream()
                                    .filter(other -> label.apply(other).equals(called))
                                    .count()
                            == 1) {
                String from = name.apply(same.get(0));
                gone.remove(from);
                sentences.add(Message.of(
                        "change.renamed",
                        "what",
                        Message.of("change.kind." + what),
                        "name",
                        called,
                        "from",
                        from,
                        "to",
                        name.apply(one)));
            } else {
                sentences.add(change("change.new", what, called));
            }
        }
        gone.values().forEach(one -> sentences.add(change("change.gone", what, label.apply(one))));
    }

    private static Message change(String code, String what, String name) {
        return Message.of(code, "what", Message.of("change.kind." + what), "name", name);
    }
}
