package org.jalousie.server.web;

import jakarta.servlet.http.HttpServletRequest;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;

/**
 * What a request carries that may be sent again: the field {@code Idempotency-Key}, as
 * draft-ietf-httpapi-idempotency-key-header has it; it may also stand without its quotation marks.
 */
public final class SendingKey {
    static final String FIELD = "Idempotency-Key";
    private static final String TOLD_ONCE = "org.jalousie.told-once";
    private static final int LONGEST = 200;

    private SendingKey() {}

    /** @throws Refusal for what can't be one */
    public static String read(String field) {
        String text = field.strip();
        if (text.length() > 1 && text.startsWith("\"") && text.endsWith("\""))
            text = text.substring(1, text.length() - 1);
        if (text.isEmpty() || text.length() > LONGEST || !text.chars().allMatch(one -> one > ' ' && one < 127))
            throw Refusal.malformed(Message.of("again.form", "most", LONGEST));
        return text;
    }

    /** The answer tells a secret, which nobody keeps: sent again, the request is only said to be done. */
    public static void answersOnce(HttpServletRequest request) {
        request.setAttribute(TOLD_ONCE, true);
    }

    static boolean isAnsweredOnce(HttpServletRequest request) {
        return request.getAttribute(TOLD_ONCE) != null;
    }
}
