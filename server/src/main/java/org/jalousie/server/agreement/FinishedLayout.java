package org.jalousie.server.agreement;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.proof.LayoutRisk;
import org.jalousie.core.proof.LayoutRisks;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** What stands badly on the finished pages of an agreement; a file is looked through once. */
@Component
class FinishedLayout {
    /** What somebody should look at before it goes out; the proof of the template tells of more. */
    private static final Set<LayoutRisk.Kind> TOLD =
            Set.of(LayoutRisk.Kind.SIGNATURE_ALONE, LayoutRisk.Kind.TEXT_OUTSIDE, LayoutRisk.Kind.EMPTY_PAGE);

    private final FileStore files;
    private final Cache<Sha256, List<Message>> known =
            Caffeine.newBuilder().maximumSize(2_000).build();

    FinishedLayout(FileStore files) {
        this.files = files;
    }

    /** Each with its page and what to do. */
    List<Message> warnings(Agreement agreement) {
        return agreement.documents().stream()
                .filter(document -> document.kind() == Document.Kind.GENERATED)
                .flatMap(document -> warnings(document).stream())
                .toList();
    }

    /** Keeps what somebody saw who had the pages open, so that nothing waits for it later. */
    void lookedThrough(Document document, List<LayoutRisk> risks) {
        if (document.kind() == Document.Kind.GENERATED) known.put(document.pdf(), told(risks));
    }

    /** A file that is missing or damaged is the check of the archive's to tell; here it stands in nobody's way to the rest. */
    private List<Message> warnings(Document document) {
        List<Message> before = known.getIfPresent(document.pdf());
        if (before != null) return before;
        Optional<byte[]> pdf =
                files.asFound(document.pdf()).filter(bytes -> Sha256.of(bytes).equals(document.pdf()));
        if (pdf.isEmpty()) return List.of();
        List<Message> warnings = told(LayoutRisks.of(pdf.get(), document.pages()));
        known.put(document.pdf(), warnings);
        return warnings;
    }

    private static List<Message> told(List<LayoutRisk> risks) {
        return risks.stream()
                .filter(risk -> TOLD.contains(risk.kind()))
                .map(risk -> Message.of("ready.layout", "message", risk.message(), "cure", risk.cure()))
                .toList();
    }
}
