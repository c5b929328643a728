package org.jalousie.server.template;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.Passage;

/** Which specimens have printed each passage of a template's wordings. */
final class ReachedPassages {
    private record Key(DocumentId document, int number) {}

    private final Map<Key, Proof.ProofPassage> passages = new LinkedHashMap<>();

    ReachedPassages(TemplateContent content, Wordings wordings) {
        for (TemplateDocument document : content.documents())
            wordings.of(document.id())
                    .ifPresent(wording -> wording.passages().forEach(passage -> expect(document, passage)));
    }

    private void expect(TemplateDocument document, Passage passage) {
        String title = document.furtherWording() ? document.title() : "";
        passages.put(
                new Key(document.id(), passage.number()), new Proof.ProofPassage(title, passage, new ArrayList<>()));
    }

    void add(DocumentId document, BitSet reached, String specimen) {
        reached.stream()
                .forEach(number ->
                        passages.get(new Key(document, number)).reachedBy().add(specimen));
    }

    List<Proof.ProofPassage> passages() {
        return List.copyOf(passages.values());
    }
}
