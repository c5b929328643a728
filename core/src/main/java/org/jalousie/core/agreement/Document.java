package org.jalousie.core.agreement;

import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.Pages;
import org.jalousie.core.placement.PlacedField;
import org.jalousie.core.placement.SigningField;

/**
 * One document of an agreement.
 *
 * @param title what it is called beside others of the same agreement
 * @param word the same as a Word file, when there is one
 * @param pdf its newest state
 * @param open the signing fields that have no place on it yet
 * @param pages with the signing fields on them
 */
public record Document(
        DocumentId id,
        String title,
        Kind kind,
        Optional<Sha256> word,
        Sha256 pdf,
        Pages pages,
        List<SigningField> open) {
    /** Where a document comes from. */
    public enum Kind {
        /** From a template's wording and the agreement's data. */
        GENERATED,
        /** A PDF whose words are always the same. */
        FIXED,
        /** Made elsewhere; goes along as it is. */
        ATTACHED;

        /** Whether seals and signatures are put into it. */
        public boolean sealed() {
            return this != ATTACHED;
        }
    }

    public Document {
        word = word == null ? Optional.empty() : word;
        open = open == null ? List.of() : List.copyOf(open); // earlier ones had a place for everything
    }

    /** A document on which everything has its place. */
    public Document(DocumentId id, String title, Kind kind, Optional<Sha256> word, Sha256 pdf, Pages pages) {
        this(id, title, kind, word, pdf, pages, List.of());
    }

    /** The same document in a newer state. */
    Document at(Sha256 newer) {
        return new Document(id, title, kind, word, newer, pages, open);
    }

    Document titled(String other) {
        return new Document(id, other, kind, word, pdf, pages, open);
    }

    /** What it is now. */
    public Revision revision() {
        return new Revision(id, pdf);
    }

    /** A party's first place for a signature; that takes the signature. */
    public Optional<PlacedField> signatureOf(PartyKey party) {
        return pages.fields().stream()
                .filter(one ->
                        one.field().party().equals(party) && one.field().type().signs())
                .findFirst();
    }
}
