package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Section;
import org.jalousie.core.intake.FormLayout.Start;
import org.jalousie.core.intake.FormLayout.Visibility;
import org.jalousie.core.intake.FormLayout.Width;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.json.Json;
import org.jalousie.core.parties.Party;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

/** A form that asks by rules: a courier where it crosses a border, an insurer where the courier is one's own. */
class FormRulesTest {
    private static final List<Field> FIELDS = List.of(
            field("abroad", FieldType.YES_NO, false),
            field("courier", FieldType.TEXT, true),
            field("own", FieldType.YES_NO, false),
            field("insurer", FieldType.TEXT, true),
            field("days", FieldType.NUMBER, true),
            field("fee", FieldType.MONEY, true),
            field("agreed", FieldType.YES_NO, true),
            field("number", FieldType.TEXT, true));

    private static final List<Rule> RULES = List.of(
            new Rule("far", "They cross a border", "", "abroad = true", FieldType.YES_NO),
            new Rule("charge", "The fee", "", "days * 10", FieldType.NUMBER),
            new Rule("named", "An insurer is named", "", "insurer != null", FieldType.YES_NO));

    private static Field field(String name, FieldType type, boolean required) {
        return new Field(new FieldName(name), type, Field.labelFor(name), required, "", List.of());
    }

    private static Question asks(String name, String when, Visibility visibility, boolean tick, Start start) {
        return new Question(new FieldName(name), "", visibility, "", "", Width.WHOLE, when, tick, start, List.of());
    }

    private static Question asks(String name, String when) {
        return asks(name, when, Visibility.SHOWN, false, Start.FIXED);
    }

    private static Start computed(String rule) {
        return new Start(Start.Kind.RULE, rule);
    }

    private static final FormLayout LAYOUT = new FormLayout(List.of(
            new Section("Where", "", List.of(asks("abroad", ""), asks("days", ""))),
            new Section("How", "", "far", List.of(asks("courier", ""), asks("own", ""), asks("insurer", "own"))),
            new Section(
                    "Terms",
                    "",
                    List.of(
                            asks("agreed", "", Visibility.SHOWN, true, Start.FIXED),
                            asks("fee", "", Visibility.HIDDEN, false, Start.FIXED),
                            asks(
                                    "number",
                                    "",
                                    Visibility.READ_ONLY,
                                    false,
                                    new Start(Start.Kind.SERIES, "LN-yyyy-###"))))));

    private static TemplateContent content(FormLayout layout, List<Field> fields, List<Rule> rules) {
        Wording empty = Wording.compile(
                WordFile.open(new WordDraft().paragraph("Nothing.").bytes()), java.util.Set.of());
        return Proposal.first(empty.found())
                .with(fields, List.<Party>of(), List.of())
                .withRules(rules)
                .withLayout(layout);
    }

    private static final TemplateContent CONTENT = content(LAYOUT, FIELDS, RULES);

    private static RuleSet rules(TemplateContent content) {
        return RuleSet.compile(BuiltIn.and(content.fields()), content.rules(), content.choices());
    }

    private static Map<FieldName, String> inputs(String... pairs) {
        Map<FieldName, String> inputs = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) inputs.put(new FieldName(pairs[i]), pairs[i + 1]);
        return inputs;
    }

    private static Asked asked(TemplateContent content, String... pairs) {
        return FormSoFar.asked(content, rules(content), inputs(pairs), Typing.PLAIN, LocalDate.of(2027, 3, 1));
    }

    private static Intake.Reading read(TemplateContent content, String... pairs) {
        return Intake.read(content.layout(), content.fields(), inputs(pairs), Typing.PLAIN, asked(content, pairs));
    }

    private static List<String> left(String... pairs) {
        return asked(CONTENT, pairs).left().stream()
                .map(FieldName::value)
                .sorted()
                .toList();
    }

    @Test
    void aSectionIsThereOnlyWhileItsRuleHolds() {
        assertThat(left()).containsExactly("courier", "insurer", "own");
        assertThat(asked(CONTENT).sectionsLeft()).containsExactly(1);
        assertThat(left("abroad", "yes")).containsExactly("insurer");
        assertThat(left("abroad", "yes", "own", "yes")).isEmpty();
    }

    @Test
    void anAnswerToWhatIsNotAskedAnyMoreCountsForNothingElse() {
        // own was answered while it was asked for; the insurer goes with it, and what stands on the insurer
        assertThat(left("abroad", "no", "own", "yes", "insurer", "Slate Mutual"))
                .containsExactly("courier", "insurer", "own");
        assertThat(asked(CONTENT, "abroad", "no", "own", "yes", "insurer", "Slate Mutual")
                        .values())
                .extractingByKey("named")
                .hasToString("YesNo[yes=false]");
    }

    @Test
    void whatIsNotAskedIsNeitherRequiredNorTaken() {
        Intake.Reading reading =
                read(CONTENT, "abroad", "no", "courier", "Left over", "days", "3", "fee", "EUR 1.00", "agreed", "yes");
        assertThat(reading.faults()).isEmpty();
        assertThat(reading.raw().keySet())
                .extracting(FieldName::value)
                .containsExactly("abroad", "days", "fee", "agreed");
        assertThat(read(CONTENT, "abroad", "yes", "days", "3", "fee", "EUR 1.00", "agreed", "yes")
                        .faults()
                        .keySet())
                .extracting(FieldName::value)
                .containsExactly("courier");
    }

    @Test
    void aBoxThatIsThereToBeTickedHasToBe() {
        for (String answer : List.of("", "no")) {
            Intake.Reading reading = read(CONTENT, "days", "3", "fee", "EUR 1.00", "agreed", answer);
            assertThat(reading.faults().get(new FieldName("agreed")).code()).isEqualTo("form.to-tick");
        }
    }

    @Test
    void whatFollowsFromOtherAnswersIsTakenInsteadOfWhatIsSent() {
        FormLayout layout = new FormLayout(List.of(new Section(
                "",
                "",
                List.of(asks("days", ""), asks("number", "", Visibility.READ_ONLY, false, computed("charge"))))));
        TemplateContent follows = content(layout, List.of(FIELDS.get(4), FIELDS.get(7)), RULES);
        assertThat(read(follows, "days", "3", "number", "999").raw()).containsEntry(new FieldName("number"), "30");
        // without the days nothing follows, and what was sent is no answer either
        assertThat(read(follows, "number", "999").raw()).isEmpty();
    }

    @Test
    void whatAFormSuggestsCanBeTypedOver() {
        FormLayout layout = new FormLayout(List.of(new Section(
                "", "", List.of(asks("days", ""), asks("number", "", Visibility.SHOWN, false, computed("charge"))))));
        TemplateContent suggests = content(layout, List.of(FIELDS.get(4), FIELDS.get(7)), RULES);
        assertThat(asked(suggests, "days", "3").followed()).hasSize(1);
        assertThat(read(suggests, "days", "3", "number", "40").raw()).containsEntry(new FieldName("number"), "40");
    }

    @Test
    void aNewFieldNeverComesAndGoesWithASection() {
        FormLayout onlyOnRule = new FormLayout(List.of(
                new Section("A", "", List.of(asks("days", ""))),
                new Section("B", "", "far", List.of(asks("own", "")))));
        FormLayout arranged = onlyOnRule.arranged(FIELDS.subList(2, 5));
        assertThat(arranged.sections().get(0).questions())
                .extracting(one -> one.field().value())
                .containsExactly("days", "insurer");
        FormLayout noneAlways = new FormLayout(List.of(new Section("B", "", "far", List.of(asks("own", "")))));
        assertThat(noneAlways.arranged(FIELDS.subList(2, 4)).sections())
                .extracting(Section::when)
                .containsExactly("far", "");
        assertThat(noneAlways.arranged(FIELDS.subList(2, 3)).sections()).hasSize(1);
    }

    @Test
    void anArrangementOfAnEarlierVersionIsRead() {
        String stored = "{\"sections\":[{\"title\":\"A\",\"help\":\"\",\"questions\":"
                + "[{\"field\":\"x\",\"help\":\"h\",\"visibility\":\"HIDDEN\"}]}]}";
        FormLayout read = Json.MAPPER.readValue(stored, FormLayout.class);
        assertThat(read.question(new FieldName("x")))
                .contains(new Question(new FieldName("x"), "h", Visibility.HIDDEN));
        assertThat(Json.MAPPER.readValue(Json.canonical(LAYOUT), FormLayout.class))
                .isEqualTo(LAYOUT);
    }

    private static List<String> obstacles(FormLayout layout, List<Field> fields) {
        TemplateContent content = content(layout, fields, RULES);
        return FormCheck.of(content, rules(content)).stream()
                .map(one -> one.name() + " " + one.message().code())
                .toList();
    }

    @Test
    void aGoodFormHasNothingInItsWayButWhatIsHiddenAndRequired() {
        assertThat(obstacles(LAYOUT, FIELDS)).containsExactly("fee publish.required-hidden");
    }

    @Test
    void whatCannotWorkIsToldAtItsQuestion() {
        List<Question> questions = new ArrayList<>(List.of(
                asks("abroad", "nonsense"),
                asks("courier", "", Visibility.READ_ONLY, false, Start.FIXED),
                asks("days", "", Visibility.SHOWN, true, Start.FIXED),
                asks("fee", "", Visibility.SHOWN, false, new Start(Start.Kind.TODAY, "")),
                asks("number", "", Visibility.SHOWN, false, new Start(Start.Kind.SERIES, "none")),
                asks("agreed", "", Visibility.SHOWN, false, new Start(Start.Kind.PERSON, "")),
                asks("own", "", Visibility.SHOWN, false, computed("nothing")),
                asks("insurer", "named")));
        assertThat(obstacles(new FormLayout(List.of(new Section("", "", questions))), FIELDS))
                .containsExactlyInAnyOrder(
                        "abroad publish.form-when",
                        "courier publish.required-read-only",
                        "days publish.form-tick",
                        "fee publish.form-today",
                        "number publish.form-series",
                        "agreed publish.form-person",
                        "own publish.form-computed",
                        "insurer publish.form-circle");
    }

    @Test
    void aListSumsUpWhatItsItemsHave() {
        Field list = new Field(
                new FieldName("objects"),
                FieldType.ITEMS,
                "Objects",
                true,
                "",
                List.of(),
                List.of(field("title", FieldType.TEXT, true), field("value", FieldType.MONEY, true)));
        Question sums = new Question(
                list.name(),
                "",
                Visibility.SHOWN,
                "",
                "",
                Width.WHOLE,
                "",
                false,
                Start.FIXED,
                List.of(new FieldName("value"), new FieldName("title")));
        assertThat(obstacles(new FormLayout(List.of(new Section("", "", List.of(sums)))), List.of(list)))
                .containsExactly("objects publish.form-total");
    }

    @Test
    void renamingFollowsIntoConditionsAndStarts() {
        TemplateContent renamed =
                Renaming.of(CONTENT, Map.of("far", "crosses", "own", "by_ourselves", "courier", "carrier"));
        assertThat(renamed.layout().sections().get(1).when()).isEqualTo("crosses");
        assertThat(renamed.layout()
                        .question(new FieldName("insurer"))
                        .orElseThrow()
                        .when())
                .isEqualTo("by_ourselves");
        assertThat(renamed.layout().question(new FieldName("carrier"))).isPresent();
    }

    @Test
    void anAnswerOfOnesOwnIsTakenWhereTheChoicesAreNotAllThereIs() {
        Field choice = new Field(new FieldName("how"), FieldType.CHOICE, "How", true, "", List.of("By road", "By air"));
        assertThat(Intake.read(List.of(choice), inputs("how", "By barge")).faults())
                .hasSize(1);
        assertThat(Intake.read(List.of(choice.withOwnAnswer()), inputs("how", " By barge "))
                        .raw())
                .containsEntry(new FieldName("how"), "By barge");
    }

    @Test
    void aFileIsNamedByItsHashAndPrintsItsName() {
        Field file = field("report", FieldType.FILE, true);
        String answer = new AttachedFile(Sha256.of(new byte[] {1}), "report of May.pdf").answer();
        assertThat(Intake.read(List.of(file), inputs("report", answer)).raw())
                .containsEntry(new FieldName("report"), answer);
        assertThat(Intake.read(List.of(file), inputs("report", "report.pdf")).faults())
                .hasSize(1);
    }
}
