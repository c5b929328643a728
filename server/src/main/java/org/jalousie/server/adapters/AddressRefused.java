package org.jalousie.server.adapters;

/** The mail server will never take a mail to this address. */
public final class AddressRefused extends IllegalStateException {
    private final int reply;
    private final String said;

    AddressRefused(String reason, int reply, String said) {
        super(reason);
        this.reply = reply;
        this.said = said;
    }

    /** Its reply code (RFC 5321 §4.2.1), which begins with 5. */
    public int reply() {
        return reply;
    }

    /** What it said, in its own words. */
    public String said() {
        return said;
    }
}
