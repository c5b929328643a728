package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Named;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.rules.Rule;
import org.junit.jupiter.api.Test;

/** A request kept without its person, and names that change places. */
class PersonsTest {
    private static Field field(String name, FieldType type) {
        return new Field(new FieldName(name), type, name, false, "", List.of());
    }

    private static final TemplateContent CONTENT = new TemplateContent(
            "en-GB",
            List.of(
                    field("giver", FieldType.TEXT),
                    field("giver_mail", FieldType.MAIL_ADDRESS),
                    field("date_of_birth", FieldType.DATE),
                    field("passport_number", FieldType.TEXT),
                    field("iban", FieldType.TEXT),
                    field("remarks", FieldType.LONG_TEXT),
                    field("terms", FieldType.RICH_TEXT),
                    field("start_date", FieldType.DATE),
                    field("exhibition", FieldType.TEXT)),
            List.of(new Party(
                    new PartyKey("giver"),
                    "Giver",
                    Duty.SIGNS,
                    1,
                    new PersonSource.FromFields(new FieldName("giver"), new FieldName("giver_mail")))),
            List.of(),
            SendingSettings.USUAL);

    private static Map<String, String> data() {
        Map<String, String> data = new LinkedHashMap<>();
        data.put("giver", "Zebedee Zorn");
        data.put("giver_mail", "zz@people.example.org");
        data.put("date_of_birth", "1961-05-03");
        data.put("passport_number", "NX4471009");
        data.put("iban", "NL00BANK0123456789");
        data.put(
                "remarks",
                "Mr Zorn (born 3 May 1961) asks to write to z.zorn@other.example.org or call +44 1632 960 018; passport NX4471009, account NL00 BANK 0123 4567 89. ZEBEDEE is away on 2027-03-15.");
        data.put("terms", "<p>Only <b>Zebedee Zorn</b> and <i>Hera Quill</i> open the case.</p>");
        data.put("start_date", "2027-03-15");
        data.put("exhibition", "Strings that speak");
        return data;
    }

    @Test
    void nothingThatIsKnownOfAPersonIsLeftInAnyFieldOrText() {
        Anonymised.Result result =
                Anonymised.of(CONTENT, Named.by(data()), List.of("Hera Quill", "hera@people.example.org"));
        assertThat(result.data().toString().toLowerCase())
                .doesNotContain(
                        "zorn", "zebedee", "zz@", "1961", "nx4471009", "0123", "4567", "960 018", "hera", "quill");
        assertThat(result.data())
                .containsEntry(new FieldName("start_date"), "2027-03-15")
                .containsEntry(new FieldName("exhibition"), "Strings that speak")
                .containsKeys(Named.all("date_of_birth", "passport_number", "iban"));
        assertThat(result.data().get(new FieldName("remarks"))).contains("2027-03-15", "ida.marsh@example.org");
        assertThat(result.data().get(new FieldName("terms"))).contains("<b>Ida Marsh</b>", "open the case");
    }

    @Test
    void whatWasReplacedIsShown() {
        Anonymised.Result result = Anonymised.of(CONTENT, Named.by(data()), List.of());
        assertThat(result.replacements())
                .extracting(Anonymised.Replacement::field)
                .containsExactly("giver", "giver_mail", "date_of_birth", "passport_number", "iban", "remarks", "terms");
        assertThat(result.replacements())
                .allSatisfy(one -> assertThat(one.before()).isNotEqualTo(one.after()));
    }

    @Test
    void namesThatChangePlacesAreAllRenamedOnce() {
        TemplateContent content = new TemplateContent(
                        "en-GB",
                        List.of(field("a", FieldType.NUMBER), field("b", FieldType.MONEY), field("c", FieldType.TEXT)),
                        List.of(),
                        List.of(),
                        SendingSettings.USUAL)
                .withRules(List.of(Rule.condition("r", "a > 1 and b > 2 and b_currency = \"b\" and c = \"a\"")))
                .withSpecimens(List.of(new Specimen(
                        "s",
                        Specimen.Origin.TYPED,
                        Named.by(Map.of("c", "[{\"a\":\"say \\\"b\\\": x\",\"b\":\"1\"}]")))));
        TemplateContent renamed = Renaming.of(content, Map.of("a", "b", "b", "c", "c", "a"));
        assertThat(renamed.fields()).extracting(Field::name).containsExactly(Named.all("b", "c", "a"));
        assertThat(renamed.rules().get(0).expression())
                .isEqualTo("b > 1 and c > 2 and c_currency = \"b\" and a = \"a\"");
        assertThat(renamed.specimens().get(0).data())
                .containsEntry(new FieldName("a"), "[{\"b\":\"say \\\"b\\\": x\",\"c\":\"1\"}]");
    }

    @Test
    void theNameOfAThingIsNoPersonsAndWhatWasReplacedIsShownAsItPrints() {
        TemplateContent content = new TemplateContent(
                "en-GB",
                List.of(
                        field("borrower_address", FieldType.ADDRESS),
                        field("conditions", FieldType.RICH_TEXT),
                        Field.list(new FieldName("parts"), List.of(field("name", FieldType.TEXT))),
                        Field.list(
                                new FieldName("couriers"),
                                List.of(field("name", FieldType.TEXT), field("mail", FieldType.MAIL_ADDRESS)))),
                List.of(),
                List.of(),
                SendingSettings.USUAL);
        Anonymised.Result result = Anonymised.of(
                content,
                Named.by(Map.of(
                        "borrower_address", ";;Rope Walk 12;Greyford;;GF2 4AB;GB",
                        "conditions", "<p>A case with its own air; <b>Zelda</b> carries it.</p>",
                        "parts", "[{\"name\":\"travelling case of 1911\"}]",
                        "couriers", "[{\"name\":\"Zelda Zorn\",\"mail\":\"z@people.example.org\"}]")),
                List.of());
        assertThat(result.data().get(new FieldName("parts"))).contains("travelling case of 1911");
        assertThat(result.data().get(new FieldName("couriers"))).doesNotContain("Zelda");
        assertThat(result.data().get(new FieldName("conditions")))
                .contains("A case with its own air", "<b>Ida Marsh</b>");
        assertThat(result.replacements())
                .allSatisfy(one -> assertThat(one.before() + one.after()).doesNotContain(";;", "<p>"));
    }

    @Test
    void longTextsOfOneKindAreGoneThroughInNoTime() {
        for (String piece : List.of("A-", "1 ", "a", "a.", " ", "NL00 ")) {
            Map<FieldName, String> data =
                    Map.of(new FieldName("remarks"), "x" + piece.repeat(19_990 / piece.length()) + "x");
            org.junit.jupiter.api.Assertions.assertTimeoutPreemptively(
                    java.time.Duration.ofSeconds(5), () -> Anonymised.of(CONTENT, data, List.of()));
        }
    }
}
