package org.jalousie.core.placement;

import org.jalousie.core.data.Field;
import org.jalousie.core.parties.PartyKey;

/**
 * A place in the wording that a party completes.
 *
 * @param name unique within the agreement and flat, for example {@code lender_signature}: it names the form field too
 * @param party the key of the party that completes it
 * @param label what it is for, without the party, for example {@code VAT number}
 * @param sameAs the field whose answer this one shows, as in a header that stands on every page; empty for one of its own
 * @param when which of the party's other answers make that it is asked for
 */
public record SigningField(
        String name, PartyKey party, String label, SigningFieldType type, String sameAs, ShownWhen when) {
    public SigningField {
        sameAs = sameAs == null ? "" : sameAs;
        when = when == null ? ShownWhen.ALWAYS : when;
    }

    /** A field that is answered by itself, and always asked for. */
    public SigningField(String name, PartyKey party, String label, SigningFieldType type) {
        this(name, party, label, type, "", ShownWhen.ALWAYS);
    }

    /** The same field, asked for at another condition. */
    SigningField waitingFor(ShownWhen condition) {
        return new SigningField(name, party, label, type, sameAs, condition);
    }

    /** The same field under another name for another party, asked for always: what it waited for was the first party's. */
    public SigningField handedTo(PartyKey other, String called) {
        return new SigningField(called, other, label, type, sameAs, ShownWhen.ALWAYS);
    }

    /** What it is for, as the party itself is asked for it. */
    public String question() {
        return label.isEmpty() ? label : Character.toUpperCase(label.charAt(0)) + label.substring(1);
    }

    /** What it is for and whose it is, for everybody else than the party. */
    public String title() {
        return Field.labelFor(party.value()) + ": " + label;
    }

    /** The name of the field whose answer this one shows: its own, unless it repeats another's. */
    public String answeredBy() {
        return sameAs.isEmpty() ? name : sameAs;
    }

    /** Whether the party is asked for it, and not the program or another field's answer. */
    public boolean asked() {
        return type.asked() && sameAs.isEmpty();
    }
}
