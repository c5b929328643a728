package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import org.jalousie.core.data.Field;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;

/** Names what a change of settings was about, for who takes it back. */
public final class ChangedSettings {
    private ChangedSettings() {}

    /** The one thing that differs, in the coordinator's words; of several things only that they are settings. */
    public static Message between(TemplateContent before, TemplateContent after) {
        List<Message> things = new ArrayList<>();
        changed(before.fields(), after.fields(), Field::name, Field::label, things);
        changed(before.rules(), after.rules(), Rule::name, Rule::label, things);
        changed(before.choices(), after.choices(), CaseChoice::name, CaseChoice::label, things);
        changed(before.parties(), after.parties(), Party::key, Party::label, things);
        if (!before.signingFields().equals(after.signingFields())) things.add(Message.of("step.signing-fields"));
        if (!before.documents().equals(after.documents()) || !before.bundle().equals(after.bundle()))
            things.add(Message.of("step.documents"));
        if (!before.specimens().equals(after.specimens())) things.add(Message.of("step.specimens"));
        if (!before.sending().equals(after.sending())) things.add(Message.of("step.sending"));
        if (!before.layout().equals(after.layout())) things.add(Message.of("step.layout"));
        if (!before.language().equals(after.language())) things.add(Message.of("step.language"));
        return things.size() == 1 ? things.get(0) : Message.of("step.settings");
    }

    private static <T> void changed(
            List<T> before, List<T> after, Function<T, Object> key, Function<T, String> label, List<Message> things) {
        if (before.equals(after)) return;
        Map<Object, T> was = new HashMap<>();
        before.forEach(one -> was.put(key.apply(one), one));
        List<String> labels = new ArrayList<>();
        for (T one : after) {
            T old = was.remove(key.apply(one));
            // the label that it had stays its name while it is being typed anew
            if (!Objects.equals(old, one)) labels.add(label.apply(old == null ? one : old));
        }
        was.values().forEach(gone -> labels.add(label.apply(gone)));
        things.add(
                labels.size() == 1
                        ? Message.of("step.settings-of", "label", labels.get(0))
                        : Message.of("step.settings"));
    }
}
