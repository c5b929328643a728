package org.jalousie.core.parties;

import java.util.Locale;

/** How somebody shows that it is they who came by the link that was mailed to them. */
public enum IdentityCheck {
    /** The link alone: who reads the mailbox is taken for its owner. */
    NONE,
    /** A one-time code, mailed when it is asked for: who has the link can read the mailbox now. */
    MAILED_CODE,
    /** A one-time code in a text message to their telephone. */
    TEXTED_CODE,
    /** A word that the office and they have agreed on before, in some other way. */
    AGREED_WORD;

    /** Whether a code is sent when it is asked for. */
    public boolean byCode() {
        return this == MAILED_CODE || this == TEXTED_CODE;
    }

    /** As catalogues of messages know it. */
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
