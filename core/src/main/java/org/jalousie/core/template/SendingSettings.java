package org.jalousie.core.template;

import java.time.Duration;

/**
 * How agreements go out.
 *
 * @param subject of the mail that asks for a part; empty for the usual words
 * @param message what the mail says above the link; may be empty
 * @param expiryDays days from sending until it can no longer be signed
 * @param firstReminderDays days from the invitation to the first reminder; 0 for none
 * @param everyDays days between later reminders; 0 for none
 */
public record SendingSettings(String subject, String message, int expiryDays, int firstReminderDays, int everyDays) {
    // common practice, no source: 30 days; first reminder after 5 days, then every 3
    public static final SendingSettings USUAL = new SendingSettings("", "", 30, 5, 3);

    public Duration expiry() {
        return Duration.ofDays(expiryDays);
    }
}
