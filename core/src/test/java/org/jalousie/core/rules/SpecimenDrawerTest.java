package org.jalousie.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.junit.jupiter.api.Test;

class SpecimenDrawerTest {
    private static final Field VALUE =
            new Field(new FieldName("insured_value"), FieldType.MONEY, "Insured value", true, "", List.of());
    private static final Field COUNTRY =
            new Field(new FieldName("country"), FieldType.TEXT, "Country", true, "", List.of());

    private static RuleSet rules(List<Field> fields, Rule... rules) {
        return RuleSet.compile(fields, List.of(rules), List.of());
    }

    @Test
    void twoSetsReachBothSidesOfAThresholdAndACountry() {
        RuleSet rules = rules(
                List.of(VALUE, COUNTRY),
                Rule.condition("high", "insured_value > 250000"),
                Rule.condition("abroad", "country != \"GB\""));
        SpecimenDrawer.Drawn drawn = SpecimenDrawer.draw(rules);
        assertThat(drawn.unreached()).isEmpty();
        assertThat(drawn.sets()).hasSize(2);
    }

    @Test
    void whoWaitsHearsHowManyCasesAreReached() {
        RuleSet rules = rules(List.of(VALUE, COUNTRY), Rule.condition("high", "insured_value > 250000"));
        List<Integer> heard = new ArrayList<>();
        SpecimenDrawer.draw(rules, heard::add);
        assertThat(heard).isSorted().doesNotHaveDuplicates().isNotEmpty();
        assertThat(heard.get(heard.size() - 1)).isEqualTo(rules.cases().size());
    }

    @Test
    void aRareCaseBehindTwoConditionsIsFound() {
        RuleSet rules = rules(
                List.of(VALUE, COUNTRY),
                Rule.condition("rare", "country = \"CH\" and insured_value >= 5000 and insured_value < 5001"));
        assertThat(SpecimenDrawer.draw(rules).unreached()).isEmpty();
    }

    @Test
    void theDrawnSetsReachExactlyWhatTheySay() {
        Field list = Field.list(new FieldName("objects"), List.of(VALUE.renamed(new FieldName("value"))));
        Field kind =
                new Field(new FieldName("kind"), FieldType.CHOICE, "Kind", true, "", List.of("Loan", "Gift", "Order"));
        RuleSet rules = RuleSet.compile(
                List.of(kind, list),
                List.of(new Rule("dear", "Dear", "objects", "value > 900", FieldType.YES_NO)),
                List.of(new CaseChoice(
                        "cover",
                        "Cover",
                        List.of(
                                new CaseChoice.Case("Full", "kind = \"Loan\" and count(objects) > 1", ""),
                                new CaseChoice.Case("None", "", "")))));
        SpecimenDrawer.Drawn drawn = SpecimenDrawer.draw(rules);
        Set<RuleCase> reached = new HashSet<>();
        for (SpecimenDrawer.DrawnSet set : drawn.sets()) reached.addAll(rules.reached(set.values()));
        assertThat(drawn.unreached()).isEmpty();
        assertThat(reached).containsExactlyInAnyOrderElementsOf(rules.cases());
        // three kinds need three sets, and three are enough for everything else
        assertThat(drawn.sets()).hasSize(3);
    }

    @Test
    void aConditionThatCanNeverBeTrueIsNamed() {
        RuleSet rules = rules(List.of(VALUE), Rule.condition("never", "insured_value > 10 and insured_value < 5"));
        assertThat(SpecimenDrawer.draw(rules).unreached())
                .extracting(RuleCase::name, RuleCase::key)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("never", "yes"));
    }

    @Test
    void theSameRulesGiveTheSameSpecimens() {
        RuleSet rules = rules(List.of(VALUE, COUNTRY), Rule.condition("high", "insured_value > 250000"));
        assertThat(SpecimenDrawer.draw(rules)).isEqualTo(SpecimenDrawer.draw(rules));
    }

    @Test
    void manyRulesAreCoveredAndTheSearchEnds() {
        List<Field> fields = new java.util.ArrayList<>();
        List<Rule> rules = new java.util.ArrayList<>();
        for (int i = 0; i < 26; i++) {
            fields.add(new Field(
                    new FieldName("f" + i),
                    i % 2 == 0 ? FieldType.NUMBER : FieldType.TEXT,
                    "F" + i,
                    true,
                    "",
                    List.of()));
            rules.add(Rule.condition("c" + i, i % 2 == 0 ? "f" + i + " > " + i * 7 : "f" + i + " = \"x" + i + "\""));
        }
        SpecimenDrawer.Drawn drawn = SpecimenDrawer.draw(RuleSet.compile(fields, rules, List.of()));
        assertThat(drawn.unreached()).isEmpty();
        assertThat(drawn.sets()).hasSizeLessThan(20);
    }
}
