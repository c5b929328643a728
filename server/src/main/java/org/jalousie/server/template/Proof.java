package org.jalousie.server.template;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.proof.LayoutRisk;
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

        static List<Risk> of(List<LayoutRisk> risks) {
            return risks.stream()
                    .map(one -> new Risk(
                            one.kind(),
                            one.page(),
                            one.y(),
                            one.message().toString(),
                            one.cure().toString()))
                    .toList();
        }
    }

    /** A passage and the specimens that print it; none means that nobody has seen it. */
    record ProofPassage(Passage passage, List<String> reachedBy) {}
}
