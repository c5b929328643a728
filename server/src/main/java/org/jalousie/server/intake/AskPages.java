package org.jalousie.server.intake;

import java.time.Clock;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.Errand;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.springframework.stereotype.Service;

/** What whoever comes by a form's link is shown. No transaction is open here. */
@Service
class AskPages {
    private final AskDoor door;
    private final FormViews forms;
    private final LivePages live;
    private final JointForms joints;
    private final Settings settings;
    private final Clock clock;

    AskPages(AskDoor door, FormViews forms, LivePages live, JointForms joints, Settings settings, Clock clock) {
        this.door = door;
        this.forms = forms;
        this.live = live;
        this.joints = joints;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * @param key of a form that is gone on with; null for a new one
     * @param answers sealed ones of its address; empty for none
     * @param asker who asks, as far as that is known
     */
    FormLinkViews.AskPage page(
            FormLink link, String language, String access, UUID key, String answers, FormLinkViews.Asker asker) {
        FormLinkViews.State state = door.state(link);
        boolean told = state == FormLinkViews.State.OPEN && door.hasAccess(link, access);
        UUID form = key == null ? UUID.randomUUID() : key;
        Map<FieldName, String> fixed = AskService.fixed(answers, link);
        Optional<JointForm> template = told ? Optional.of(joints.published(link.templateId())) : Optional.empty();
        Optional<WhoAsks> who = template.map(one -> WhoAsks.of(link.terms(), one.own()));
        IntakeViews.Form shown = template.map(one -> shown(one, language, given(who, asker), fixed))
                .orElse(null);
        return new FormLinkViews.AskPage(
                state,
                settings.office().name(),
                link.title(),
                shown == null ? language : shown.language(),
                state == FormLinkViews.State.OPEN && !told,
                shown,
                form,
                new Errand(form, clock.instant()).written(link.secret()),
                Errand.BITS,
                List.copyOf(fixed.keySet()),
                who.filter(one -> one.name().isEmpty()).isPresent(),
                who.filter(one -> one.mail().isEmpty()).isPresent(),
                told ? asker : FormLinkViews.Asker.NOBODY,
                told && link.terms().wording());
    }

    /** Who asks, where the form's questions say it. */
    private static Map<FieldName, String> given(Optional<WhoAsks> who, FormLinkViews.Asker asker) {
        Map<FieldName, String> given = new LinkedHashMap<>();
        if (asker.mail().isEmpty()) return given;
        who.flatMap(WhoAsks::name).ifPresent(field -> given.put(field, asker.name()));
        who.flatMap(WhoAsks::mail).ifPresent(field -> given.put(field, asker.mail()));
        return given;
    }

    /** Without what only the office is to see: its people, and where else the template is. */
    private IntakeViews.Form shown(
            JointForm template, String language, Map<FieldName, String> known, Map<FieldName, String> fixed) {
        IntakeViews.Form form = forms.of(template, language, "");
        Map<FieldName, String> initials = new LinkedHashMap<>();
        form.initials().forEach((name, value) -> {
            if (template.outside(name)) initials.put(name, value);
        });
        initials.putAll(known);
        initials.putAll(fixed);
        return new IntakeViews.Form(
                form.template(),
                form.name(),
                form.version(),
                form.language(),
                form.fields().stream()
                        .filter(field -> template.outside(field.name()))
                        .toList(),
                form.sections().stream()
                        .map(section -> FormViews.without(section, name -> template.outside(name)))
                        .toList(),
                form.chosen().stream().filter(FormLinkViews::mayBeNamed).toList(),
                initials,
                form.depends(),
                form.languages(),
                told(form, template));
    }

    /** The form's texts in this language, those alone that are shown. */
    private static Map<String, String> told(IntakeViews.Form form, JointForm template) {
        Set<String> shown = new HashSet<>();
        form.fields().stream().filter(field -> template.outside(field.name())).forEach(field -> texts(field, shown));
        for (IntakeViews.FormSection section : form.sections()) {
            IntakeViews.FormSection seen = FormViews.without(section, template::outside);
            shown.addAll(List.of(seen.title(), seen.help()));
            seen.questions().forEach(one -> shown.addAll(List.of(one.help(), one.placeholder(), one.before())));
        }
        Map<String, String> told = new LinkedHashMap<>(form.words());
        told.keySet().retainAll(shown);
        return told;
    }

    private static void texts(Field field, Set<String> into) {
        into.add(field.label());
        into.add(field.hint());
        into.addAll(field.choices());
        field.items().forEach(item -> texts(item, into));
    }

    IntakeViews.FormState state(FormLink link, String access, LivePages.Typed typed) {
        door.requireOpen(link, access);
        JointForm template = live.templateOf(link.templateId());
        IntakeViews.FormState state = live.state(template, typed);
        Map<FieldName, String> followed = new LinkedHashMap<>(state.followed());
        followed.keySet().removeIf(name -> !template.outside(name));
        return new IntakeViews.FormState(
                state.left().stream().filter(name -> template.outside(name)).toList(),
                state.sectionsLeft(),
                followed,
                state.totals().stream()
                        .filter(one -> template.outside(one.list()))
                        .toList());
    }

    IntakeViews.LiveText text(FormLink link, String access, LivePages.Typed typed) {
        door.requireOpen(link, access);
        if (!link.terms().wording()) throw Refusal.notFound(Message.of("document.none"));
        return live.text(live.templateOf(link.templateId()), typed);
    }
}
