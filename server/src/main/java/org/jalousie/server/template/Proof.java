package org.jalousie.server.template;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.proof.LayoutRisk;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.wording.Passage;

/**
 * All specimens of a template printed, and what was seen.
 *
 * @param file the proof's name in the store; empty when no specimen could be printed
 * @param unreached cases that the program could not bring about with any data: probably never, or always, true
 */
record Proof(String file, List<ProofSpecimen> specimens, List<ProofPassage> passages, List<String> unreached) {
    /**
     * One specimen in the proof.
     *
     * @param fault why it could not be printed; empty when it was
     * @param pictures its first pages as pictures, by their names in the store
     */
    record ProofSpecimen(
            String name, int firstPage, int lastPage, String fault, List<Risk> risks, List<Sha256> pictures) {
        ProofSpecimen {
            pictures = pictures == null ? List.of() : List.copyOf(pictures);
        }

        static ProofSpecimen failed(String name, String fault) {
            return new ProofSpecimen(name, 0, 0, fault, List.of(), List.of());
        }
    }

    /** What stands badly on a page, said in the office's language when the proof was printed. @param y in PDF points from its bottom */
    @Schema(name = "LayoutRisk")
    record Risk(LayoutRisk.Kind kind, int page, Double y, String message, String cure) {
        /** Proofs printed by earlier versions say nothing of the place: it is the page's foot then. */
        Risk {
            y = y == null ? 0.0 : y;
        }

        /** @param before how many pages stand before those that were looked through */
        static List<Risk> of(List<LayoutRisk> risks, int before) {
            return risks.stream()
                    .map(one -> new Risk(
                            one.kind(),
                            before + one.page(),
                            one.y(),
                            one.message().toString(),
                            one.cure().toString()))
                    .toList();
        }
    }

    /**
     * A passage and the specimens that print it; none means that nobody has seen it.
     *
     * @param document the title of the wording that it stands in; empty for the template's first one
     */
    record ProofPassage(String document, Passage passage, List<String> reachedBy) {
        /** Proofs printed by earlier versions know of one wording only. */
        ProofPassage {
            document = document == null ? "" : document;
        }
    }

    /** Whether the pages of a document are in the proof: those that data may be printed on. */
    static boolean shows(TemplateDocument document) {
        return document.kind() == TemplateDocument.Kind.WORDING || document.kind() == TemplateDocument.Kind.FIXED;
    }
}
