package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.PartyKey;
import org.junit.jupiter.api.Test;

class TellingTest {
    private static final PartyKey LENDER = new PartyKey("lender");
    private static final FieldName MANAGER = new FieldName("manager_mail");

    private static Telling to(List<String> mails, List<FieldName> fields, String message) {
        return new Telling(List.of(Telling.Moment.COMPLETED), List.of(), mails, fields, true, List.of(), message);
    }

    private static Field field(String name, FieldType type) {
        return new Field(new FieldName(name), type, name, false, "", List.of());
    }

    private static List<String> faults(Telling... tellings) {
        List<Field> fields = List.of(field("manager_mail", FieldType.MAIL_ADDRESS), field("what", FieldType.TEXT));
        TemplateContent content = new TemplateContent(
                "en-GB", fields, List.of(), List.of(), SendingSettings.USUAL.telling(List.of(tellings)));
        return TellingCheck.of(content).stream().map(Object::toString).toList();
    }

    @Test
    void momentsAreThoseOfTheWay() {
        assertThat(Telling.Moment.of(new Event.Sent(Instant.EPOCH, Map.of()))).contains(Telling.Moment.SENT);
        assertThat(Stream.of(new Event.Approved(LENDER), new Event.FieldsCompleted(LENDER, Map.of()))
                        .map(Telling.Moment::of))
                .allMatch(one -> one.orElseThrow() == Telling.Moment.ACTED);
        assertThat(Telling.Moment.of(new Event.Declined(LENDER, "no"))).contains(Telling.Moment.DECLINED);
        assertThat(Telling.Moment.of(new Event.Withdrawn("no"))).contains(Telling.Moment.WITHDRAWN);
        assertThat(Telling.Moment.of(new Event.Expired())).contains(Telling.Moment.EXPIRED);
        assertThat(Telling.Moment.of(new Event.Completed(List.of(), Sha256.of(new byte[0]))))
                .contains(Telling.Moment.COMPLETED);
        assertThat(Telling.Moment.of(new Event.Viewed(LENDER))).isEmpty();
    }

    @Test
    void whatWouldReachNobodyIsToldWithItsPlace() {
        assertThat(faults(to(List.of("head@museum.example.org"), List.of(MANAGER), "About {{what}}")))
                .isEmpty();
        assertThat(faults(
                        to(List.of("a@museum.example.org"), List.of(), ""),
                        to(List.of("nobody"), List.of(new FieldName("what")), "{{gone}}")))
                .hasSize(3)
                .allMatch(one -> one.startsWith("Line 2"));
        assertThat(faults(new Telling(List.of(), List.of(), List.of(), List.of(), false, List.of(), "")))
                .hasSize(2);
        assertThat(faults(new Telling(
                        List.of(Telling.Moment.SENT),
                        Stream.generate(UUID::randomUUID).limit(21).toList(),
                        List.of(),
                        List.of(),
                        false,
                        List.of(new SendingSettings.Attachment(" ", Sha256.of(new byte[0]))),
                        "")))
                .hasSize(2);
        assertThat(faults(Stream.generate(() -> to(List.of("a@museum.example.org"), List.of(), ""))
                        .limit(21)
                        .toArray(Telling[]::new)))
                .hasSize(1);
    }

    @Test
    void termsOfEarlierVersionsTellNobodyElse() {
        String before = Json.MAPPER.writeValueAsString(SendingSettings.USUAL).replace(",\"tellings\":[]", "");
        assertThat(before).doesNotContain("tellings");
        assertThat(Json.MAPPER.readValue(before, SendingSettings.class)).isEqualTo(SendingSettings.USUAL);
        SendingSettings with =
                SendingSettings.USUAL.telling(List.of(to(List.of(" a@museum.example.org "), List.of(MANAGER), "Hi")));
        assertThat(Json.MAPPER.readValue(Json.MAPPER.writeValueAsString(with), SendingSettings.class))
                .isEqualTo(with);
        assertThat(with.named()).contains("manager_mail");
        assertThat(with.warning(3).tellings()).isEqualTo(with.tellings());
    }
}
