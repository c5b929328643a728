package org.jalousie.core.data;

import java.util.Locale;

/** A person's name as a line of text, whether it is stored in its parts or as it was typed. */
public final class PlainName {
    private PlainName() {}

    public static String of(String stored) {
        if (!stored.contains(";")) return stored;
        try {
            return Printer.in(Locale.ROOT).print(PeopleReader.name(stored), "");
        } catch (ValueReader.Unreadable e) {
            return stored;
        }
    }
}
