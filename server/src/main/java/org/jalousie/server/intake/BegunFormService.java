package org.jalousie.server.intake;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.account.Colleagues;
import org.jalousie.server.account.Sight;
import org.jalousie.server.account.SignedIn;
import org.jalousie.server.postroom.RequestPost;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Forms that are being filled, kept as they are typed, so that nothing is lost before they are handed in. */
@Service
class BegunFormService {
    /** The most letters of all answers of one form. */
    static final int MOST_LETTERS = 2_000_000;

    /** The most forms that one person has begun. */
    static final int MOST_FORMS = 300;

    private final BegunForms forms;
    private final IntakeRequests requests;
    private final UsableTemplates templates;
    private final KnownRenewals renewals;
    private final Colleagues colleagues;
    private final RequestPost post;
    private final Clock clock;
    private final Settings settings;
    private final Sight sight;

    BegunFormService(
            BegunForms forms,
            IntakeRequests requests,
            UsableTemplates templates,
            KnownRenewals renewals,
            Colleagues colleagues,
            RequestPost post,
            Clock clock,
            Settings settings,
            Sight sight) {
        this.sight = sight;
        this.forms = forms;
        this.requests = requests;
        this.templates = templates;
        this.renewals = renewals;
        this.colleagues = colleagues;
        this.post = post;
        this.clock = clock;
        this.settings = settings;
    }

    /** Answers of a form as they are typed, and the people who are chosen with it. */
    record Typed(
            UUID template,
            Map<FieldName, String> values,
            Map<String, IntakeViews.PersonInput> people,
            String language,
            List<IntakeViews.BegunTaken> taken,
            String renews) {}

    /**
     * Keeps the answers.
     *
     * @param key the form's own, by which it is handed in later
     * @throws Refusal for one that has been handed in: what comes late begins nothing anew; and for one that is to renew what
     *     can't be renewed
     */
    @Transactional
    void keep(UUID key, Typed typed, String owner) {
        if (requests.findByFormKey(key).isPresent()) throw Refusal.conflict(Message.of("form.handed-in"));
        long letters = typed.values().values().stream()
                .mapToLong(text -> text == null ? 0 : text.length())
                .sum();
        if (letters > MOST_LETTERS) throw Refusal.invalid(Message.of("form.too-much", "most", MOST_LETTERS));
        BegunForm form = forms.findById(key).orElseGet(() -> begun(key, typed.template(), owner));
        if (!form.isOf(owner)) throw Refusal.notFound(Message.of("form.none"));
        if (!typed.renews().isEmpty() && !typed.renews().equals(form.renews())) renewals.required(typed.renews());
        form.fill(typed, clock.instant());
        forms.save(form);
    }

    private BegunForm begun(UUID key, UUID template, String owner) {
        if (forms.countByOwner(owner) >= MOST_FORMS)
            throw Refusal.conflict(Message.of("form.too-many", "most", MOST_FORMS));
        sight.requireUse(template);
        UsableTemplate usable = templates.published(template);
        return new BegunForm(key, owner, template, usable.versionId(), clock.instant());
    }

    @Transactional(readOnly = true)
    IntakeViews.BegunForm show(UUID key, String owner) {
        BegunForm form = own(key, owner)
                .filter(one -> requests.findByFormKey(key).isEmpty())
                .orElseThrow(() -> Refusal.notFound(Message.of("form.none")));
        return new IntakeViews.BegunForm(
                form.templateId(),
                form.values(),
                form.people(),
                form.language(),
                form.changedAt(),
                form.taken(),
                form.renews());
    }

    /** Those that a person has begun, the one changed last first. */
    @Transactional(readOnly = true)
    Page<IntakeViews.BegunRow> list(String owner, int page) {
        var found = forms.notHandedIn(owner, PageRequest.of(Math.max(0, page), Page.SIZE));
        List<BegunForm> all = found.getContent();
        Map<UUID, String> names =
                templates.namesOf(all.stream().map(BegunForm::templateVersionId).toList());
        List<IntakeViews.BegunRow> rows = all.stream()
                .map(one -> new IntakeViews.BegunRow(
                        one.id(), one.templateId(), names.getOrDefault(one.templateVersionId(), ""), one.changedAt()))
                .toList();
        return new Page<>(rows, found.getTotalElements(), page, Page.SIZE);
    }

    /**
     * Mails the link by which a begun form is gone on with, to whoever has begun it or to a colleague, whose it is then.
     *
     * @param to the mail address by which they sign in
     * @param by who mails it
     */
    @Transactional
    void mail(UUID key, String to, SignedIn by) {
        BegunForm form = own(key, by.mail())
                .filter(one -> requests.findByFormKey(key).isEmpty())
                .orElseThrow(() -> Refusal.notFound(Message.of("form.none")));
        Colleagues.Colleague one = colleagues
                .coordinator(to)
                .orElseThrow(() -> Refusal.invalid(Message.of("request.no-colleague", "mail", to)));
        if (!form.isOf(one.mail()) && forms.countByOwner(one.mail()) >= MOST_FORMS)
            throw Refusal.conflict(Message.of("form.too-many", "most", MOST_FORMS));
        form.goesOnWith(one.mail(), by.displayName());
        String name = templates.namesOf(List.of(form.templateVersionId())).getOrDefault(form.templateVersionId(), "");
        post.queue(
                key,
                RequestLetter.About.BEGUN,
                one.mail(),
                new RequestLetter(one.name(), name, "", settings.office().name(), "en")
                        .subject(RequestLetter.About.BEGUN));
    }

    /** Throws what was begun away; nothing when it is gone already. */
    @Transactional
    void discard(UUID key, String owner) {
        own(key, owner).ifPresent(forms::delete);
    }

    private Optional<BegunForm> own(UUID key, String owner) {
        return forms.findById(key).filter(form -> form.isOf(owner));
    }
}
