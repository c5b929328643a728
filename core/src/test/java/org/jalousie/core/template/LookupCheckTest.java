package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.intake.FormLayout.Question;
import org.jalousie.core.intake.FormLayout.Section;
import org.jalousie.core.intake.FormLayout.Visibility;
import org.jalousie.core.intake.Lookup;
import org.jalousie.core.registers.RegisterColumn;
import org.jalousie.core.registers.RegisterTerms;
import org.junit.jupiter.api.Test;

class LookupCheckTest {
    private static FieldName name(String name) {
        return new FieldName(name);
    }

    private static Field field(String name, FieldType type, Field... items) {
        return new Field(name(name), type, name, false, "", List.of(), List.of(items));
    }

    private static RegisterTerms register(String title, RegisterColumn... columns) {
        return new RegisterTerms(title, List.of(columns), columns[0].name(), List.of());
    }

    private static RegisterColumn column(String name, FieldType type, String related) {
        return new RegisterColumn(field(name, type), false, related);
    }

    private static final Map<String, RegisterTerms> REGISTERS = Map.of(
            "lenders",
            register("Lenders", column("code", FieldType.TEXT, ""), column("fee", FieldType.MONEY, "")),
            "things",
            register(
                    "Things",
                    column("number", FieldType.TEXT, ""),
                    column("owner", FieldType.TEXT, "lenders"),
                    column("value", FieldType.MONEY, "")));

    private static List<String> obstacles(Lookup lookup) {
        TemplateContent content = new TemplateContent(
                        "en-GB",
                        List.of(
                                field("lender", FieldType.TEXT),
                                field("fee", FieldType.MONEY),
                                field("begins", FieldType.DATE),
                                field("objects", FieldType.ITEMS, field("worth", FieldType.MONEY))),
                        List.of(),
                        List.of(),
                        SendingSettings.USUAL)
                .withLayout(new FormLayout(List.of(new Section(
                        "", "", List.of(new Question(name("lender"), "", Visibility.SHOWN).lookingUp(lookup))))));
        return LookupCheck.of(content, REGISTERS).stream()
                .map(one -> one.message().code())
                .toList();
    }

    private static Lookup lookup(String register, Lookup.Fill... fills) {
        return new Lookup(register, List.of(fills), List.of());
    }

    private static Lookup.Fill fill(String column, String field) {
        return new Lookup.Fill(name(column), name(field));
    }

    private static Lookup rows(String register, String by, String list, Lookup.Fill... fills) {
        return new Lookup(
                "lenders", List.of(), List.of(new Lookup.Rows(register, name(by), name(list), List.of(fills))));
    }

    @Test
    void whatIsThereAndFitsStandsInNoWay() {
        assertThat(obstacles(lookup("lenders", fill("fee", "fee"), fill("code", "lender"))))
                .isEmpty();
        assertThat(obstacles(rows("things", "owner", "objects", fill("value", "worth"))))
                .isEmpty();
        assertThat(obstacles(Lookup.NONE)).isEmpty();
    }

    @Test
    void whatIsNotThereOrDoesNotFitIsToldWithItsQuestion() {
        assertThat(obstacles(lookup("nowhere", fill("fee", "fee")))).containsExactly("publish.lookup-register");
        assertThat(obstacles(lookup("lenders", fill("colour", "fee")))).containsExactly("publish.lookup-column");
        assertThat(obstacles(lookup("lenders", fill("fee", "gone")))).containsExactly("publish.lookup-field");
        assertThat(obstacles(lookup("lenders", fill("fee", "fee"), fill("code", "fee"))))
                .containsExactly("publish.lookup-field");
        assertThat(obstacles(lookup("lenders", fill("fee", "begins")))).containsExactly("publish.lookup-type");
        assertThat(obstacles(rows("things", "owner", "fee", fill("value", "worth"))))
                .containsExactly("publish.lookup-list");
        assertThat(obstacles(rows("things", "number", "objects", fill("value", "worth"))))
                .containsExactly("publish.lookup-relation");
        assertThat(obstacles(rows("gone", "owner", "objects", fill("value", "worth"))))
                .containsExactly("publish.lookup-register");
    }
}
