package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.wording.Mention;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class MeaningTest {
    private static final TemplateContent CONTENT = content();

    private static Field field(String name, String label) {
        return new Field(new FieldName(name), FieldType.TEXT, label, true, "", List.of());
    }

    private static TemplateContent content() {
        Field parts = Field.list(new FieldName("parts"), List.of(field("name", "Name of the part")));
        Field objects = Field.list(new FieldName("objects"), List.of(field("name", "Name of the object"), parts));
        Field travels = new Field(
                new FieldName("travels"), FieldType.CHOICE, "Travels", true, "", List.of("By courier", "By carrier"));
        TemplateContent none = Proposal.first(Wording.compile(
                        WordFile.open(new WordDraft().paragraph("nothing").bytes()), java.util.Set.of())
                .found());
        return new TemplateContent(
                none.language(),
                List.of(field("name", "Name of the loan"), objects, travels),
                none.parties(),
                none.signingFields(),
                none.sending(),
                List.of(
                        new Rule("worth", "Worth of an object", "objects", "1", FieldType.NUMBER),
                        new Rule("worth", "Worth of all", "", "1", FieldType.NUMBER)),
                List.of(new CaseChoice(
                        "cover",
                        "Cover",
                        List.of(
                                new CaseChoice.Case("State indemnity", "true", ""),
                                new CaseChoice.Case("Insured", "", "")))),
                List.of(),
                java.util.Map.of(),
                none.layout());
    }

    private static Optional<Meaning> of(String name, String... within) {
        return Meaning.of(CONTENT, new Mention(Mention.Kind.VALUE, name, List.of(within)));
    }

    @Test
    void aNameIsTheInnermostListsFirst() {
        assertThat(of("name")).contains(new Meaning("", "name", "Name of the loan"));
        assertThat(of("name", "objects")).contains(new Meaning("objects", "name", "Name of the object"));
        assertThat(of("name", "parts", "objects")).contains(new Meaning("parts", "name", "Name of the part"));
        assertThat(of("name", "travels.by_courier", "objects"))
                .contains(new Meaning("objects", "name", "Name of the object"));
        assertThat(of("parts", "objects")).contains(new Meaning("objects", "parts", "Parts"));
    }

    @Test
    void whatAListDoesNotHaveIsLookedForAroundIt() {
        assertThat(of("worth", "parts", "objects")).contains(new Meaning("objects", "worth", "Worth of an object"));
        assertThat(of("worth")).contains(new Meaning("", "worth", "Worth of all"));
        assertThat(of("travels", "parts", "objects")).contains(new Meaning("", "travels", "Travels"));
    }

    @Test
    void aCaseIsCalledByItsWords() {
        assertThat(of("travels.by_carrier")).contains(new Meaning("", "travels", "Travels: By carrier"));
        assertThat(of("cover.insured")).contains(new Meaning("", "cover", "Cover: Insured"));
        // a print is no case
        assertThat(of("name.upper")).contains(new Meaning("", "name", "Name of the loan"));
    }

    @Test
    void whatEveryAgreementHasIsKnownToo() {
        assertThat(of("agreement_number", "objects")).contains(new Meaning("", "agreement_number", "Agreement number"));
    }

    @Test
    void whatNobodyKnowsMeansNothing() {
        assertThat(of("lender.signature")).isEmpty();
        assertThat(of("gone", "objects")).isEmpty();
    }
}
