package org.jalousie.server.intake;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.intake.LinkTerms;
import org.jalousie.core.intake.Prefilled;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.template.SendingSettings;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.postroom.RequestPost;
import org.jalousie.server.store.RowLock;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Forms that are filled by people from outside, who come by a link. */
@Service
class AskService {
    private static final int LONGEST_NAME = 200;

    private final AskDoor door;
    private final AskLimits limits;
    private final IntakeService intake;
    private final IntakeRequests requests;
    private final FilledForms filled;
    private final JointForms joints;
    private final RequestKeeping keeping;
    private final LeftForms left;
    private final Secrets secrets;
    private final UsableTemplates templates;
    private final RequestPost post;
    private final RowLock lock;
    private final Settings settings;

    AskService(
            AskDoor door,
            AskLimits limits,
            IntakeService intake,
            IntakeRequests requests,
            FilledForms filled,
            JointForms joints,
            RequestKeeping keeping,
            LeftForms left,
            Secrets secrets,
            UsableTemplates templates,
            RequestPost post,
            RowLock lock,
            Settings settings) {
        this.door = door;
        this.limits = limits;
        this.intake = intake;
        this.requests = requests;
        this.filled = filled;
        this.joints = joints;
        this.keeping = keeping;
        this.left = left;
        this.secrets = secrets;
        this.templates = templates;
        this.post = post;
        this.lock = lock;
        this.settings = settings;
    }

    /**
     * A form as it was handed in from outside.
     *
     * @param answers sealed ones of its address; empty for none
     */
    record HandedIn(
            UUID key,
            FilledForms.Sent sent,
            FormLinkViews.Asker asker,
            String access,
            String answers,
            String errand,
            String found,
            String trap) {}

    /** Takes a form in; sent again with its key, after a lost answer, it is the same request. */
    @Transactional
    FormLinkViews.Asked handIn(String token, HandedIn form) {
        // one at a time for each link, so that no more are taken than may be, and none twice
        FormLink link = lock.on(door.link(token));
        Optional<IntakeRequest> known = requests.findByFormKey(form.key());
        if (known.isPresent()) {
            if (known.get().formLinkId().filter(link.id()::equals).isEmpty())
                throw Refusal.conflict(Message.of("ask.robot"));
            return asked(known.get(), link);
        }
        door.requireOpen(link, form.access());
        door.requireErrand(link, form.key(), form.errand(), form.found(), form.trap());
        UsableTemplate template = templates.published(link.templateId());
        JointForm joint = joints.of(template);
        FilledForms.Sent sent = given(joint, link, form);
        WhoAsks who = WhoAsks.of(link.terms(), template);
        FormLinkViews.Asker asker = asker(who, sent, form.asker());
        List<JointForms.Filled> answers;
        Map<String, Message> faults = faults(asker, who);
        try {
            answers = joints.read(
                    joint, sent, (one, of) -> filled.read(one.fromOutside(), of, chosenByTheOffice(one), true));
        } catch (Refusal refused) {
            if (faults.isEmpty() || refused.faults().isEmpty()) throw refused;
            faults.putAll(refused.faults());
            throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        }
        if (!faults.isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", faults.size()), faults);
        limits.mailTo(asker.mail());
        IntakeRequest request = keeping.request(answers, form.key(), sent.language(), asker.name());
        request.askedBy(link.id(), asker);
        requests.flush();
        link.took();
        tell(request, link, template);
        if (goesAtOnce(template)) intake.generate(request.number(), Actor.PROGRAM);
        return asked(request, link);
    }

    /** What may be typed, as it was; what stands in the address, as it was sealed; all else as the form begins. */
    private static FilledForms.Sent given(JointForm joint, FormLink link, HandedIn form) {
        FilledForms.Sent sent = form.sent();
        List<Field> fields =
                joint.parts().stream().flatMap(part -> part.fields().stream()).toList();
        Map<FieldName, String> values = new LinkedHashMap<>(sent.values());
        joint.parts().stream()
                .flatMap(part -> part.layout().questions())
                .filter(question -> question.visibility() != FormLayout.Visibility.SHOWN)
                .forEach(question -> values.remove(question.field()));
        Intake.stored(fields, fixed(form.answers(), link))
                .forEach((name, value) ->
                        values.put(new FieldName(name), sent.typing().shown(value)));
        return new FilledForms.Sent(
                values,
                sent.people(),
                sent.typing(),
                sent.language(),
                form.asker().name());
    }

    /** @throws Refusal for answers that were sealed by nobody */
    static Map<FieldName, String> fixed(String answers, FormLink link) {
        if (answers.isEmpty()) return Map.of();
        return Prefilled.read(answers, link.secret()).orElseThrow(() -> Refusal.conflict(Message.of("ask.prefilled")));
    }

    private static FormLinkViews.Asker asker(WhoAsks who, FilledForms.Sent sent, FormLinkViews.Asker typed) {
        String name =
                who.name().map(field -> sent.values().getOrDefault(field, "")).orElse(typed.name());
        String mail =
                who.mail().map(field -> sent.values().getOrDefault(field, "")).orElse(typed.mail());
        // a full name in its parts, as people read it
        String plain = name.contains(";") ? name.replaceAll("^([^;]*);([^;]*);.*$", "$2 $1") : name;
        return new FormLinkViews.Asker(plain.strip(), mail.strip());
    }

    /** What is wrong with who asks, at the question that says it. */
    private static Map<String, Message> faults(FormLinkViews.Asker asker, WhoAsks who) {
        Map<String, Message> faults = new HashMap<>();
        if (asker.name().isEmpty()
                || asker.name().length() > LONGEST_NAME
                || asker.name().matches("(?s).*\\p{Cntrl}.*"))
            faults.put(who.name().map(FieldName::value).orElse("asker.name"), Message.of("ask.name"));
        try {
            ValueReader.mail(asker.mail());
        } catch (ValueReader.Unreadable e) {
            faults.put(who.mail().map(FieldName::value).orElse("asker.mail"), e.said());
        }
        return faults;
    }

    /** Whom of a list of its people the office names, nobody from outside is shown. */
    private static Set<PartyKey> chosenByTheOffice(UsableTemplate template) {
        return template.content().parties().stream()
                .filter(party -> party.who() instanceof PersonSource.OneOf)
                .map(Party::key)
                .collect(Collectors.toSet());
    }

    static boolean goesAtOnce(UsableTemplate template) {
        return template.content().sending().release() == SendingSettings.Release.AT_ONCE;
    }

    private void tell(IntakeRequest request, FormLink link, UsableTemplate template) {
        FormLinkViews.Asker asker = request.asker();
        String language = request.language().isEmpty() ? template.content().language() : request.language();
        String office = settings.office().name();
        post.queue(
                request.id(),
                RequestLetter.About.TAKEN,
                asker.mail(),
                new RequestLetter(asker.name(), link.title(), request.number(), office, language)
                        .subject(RequestLetter.About.TAKEN));
        if (!link.terms().officeMail().isEmpty())
            post.queue(
                    request.id(),
                    RequestLetter.About.CAME,
                    link.terms().officeMail(),
                    new RequestLetter("", link.title(), request.number(), office, "en")
                            .subject(RequestLetter.About.CAME));
    }

    private FormLinkViews.Asked asked(IntakeRequest request, FormLink link) {
        boolean signs = link.terms().then() == LinkTerms.Then.SIGN
                && request.agreementNumber().isPresent();
        return new FormLinkViews.Asked(
                request.number(), secrets.ofRequest(request.id()), link.terms().thanks(), signs);
    }

    /** Keeps a form that is gone on with later, and mails the link to it. */
    @Transactional
    void leave(String token, String access, FormLinkViews.LeftAnswers answers) {
        FormLink link = door.link(token);
        door.requireOpen(link, access);
        if (requests.findByFormKey(answers.key()).isPresent()) throw Refusal.conflict(Message.of("form.handed-in"));
        String mail = answers.asker().mail().strip();
        try {
            ValueReader.mail(mail);
        } catch (ValueReader.Unreadable e) {
            throw Refusal.invalid(e.said(), Map.of("mail", e.said()));
        }
        limits.mailTo(mail);
        post.queue(
                left.keep(link.id(), answers),
                RequestLetter.About.LEFT,
                mail,
                new RequestLetter("", link.title(), "", settings.office().name(), answers.language())
                        .subject(RequestLetter.About.LEFT));
    }

    /** A form that was left. @param secret of the mailed link */
    @Transactional(readOnly = true)
    FormLinkViews.LeftAnswers goOn(String token, String secret) {
        FormLink link = door.link(token);
        return left.bySecret(secret)
                .filter(one -> one.link().equals(link.id()))
                .map(LeftForms.Left::read)
                .filter(answers -> requests.findByFormKey(answers.key()).isEmpty())
                .orElseThrow(() -> Refusal.of(Refusal.Kind.GONE, Message.of("ask.left-gone")));
    }
}
