package org.jalousie.server.documents;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;
import org.jalousie.core.provenance.PrintedPlace;
import org.jalousie.core.provenance.Provenance;
import org.jalousie.core.wording.Wording;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.template.UsableTemplate;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Service;

/**
 * What stands where on an agreement's pages. Nothing is kept of it with the agreement: the data that a document was made from are
 * in its history, and merging them once more says of each letter what put it there. No transaction is open over it.
 */
@Service
class PrintedPlaces {
    private static final int MOST_HELD = 200_000;
    private static final Found NOTHING = new Found(List.of(), List.of());

    private final Agreements agreements;
    private final UsableTemplates templates;
    private final AgreedWordings wordings;
    private final DocumentMerge merge;
    private final DocumentBundle bundle;
    private final FileStore files;
    private final Cache<Sha256, Found> known = Caffeine.newBuilder()
            .maximumWeight(MOST_HELD)
            .weigher((Sha256 pdf, Found found) ->
                    1 + found.places().size() + found.things().size())
            .build();

    /** @param places by page, from the top down; {@code things} what they are of, each once */
    record Found(List<PrintedPlace> places, List<PrintedThing> things) {}

    PrintedPlaces(
            Agreements agreements,
            UsableTemplates templates,
            AgreedWordings wordings,
            DocumentMerge merge,
            DocumentBundle bundle,
            FileStore files) {
        this.bundle = bundle;
        this.agreements = agreements;
        this.templates = templates;
        this.wordings = wordings;
        this.merge = merge;
        this.files = files;
    }

    /** By page, from the top down; nothing for a document that was not made from a wording. */
    Found of(AgreementNumber number, String name) {
        Agreements.Filed filed = agreements.filed(number);
        Document document =
                filed.agreement().documentNamed(name).orElseThrow(() -> Refusal.notFound(Message.of("document.none")));
        if (document.kind() == Document.Kind.ATTACHED) return NOTHING;
        Found before = known.getIfPresent(document.pdf());
        if (before != null) return before;
        UsableTemplate template = templates.version(agreements.templateVersion(number));
        List<Entry> history = untilMade(filed.history());
        Agreement then = Agreement.of(history);
        Optional<Wording> wording = wordings.of(then, template, document.id());
        boolean generated = document.kind() == Document.Kind.GENERATED;
        // a version that was published before the program knew what stands in it wrongly
        if (generated && wording.filter(one -> !one.broken()).isEmpty()) return NOTHING;
        List<PrintedPlace> places;
        try {
            places = generated
                    ? Provenance.of(
                            merge.merged(then, history.get(0), template, wording.orElseThrow())
                                    .printed(),
                            files.get(document.pdf()))
                    : bundle.printed(document.id(), then, history.get(0), template);
        } catch (NotPossible e) {
            // a version that is refused today; its pages stay as they were made
            places = List.of();
        }
        Found found = new Found(places, PrintedThing.of(places, template.content(), wording));
        known.put(document.pdf(), found);
        return found;
    }

    /** The history to where the document was made: data that were corrected since are none of this one's. */
    private static List<Entry> untilMade(List<Entry> history) {
        for (int i = history.size() - 1; i >= 0; i--)
            if (history.get(i).event() instanceof Event.Generated) return history.subList(0, i + 1);
        return history;
    }
}
