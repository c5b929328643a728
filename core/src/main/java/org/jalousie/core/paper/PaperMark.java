package org.jalousie.core.paper;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Sha256;

/**
 * What stands on each page that is printed to be signed on paper, so that its scan is recognised: of which agreement it is, which
 * page of which state of a document. All its letters are in the alphanumeric mode of a QR code (ISO/IEC 18004 §7.4.4).
 *
 * @param page from 1
 * @param state the first {@value #STATE} digits of the SHA-256 of the document that was printed, in lower case
 */
public record PaperMark(AgreementNumber agreement, int page, int pages, String state) {
    private static final int STATE = 20;
    private static final String KIND = "JP1";
    private static final Pattern FORM =
            Pattern.compile(KIND + "\\*([A-Z0-9-]{1,40})\\*(\\d{1,4})\\*(\\d{1,4})\\*([0-9A-F]{" + STATE + "})");

    /** The mark of one page of a document. */
    public static PaperMark of(AgreementNumber agreement, int page, int pages, Sha256 document) {
        return new PaperMark(agreement, page, pages, stateOf(document));
    }

    /** How a mark names a document's state. */
    public static String stateOf(Sha256 document) {
        return document.hex().substring(0, STATE);
    }

    /** As it is printed. */
    public String text() {
        return String.join(
                "*",
                KIND,
                agreement.value(),
                String.valueOf(page),
                String.valueOf(pages),
                state.toUpperCase(Locale.ROOT));
    }

    /** What a code says; empty for one that isn't a mark. */
    public static Optional<PaperMark> read(String text) {
        Matcher form = FORM.matcher(text);
        if (!form.matches()) return Optional.empty();
        int page = Integer.parseInt(form.group(2));
        int pages = Integer.parseInt(form.group(3));
        return page < 1 || page > pages
                ? Optional.empty()
                : Optional.of(new PaperMark(
                        new AgreementNumber(form.group(1)),
                        page,
                        pages,
                        form.group(4).toLowerCase(Locale.ROOT)));
    }
}
