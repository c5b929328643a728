package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.rules.Rule;
import org.junit.jupiter.api.Test;

class LetterTest {
    private static final TemplateContent CONTENT = new TemplateContent(
                    "en-GB",
                    List.of(
                            field("lender_name", FieldType.TEXT),
                            field("end_date", FieldType.DATE),
                            field("photo", FieldType.PICTURE)),
                    List.of(),
                    List.of(),
                    SendingSettings.USUAL)
            .withRules(List.of(new Rule("fee", "Fee", "", "1 + 1", FieldType.NUMBER)));
    private static final Map<String, Value> VALUES = Map.of(
            "lender_name",
            new Value.Text("{{end_date}} & <Łukasz $1>"),
            "end_date",
            new Value.Day(LocalDate.of(2027, 3, 1)),
            "fee",
            new Value.Amount(new BigDecimal("1250")));

    private static Field field(String name, FieldType type) {
        return new Field(new FieldName(name), type, name, true, "", List.of());
    }

    private static List<String> faults(String text) {
        return new Letter(text).faults(CONTENT).stream().map(Object::toString).toList();
    }

    @Test
    void valuesStandInItAsTheLanguagePrintsThem() {
        Letter letter = new Letter("Until {{ end_date }} ({{end_date.iso}}), {{fee}}: {{agreement_number}}.");
        assertThat(letter.faults(CONTENT)).isEmpty();
        assertThat(letter.filled(VALUES, Printer.in(Locale.UK))).isEqualTo("Until 1 March 2027 (2027-03-01), 1,250: .");
        assertThat(letter.filled(VALUES, Printer.in(Locale.GERMANY))).startsWith("Until 1. März 2027");
    }

    @Test
    void aValueIsPrintedAsItIsAndNeverReadAsATag() {
        assertThat(new Letter("Dear {{lender_name}}").filled(VALUES, Printer.in(Locale.UK)))
                .isEqualTo("Dear {{end_date}} & <Łukasz $1>");
    }

    @Test
    void whatCannotBeSaidIsRefusedByName() {
        assertThat(faults("{{lender_nam}}"))
                .containsExactly("there is no field called lender_nam. Choose one from the list.");
        assertThat(faults("{{photo}}")).hasSize(1).first().asString().contains("picture");
        assertThat(faults("{{end_date.upper}} {{lender_name.qr_20}}")).hasSize(2);
        assertThat(faults("{{#abroad}}x{{/abroad}}")).hasSize(2);
        assertThat(faults("{{}}")).hasSize(1);
        assertThat(faults("Dear {{lender_name, until }}")).isNotEmpty();
        assertThat(faults("Dear {{lender_name")).hasSize(1);
        assertThat(faults("no tags, one { brace }")).isEmpty();
    }

    @Test
    void itsTagsFollowARenaming() {
        TemplateContent content = new TemplateContent(
                "en-GB",
                CONTENT.fields(),
                List.of(),
                List.of(),
                SendingSettings.USUAL.saying(
                        "{{lender_name}}",
                        "by {{ end_date.iso }}, end_date",
                        new FieldName("end_date"),
                        List.of(new FieldName("photo"))));
        SendingSettings renamed = Renaming.of(content, Map.of("end_date", "last_day", "photo", "picture"))
                .sending();
        assertThat(renamed.subject()).isEqualTo("{{lender_name}}");
        assertThat(renamed.message()).isEqualTo("by {{last_day.iso}}, end_date");
        assertThat(renamed.expiresOn()).isEqualTo(new FieldName("last_day"));
        assertThat(renamed.attachedFields()).containsExactly(new FieldName("picture"));
        assertThat(renamed.named()).containsExactlyInAnyOrder("lender_name", "last_day", "picture");
    }

    /** Mails go to people from outside: what the office answers alone isn't told. */
    @Test
    void allAnswersStandInItAsOneBlock() {
        FormLayout layout = new FormLayout(List.of(new FormLayout.Section(
                "",
                "",
                List.of(
                        new FormLayout.Question(new FieldName("end_date"), "", FormLayout.Visibility.SHOWN),
                        new FormLayout.Question(new FieldName("lender_name"), "", FormLayout.Visibility.OFFICE)))));
        TemplateContent content = new TemplateContent(
                        "en-GB",
                        CONTENT.fields(),
                        List.of(),
                        List.of(),
                        new SendingSettings("", "You said:\n{{answers.block}}", 30, 5, 3))
                .withLayout(layout);
        Letter letter = new Letter(content.sending().message());
        assertThat(letter.faults(content)).isEmpty();
        Map<FieldName, String> raw =
                Map.of(new FieldName("end_date"), "2027-03-01", new FieldName("lender_name"), "Ida {{fee}} $1");
        assertThat(letter.filled(Letter.withAnswers(VALUES, content, raw), Printer.in(Locale.UK)))
                .isEqualTo("You said:\nend_date: 1 March 2027");
        assertThat(Letter.withAnswers(VALUES, CONTENT, raw)).isSameAs(VALUES);
        assertThat(faults("{{answers.upper}}")).hasSize(1);
    }
}
