package org.jalousie.server.intake;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.intake.AnswersBlock;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.FormSoFar;
import org.jalousie.server.Settings;
import org.jalousie.server.adapters.Outgoing;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.postroom.RequestPost;
import org.jalousie.server.store.Secret;
import org.jalousie.server.template.FilledPages;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Words the mails about requests when they are sent. No transaction is open here. */
@Component
class RequestWriter implements RequestPost.Writer {
    private final IntakeRequests requests;
    private final RequestGroups groups;
    private final JointForms joints;
    private final FormLinks links;
    private final LeftForms left;
    private final BegunForms begun;
    private final Secrets secrets;
    private final UsableTemplates templates;
    private final Agreements agreements;
    private final FilledPages filled;
    private final FileStore files;
    private final RequestDiary diary;
    private final OfficeDay day;
    private final Settings settings;

    RequestWriter(
            IntakeRequests requests,
            RequestGroups groups,
            JointForms joints,
            FormLinks links,
            LeftForms left,
            BegunForms begun,
            Secrets secrets,
            UsableTemplates templates,
            Agreements agreements,
            FilledPages filled,
            FileStore files,
            RequestDiary diary,
            OfficeDay day,
            Settings settings) {
        this.requests = requests;
        this.groups = groups;
        this.joints = joints;
        this.links = links;
        this.left = left;
        this.begun = begun;
        this.secrets = secrets;
        this.templates = templates;
        this.agreements = agreements;
        this.filled = filled;
        this.files = files;
        this.diary = diary;
        this.day = day;
        this.settings = settings;
    }

    @Override
    public boolean words(RequestLetter.About occasion) {
        return occasion.ofRequest();
    }

    @Override
    public Optional<RequestPost.Written> write(UUID about, RequestLetter.About occasion, UUID mail) {
        if (occasion == RequestLetter.About.LEFT) return left.find(about).flatMap(this::leaving);
        if (occasion == RequestLetter.About.BEGUN) return begun.findById(about).map(this::begun);
        return requests.findById(about).map(request -> written(request, occasion));
    }

    private RequestPost.Written written(IntakeRequest request, RequestLetter.About occasion) {
        UsableTemplate template = templates.version(request.templateVersionId());
        Optional<FormLink> link = request.formLinkId().flatMap(links::findById);
        String form = link.map(FormLink::title).orElse(template.name());
        String own = request.language().isEmpty() ? template.content().language() : request.language();
        String office = settings.office().name();
        if (occasion == RequestLetter.About.CAME) {
            RequestLetter letter = new RequestLetter("", form, request.number(), office, "en");
            String answers =
                    answers(request, question -> true, template.content().language());
            return new RequestPost.Written(
                    "",
                    letter.text(occasion, settings.address() + "/intake/" + request.number(), answers),
                    documents(request));
        }
        if (occasion == RequestLetter.About.OWNED || occasion == RequestLetter.About.SAID)
            return told(request, occasion, form);
        RequestLetter letter = new RequestLetter(request.asker().name(), form, request.number(), office, own);
        String status = settings.address() + "/asked/" + secrets.ofRequest(request.id());
        String answers =
                occasion == RequestLetter.About.TAKEN ? answers(request, FormLayout.Question::outside, own) : "";
        boolean withDocument = occasion == RequestLetter.About.DONE
                && link.filter(one -> one.terms().document()).isPresent();
        return new RequestPost.Written(
                request.asker().name(),
                letter.text(occasion, status, answers),
                withDocument ? signed(request) : List.of());
    }

    /** What one of the office did or said last. */
    private RequestPost.Written told(IntakeRequest request, RequestLetter.About occasion, String form) {
        RequestDiary.Kind kind =
                occasion == RequestLetter.About.OWNED ? RequestDiary.Kind.OWNED : RequestDiary.Kind.SAID;
        List<RequestDiary.DiaryEntry> all = diary.of(request.id()).stream()
                .filter(one -> one.kind() == kind)
                .toList();
        RequestDiary.DiaryEntry last = all.get(all.size() - 1);
        RequestLetter letter = new RequestLetter(
                request.ownerName(), form, request.number(), settings.office().name(), "en");
        String said = kind == RequestDiary.Kind.SAID ? last.said() : "";
        String link = settings.address() + "/intake/" + request.number();
        return new RequestPost.Written(request.ownerName(), letter.told(occasion, last.by(), said, link), List.of());
    }

    /** @param told which questions are told to who reads it: to who asked, nothing that they were not asked */
    private String answers(IntakeRequest request, Predicate<FormLayout.Question> told, String language) {
        List<IntakeRequest> group = wanted(request);
        Agreements.Answers all = RequestGroups.answers(group);
        List<AnswersBlock.Line> lines = new ArrayList<>();
        // a part that is not made was asked for nothing
        Set<UUID> made = group.stream().map(IntakeRequest::templateId).collect(Collectors.toSet());
        for (JointForm.Part part : joints.of(groups.of(request)).parts()) {
            if (!made.contains(part.template().templateId())) continue;
            Map<String, String> words = part.layout().words().getOrDefault(language, Map.of());
            lines.addAll(AnswersBlock.of(
                    part.layout(),
                    part.fields(),
                    all.data(),
                    told,
                    Locale.forLanguageTag(language),
                    text -> words.getOrDefault(text, text)));
        }
        return AnswersBlock.text(lines);
    }

    private List<IntakeRequest> wanted(IntakeRequest request) {
        return groups.of(request).stream().filter(IntakeRequest::wanted).toList();
    }

    /** The documents as these answers make them. */
    private List<Outgoing.Attachment> documents(IntakeRequest request) {
        List<Outgoing.Attachment> all = new ArrayList<>();
        for (IntakeRequest one : wanted(request)) {
            UsableTemplate template = templates.version(one.templateVersionId());
            if (template.wordings().of(DocumentId.WORDING).isEmpty()) continue;
            Map<String, Value> values =
                    FormSoFar.of(template.content(), template.rules(), one.values(), Typing.PLAIN, day.today());
            all.add(Outgoing.Attachment.pdf(
                    one.number() + ".pdf",
                    filled.pages(template, DocumentId.WORDING, values).pdf()));
        }
        return all;
    }

    private List<Outgoing.Attachment> signed(IntakeRequest request) {
        return wanted(request).stream()
                .flatMap(one -> one.agreementNumber().flatMap(agreements::known).stream())
                .map(number -> agreements.read(agreements.idOf(number)))
                .flatMap((Agreement agreement) -> agreement.documents().stream()
                        .map(one -> Outgoing.Attachment.pdf(
                                FileNames.of(agreement, one.id(), "pdf"), files.get(one.pdf()))))
                .toList();
    }

    private RequestPost.Written begun(BegunForm form) {
        String name = templates.namesOf(List.of(form.templateVersionId())).getOrDefault(form.templateVersionId(), "");
        RequestLetter letter = new RequestLetter("", name, "", settings.office().name(), "en");
        String link = settings.address() + "/intake/new/" + form.templateId() + "?form=" + form.id();
        return new RequestPost.Written("", letter.begun(form.begunBy(), link), List.of());
    }

    private Optional<RequestPost.Written> leaving(LeftForms.Left one) {
        return links.findById(one.link()).map(link -> {
            String secret = secrets.fresh();
            left.goneOnBy(one.id(), Secret.hash(secret).hex());
            FormLinkViews.LeftAnswers answers = one.read();
            RequestLetter letter = new RequestLetter(
                    answers.asker().name(), link.title(), "", settings.office().name(), answers.language());
            LocalDate until = one.until().atZone(settings.office().zone()).toLocalDate();
            return new RequestPost.Written(
                    answers.asker().name(),
                    letter.left(settings.address() + "/ask/" + link.token() + "?go=" + secret, until),
                    List.of());
        });
    }
}
