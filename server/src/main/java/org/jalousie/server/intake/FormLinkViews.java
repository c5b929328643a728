package org.jalousie.server.intake;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.LinkTerms;

/** Forms that are shared by a link, as the office and those who fill them see them. */
final class FormLinkViews {
    private FormLinkViews() {}

    /**
     * @param closesAt null for never; {@code most} answers, null for any number
     * @param state whether it can be filled, and if not why
     * @param colleagues whether requesters of the office find it in their room
     */
    record FormLinkRow(
            UUID id,
            UUID template,
            String templateName,
            String title,
            String address,
            boolean word,
            @Schema(types = {"string", "null"}) Instant closesAt,
            @Schema(types = {"integer", "null"}) Integer most,
            int taken,
            State state,
            boolean colleagues,
            LinkTerms terms,
            String createdBy,
            Instant createdAt) {}

    enum State {
        OPEN,
        CLOSED,
        ENDED,
        FULL,
        /** Its template can't be filled now. */
        RESTING
    }

    /** @param rests whether its template can't be filled now */
    static State state(FormLink link, boolean rests, Instant now) {
        return link.over(now).map(over -> State.valueOf(over.name())).orElse(rests ? State.RESTING : State.OPEN);
    }

    /**
     * @param word that has to be known: null for as it is, empty for none any more
     * @param colleagues whether requesters of the office find it in their room: null for as it is
     */
    record FormLinkSettings(
            UUID template,
            String title,
            @Schema(types = {"string", "null"}) String word,
            @Schema(types = {"string", "null"}) Instant closesAt,
            @Schema(types = {"integer", "null"}) Integer most,
            @Schema(types = {"boolean", "null"}) Boolean colleagues,
            LinkTerms terms) {}

    /** @param fixed whether the answers can't be changed by who opens it */
    record PrefilledAddress(String address, boolean fixed) {}

    /**
     * A form as it is opened by its link.
     *
     * @param state when it isn't open, nothing of the form is told
     * @param wordNeeded whether a word has to be said first; nothing of the form is told before
     * @param form null until it is told
     * @param key of this form; it is handed in with it
     * @param errand that has to be done before it is handed in, to {@code bits} zero bits
     * @param fixed answers that stand in the address and can't be changed
     * @param asksName whether the name of who asks is asked for besides the questions, {@code asksMail} their mail address
     * @param asker who asks, where a requester of the office is signed in; empty for others
     * @param language of the page
     * @param wording whether the agreement's words can be looked at beside the form
     */
    record AskPage(
            State state,
            String office,
            String title,
            String language,
            boolean wordNeeded,
            @Schema(types = {"object", "null"}) IntakeViews.Form form,
            UUID key,
            String errand,
            int bits,
            List<FieldName> fixed,
            boolean asksName,
            boolean asksMail,
            Asker asker,
            boolean wording) {}

    /** @param access by which the form is told and handed in from now on */
    record WordSaid(String access) {}

    /**
     * @param secret by which who asked looks up where it stands
     * @param thanks the office's own words; empty for the usual
     * @param signs whether they go on to sign as soon as it is made
     */
    record Asked(String number, String secret, String thanks, boolean signs) {}

    /** How far a request has come, for who asked. */
    enum Stage {
        /** Somebody of the office looks at it. */
        WITH_OFFICE,
        /** Its document is being made. */
        MADE,
        /** It is out to be signed. */
        OUT,
        DONE,
        ENDED
    }

    /** @param canSign whether who asked can go on to sign at once, {@code canFetch} whether the finished document can be fetched */
    record AskStatus(
            String number,
            String title,
            String office,
            String language,
            Instant askedAt,
            Stage stage,
            boolean canSign,
            boolean canFetch) {}

    record GoOn(String address) {}

    /** A form that was left and is gone on with. */
    record LeftAnswers(
            UUID key,
            Map<FieldName, String> values,
            Map<String, IntakeViews.PersonInput> people,
            Asker asker,
            String language) {}

    /** Who asks. */
    record Asker(String name, String mail) {
        static final Asker NOBODY = new Asker("", "");
    }

    /** A party whose person who asks may name. */
    static boolean mayBeNamed(IntakeViews.ChosenParty party) {
        return party.people().isEmpty();
    }
}
