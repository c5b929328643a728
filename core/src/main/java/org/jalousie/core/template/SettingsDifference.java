package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jalousie.core.messages.Message;

/** What two versions of a template differ in besides their words, a sentence each. */
public final class SettingsDifference {
    private final List<Message> sentences = new ArrayList<>();

    private SettingsDifference() {}

    public static List<Message> between(TemplateContent before, TemplateContent after) {
        SettingsDifference difference = new SettingsDifference();
        difference.compare(
                "field", before.fields(), after.fields(), field -> field.name().value());
        difference.compare("rule", before.rules(), after.rules(), rule -> rule.name());
        difference.compare("choice", before.choices(), after.choices(), choice -> choice.name());
        difference.compare("party", before.parties(), after.parties(), party -> party.label());
        difference.compare("signing-field", before.signingFields(), after.signingFields(), field -> field.name());
        if (!before.sending().equals(after.sending())) difference.sentences.add(Message.of("change.sending"));
        if (!before.layout().equals(after.layout())) difference.sentences.add(Message.of("change.layout"));
        if (!before.language().equals(after.language()))
            difference.sentences.add(
                    Message.of("change.language", "now", after.language(), "before", before.language()));
        return difference.sentences;
    }

    private <T> void compare(String what, List<T> before, List<T> after, Function<T, String> name) {
        Map<String, T> old = new LinkedHashMap<>();
        before.forEach(one -> old.put(name.apply(one), one));
        for (T one : after) {
            T was = old.remove(name.apply(one));
            if (was == null) sentences.add(change("change.new", what, name.apply(one)));
            else if (!was.equals(one)) sentences.add(change("change.changed", what, name.apply(one)));
        }
        old.keySet().forEach(gone -> sentences.add(change("change.gone", what, gone)));
    }

    private static Message change(String code, String what, String name) {
        return Message.of(code, "what", Message.of("change.kind." + what), "name", name);
    }
}
