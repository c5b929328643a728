package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.wording.Clauses;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class WordingsTest {
    private static final Sha256 OWN = Sha256.of(new byte[] {1});
    private static final Sha256 ANNEX = Sha256.of(new byte[] {2});
    private static final Sha256 PAGES = Sha256.of(new byte[] {3});

    private static Wording compile(String text, TemplateContent content) {
        Set<PartyKey> parties = content.parties().stream().map(Party::key).collect(Collectors.toSet());
        return Wording.compile(
                WordFile.open(new WordDraft().paragraph(text).bytes()), parties, Set.of(), List.of(), Clauses.NONE);
    }

    private static TemplateDocument document(String id, TemplateDocument.Kind kind, Sha256 file) {
        return new TemplateDocument(
                new DocumentId(id),
                "Annex",
                kind,
                "",
                Optional.of(file),
                Optional.empty(),
                false,
                List.of(),
                List.of());
    }

    /** A template with a further wording, and fixed pages, which are none. */
    private static Wordings both(String own, String annex, TemplateContent content) {
        TemplateContent with = content.withDocuments(List.of(
                document("pages", TemplateDocument.Kind.FIXED, PAGES),
                document("annex", TemplateDocument.Kind.WORDING, ANNEX),
                TemplateDocument.OWN_WORDING));
        return Wordings.of(OWN, with, file -> {
            assertThat(file).isNotEqualTo(PAGES);
            return compile(file.equals(OWN) ? own : annex, content);
        });
    }

    private static Wordings both(String own, String annex) {
        return both(own, annex, Proposal.first(compile("x", none()).found()));
    }

    private static TemplateContent none() {
        return new TemplateContent("en-GB", List.of(), List.of(), List.of(), SendingSettings.USUAL);
    }

    @Test
    void aNameMeansTheSameInAllWordings() {
        FoundTags found = both(
                        "{{lender}} {{#dear}}x{{/dear}} {{value.words}} {{lender.signature}}",
                        "{{value}} {{dear}} {{day}} {{lender.signature}} {{taker.signature}}")
                .found();
        assertThat(found.fields()).containsExactly("lender", "dear", "value", "day");
        assertThat(found.conditions()).as("dear is printed in the annex").isEmpty();
        assertThat(found.prints().get("value")).contains("words");
        assertThat(found.parties()).extracting(PartyKey::value).containsExactly("lender", "taker");
        assertThat(found.signingFields())
                .extracting(SigningField::name)
                .containsExactly("lender_signature", "taker_signature");
        assertThat(both("{{#dear}}x{{/dear}}", "{{#dear}}y{{/dear}}").found().conditions())
                .containsExactly("dear");
        assertThat(both("{{value}}", "{{value}}").found().conditions()).isEmpty();
    }

    @Test
    void aWordingAloneFindsWhatItFinds() {
        Wording wording = compile("{{lender}} {{#dear}}x{{/dear}} {{lender.signature}}", none());
        assertThat(Wordings.only(wording).found()).isEqualTo(wording.found());
        assertThat(Wordings.only(wording).diagnostics()).isEqualTo(wording.diagnostics());
    }

    @Test
    void settingsAreProposedForAllOfThem() {
        TemplateContent settled = Proposal.first(both(
                        "{{#parts}}{{title}}{{/parts}} {{lender.signature}}",
                        "{{#parts}}{{price.words}}{{/parts}} {{ends}}")
                .found());
        Field parts = settled.fields().get(0);
        assertThat(parts.type()).isEqualTo(FieldType.ITEMS);
        assertThat(parts.items()).extracting(one -> one.name().value()).containsExactly("title", "price");
        assertThat(settled.fields().stream().map(one -> one.name().value())).contains("ends");
        Wordings wordings = both("{{lender.signature}}", "{{ends}}", settled);
        assertThat(PublishCheck.obstacles(wordings, settled, rules(settled)))
                .extracting(one -> one.message().toString())
                .noneMatch(message -> message.contains("ends"));
        assertThat(Advice.of(wordings, settled, rules(settled), new TreeMap<>()))
                .as("used by the annex only")
                .noneMatch(one -> one.place().equals("ends"));
    }

    @Test
    void aTagThatCantBeReadIsToldWithItsDocument() {
        Wordings wordings = both("{{lender}}", "{{#open}} never closed");
        assertThat(wordings.broken()).isTrue();
        Diagnostic found = wordings.diagnostics().get(0);
        assertThat(found.part()).isEqualTo("Annex, body");
        assertThat(PublishCheck.obstacles(wordings, none(), rules(none())))
                .extracting(one -> one.message().toString())
                .anyMatch(message -> message.contains("Annex, body"));
        assertThat(both("{{#open}} never closed", "x").diagnostics().get(0).part())
                .isEqualTo("body");
    }

    @Test
    void aDocumentThatIsNoneHasNoWording() {
        Wordings wordings = both("{{lender}}", "{{taker}}");
        assertThat(wordings.of(DocumentId.WORDING)).contains(wordings.own());
        assertThat(wordings.of(new DocumentId("annex")).orElseThrow().found().fields())
                .containsExactly("taker");
        assertThat(wordings.of(new DocumentId("pages"))).isEmpty();
        assertThat(wordings.of(new DocumentId("gone"))).isEmpty();
    }

    private static RuleSet rules(TemplateContent content) {
        return RuleSet.compile(BuiltIn.and(content.fields()), content.rules(), content.choices());
    }
}
