package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Typing;
import org.jalousie.core.intake.AnswersSchema;
import org.jalousie.core.intake.Asked;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Section;
import org.jalousie.core.intake.FormLayout.Start;
import org.jalousie.core.intake.FormLayout.Visibility;
import org.jalousie.core.intake.FormLayout.Width;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.json.Json;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The same answers judged by the form's own reading and by its JSON Schema, as the reference validator of networknt
 * (https://github.com/networknt/json-schema-validator, JSON Schema 2020-12) reads that. What is right was written down by hand.
 */
class AnswersSchemaTest {
    private static final List<Field> FIELDS = List.of(
            field("who", FieldType.NAME, true),
            field("mail", FieldType.MAIL_ADDRESS, true),
            field("phone", FieldType.PHONE, false),
            field("site", FieldType.WEB_ADDRESS, false),
            field("home", FieldType.ADDRESS, true),
            field("days", FieldType.NUMBER, true),
            field("fee", FieldType.MONEY, true),
            field("starts", FieldType.DATE, true),
            field("meets", FieldType.DATE_TIME, false),
            field("abroad", FieldType.YES_NO, false),
            field("airline", FieldType.TEXT, true),
            field("miles", FieldType.NUMBER, false),
            new Field(
                    new FieldName("transport"), FieldType.CHOICE, "Transport", true, "", List.of("By road", "By air")),
            field("boxes", FieldType.TEXT, true),
            field("agreed", FieldType.YES_NO, true),
            field("notes", FieldType.LONG_TEXT, false),
            field("objects", FieldType.ITEMS, false)
                    .withItems(List.of(
                            field("title", FieldType.TEXT, true),
                            field("value", FieldType.MONEY, false),
                            field("length", FieldType.NUMBER, false))));

    private static final List<Rule> RULES =
            List.of(new Rule("flies", "It flies", "", "transport = \"By air\"", FieldType.YES_NO));

    private static final TemplateContent CONTENT = new TemplateContent(
                    "en-GB", FIELDS, List.of(), List.of(), SendingSettings.USUAL)
            .withRules(RULES)
            .withLayout(layout());

    private static Field field(String name, FieldType type, boolean required) {
        return new Field(new FieldName(name), type, Field.labelFor(name), required, "", List.of());
    }

    private static Question asked(String field, String when, boolean tick) {
        return new Question(
                new FieldName(field), "", Visibility.SHOWN, "", "", Width.WHOLE, when, tick, Start.FIXED, List.of());
    }

    private static FormLayout layout() {
        List<Question> always = new ArrayList<>();
        for (Field field : FIELDS)
            if (!List.of("airline", "miles", "boxes").contains(field.name().value()))
                always.add(asked(field.name().value(), "", field.name().value().equals("agreed")));
        always.add(asked("boxes", "flies", false));
        return new FormLayout(List.of(
                new Section("", "", always),
                new Section("Abroad", "", "abroad", List.of(asked("airline", "", false), asked("miles", "", false)))));
    }

    /** One case, with all answers of its form. */
    record Case(String language, boolean ok, String at, Map<FieldName, String> answers) {
        @Override
        public String toString() {
            return language + " " + at + " " + answers.get(new FieldName(at));
        }
    }

    static Stream<Case> cases() throws IOException {
        try (InputStream in = AnswersSchemaTest.class.getResourceAsStream("/form-answers.json")) {
            JsonNode all = Json.MAPPER.readTree(in);
            List<Case> cases = new ArrayList<>();
            for (JsonNode one : all.get("cases")) {
                String language = one.get("language").asString();
                Map<FieldName, String> answers = new LinkedHashMap<>();
                all.get("base").properties().forEach(entry -> {
                    JsonNode value = entry.getValue();
                    if (value.isObject()) value = value.get(language);
                    if (!value.isNull()) answers.put(new FieldName(entry.getKey()), value.asString());
                });
                if (one.has("also"))
                    one.get("also")
                            .properties()
                            .forEach(entry -> answers.put(
                                    new FieldName(entry.getKey()),
                                    entry.getValue().asString()));
                answers.put(
                        new FieldName(one.get("at").asString()), one.get("sent").asString());
                cases.add(new Case(
                        language, one.get("ok").asBoolean(), one.get("at").asString(), answers));
            }
            return cases.stream();
        }
    }

    private static final Map<String, Schema> SCHEMAS = new HashMap<>();

    private static Schema schema(String language) {
        return SCHEMAS.computeIfAbsent(
                language,
                one -> SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                        .getSchema(Json.MAPPER.valueToTree(of(CONTENT, typing(one)))));
    }

    private static Map<String, Object> of(TemplateContent content, Typing typing) {
        return AnswersSchema.of(
                "https://museum.example.org/form",
                "Loan",
                List.of(new AnswersSchema.Part(content.layout(), content.fields(), content.rules(), "")),
                typing);
    }

    private static Typing typing(String language) {
        return Typing.of(language).orElseThrow();
    }

    /** Items are a list for a program, and their JSON text on the page. */
    private static ObjectNode instance(Map<FieldName, String> answers) {
        ObjectNode node = Json.MAPPER.createObjectNode();
        answers.forEach((name, value) -> {
            if (name.value().equals("objects")) node.set("objects", Json.MAPPER.readTree(value));
            else node.put(name.value(), value);
        });
        return node;
    }

    private static Intake.Reading read(Case one) {
        Typing typing = typing(one.language());
        RuleSet rules = RuleSet.compile(BuiltIn.and(FIELDS), RULES, List.of());
        Asked asked = FormSoFar.asked(CONTENT, rules, one.answers(), typing, LocalDate.of(2027, 1, 1));
        return Intake.read(CONTENT.layout(), FIELDS, one.answers(), typing, asked);
    }

    @ParameterizedTest
    @MethodSource("cases")
    void formAndSchemaJudgeAlike(Case one) {
        Intake.Reading reading = read(one);
        assertThat(reading.faults().isEmpty())
                .as("the form: " + reading.faults())
                .isEqualTo(one.ok());
        if (!one.ok()) assertThat(reading.faults()).containsKey(new FieldName(one.at()));
        List<Error> errors = schema(one.language()).validate(instance(one.answers()));
        assertThat(errors.isEmpty()).as("the schema: " + errors).isEqualTo(one.ok());
    }

    @Test
    void thereAreThreeHundredOfThem() throws IOException {
        List<Case> all = cases().toList();
        assertThat(all).hasSizeGreaterThanOrEqualTo(300);
        assertThat(all.stream().filter(Case::ok).count()).isBetween(120L, 200L);
        assertThat(all.stream().map(Case::language).distinct()).hasSize(4);
    }

    /** The schema itself holds against the schema of its dialect. */
    @Test
    void itIsASchemaOfItsDialect() {
        JsonNode schema = Json.MAPPER.valueToTree(of(CONTENT, Typing.PLAIN));
        assertThat(schema.get("$schema").asString()).isEqualTo("https://json-schema.org/draft/2020-12/schema");
        Schema dialect = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(com.networknt.schema.SchemaLocation.of(AnswersSchema.DIALECT));
        assertThat(dialect.validate(schema)).isEmpty();
    }

    /** A program may send numbers and truths as JSON has them. */
    @Test
    void numbersAndTruthsNeedNoText() {
        Map<FieldName, String> answers = new LinkedHashMap<>();
        for (String[] one : new String[][] {
            {"who", "Ida Marsh"}, {"mail", "ida@lender.example.org"}, {"home", ";;Mill Rise 3;Oudehaven"},
            {"fee", "EUR 12.50"}, {"starts", "2027-03-15"}, {"transport", "By road"}
        }) answers.put(new FieldName(one[0]), one[1]);
        ObjectNode node = instance(answers);
        node.put("days", 12.5);
        node.put("agreed", true);
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Json.MAPPER.valueToTree(of(CONTENT, Typing.PLAIN)));
        assertThat(schema.validate(node)).isEmpty();
        node.put("agreed", false);
        assertThat(schema.validate(node)).isNotEmpty();
    }

    /** What a template needs that the form feeds besides is asked when its agreement is made, and what is called alike is one answer. */
    @Test
    void aFormThatFeedsSeveralTemplatesSaysSo() {
        Field lender = field("lender", FieldType.TEXT, true);
        Field abroad = field("abroad", FieldType.YES_NO, false);
        Field courier = field("courier", FieldType.TEXT, true);
        Field pictures = field("pictures", FieldType.NUMBER, true);
        Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(Json.MAPPER.valueToTree(AnswersSchema.of(
                        "https://museum.example.org/form",
                        "Loan",
                        List.of(
                                new AnswersSchema.Part(FormLayout.NONE, List.of(lender, abroad), List.of(), ""),
                                new AnswersSchema.Part(FormLayout.NONE, List.of(lender, courier), List.of(), "abroad"),
                                new AnswersSchema.Part(FormLayout.NONE, List.of(pictures), List.of(), "")),
                        Typing.PLAIN)));
        ObjectNode answers = Json.MAPPER.createObjectNode().put("lender", "Ida").put("pictures", 3);
        assertThat(schema.validate(answers)).isEmpty();
        assertThat(schema.validate(answers.deepCopy().put("abroad", "yes"))).isNotEmpty();
        assertThat(schema.validate(answers.deepCopy().put("abroad", true).put("courier", "Otto")))
                .isEmpty();
        assertThat(schema.validate(answers.deepCopy().put("pictures", "many"))).isNotEmpty();
        assertThat(schema.validate(answers.deepCopy().put("pages", 2))).isNotEmpty();
        answers.remove("lender");
        assertThat(schema.validate(answers)).isNotEmpty();
    }
}
