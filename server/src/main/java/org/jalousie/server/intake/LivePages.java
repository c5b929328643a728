package org.jalousie.server.intake;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Typing;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.Totals;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
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

    private final IntakeRequests requests;
    private final UsableTemplates templates;
    private final FilledPages filled;
    private final OfficeDay day;
    private final Cache<UUID, Fetched> made = Caffeine.newBuilder()
            .expireAfterWrite(FETCHED_WITHIN)
            .maximumSize(MOST_HELD)
            .build();

    private record Fetched(String by, CompletableFuture<FilledPages.Marks> marks) {}

    /** Looked up once for some letters, and not for each: a template that is published anew is seen soon enough. */
    private final Cache<UUID, UsableTemplate> lately =
            Caffeine.newBuilder().expireAfterWrite(SEEN_ANEW).maximumSize(200).build();

    LivePages(IntakeRequests requests, UsableTemplates templates, FilledPages filled, OfficeDay day) {
        this.requests = requests;
        this.templates = templates;
        this.filled = filled;
        this.day = day;
    }

    /** Answers as they are being typed. @param document that is looked at; empty for the first */
    record Typed(Map<FieldName, String> values, Typing typing, Locale language, String document) {}

    /** For a form that is filled anew. */
    UsableTemplate templateOf(UUID template) {
        return lately.get(template, templates::published);
    }

    /** For a request that is corrected: it stays with its version. */
    UsableTemplate templateOf(String request) {
        return templates.version(requests.findByNumber(request)
                .map(IntakeRequest::templateVersionId)
                .orElseThrow(() -> Refusal.notFound(Message.of("request.none", "number", request))));
    }

    IntakeViews.LiveMade pages(UsableTemplate template, Typed typed, String by) {
        Map<String, Value> values = values(template, typed);
        List<TemplateDocument> all = documents(template, values, true);
        DocumentId shown = shown(all, typed.document());
        FilledPages.Filled pages = filled.pages(template, shown, values);
        UUID key = UUID.randomUUID();
        made.put(key, new Fetched(by, pages.marks()));
        return new IntakeViews.LiveMade(key, shown.value(), titles(all, template), pages.sizes(), pages.pdf());
    }

    IntakeViews.LiveText text(UsableTemplate template, Typed typed) {
        Map<String, Value> values = values(template, typed);
        List<TemplateDocument> all = documents(template, values, false);
        DocumentId shown = shown(all, typed.document());
        List<FilledText.Paragraph> paragraphs = filled.text(template, shown, values);
        return new IntakeViews.LiveText(shown.value(), titles(all, template), paragraphs);
    }

    /** The newest version of a template, which may be a draft. */
    UsableTemplate newestOf(UUID template) {
        return templates.newest(template);
    }

    /** What a form asks for with these answers. */
    IntakeViews.FormState state(UsableTemplate template, Typed typed) {
        Asked asked =
                FormSoFar.asked(template.content(), template.rules(), typed.values(), typed.typing(), day.today());
        Map<FieldName, String> followed = new LinkedHashMap<>();
        asked.followed()
                .forEach((name, value) -> followed.put(name, typed.typing().shown(value)));
        List<IntakeViews.ListTotal> totals = new ArrayList<>();
        Printer printer = Printer.in(typed.language());
        for (FormLayout.Question question :
                template.content().layout().questions().toList()) {
            if (!(asked.values().get(question.field().value()) instanceof Value.Items list)) continue;
            for (FieldName of : question.totals())
                for (Value total : Totals.of(list, of))
                    totals.add(new IntakeViews.ListTotal(
                            question.field(), label(template, question.field(), of), printer.print(total, "")));
        }
        return new IntakeViews.FormState(
                List.copyOf(asked.left()), List.copyOf(asked.sectionsLeft()), followed, totals);
    }

    private static String label(UsableTemplate template, FieldName list, FieldName of) {
        return template.content().fields().stream()
                .filter(field -> field.name().equals(list))
                .flatMap(field -> field.items().stream())
                .filter(field -> field.name().equals(of))
                .map(Field::label)
                .findFirst()
                .orElse(of.value());
    }

    /** What stands where on the pages; waits while that is being found out. */
    IntakeViews.LiveMarks marks(UUID key, String by) {
        Fetched one = made.getIfPresent(key);
        if (one == null || !one.by.equals(by)) throw Refusal.notFound(Message.of("document.none"));
        FilledPages.Marks marks = one.marks.join();
        return new IntakeViews.LiveMarks(marks.pages(), PrintedView.of(marks.printed()));
    }

    private Map<String, Value> values(UsableTemplate template, Typed typed) {
        return FormSoFar.of(template.content(), template.rules(), typed.values(), typed.typing(), day.today());
    }

    /** Documents that come with these answers and can be looked at already. */
    private static List<TemplateDocument> documents(UsableTemplate template, Map<String, Value> values, boolean pages) {
        List<TemplateDocument> all = template.content().documents().stream()
                .filter(one -> one.kind() == TemplateDocument.Kind.WORDING
                        || pages && one.kind() != TemplateDocument.Kind.REQUESTED)
                .filter(one -> one.comesWith(values))
                .toList();
        if (all.isEmpty()) throw Refusal.notFound(Message.of("document.none"));
        return all;
    }

    /** The one that is asked for, or the first where that doesn't come (any more). */
    private static DocumentId shown(List<TemplateDocument> all, String document) {
        return all.stream()
                .map(TemplateDocument::id)
                .filter(id -> id.value().equals(document))
                .findFirst()
                .orElseGet(() -> all.get(0).id());
    }

    private static List<IntakeViews.LiveTitle> titles(List<TemplateDocument> all, UsableTemplate template) {
        return all.stream()
                .map(one -> new IntakeViews.LiveTitle(one.id().value(), one.titleIn(template.name())))
                .toList();
    }
}
