package org.jalousie.server.recognition;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.util.UUID;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.recognition.Fingerprint;

/** By what a document of a published version is known. */
@Entity
@Table(name = "text_fingerprint")
@IdClass(TextFingerprint.Key.class)
class TextFingerprint {
    @Id
    private UUID templateVersionId;

    @Id
    private String document;

    private int edition;
    private byte[] print;

    protected TextFingerprint() {}

    UUID version() {
        return templateVersionId;
    }

    DocumentId document() {
        return new DocumentId(document);
    }

    Fingerprint print() {
        return Fingerprint.read(print);
    }

    /** Which document of which version. */
    record Key(UUID templateVersionId, String document) implements Serializable {}
}
