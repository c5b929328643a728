package org.jalousie.core.wording.merge;

import org.jalousie.core.wording.compile.Tally;

/** Counts what a finished part holds, from its bytes: done for every part of every agreement, so without making any objects. */
final class FinishedTally {
    private final byte[] xml;
    private final Tally tally = new Tally();

    private FinishedTally(byte[] xml) {
        this.xml = xml;
    }

    /** @param xml well-formed and in UTF-8 */
    static Tally of(byte[] xml) {
        FinishedTally finished = new FinishedTally(xml);
        finished.count();
        return finished.tally;
    }

    private void count() {
        boolean inText = false;
        int at = 0;
        while (at < xml.length) {
            if (xml[at] != '<') {
                if (inText) at = letters(at);
                else while (at < xml.length && xml[at] != '<') at++;
                continue;
            }
            int start = at + 1;
            int end = start;
            while (end < xml.length && !endsName(xml[end], end > start)) {
                if (xml[end] == ':') start = end + 1;
                end++;
            }
            boolean opens = xml[at + 1] != '/';
            int kind = opens ? Tally.kind(xml, start, end - start) : -1;
            if (kind > 0) tally.add(kind, 1);
            int close = end;
            while (close < xml.length && xml[close] != '>') close++;
            inText = kind == Tally.LETTERS && xml[close - 1] != '/';
            at = close + 1;
        }
    }

    private static boolean endsName(byte b, boolean begun) {
        return b == '>' || b == ' ' || b == '/' && begun || b == '\n' || b == '\t' || b == '\r';
    }

    private int letters(int from) {
        int at = from;
        int letters = 0;
        for (; at < xml.length && xml[at] != '<'; at++) {
            byte b = xml[at];
            if (b == '&') {
                letters++;
                while (xml[at] != ';') at++;
            } else if (b > ' ') {
                letters += b == 0x7f && !Tally.isLetter((char) b) ? 0 : 1;
            } else if ((b & 0xC0) == 0xC0) {
                letters += further(at);
            }
        }
        tally.add(Tally.LETTERS, letters);
        return at;
    }

    /** A character of several bytes: none when it shows nothing, two when it is a pair of UTF-16. */
    private int further(int at) {
        int b = xml[at] & 0xFF;
        if (b >= 0xF0) return 2;
        int code = b >= 0xE0
                ? (b & 0x0F) << 12 | (xml[at + 1] & 0x3F) << 6 | xml[at + 2] & 0x3F
                : (b & 0x1F) << 6 | xml[at + 1] & 0x3F;
        return Tally.isLetter((char) code) ? 1 : 0;
    }
}
