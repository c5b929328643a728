package org.jalousie.core.placement;

/**
 * A place in the wording that a party completes.
 *
 * @param name unique within the agreement and flat, for example {@code lender_signature}: it names the form field too
 * @param party the key of the party that completes it
 * @param sameAs the field whose answer this one shows, as in a header that stands on every page; empty for one of its own
 */
public record SigningField(String name, String party, FieldKind kind, String label, boolean required, String sameAs) {
    public SigningField {
        sameAs = sameAs == null ? "" : sameAs;
    }

    /** A field that is answered by itself. */
    public SigningField(String name, String party, FieldKind kind, String label, boolean required) {
        this(name, party, kind, label, required, "");
    }

    /** Whether the party is asked for it, and not the program or another field's answer. */
    public boolean asked() {
        return kind == FieldKind.TEXT && sameAs.isEmpty();
    }
}
