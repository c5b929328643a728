package org.jalousie.core.pdf;

import java.nio.charset.StandardCharsets;

/** Bytes looked at as letters, one for each, without being copied. */
record Latin(byte[] bytes, int from, int end) implements CharSequence {
    static Latin of(byte[] bytes) {
        return new Latin(bytes, 0, bytes.length);
    }

    @Override
    public int length() {
        return end - from;
    }

    @Override
    public char charAt(int index) {
        return (char) (bytes[from + index] & 0xFF);
    }

    @Override
    public CharSequence subSequence(int start, int stop) {
        return new Latin(bytes, from + start, from + stop);
    }

    /** Whether these letters stand at a place. */
    boolean startsWith(String letters, int at) {
        if (at < 0 || at + letters.length() > length()) return false;
        for (int i = 0; i < letters.length(); i++) if (charAt(at + i) != letters.charAt(i)) return false;
        return true;
    }

    /** Where these letters stand first, from a place on; -1 for nowhere. */
    int indexOf(String letters, int start) {
        for (int at = Math.max(0, start); at + letters.length() <= length(); at++)
            if (startsWith(letters, at)) return at;
        return -1;
    }

    @Override
    public String toString() {
        return new String(bytes, from, length(), StandardCharsets.ISO_8859_1);
    }
}
