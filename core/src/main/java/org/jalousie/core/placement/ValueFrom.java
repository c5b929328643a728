package org.jalousie.core.placement;

/**
 * Where what stands in a signing field comes from: a datum of the agreement, or what an earlier party answered.
 *
 * @param kind which of them
 * @param name the datum's, or the other signing field's; empty for none
 * @param raw a datum's value as it is kept, once the document is made; empty before and for answers
 * @param printed the same as it prints in the document
 */
public record ValueFrom(Kind kind, String name, String raw, String printed) {
    /** What it is taken from. */
    public enum Kind {
        NOTHING,
        DATUM,
        ANSWER
    }

    public static final ValueFrom NOTHING = new ValueFrom(Kind.NOTHING, "", "", "");

    public ValueFrom {
        kind = kind == null ? Kind.NOTHING : kind;
        name = name == null || kind == Kind.NOTHING ? "" : name.strip();
        raw = raw == null ? "" : raw;
        printed = printed == null ? "" : printed;
    }

    public static ValueFrom datum(String name) {
        return new ValueFrom(Kind.DATUM, name, "", "");
    }

    public static ValueFrom answer(String field) {
        return new ValueFrom(Kind.ANSWER, field, "", "");
    }

    /** The same, with a datum's value as the agreement has it. */
    public ValueFrom holding(String value, String print) {
        return new ValueFrom(kind, name, value, print);
    }

    /** The same, from a datum or field that has another name now. */
    public ValueFrom called(String other) {
        return new ValueFrom(kind, other, raw, printed);
    }
}
