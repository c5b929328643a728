package org.jalousie.server.recognition;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.recognition.FileText;
import org.jalousie.core.recognition.Recogniser;
import org.jalousie.core.recognition.TemplateText;
import org.jalousie.core.recognition.Understood;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.Refusal;
import org.jalousie.server.paper.Papers;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Which template a file was made from, and what it says. No transaction is open here: texts are read and compared. */
@Component
class Recognition {
    /** So many templates are read against a file. */
    private static final int MOST_READ = 5;

    private final KnownTexts texts;
    private final UsableTemplates templates;
    private final Papers papers;

    Recognition(KnownTexts texts, UsableTemplates templates, Papers papers) {
        this.texts = texts;
        this.templates = templates;
        this.papers = papers;
    }

    /** What came of it. @param decided the one that it is for sure, with what the file says then */
    record Found(List<FinishedFile.Candidate> candidates, Optional<Taken> decided) {}

    /** A file taken for a document of a template. */
    record Taken(KnownTexts.Key key, Understanding understanding) {}

    Found of(FinishedFile.Paper pages) {
        FileText file = texts.pages(pages.file());
        List<Recogniser.Judged<KnownTexts.Key>> judged = new ArrayList<>();
        for (Recogniser.Candidate<KnownTexts.Key> candidate : Recogniser.nearest(file, texts.all(), MOST_READ)) {
            UsableTemplate template = templates.version(candidate.key().version());
            texts.text(template, document(template, candidate.key().document()))
                    .ifPresent(text -> judged.add(new Recogniser.Judged<>(candidate, Recogniser.read(file, text))));
        }
        List<FinishedFile.Candidate> candidates = judged.stream()
                .filter(one -> one.verdict() != Recogniser.Verdict.NO)
                .sorted((one, other) ->
                        Double.compare(other.reading().likeness(), one.reading().likeness()))
                .map(Recognition::candidate)
                .toList();
        return new Found(
                candidates,
                Recogniser.decided(judged)
                        .map(one -> taken(pages, one.candidate().key())));
    }

    private static FinishedFile.Candidate candidate(Recogniser.Judged<KnownTexts.Key> one) {
        KnownTexts.Key key = one.candidate().key();
        return new FinishedFile.Candidate(
                key.version(),
                key.document(),
                one.candidate().begins(),
                one.candidate().ends(),
                one.reading().likeness(),
                one.verdict() == Recogniser.Verdict.SURE);
    }

    /** Takes a file for a document of a template, whether it is like it or not. */
    Taken taken(FinishedFile.Paper pages, KnownTexts.Key key) {
        UsableTemplate template = templates.version(key.version());
        TemplateDocument document = document(template, key.document());
        FileText file = texts.pages(pages.file());
        TemplateText text =
                texts.text(template, document).orElseThrow(() -> Refusal.conflict(Message.of("finished.no-text")));
        Understood understood = document.kind() == TemplateDocument.Kind.WORDING
                ? Understood.asWording(
                        file,
                        text,
                        document,
                        template.wordings(),
                        template.content(),
                        pages.tagged(),
                        papers.lines(pages.file()))
                : Understood.asFixed(
                        file,
                        () -> papers.words(pages.file()),
                        texts.pages(document.file().orElseThrow()),
                        document,
                        template.wordings(),
                        template.content());
        return new Taken(key, Understanding.of(understood, template.content()));
    }

    private static TemplateDocument document(UsableTemplate template, DocumentId id) {
        return template.content().document(id).orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
    }
}
