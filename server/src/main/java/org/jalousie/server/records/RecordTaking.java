package org.jalousie.server.records;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.core.records.Pointers;
import org.jalousie.core.records.RecordCells;
import org.jalousie.core.records.RecordDecision;
import org.jalousie.core.records.RecordStep;
import org.jalousie.core.records.RecordTerms;
import org.jalousie.core.records.TakenFrom;
import org.jalousie.server.Refusal;
import org.jalousie.server.intake.RowIntake;
import org.jalousie.server.tables.TableUse;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Looks at records, and makes agreements of those that are wanted. */
@Component
class RecordTaking {
    private static final int LONGEST_SAID = 2_000;

    private final FollowedRecords followed;
    private final RecordSteps steps;
    private final RecordClient client;
    private final RowIntake intake;
    private final TransactionTemplate transaction;

    RecordTaking(
            FollowedRecords followed,
            RecordSteps steps,
            RecordClient client,
            RowIntake intake,
            TransactionTemplate transaction) {
        this.followed = followed;
        this.steps = steps;
        this.client = client;
        this.intake = intake;
        this.transaction = transaction;
    }

    /**
     * Looks at one record.
     *
     * @throws RecordsUnread when it can't be read
     * @throws Refusal when the form can't be filled at all
     */
    void look(RecordSystem system, FollowedRecords.Look look) {
        RecordClient.Access access = new RecordClient.Access(system.terms(), system.credential());
        Optional<RecordClient.Fetched> found = client.one(access, look.key());
        String status = found.map(
                        one -> Pointers.text(one.record(), access.place().status()))
                .orElse("");
        OptionalInt round = roundToTake(system, look, status);
        if (round.isEmpty()) return;
        TableUse.TakenRow row = row(
                access.terms(),
                client.whole(access, look.key(), found.orElseThrow().record()));
        RowIntake.Faults faults = intake.check(
                access.terms().form(),
                access.terms().style(),
                row,
                system.terms().title());
        if (faults.none()) {
            try {
                take(system, look, round.getAsInt(), row);
                return;
            } catch (Refusal refused) {
                // what only shows when it is done
                faults = new RowIntake.Faults(named(refused), Map.of());
            }
        }
        faulty(system, look, told(access.terms(), faults));
    }

    /** The round in which it is to be taken; empty when it isn't, and what else there is to do is done. */
    private OptionalInt roundToTake(RecordSystem of, FollowedRecords.Look look, String saidStatus) {
        UUID system = of.id();
        String mending = of.terms().back().status(RecordStep.FAULTY);
        boolean wanted = saidStatus.equals(of.terms().place().wanted());
        return transaction.execute(status -> {
            FollowedRecords.Followed record = followed.locked(system, look.key());
            RecordSteps.SoFar soFar = steps.soFar(system, look.key(), record.round());
            boolean told =
                    record.state() == FollowedRecords.State.FAULTY && !mending.isEmpty() && saidStatus.equals(mending);
            RecordDecision decision =
                    RecordDecision.of(wanted, record.round() > 0, told, soFar.writing(), soFar.written(), soFar.last());
            switch (decision) {
                case FORGET -> followed.forget(system, look);
                case WRITE_AGAIN -> steps.lastAgain(system, look.key());
                default -> {}
            }
            if (decision == RecordDecision.TAKE) return OptionalInt.of(record.round() + 1);
            followed.looked(system, look);
            return OptionalInt.empty();
        });
    }

    private void take(RecordSystem system, FollowedRecords.Look look, int round, TableUse.TakenRow row) {
        transaction.executeWithoutResult(status -> {
            // a server that was given up for dead may come back with what it had read before; what was read by other
            // terms is read anew
            if (followed.locked(system.id(), look.key()).round() + 1 != round || !followed.still(system)) return;
            UUID key = UUID.nameUUIDFromBytes(
                    (system.id() + " " + round + " " + look.key()).getBytes(StandardCharsets.UTF_8));
            Actor.Office by = new Actor.OtherProgram(
                    system.id().toString(), system.terms().title(), "");
            TableUse.Made made =
                    intake.take(system.terms().form(), key, system.terms().style(), row, by);
            String whole = intake.whole(made.request()).number();
            followed.taken(system.id(), look.key(), round, whole, made.agreement());
            steps.add(system.id(), look.key(), round, RecordStep.RECEIVED, made.agreement(), "");
            followed.looked(system.id(), look);
        });
    }

    private void faulty(RecordSystem system, FollowedRecords.Look look, List<FollowedRecords.RecordFault> faults) {
        transaction.executeWithoutResult(status -> {
            FollowedRecords.Followed record = followed.locked(system.id(), look.key());
            if (!followed.still(system)) return;
            boolean known = record.state() == FollowedRecords.State.FAULTY
                    && record.faults().equals(faults);
            followed.faulty(system.id(), look.key(), faults);
            if (known) toldAgain(system, look.key(), record.round());
            else steps.add(system.id(), look.key(), record.round(), RecordStep.FAULTY, "", said(faults));
            followed.looked(system.id(), look);
        });
    }

    /** What was told already is written once more where the record doesn't say it: somebody has wanted it again as it was. */
    private void toldAgain(RecordSystem system, String key, int round) {
        boolean tells = !system.terms().back().status(RecordStep.FAULTY).isEmpty();
        if (tells && !steps.soFar(system.id(), key, round).writing()) steps.lastAgain(system.id(), key);
    }

    private static String said(List<FollowedRecords.RecordFault> faults) {
        String said = faults.stream()
                .map(one -> one.field().isEmpty() ? one.said() : one.field() + ": " + one.said())
                .collect(Collectors.joining("\n"));
        return said.length() > LONGEST_SAID ? said.substring(0, LONGEST_SAID) : said;
    }

    /** A record as a row that a form is filled from. */
    static TableUse.TakenRow row(RecordTerms terms, RecordCells.Seen record) {
        RecordCells cells = RecordCells.of(terms, record);
        return new TableUse.TakenRow(
                RecordCells.NUMBER,
                cells.own(),
                "",
                cells.parts().stream()
                        .map(part -> new TableUse.PartRow(part.number(), part.cells()))
                        .toList());
    }

    private static Map<FieldName, Message> named(Refusal refused) {
        if (refused.faults().isEmpty()) return Map.of(new FieldName(""), refused.said());
        return refused.faults().entrySet().stream()
                .collect(Collectors.toMap(one -> new FieldName(one.getKey()), Map.Entry::getValue));
    }

    /** What is wrong, where in the record. */
    List<FollowedRecords.RecordFault> told(RecordTerms terms, RowIntake.Faults faults) {
        Map<String, String> labels = intake.fields(terms.form()).stream()
                .collect(Collectors.toMap(one -> one.name().value(), Field::label, (one, other) -> one));
        List<FollowedRecords.RecordFault> told = new ArrayList<>();
        faults.own().forEach((field, said) -> told.add(fault(terms, labels, field, "", said)));
        // the numbers of related rows say in which row of which list each is
        faults.parts()
                .forEach((number, of) -> of.forEach((field, said) ->
                        told.add(fault(terms, labels, field, String.valueOf(number - RecordCells.NUMBER), said))));
        return told;
    }

    private static FollowedRecords.RecordFault fault(
            RecordTerms terms, Map<String, String> labels, FieldName field, String row, Message said) {
        TakenFrom from = terms.taken().stream()
                .filter(one -> one.field().equals(field))
                .findFirst()
                .orElse(new TakenFrom(field, "", "", ""));
        String where = from.rows().isEmpty() ? from.from() : from.rows() + " " + row + from.from();
        return new FollowedRecords.RecordFault(
                where, field.value(), labels.getOrDefault(field.value(), field.value()), said.toString());
    }
}
