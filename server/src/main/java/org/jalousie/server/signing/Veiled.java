package org.jalousie.server.signing;

/** Where a code goes, told so that its owner knows it again and nobody else learns it. */
final class Veiled {
    private static final String VEIL = "•••";
    private static final int LAST_DIGITS = 3;

    private Veiled() {}

    /** The first letter, and all after the at-sign: {@code i•••@lender.example.org}. */
    static String mail(String address) {
        int at = address.lastIndexOf('@');
        if (at <= 0) return VEIL;
        return address.substring(0, address.offsetByCodePoints(0, 1)) + VEIL + address.substring(at);
    }

    /** The last digits: {@code ••• 123}. */
    static String phone(String number) {
        String digits = number.replaceAll("\\D", "");
        return VEIL + " " + digits.substring(Math.max(0, digits.length() - LAST_DIGITS));
    }
}
