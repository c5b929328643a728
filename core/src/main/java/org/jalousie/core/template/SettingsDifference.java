package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** What two versions of a template differ in besides their words, a sentence each. */
public final class SettingsDifference {
    private final List<String> sentences = new ArrayList<>();

    private SettingsDifference() {}

    public static List<String> between(TemplateContent before, TemplateContent after) {
        SettingsDifference difference = new SettingsDifference();
        difference.compare(
                "Field", before.fields(), after.fields(), field -> field.name().value());
        difference.compare("Rule", before.rules(), after.rules(), rule -> rule.name());
        difference.compare("Choice", before.choices(), after.choices(), choice -> choice.name());
        difference.compare("Party", before.parties(), after.parties(), party -> party.label());
        difference.compare("Signing field", before.signingFields(), after.signingFields(), field -> field.name());
        if (!before.sending().equals(after.sending())) difference.sentences.add("The terms of sending changed.");
        if (!before.layout().equals(after.layout())) difference.sentences.add("The arrangement of the form changed.");
        if (!before.language().equals(after.language()))
            difference.sentences.add(
                    "Values print as in " + after.language() + " instead of " + before.language() + ".");
        return difference.sentences;
    }

    private <T> void compare(String what, List<T> before, List<T> after, Function<T, String> name) {
        Map<String, T> old = new LinkedHashMap<>();
        before.forEach(one -> old.put(name.apply(one), one));
        for (T one : after) {
            T was = old.remove(name.apply(one));
            if (was == null) sentences.add(what + " " + name.apply(one) + " is new.");
            else if (!was.equals(one)) sentences.add(what + " " + name.apply(one) + " changed.");
        }
        old.keySet().forEach(gone -> sentences.add(what + " " + gone + " is gone."));
    }
}
