package org.jalousie.core.placement;

import java.util.function.UnaryOperator;
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
 * @param requiredWhen which of them make that it can't be left empty; never when it names no field
 * @param from what stands there at first, or what it shows
 * @param repeats whether it is answered once where it stands several times
 */
public record SigningField(
        String name,
        PartyKey party,
        String label,
        SigningFieldType type,
        String sameAs,
        ShownWhen when,
        ShownWhen requiredWhen,
        ValueFrom from,
        Repeats repeats) {
    public SigningField {
        sameAs = sameAs == null ? "" : sameAs;
        when = when == null ? ShownWhen.ALWAYS : when;
        requiredWhen = requiredWhen == null ? ShownWhen.ALWAYS : requiredWhen;
        from = from == null ? ValueFrom.NOTHING : from;
        repeats = repeats == null ? Repeats.USUAL : repeats;
    }

    /** A field that shows another's answer or waits for one; empty and {@link ShownWhen#ALWAYS} for one that does neither. */
    public SigningField(
            String name, PartyKey party, String label, SigningFieldType type, String sameAs, ShownWhen when) {
        this(name, party, label, type, sameAs, when, ShownWhen.ALWAYS, ValueFrom.NOTHING, Repeats.USUAL);
    }

    /** A field that is answered by itself, and always asked for. */
    public SigningField(String name, PartyKey party, String label, SigningFieldType type) {
        this(name, party, label, type, "", ShownWhen.ALWAYS);
    }

    /** The same field, asked for and required at other conditions. */
    SigningField waitingFor(ShownWhen condition, ShownWhen required) {
        return new SigningField(name, party, label, type, sameAs, condition, required, from, repeats);
    }

    /** The same field once more, under another name. @param answeredBy whose answer it shows; empty for its own */
    SigningField again(String called, String shownAs, String answeredBy) {
        return new SigningField(called, party, shownAs, type, answeredBy, when, requiredWhen, from, repeats);
    }

    /** The same field where fields have other names, its own among them. */
    public SigningField referring(UnaryOperator<String> called) {
        return new SigningField(
                called.apply(name),
                party,
                label,
                type.referring(called),
                sameAs.isEmpty() ? sameAs : called.apply(sameAs),
                when.referring(called),
                requiredWhen.referring(called),
                from,
                repeats);
    }

    /** The same field under another name. */
    public SigningField named(String other) {
        return new SigningField(other, party, label, type, sameAs, when, requiredWhen, from, repeats);
    }

    /** The same field with another source of what stands in it. */
    public SigningField from(ValueFrom source) {
        return new SigningField(name, party, label, type, sameAs, when, requiredWhen, source, repeats);
    }

    /** The same field under another name for another party, asked for always: what it waited for was the first party's. */
    public SigningField handedTo(PartyKey other, String called) {
        return new SigningField(
                called,
                other,
                label,
                type,
                "",
                ShownWhen.ALWAYS,
                ShownWhen.ALWAYS,
                from.kind() == ValueFrom.Kind.DATUM ? from : ValueFrom.NOTHING,
                repeats);
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
