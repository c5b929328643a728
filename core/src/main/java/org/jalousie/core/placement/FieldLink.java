package org.jalousie.core.placement;

import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The address by which a signing field's box in the words is known on the finished pages: the converter keeps links with their
 * rectangles. {@code .invalid} never resolves (RFC 2606).
 */
public final class FieldLink {
    /** The host that is kept for these links. */
    public static final String HOST = "field.invalid";

    private static final String ADDRESS = "https://" + HOST + "/";
    private static final Pattern FORM = Pattern.compile(Pattern.quote(ADDRESS) + "(\\d{1,9})");

    private FieldLink() {}

    /** The address of a box. */
    public static String to(int number) {
        return ADDRESS + number;
    }

    /** Which box an address on the pages means; empty for an ordinary link. */
    static OptionalInt number(String address) {
        Matcher found = FORM.matcher(address == null ? "" : address);
        return found.matches() ? OptionalInt.of(Integer.parseInt(found.group(1))) : OptionalInt.empty();
    }
}
