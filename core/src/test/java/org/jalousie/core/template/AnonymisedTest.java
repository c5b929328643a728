package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Named;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.PersonSource;
import org.junit.jupiter.api.Test;

class AnonymisedTest {
    private static Field field(String name, FieldType type) {
        return new Field(new FieldName(name), type, Field.labelFor(name), true, "", List.of());
    }

    @Test
    void whatIsAboutPersonsIsReplacedAndEverythingElseStays() {
        TemplateContent content = new TemplateContent(
                "en-GB",
                List.of(
                        field("giver", FieldType.TEXT),
                        field("mail", FieldType.MAIL_ADDRESS),
                        field("home", FieldType.ADDRESS),
                        field("courier_name", FieldType.TEXT),
                        field("exhibition", FieldType.TEXT),
                        field("value", FieldType.MONEY),
                        Field.list(
                                new FieldName("objects"),
                                List.of(field("title", FieldType.TEXT), field("owner", FieldType.NAME)))),
                List.of(new Party(
                        new PartyKey("giver"),
                        "Giver",
                        Duty.SIGNS,
                        1,
                        new PersonSource.FromFields(new FieldName("giver"), new FieldName("mail")))),
                List.of(),
                SendingSettings.USUAL);
        Map<FieldName, String> kept = Anonymised.of(
                content,
                Named.by(Map.of(
                        "giver", "Zebedee Zorn",
                        "mail", "zz@people.example.org",
                        "home", ";;Zorn Lane 1;Zornheim;;1;DE",
                        "courier_name", "Zelda Zorn",
                        "exhibition", "Strings that speak",
                        "value", "EUR 1250.50",
                        "objects", "[{\"title\":\"Viola\",\"owner\":\"Zorn;Zoe;;;\"}]")));
        assertThat(kept.toString().toLowerCase()).doesNotContain("zorn", "zz@");
        assertThat(kept)
                .containsEntry(new FieldName("exhibition"), "Strings that speak")
                .containsEntry(new FieldName("value"), "EUR 1250.50")
                .containsKeys(Named.all("giver", "mail", "home", "courier_name"));
        assertThat(kept.get(new FieldName("objects"))).contains("Viola");
    }

    @Test
    void aNameThatChangedUnderItsLabelIsOneSentence() {
        Field begins = field("start_date", FieldType.DATE).labelled("Loan begins");
        TemplateContent before = content(begins, field("a", FieldType.TEXT));
        TemplateContent after = content(begins.renamed(new FieldName("begins_on")), field("a", FieldType.TEXT));
        assertThat(SettingsDifference.between(before, after))
                .extracting(Message::toString)
                .containsExactly("Field Loan begins is begins_on in tags now, it was start_date.");
        // two of one label: which became which nobody knows
        assertThat(SettingsDifference.between(
                        before, content(begins.renamed(new FieldName("b")), begins.renamed(new FieldName("c")))))
                .extracting(Message::toString)
                .containsExactly(
                        "Field Loan begins is new.",
                        "Field Loan begins is new.",
                        "Field Loan begins is gone.",
                        "Field A is gone.");
    }

    private static TemplateContent content(Field... fields) {
        return new TemplateContent("en-GB", List.of(fields), List.of(), List.of(), SendingSettings.USUAL);
    }

    @Test
    void whatDiffersBetweenTwoVersionsIsSaidSentenceBySentence() {
        TemplateContent before = new TemplateContent(
                "en-GB",
                List.of(field("a", FieldType.TEXT), field("b", FieldType.TEXT)),
                List.of(),
                List.of(),
                SendingSettings.USUAL);
        TemplateContent after = new TemplateContent(
                "de-DE",
                List.of(field("a", FieldType.NUMBER), field("c", FieldType.TEXT)),
                List.of(),
                List.of(),
                new SendingSettings("", "", 14, 5, 3));
        assertThat(SettingsDifference.between(before, after))
                .extracting(Message::toString)
                .containsExactly(
                        "Field A changed.",
                        "Field C is new.",
                        "Field B is gone.",
                        "The terms of sending changed.",
                        "Values print as in de-DE instead of en-GB.");
        assertThat(SettingsDifference.between(before, before)).isEmpty();
    }
}
