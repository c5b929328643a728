package org.jalousie.core.evidence;

import java.time.LocalDate;
import java.util.Locale;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.lettering.Glyphs;

/** The date of signing as it stands in the document: printed like the document's other dates. */
public final class SignedDate {
    private SignedDate() {}

    /** @param language of the template; where a signing field can't print its letters, the date is printed as ISO 8601 */
    public static String print(LocalDate date, Locale language) {
        String printed = Printer.in(language).print(new Value.Day(date), "");
        return Glyphs.firstMissing(printed).isEmpty() ? printed : date.toString();
    }
}
