package org.jalousie.server.intake;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.core.template.FilledText;
import org.jalousie.core.template.FormSoFar;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.Refusal;
import org.jalousie.server.template.FilledPages;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.jalousie.server.web.PrintedView;
import org.springframework.stereotype.Service;

/**
 * The agreement beside its form, as far as the answers go. No transaction is open here. What stands
 * on the pages is fetched by the one who asked for them, by a key of its own: nobody comes to see another one's answers.
 */
@Service
class LivePages {
    private static final Duration FETCHED_WITHIN = Duration.ofMinutes(1);
    private static final Duration SEEN_ANEW = Duration.ofSeconds(5);
    /** Each is fetched at once, and what a long list prints is much. */
    private static final int MOST_HELD = 200;

    private final RequestGroups groups;
    private final JointForms joints;
    private final AgreedTemplates agreed;
    private final FormStates states;
    private final UsableTemplates templates;
    private final FilledPages filled;
    private final OfficeDay day;
    private final Cache<UUID, Fetched> made = Caffeine.newBuilder()
            .expireAfterWrite(FETCHED_WITHIN)
            .maximumSize(MOST_HELD)
            .build();

    private record Fetched(String by, CompletableFuture<FilledPages.Marks> marks) {}

    /** Looked up once for some letters, and not for each: a template that is published anew is seen soon enough. */
    private final Cache<UUID, JointForm> lately =
            Caffeine.newBuilder().expireAfterWrite(SEEN_ANEW).maximumSize(200).build();

    LivePages(
            RequestGroups groups,
            JointForms joints,
            AgreedTemplates agreed,
            FormStates states,
            UsableTemplates templates,
            FilledPages filled,
            OfficeDay day) {
        this.groups = groups;
        this.joints = joints;
        this.agreed = agreed;
        this.states = states;
        this.templates = templates;
        this.filled = filled;
        this.day = day;
    }

    /** Answers as they are being typed. @param document that is looked at; empty for the first */
    record Typed(Map<FieldName, String> values, Typing typing, Locale language, String document) {}

    /** For a form that is filled anew. */
    JointForm templateOf(UUID template) {
        return lately.get(template, id -> joints.published(id));
    }

    /** For a request that is corrected: it stays with its versions. */
    JointForm templateOf(String number) {
        IntakeRequest request = groups.request(number);
        List<IntakeRequest> group = groups.of(request);
        JointForm form = request.partOf().isPresent() || request.finished().isPresent()
                ? JointForm.alone(templates.version(request.templateVersionId()))
                : joints.of(group);
        return agreed.of(form, group);
    }

    IntakeViews.LiveMade pages(JointForm form, Typed typed, String by) {
        List<Shown> all = documents(form, typed, true);
        Shown shown = shown(all, typed.document());
        FilledPages.Filled pages =
                filled.pages(shown.template(), shown.document().id(), shown.values());
        UUID key = UUID.randomUUID();
        made.put(key, new Fetched(by, pages.marks()));
        return new IntakeViews.LiveMade(key, shown.id(), titles(all), pages.sizes(), pages.pdf());
    }

    IntakeViews.LiveText text(JointForm form, Typed typed) {
        List<Shown> all = documents(form, typed, false);
        Shown shown = shown(all, typed.document());
        List<FilledText.Paragraph> paragraphs =
                filled.text(shown.template(), shown.document().id(), shown.values());
        return new IntakeViews.LiveText(shown.id(), titles(all), paragraphs);
    }

    /** The newest version of a template, which may be a draft. */
    JointForm newestOf(UUID template) {
        return joints.trying(templates.newest(template));
    }

    /** What a form asks for with these answers. */
    IntakeViews.FormState state(JointForm form, Typed typed) {
        return states.of(form, typed);
    }

    /** What stands where on the pages; waits while that is being found out. */
    IntakeViews.LiveMarks marks(UUID key, String by) {
        Fetched one = made.getIfPresent(key);
        if (one == null || !one.by.equals(by)) throw Refusal.notFound(Message.of("document.none"));
        FilledPages.Marks marks = one.marks.join();
        return new IntakeViews.LiveMarks(marks.pages(), PrintedView.of(marks.printed()));
    }

    /** A document that comes with the answers. @param part which of the form's templates it is of, from 0 */
    private record Shown(int part, UsableTemplate template, TemplateDocument document, Map<String, Value> values) {
        /** Each template has a first document of the same name. */
        String id() {
            return part == 0
                    ? document.id().value()
                    : part + "." + document.id().value();
        }
    }

    /** Documents that come with these answers and can be looked at already. */
    private List<Shown> documents(JointForm form, Typed typed, boolean pages) {
        List<Shown> all = new ArrayList<>();
        int part = 0;
        for (UsableTemplate template : states.made(form, typed)) {
            Map<String, Value> values =
                    FormSoFar.of(template.content(), template.rules(), typed.values(), typed.typing(), day.today());
            for (TemplateDocument one : template.content().documents())
                if ((one.kind() == TemplateDocument.Kind.WORDING
                                || pages && one.kind() != TemplateDocument.Kind.REQUESTED)
                        && one.comesWith(values)) all.add(new Shown(part, template, one, values));
            part++;
        }
        if (all.isEmpty()) throw Refusal.notFound(Message.of("document.none"));
        return all;
    }

    /** The one that is asked for, or the first where that doesn't come (any more). */
    private static Shown shown(List<Shown> all, String document) {
        return all.stream().filter(one -> one.id().equals(document)).findFirst().orElseGet(() -> all.get(0));
    }

    private static List<IntakeViews.LiveTitle> titles(List<Shown> all) {
        return all.stream()
                .map(one -> new IntakeViews.LiveTitle(
                        one.id(), one.document().titleIn(one.template().name())))
                .toList();
    }
}
