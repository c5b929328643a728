package org.jalousie.core.evidence.law;

import java.util.Locale;

/**
 * What a law asks of an electronic signature, element by element. The sections are those of 15 U.S.C. § 7001 (ESIGN), of the
 * Uniform Electronic Transactions Act (1999), and of Regulation (EU) No 910/2014 (eIDAS).
 */
public enum LawElement {
    ESIGN_CONSENT("15 U.S.C. § 7001(c)(1)(A)"),
    ESIGN_STATEMENT("15 U.S.C. § 7001(c)(1)(B)"),
    ESIGN_ACCESS("15 U.S.C. § 7001(c)(1)(C)"),
    ESIGN_RETAINED("15 U.S.C. § 7001(d)(1), (e)"),
    UETA_AGREED("UETA § 5(b)"),
    UETA_FORM("UETA § 7"),
    UETA_COPY("UETA § 8(a)"),
    UETA_ATTRIBUTED("UETA § 9(a)"),
    UETA_EFFECT("UETA § 9(b)"),
    UETA_RETAINED("UETA § 12(a)"),
    EIDAS_UNIQUE("eIDAS Art. 26(a)"),
    EIDAS_IDENTIFIES("eIDAS Art. 26(b)"),
    EIDAS_CONTROL("eIDAS Art. 26(c)"),
    EIDAS_TIED("eIDAS Art. 26(d)"),
    EIDAS_TIME("eIDAS Art. 41");

    private final String section;

    LawElement(String section) {
        this.section = section;
    }

    /** Where it stands. */
    public String section() {
        return section;
    }

    /** As catalogues of messages know what it asks. */
    public String asks() {
        return "law.asks." + name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
