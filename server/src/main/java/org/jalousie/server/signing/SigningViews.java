package org.jalousie.server.signing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.placement.Pages;
import org.jalousie.server.agreement.AgreementViews;

/** What a participant sees. */
final class SigningViews {
    private SigningViews() {}

    /** A detail that the participant completes. */
    record ToComplete(String name, String label, boolean required) {}

    record Consent(String version, String text) {}

    /** @param date the date of signing as it would be printed now */
    record SigningPage(
            String number,
            String title,
            String office,
            String label,
            String name,
            Duty duty,
            Standing standing,
            State state,
            @Schema(types = {"string", "null"}) Instant expiresAt,
            boolean consented,
            Consent consent,
            String date,
            List<ToComplete> toComplete,
            Pages pages,
            List<AgreementViews.Slat> blind,
            String ended) {}
}
