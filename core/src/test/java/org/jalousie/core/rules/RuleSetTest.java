package org.jalousie.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Currency;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Value;
import org.junit.jupiter.api.Test;

class RuleSetTest {
    private static final List<Field> FIELDS = List.of(
            new Field(new FieldName("country"), FieldType.TEXT, "Country", true, "", List.of()),
            new Field(new FieldName("insured_value"), FieldType.MONEY, "Insured value", true, "", List.of()),
            new Field(new FieldName("start_date"), FieldType.DATE, "Start", true, "", List.of()),
            new Field(new FieldName("end_date"), FieldType.DATE, "End", true, "", List.of()),
            new Field(new FieldName("note"), FieldType.TEXT, "Note", false, "", List.of()),
            Field.list(
                    new FieldName("objects"),
                    List.of(
                            new Field(new FieldName("title"), FieldType.TEXT, "Title", true, "", List.of()),
                            new Field(new FieldName("value"), FieldType.MONEY, "Value", true, "", List.of()))));

    private static Value money(String code, String amount) {
        return new Value.Money(Currency.getInstance(code), new BigDecimal(amount));
    }

    private static Map<String, Value> data() {
        Map<String, Value> data = new LinkedHashMap<>();
        data.put("country", new Value.Text("NL"));
        data.put("insured_value", money("EUR", "250000.01"));
        data.put("start_date", new Value.Day(LocalDate.of(2027, 2, 27)));
        data.put("end_date", new Value.Day(LocalDate.of(2027, 3, 2)));
        data.put(
                "objects",
                new Value.Items(List.of(
                        Map.of("title", new Value.Text("Viola"), "value", money("EUR", "0.10")),
                        Map.of("title", new Value.Text("Bow"), "value", money("EUR", "0.20")))));
        return data;
    }

    private static Map<String, Value> worked(Rule... rules) {
        RuleSet set = RuleSet.compile(FIELDS, List.of(rules), List.of());
        assertThat(set.faults()).isEmpty();
        RuleSet.Outcome outcome = set.apply(data());
        assertThat(outcome.faults()).isEmpty();
        return outcome.values();
    }

    private static Value of(String expression, FieldType gives) {
        return worked(new Rule("r", "r", "", expression, gives)).get("r");
    }

    private static RuleFault fault(Rule... rules) {
        return RuleSet.compile(FIELDS, List.of(rules), List.of()).faults().get(0);
    }

    @Test
    void aConditionSpeaksOfMoneyAndText() {
        assertThat(of("insured_value > 250000 and country != \"GB\"", FieldType.YES_NO))
                .isEqualTo(new Value.YesNo(true));
        assertThat(of("insured_value_currency = \"EUR\"", FieldType.YES_NO)).isEqualTo(new Value.YesNo(true));
    }

    @Test
    void aTotalOfMoneyIsExactToTheCentAndKeepsItsCurrency() {
        assertThat(of("sum(objects.value)", FieldType.MONEY)).isEqualTo(money("EUR", "0.30"));
        assertThat(of("insured_value / 3", FieldType.MONEY)).isEqualTo(money("EUR", "83333.34"));
    }

    @Test
    void itemsAreCountedFilteredAndMeasured() {
        assertThat(of("count(objects[value > 0.15])", FieldType.NUMBER))
                .isEqualTo(new Value.Amount(new BigDecimal("1")));
        assertThat(of("max(objects.value)", FieldType.MONEY)).isEqualTo(money("EUR", "0.20"));
        assertThat(of("objects[value > 0.15].title", FieldType.ITEMS))
                .isEqualTo(new Value.Items(List.of(Map.of(".", new Value.Text("Bow")))));
    }

    @Test
    void daysAreCountedAndDeadlinesFound() {
        assertThat(of("end_date - start_date", FieldType.NUMBER)).isEqualTo(new Value.Amount(new BigDecimal("3")));
        assertThat(of("start_date + duration(\"P1M\")", FieldType.DATE))
                .isEqualTo(new Value.Day(LocalDate.of(2027, 3, 27)));
    }

    @Test
    void aRuleWithinAListIsWorkedOutForEachItemAndCanBeSummedUp() {
        Map<String, Value> worked = worked(
                new Rule("dear_ones", "Dear ones", "", "count(objects[dear = true])", FieldType.NUMBER),
                new Rule("dear", "Dear", "objects", "value > 0.15", FieldType.YES_NO));
        assertThat(((Value.Items) worked.get("objects")).items())
                .extracting(item -> item.get("dear"))
                .containsExactly(new Value.YesNo(false), new Value.YesNo(true));
        assertThat(worked.get("dear_ones")).isEqualTo(new Value.Amount(new BigDecimal("1")));
    }

    @Test
    void aChoiceIsItsFirstCaseThatHoldsElseTheLast() {
        CaseChoice cover = new CaseChoice(
                "cover",
                "Cover",
                List.of(
                        new CaseChoice.Case("State indemnity", "country = \"NL\" and insured_value > 100", "indemnity"),
                        new CaseChoice.Case("Commercial", "insured_value > 10", ""),
                        new CaseChoice.Case("None needed", "", "")));
        RuleSet set = RuleSet.compile(FIELDS, List.of(), List.of(cover));
        Map<String, Value> data = data();
        assertThat(set.apply(data).values().get("cover")).isEqualTo(new Value.Text("State indemnity"));
        data.put("country", new Value.Text("DE"));
        assertThat(set.apply(data).values().get("cover")).isEqualTo(new Value.Text("Commercial"));
        data.put("insured_value", money("EUR", "1.00"));
        assertThat(set.apply(data).values().get("cover")).isEqualTo(new Value.Text("None needed"));
    }

    @Test
    void aBlankFieldMakesAConditionFalseWithoutAFault() {
        assertThat(of("note = \"urgent\"", FieldType.YES_NO)).isEqualTo(new Value.YesNo(false));
        assertThat(worked(new Rule("r", "r", "", "string length(note)", FieldType.NUMBER)))
                .doesNotContainKey("r");
    }

    @Test
    void whatCannotBeWorkedOutIsNamedWithItsPlace() {
        assertThat(fault(Rule.condition("r", "insured_valu > 3")).cure()).hasToString("Did you mean insured_value?");
        assertThat(fault(Rule.condition("r", "insured_value >")).code()).isEqualTo("rule-syntax");
        assertThat(fault(Rule.condition("r", "insured_value >")).message().toString())
                .startsWith("The expression can\u2019t be read: ")
                .doesNotContain("Optional", "Message");
        assertThat(fault(Rule.condition("r", "")).code()).isEqualTo("rule-empty");
        assertThat(fault(Rule.condition("r", "insured_value")).code()).isEqualTo("rule-type");
        assertThat(fault(Rule.condition("r", "insured_value > \"much\"")).code())
                .isEqualTo("rule-fails");
        assertThat(fault(Rule.condition("r", "start_date > today()")).code()).isEqualTo("rule-clock");
        assertThat(fault(Rule.condition("country", "true")).code()).isEqualTo("rule-name-twice");
        assertThat(fault(new Rule("r", "r", "country", "true", FieldType.YES_NO))
                        .code())
                .isEqualTo("rule-within");
        assertThat(fault(new Rule("r", "r", "", "3 + 4", FieldType.MONEY))
                        .message()
                        .toString())
                .contains("currency is unknown");
    }

    @Test
    void rulesThatStandOnEachOtherAreBothNamed() {
        RuleSet set = RuleSet.compile(
                FIELDS, List.of(Rule.condition("a", "not(b)"), Rule.condition("b", "not(a)")), List.of());
        assertThat(set.faults()).extracting(RuleFault::rule).containsExactly("a", "b");
        assertThat(set.faults()).extracting(RuleFault::code).containsOnly("rule-cycle");
    }

    @Test
    void moneyOfTwoCurrenciesIsNotAddedUp() {
        RuleSet set = RuleSet.compile(
                FIELDS, List.of(new Rule("total", "Total", "", "sum(objects.value)", FieldType.MONEY)), List.of());
        Map<String, Value> data = data();
        data.put(
                "objects",
                new Value.Items(List.of(
                        Map.of("title", new Value.Text("a"), "value", money("EUR", "1.00")),
                        Map.of("title", new Value.Text("b"), "value", money("GBP", "1.00")))));
        RuleSet.Outcome outcome = set.apply(data);
        assertThat(outcome.values()).doesNotContainKey("total");
        assertThat(outcome.faults()).extracting(RuleFault::code).containsExactly("rule-currencies");
    }

    @Test
    void namesBoundInsideAnExpressionAreNotTakenForFields() {
        assertThat(of("every o in objects satisfies o.value > 0.05", FieldType.YES_NO))
                .isEqualTo(new Value.YesNo(true));
        assertThat(of("sum(for o in objects return o.value * 2)", FieldType.MONEY))
                .isEqualTo(money("EUR", "0.60"));
    }
}
