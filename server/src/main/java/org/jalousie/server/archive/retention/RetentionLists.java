package org.jalousie.server.archive.retention;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.filing.retention.RetentionRule;
import org.jalousie.core.filing.retention.Tombstone;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.GoneAgreements;
import org.jalousie.server.web.KeyedPage;
import org.jalousie.server.web.ListPlace;
import org.jalousie.server.web.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The lists of retention: what is due, held, going and gone. */
@Service
class RetentionLists {
    private static final int COUNTED = KeyedPage.MOST_COUNTED + 1;
    private static final int MOST = Page.SIZE + 1;

    private final KeptAgreements kept;
    private final Holds holds;
    private final Destructions destructions;
    private final GoneAgreements gone;
    private final Clock clock;

    RetentionLists(KeptAgreements kept, Holds holds, Destructions destructions, GoneAgreements gone, Clock clock) {
        this.kept = kept;
        this.holds = holds;
        this.destructions = destructions;
        this.gone = gone;
        this.clock = clock;
    }

    /** The day that it is in the office. */
    LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), kept.zone());
    }

    /** What has been kept long enough, what ended first before. @param by the day by which it has; null for today */
    @Transactional(readOnly = true)
    KeyedPage<RetentionViews.KeptAgreement> due(UUID template, LocalDate by, ListPlace place) {
        unsorted(place);
        LocalDate day = by == null ? today() : by;
        Map<UUID, RetentionRule> rules = kept.rules();
        Optional<UUID> of = Optional.ofNullable(template);
        return KeyedPage.of(
                kept.due(
                        rules,
                        of,
                        day,
                        place.row().map(row -> new KeptAgreements.At(moment(row), row.id())),
                        !place.back(),
                        MOST),
                place,
                kept.count(rules, of, day, COUNTED),
                rows -> rows.stream().map(row -> view(rules, row)).toList(),
                (row, at) ->
                        new ListPlace.Row(at, row.id(), "ended", row.ended().toString()));
    }

    /** Holds that are in force, the last first. */
    @Transactional(readOnly = true)
    KeyedPage<RetentionViews.LegalHold> holds(ListPlace place) {
        unsorted(place);
        return KeyedPage.of(
                holds.list(place.row().map(row -> new Holds.At(moment(row), row.id())), !place.back(), MOST),
                place,
                holds.count(COUNTED),
                rows -> rows.stream().map(RetentionLists::view).toList(),
                (row, at) -> new ListPlace.Row(at, row.id(), "placed", row.at().toString()));
    }

    /** What goes, what goes first before. */
    @Transactional(readOnly = true)
    KeyedPage<RetentionViews.DestructionConfirmed> going(ListPlace place) {
        unsorted(place);
        return KeyedPage.of(
                destructions.list(
                        place.row().map(row -> new Destructions.At(moment(row), row.id())), !place.back(), MOST),
                place,
                destructions.count(COUNTED),
                rows -> rows.stream().map(RetentionLists::view).toList(),
                (row, at) -> new ListPlace.Row(
                        at, row.agreement(), "goes", row.goesAt().toString()));
    }

    /** What is gone, the last first. */
    @Transactional(readOnly = true)
    KeyedPage<RetentionViews.DestroyedAgreement> gone(UUID template, ListPlace place) {
        unsorted(place);
        return KeyedPage.of(
                gone.list(
                        template,
                        place.row().map(row -> new GoneAgreements.At(moment(row), row.id())),
                        !place.back(),
                        MOST),
                place,
                gone.count(template, COUNTED),
                rows -> rows.stream().map(RetentionLists::view).toList(),
                (row, at) -> new ListPlace.Row(
                        at, row.id(), "gone", row.destroyedAt().toString()));
    }

    /** What stays of one. @throws Refusal when it isn't gone */
    @Transactional(readOnly = true)
    RetentionViews.DestroyedAgreement gone(AgreementNumber number) {
        return gone.find(number)
                .map(RetentionLists::view)
                .orElseThrow(() -> Refusal.notFound(Message.of("retention.not-gone", "number", number)));
    }

    /** How long one is kept. */
    @Transactional(readOnly = true)
    RetentionViews.AgreementRetention of(AgreementNumber number) {
        KeptAgreements.Kept one = kept.named(List.of(number.value())).stream()
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("agreement.none", "number", number)));
        return new RetentionViews.AgreementRetention(
                kept.until(kept.rules(), one).orElse(null),
                holds.of(one.id()).stream().map(RetentionLists::view).toList(),
                destructions.find(one.id()).map(RetentionLists::view).orElse(null));
    }

    private static void unsorted(ListPlace place) {
        if (!place.sort().isEmpty()) throw Refusal.malformed(Message.of("list.one-order"));
    }

    private static Instant moment(ListPlace.Row row) {
        try {
            return Instant.parse(row.value());
        } catch (DateTimeParseException e) {
            throw Refusal.malformed(Message.of("list.no-key"));
        }
    }

    private RetentionViews.KeptAgreement view(Map<UUID, RetentionRule> rules, KeptAgreements.Kept row) {
        return new RetentionViews.KeptAgreement(
                new AgreementNumber(row.number()),
                row.title(),
                row.template(),
                row.templateName(),
                row.state(),
                row.ended(),
                row.counted(kept.zone()),
                kept.until(rules, row).orElseThrow());
    }

    private static RetentionViews.LegalHold view(Holds.Hold row) {
        return new RetentionViews.LegalHold(
                row.id(),
                new AgreementNumber(row.number()),
                row.title(),
                row.template(),
                State.valueOf(row.state()),
                row.reason(),
                row.by(),
                row.at(),
                row.liftedBy().orElse(""),
                row.liftedAt().orElse(null),
                row.liftedBecause());
    }

    private static RetentionViews.DestructionConfirmed view(Destructions.Destruction row) {
        return new RetentionViews.DestructionConfirmed(
                new AgreementNumber(row.number()),
                row.title(),
                row.template(),
                row.keptUntil(),
                row.copies(),
                row.by(),
                row.at(),
                row.goesAt(),
                row.waitsFor());
    }

    private static RetentionViews.DestroyedAgreement view(GoneAgreements.Stone row) {
        Optional<Tombstone> stone = row.read();
        return new RetentionViews.DestroyedAgreement(
                row.number(),
                stone.map(Tombstone::template).orElse(""),
                stone.map(Tombstone::how).orElse(null),
                stone.map(Tombstone::created).orElse(null),
                stone.map(Tombstone::ended).orElse(null),
                stone.map(Tombstone::keptUntil).orElse(null),
                stone.map(Tombstone::events).orElse(0),
                stone.map(Tombstone::lastHash).map(Sha256::hex).orElse(""),
                stone.map(Tombstone::confirmedBy).orElse(""),
                stone.map(Tombstone::confirmedAt).orElse(null),
                row.destroyedAt(),
                stone.map(Tombstone::copies).orElse(false),
                stone.isPresent(),
                row.seal());
    }
}
