package org.jalousie.server.agreement;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.OnPaper;
import org.jalousie.core.agreement.Readiness;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.evidence.EventChain;
import org.jalousie.core.evidence.EventSentences;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.server.jobs.Jobs;
import org.jalousie.server.template.UsableTemplate;
import org.springframework.stereotype.Component;

/** Shows one agreement in full. */
@Component
class AgreementDetails {
    private final SendingDesk sending;
    private final Jobs jobs;

    AgreementDetails(SendingDesk sending, Jobs jobs) {
        this.sending = sending;
        this.jobs = jobs;
    }

    AgreementViews.AgreementDetail of(AgreementRow row, Agreements.Filed filed, UsableTemplate template) {
        Agreement agreement = filed.agreement();
        List<AgreementViews.ToSettle> obstacles = agreement.state() == State.CHECK
                ? sending.obstacles(template, agreement).stream()
                        .map(one -> new AgreementViews.ToSettle(one.said().toString(), one.settled(), one.name()))
                        .toList()
                : List.of();
        List<String> warnings = agreement.state() == State.CHECK ? said(sending.warnings(agreement)) : List.of();
        return new AgreementViews.AgreementDetail(
                AgreementViews.row(row),
                template.templateId(),
                data(template, agreement),
                agreement.participants().stream()
                        .map(one -> new AgreementViews.Part(
                                one.party(),
                                one.label(),
                                one.duty(),
                                one.stage(),
                                one.name(),
                                one.mail(),
                                one.person().phone(),
                                one.person().language(),
                                Readiness.absence(agreement, one)
                                        .map(Message::toString)
                                        .orElse(""),
                                one.identity(),
                                agreement.provingOf(one.party()).wordAgreed(),
                                agreement.provingOf(one.party()).proven().orElse(null),
                                agreement.locked().contains(one),
                                one.optional(),
                                undelivered(agreement, one)))
                        .toList(),
                agreement.documents().stream()
                        .map(one -> DocumentView.of(one, agreement))
                        .toList(),
                awaited(template, agreement),
                agreement.record().isPresent(),
                obstacles,
                warnings,
                agreement.values(),
                AgreementViews.attached(agreement),
                agreement.endReason(),
                agreement.created().replaces(),
                filed.history().stream()
                        .map(entry -> new AgreementViews.TrailEntry(
                                entry.sequence(),
                                entry.at(),
                                EventSentences.of(entry, agreement).stream()
                                        .map(Message::toString)
                                        .collect(Collectors.joining(" ")),
                                entry.actor().from()))
                        .toList(),
                EventChain.firstBroken(filed.links()).orElse(null),
                jobs.givenUp(row.id()).stream()
                        .map(failure -> new AgreementViews.Trouble(failure.reason(), failure.failedAt()))
                        .toList(),
                AgreementViews.ChasingView.of(
                        row.chasing(sending.officeCalendar()).terms()),
                agreement.questions().stream()
                        .map(one -> new AgreementViews.QuestionView(
                                one.number(),
                                one.name(),
                                one.question(),
                                one.at(),
                                one.answer().orElse("")))
                        .toList(),
                agreement.paper().flatMap(OnPaper::signed).isPresent());
    }

    /** The mail server's own words are in whatever language it speaks. */
    private static String undelivered(Agreement agreement, Participant one) {
        return Optional.ofNullable(agreement.undelivered().get(one.party()))
                .map(returned -> Message.of(
                                "undelivered",
                                "mail",
                                returned.mail(),
                                "status",
                                returned.status(),
                                "told",
                                returned.said().isEmpty() ? "no" : "yes",
                                "said",
                                returned.said())
                        .toString())
                .orElse("");
    }

    private static List<AgreementViews.Awaited> awaited(UsableTemplate template, Agreement agreement) {
        if (agreement.state() != State.CHECK && agreement.state() != State.GENERATING) return List.of();
        return template.content().documents().stream()
                .filter(one -> one.kind() == TemplateDocument.Kind.REQUESTED
                        && agreement.added().stream().noneMatch(own -> own.id().equals(one.id())))
                .map(one -> new AgreementViews.Awaited(one.id().value(), one.title(), one.required()))
                .toList();
    }

    private static List<String> said(List<Message> messages) {
        return messages.stream().map(Message::toString).toList();
    }

    private static List<AgreementViews.Datum> data(UsableTemplate template, Agreement agreement) {
        Map<String, Value> values = Intake.stored(template.content().fields(), agreement.data());
        Printer printer = Printer.in(Locale.forLanguageTag(template.content().language()));
        return template.content().fields().stream()
                .map(field -> {
                    Value value = values.get(field.name().value());
                    String raw = value == null ? "" : value.raw();
                    String printed =
                            value == null ? "" : field.type() == FieldType.YES_NO ? raw : printer.print(value, "");
                    return new AgreementViews.Datum(field.name().value(), field.label(), raw, printed);
                })
                .toList();
    }
}
