package org.jalousie.server.people;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jalousie.core.access.Role;

/** What administrators see of people. */
final class PeopleViews {
    private PeopleViews() {}

    /** Where somebody stands with the office. */
    enum Standing {
        /** They have no way in but the one that was mailed. */
        INVITED,
        /** They come and go. */
        OPEN,
        /** They are let in no more. */
        CLOSED
    }

    /**
     * @param shows what they have beside a password
     * @param signedInAt null for who never was in
     */
    record OfficePerson(
            UUID id,
            String mail,
            String name,
            List<Role> roles,
            Standing standing,
            List<SignInViews.Factor> shows,
            @Schema(types = {"string", "null"}) Instant signedInAt,
            List<String> teams) {}

    /**
     * @param revision that a change is based on
     * @param invitedUntil until when a mailed way in is open; null for none
     * @param cameBack why the invitation came back that was mailed last; null where it didn't
     * @param lacksFactor whether one of their roles needs more than a password, which they don't have
     * @param sessions where they are signed in
     */
    record OfficePersonDetail(
            OfficePerson person,
            int revision,
            Instant madeAt,
            @Schema(types = {"string", "null"}) Instant closedAt,
            @Schema(types = {"string", "null"}) Instant invitedUntil,
            @Schema(types = {"string", "null"}) String cameBack,
            boolean lacksFactor,
            List<SessionView> sessions) {}

    /** @param way empty where it isn't known, {@code here} whether it is the one that asks */
    record SessionView(String id, String from, String browser, String way, Instant since, Instant seen, boolean here) {
        static SessionView of(LiveSessions.LiveSession one) {
            return new SessionView(
                    one.id(),
                    one.from(),
                    one.browser(),
                    one.way().map(Entry.Way::name).orElse(""),
                    one.since(),
                    one.seen(),
                    one.here());
        }
    }

    /** @param secondFactor roles whose people need more than a password */
    record EntryRule(List<Role> secondFactor) {}
}
