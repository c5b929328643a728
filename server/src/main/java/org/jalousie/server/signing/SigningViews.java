package org.jalousie.server.signing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Standing;
import org.jalousie.core.agreement.State;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.ShownWhen;
import org.jalousie.core.placement.SigningFieldType;
import org.jalousie.server.agreement.AgreementViews;
import org.jalousie.server.agreement.DocumentView;

/** What a participant sees. */
final class SigningViews {
    private SigningViews() {}

    /**
     * A detail that the participant completes, with its kind and that kind's settings.
     *
     * @param required when it is asked for
     * @param type with what stands there at first
     * @param when which other answer makes that it is asked for, {@code requiredWhen} that it can't be left empty
     */
    record ToComplete(
            String name,
            String label,
            boolean required,
            SigningFieldType type,
            ShownWhen when,
            ShownWhen requiredWhen) {}

    /** What the program works out or copies into a field. @param text as it will print; empty for nothing yet */
    record Derived(String name, String label, String text) {}

    record Consent(String version, String text) {}

    /**
     * How the participant shows who they are.
     *
     * @param shown whether that is known already, in this browser; until then nothing of the agreement is told
     * @param to where a code goes, most of it veiled; empty for a word
     * @param digits how many a code has
     * @param codeWaits whether a code was asked for in this browser that can still be typed
     * @param nextCode the first moment at which another code is sent; null for at once
     * @param locked whether no further answer is looked at until the office lets them go on
     * @param office where the office is asked to
     */
    record Identity(
            IdentityCheck check,
            boolean shown,
            String to,
            int digits,
            boolean codeWaits,
            @Schema(types = {"string", "null"}) Instant nextCode,
            boolean locked,
            String office) {}

    /**
     * What a participant's page shows.
     *
     * @param parts what is done in one act here; {@code label} has the names of all
     * @param hasCopy whether the signed copy can be fetched
     * @param documentLanguage in which the document prints numbers and dates, a BCP 47 tag; {@code today} the office's day
     * @param begun what was typed before and not handed in
     * @param mayHandOver whether they may give their part to somebody else
     * @param secondPress whether signing takes a second press
     * @param initials whether the documents have places for their initials
     * @param byAccount whether they came from the office's rooms, where they are signed in
     * @param questions what they have asked the office, with its answers
     * @param attached files that those who have acted brought
     * @param language of the words around the document: en, nl, de or fr; {@code date} the date of signing as it would be printed now
     */
    record SigningPage(
            String language,
            AgreementNumber number,
            String title,
            String office,
            List<PartyKey> parts,
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
            List<Derived> derived,
            Map<String, String> begun,
            List<DocumentView> documents,
            List<AgreementViews.RouteStep> route,
            String ended,
            boolean hasCopy,
            String documentLanguage,
            LocalDate today,
            Identity identity,
            List<AgreementViews.AttachedView> attached,
            boolean mayHandOver,
            boolean secondPress,
            boolean initials,
            boolean byAccount,
            List<ToldQuestion> questions) {}

    /** A question to the office. @param answer empty until there is one */
    record ToldQuestion(String question, String answer) {}
}
