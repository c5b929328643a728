package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Named;
import org.jalousie.core.intake.FormLayout;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.DocumentPlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.TextCheck;
import org.jalousie.core.placement.TextPlace;
import org.jalousie.core.rules.Rule;
import org.jalousie.core.rules.RuleSet;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

class ProposalTest {
    @Test
    void aSigningFieldThatNobodyCouldUseStandsInTheWay() {
        Wording wording = wording("{{lender.signature}} {{lender.contact}}");
        TemplateContent first = Proposal.first(wording.found());
        TextPlace odd = new TextPlace(true, "", new BoxSize(400, 6), TextCheck.MAIL_ADDRESS, "nobody");
        TemplateContent content = first.with(
                first.fields(),
                first.parties(),
                first.signingFields().stream()
                        .map(one ->
                                one.type().asked() ? new SigningField(one.name(), one.party(), one.label(), odd) : one)
                        .toList());
        assertThat(obstacles(wording, content))
                .anySatisfy(said -> assertThat(said).contains("Lender: contact takes 400 × 6 mm"))
                .anySatisfy(said -> assertThat(said).contains("Lender: contact before anything is typed"));
        assertThat(obstacles(wording, first)).noneMatch(said -> said.contains("contact"));
    }

    @Test
    void aFormBeginsOnlyWithWhatItWouldTake() {
        Wording wording = wording("{{fee}} {{#rows}}{{copies}}{{/rows}} {{lender.signature}}");
        TemplateContent first = Proposal.first(wording.found());
        TemplateContent good = begun(first, "EUR 75.00", "3");
        assertThat(obstacles(wording, good)).isEqualTo(obstacles(wording, first));
        assertThat(obstacles(wording, begun(first, "much", "many")))
                .anySatisfy(said -> assertThat(said).startsWith("What Fee begins with is no answer"))
                .anySatisfy(said -> assertThat(said).startsWith("What Copies begins with is no answer"));
        // it goes with its field, whatever else of it changes, and a list begins with nothing
        Field fee = good.fields().get(0);
        assertThat(fee.renamed(new FieldName("price")).labelled("Price").initial())
                .isEqualTo("EUR 75.00");
        assertThat(Renaming.of(good, Map.of("fee", "price")).fields().get(0).initial())
                .isEqualTo("EUR 75.00");
        assertThat(Proposal.renewed(wording.found(), good).fields()).isEqualTo(good.fields());
        assertThat(good.fields().get(1).beginningWith("[]").initial()).isEmpty();
    }

    private static TemplateContent begun(TemplateContent content, String fee, String copies) {
        List<Field> fields = content.fields().stream()
                .map(field -> field.type() == FieldType.ITEMS
                        ? field.withItems(List.of(field.items().get(0).beginningWith(copies)))
                        : field.isCalled("fee") ? field.beginningWith(fee) : field)
                .toList();
        return content.with(fields, content.parties(), content.signingFields());
    }

    private static Wording wording(String text) {
        return Wording.compile(WordFile.open(new WordDraft().paragraph(text).bytes()), Set.of());
    }

    private static List<String> obstacles(Wording wording, TemplateContent content) {
        return PublishCheck.obstacles(Wordings.only(wording), content, rules(content)).stream()
                .map(one -> one.message().toString())
                .toList();
    }

    private static RuleSet rules(TemplateContent content) {
        return RuleSet.compile(BuiltIn.and(content.fields()), content.rules(), content.choices());
    }

    private static final String LOAN =
            "{{lender_name}} {{start_date.long}} {{insured_value}} {{#abroad}}x{{/abroad}} {{lender.signature}} {{museum.signature}}";

    @Test
    void fieldsAndPartiesAreProposedFromTheTags() {
        TemplateContent content = Proposal.first(wording(LOAN).found());
        assertThat(content.fields())
                .extracting(Field::name)
                .contains(Named.all(
                        "lender_name", "start_date", "insured_value", "abroad", "lender_mail", "museum_mail"));
        assertThat(content.fields())
                .filteredOn(field -> field.name().value().equals("start_date"))
                .extracting(Field::type)
                .containsExactly(FieldType.DATE);
        assertThat(content.fields())
                .filteredOn(field -> field.name().value().equals("abroad"))
                .extracting(Field::type)
                .containsExactly(FieldType.YES_NO);
        assertThat(content.parties())
                .extracting(Party::key)
                .containsExactly(new PartyKey("lender"), new PartyKey("museum"));
        assertThat(content.parties()).extracting(Party::stage).containsExactly(1, 2);
        assertThat(obstacles(wording(LOAN), content)).isEmpty();
    }

    @Test
    void whatWasSettledStaysWhenTheWordingChanges() {
        TemplateContent before = Proposal.first(wording(LOAN).found());
        Field settled = new Field(new FieldName("lender_name"), FieldType.TEXT, "Who lends?", true, "hint", List.of());
        TemplateContent edited = new TemplateContent(
                "de-DE",
                before.fields().stream()
                        .map(f -> f.name().value().equals("lender_name") ? settled : f)
                        .toList(),
                before.parties(),
                before.signingFields(),
                before.sending());
        TemplateContent after = Proposal.renewed(wording(LOAN + " {{fee}}").found(), edited);
        assertThat(after.fields()).contains(settled).extracting(Field::name).contains(new FieldName("fee"));
        assertThat(after.language()).isEqualTo("de-DE");
    }

    @Test
    void aPartyIsCalledByWhatTheRecordCanPrint() {
        TemplateContent content = Proposal.first(wording(LOAN).found());
        Party first = content.parties().get(0);
        Party other = new Party(first.key(), "Lender \ue000", first.duty(), first.stage(), first.who());
        TemplateContent edited = new TemplateContent(
                content.language(),
                content.fields(),
                List.of(other, content.parties().get(1)),
                content.signingFields(),
                content.sending());
        assertThat(obstacles(wording(LOAN), edited))
                .singleElement()
                .asString()
                .startsWith("The label of the party")
                .contains("no font of this machine");
    }

    @Test
    void remindersThatNeverPauseAreNotPublished() {
        TemplateContent content = Proposal.first(wording(LOAN).found());
        for (int days : new int[] {-1, 366}) {
            TemplateContent edited = new TemplateContent(
                    content.language(),
                    content.fields(),
                    content.parties(),
                    content.signingFields(),
                    new SendingSettings("", "", 30, 5, days));
            assertThat(obstacles(wording(LOAN), edited))
                    .singleElement()
                    .asString()
                    .startsWith("Reminders come");
        }
    }

    @Test
    void publishingIsRefusedUntilEverythingFits() {
        Wording wording = wording("{{start_date.upper}} {{lender.signature}} {{broken");
        TemplateContent first = Proposal.first(wording.found());
        Party fixed = new Party(new PartyKey("lender"), "Lender", Duty.SIGNS, 1, new PersonSource.Fixed("", "x"));
        Party extra = new Party(
                new PartyKey("museum"),
                "Museum",
                Duty.SIGNS,
                0,
                new PersonSource.FromFields(new FieldName("nothing"), new FieldName("lender_mail")));
        Party approver =
                new Party(new PartyKey("lender"), "Approver", Duty.APPROVES, 1, new PersonSource.ChosenAtUse());
        TemplateContent bad = new TemplateContent(
                "en-GB",
                first.fields(),
                List.of(fixed, extra, approver),
                first.signingFields(),
                new SendingSettings("", "", 0, 5, 3));
        List<String> obstacles = obstacles(wording, bad);
        for (String part : List.of(
                "does not end",
                "start_date.upper",
                "fixed person without a name",
                "mail address is expected",
                "place in the order",
                "keeps no place for it",
                "field that doesn’t exist",
                "doesn’t sign, but",
                "1 to 365 days")) {
            assertThat(obstacles)
                    .as(part)
                    .anySatisfy(obstacle -> assertThat(obstacle).contains(part));
        }
    }

    @Test
    void aListWithItsItemsIsProposedFromWhatStandsInside() {
        TemplateContent content = Proposal.first(wording(
                        "{{lender_name}} {{#objects}}{{position}} {{title}} {{value}} of {{lender_name}}{{#parts}}{{name}}{{/parts}}{{/objects}}"
                                + "{{#transport.by_courier}}x{{/transport.by_courier}}{{#copies.one}}y{{/copies.one}}{{seen.weekday}} {{generated_on}}")
                .found());
        assertThat(content.fields())
                .extracting(Field::name)
                .containsExactly(Named.all("lender_name", "objects", "transport", "copies", "seen"));
        Field objects = content.fields().get(1);
        assertThat(objects.type()).isEqualTo(FieldType.ITEMS);
        assertThat(objects.items()).extracting(Field::name).containsExactly(Named.all("title", "value", "parts"));
        assertThat(objects.items().get(2).items()).extracting(Field::name).containsExactly(new FieldName("name"));
        assertThat(content.fields().get(2).choices()).containsExactly("By courier");
        assertThat(content.fields())
                .extracting(Field::type)
                .endsWith(FieldType.CHOICE, FieldType.NUMBER, FieldType.DATE);
    }

    @Test
    void whatARuleGivesIsNoField() {
        TemplateContent before = new TemplateContent(
                "en-GB",
                List.of(new Field(new FieldName("country"), FieldType.TEXT, "Country", true, "", List.of())),
                List.of(),
                List.of(),
                SendingSettings.USUAL,
                List.of(Rule.condition("abroad", "country != \"GB\"")),
                List.of(),
                List.of(),
                Map.of(),
                FormLayout.NONE);
        TemplateContent after =
                Proposal.renewed(wording("{{#abroad}}x{{/abroad}}").found(), before);
        assertThat(after.fields()).extracting(Field::name).containsExactly(new FieldName("country"));
        assertThat(Advice.of(Wordings.only(wording("{{#abroad}}x{{/abroad}}")), after, rules(after), Map.of()))
                .isEmpty();
    }

    @Test
    void slipsArePointedOut() {
        TemplateContent content =
                Proposal.first(wording("{{lender_name}} {{lendername}}").found());
        TemplateContent more = content.with(
                Stream.concat(
                                content.fields().stream(),
                                Stream.of(new Field(new FieldName("fee"), FieldType.MONEY, "Fee", true, "", List.of())))
                        .toList(),
                content.parties(),
                content.signingFields());
        assertThat(Advice.of(
                        Wordings.only(wording("{{lender_name}} {{lendername}}")),
                        more,
                        rules(more),
                        Map.of("Garamond", "DejaVu Serif")))
                .extracting(Diagnostic::code)
                .containsExactly("field-unused", "names-alike", "font-missing");
    }

    @Test
    void whatOnlyPartiesAndMailsUseIsUsedAndWhoCompletesNothingIsPointedOut() {
        TemplateContent content = Proposal.first(wording("{{lender_name}}").found());
        Field deadline = new Field(new FieldName("deadline"), FieldType.DATE, "Deadline", true, "", List.of());
        Party clerk = new Party(new PartyKey("clerk"), "Clerk", Duty.COMPLETES, 1, new PersonSource.WhoSends());
        TemplateContent used = new TemplateContent(
                        "en-GB",
                        Stream.concat(content.fields().stream(), Stream.of(deadline))
                                .toList(),
                        List.of(clerk.neededWhen("valuable")),
                        List.of(),
                        SendingSettings.USUAL.saying("", "until {{deadline}}", new FieldName(""), List.of()))
                .withRules(List.of(Rule.condition("valuable", "true")));
        assertThat(Advice.of(Wordings.only(wording("{{lender_name}}")), used, rules(used), Map.of()))
                .extracting(Diagnostic::code, Diagnostic::place)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("party-idle", "clerk"));
    }

    @Test
    void aCaseThatTheChoiceDoesNotHaveStandsInTheWay() {
        Wording wording = wording("{{#cover.indemnty}}x{{/cover.indemnty}} {{lender.signature}}");
        TemplateContent content = Proposal.first(wording.found());
        Field cover =
                new Field(new FieldName("cover"), FieldType.CHOICE, "Cover", true, "", List.of("Indemnity", "Other"));
        TemplateContent settled = content.with(
                content.fields().stream()
                        .map(f -> f.name().value().equals("cover") ? cover : f)
                        .toList(),
                content.parties(),
                content.signingFields());
        assertThat(obstacles(wording, settled))
                .containsExactly("{{#cover.indemnty}} names a case that cover doesn’t have. It has: indemnity, other.");
    }

    @Test
    void aRenamedFieldIsRenamedWhereverTheSettingsSpeakOfIt() {
        TemplateContent content = new TemplateContent(
                "en-GB",
                List.of(
                        new Field(new FieldName("value"), FieldType.MONEY, "Value", true, "", List.of()),
                        new Field(new FieldName("lender"), FieldType.TEXT, "Lender", true, "", List.of())),
                List.of(new Party(
                        new PartyKey("lender"),
                        "Lender",
                        Duty.SIGNS,
                        1,
                        new PersonSource.FromFields(new FieldName("lender"), new FieldName("mail")))),
                List.of(),
                SendingSettings.USUAL,
                List.of(Rule.condition(
                        "high",
                        "value > 5 and value_currency = \"value\" and lender = \"a \\\" lender\" and my_value = 1")),
                List.of(),
                List.of(new Specimen("one", Specimen.Origin.TYPED, Named.by(Map.of("value", "EUR 1.00")))),
                Map.of(),
                FormLayout.NONE);
        TemplateContent renamed = Renaming.of(content, Map.of("value", "worth", "lender", "giver"));
        assertThat(renamed.fields()).extracting(Field::name).containsExactly(Named.all("worth", "giver"));
        assertThat(renamed.rules().get(0).expression())
                .isEqualTo("worth > 5 and worth_currency = \"value\" and giver = \"a \\\" lender\" and my_value = 1");
        assertThat(renamed.specimens().get(0).data()).containsKey(new FieldName("worth"));
        assertThat(renamed.parties().get(0).who())
                .isEqualTo(new PersonSource.FromFields(new FieldName("giver"), new FieldName("mail")));
    }

    @Test
    void aConditionThatNoDrawnSpecimenBringsAboutIsPointedOut() {
        TemplateContent content = new TemplateContent(
                "en-GB",
                List.of(new Field(new FieldName("value"), FieldType.MONEY, "Value", true, "", List.of())),
                List.of(),
                List.of(),
                SendingSettings.USUAL,
                List.of(Rule.condition("never", "value > 10 and value < 5"), Rule.condition("high", "value > 10")),
                List.of(),
                List.of(
                        new Specimen("1", Specimen.Origin.DRAWN_UP, Named.by(Map.of("value", "EUR 11.00"))),
                        new Specimen("2", Specimen.Origin.DRAWN_UP, Named.by(Map.of("value", "EUR 1.00")))),
                Map.of(),
                FormLayout.NONE);
        Wording wording = wording("{{value}}{{#never}}x{{/never}}{{#high}}y{{/high}}");
        assertThat(Advice.of(Wordings.only(wording), content, rules(content), Map.of()))
                .extracting(Diagnostic::code, Diagnostic::place)
                .containsExactly(org.assertj.core.groups.Tuple.tuple("condition-constant", "never"));
        assertThat(Advice.of(Wordings.only(wording), content.withSpecimens(List.of()), rules(content), Map.of()))
                .isEmpty();
    }

    @Test
    void aRenamedFieldOfItemsIsRenamedInTheListAndInSpecimens() {
        Field title = new Field(new FieldName("titel"), FieldType.TEXT, "What it is", true, "", List.of());
        TemplateContent content = new TemplateContent(
                        "en-GB",
                        List.of(Field.list(new FieldName("objects"), List.of(title))),
                        List.of(),
                        List.of(),
                        SendingSettings.USUAL)
                .withSpecimens(List.of(new Specimen(
                        "1",
                        Specimen.Origin.TYPED,
                        Named.by(Map.of("objects", "[{\"titel\":\"a \\\"titel\\\": b\"}]")))));
        TemplateContent renamed = Renaming.of(content, Map.of("titel", "title"));
        assertThat(renamed.fields().get(0).items()).containsExactly(title.renamed(new FieldName("title")));
        assertThat(renamed.specimens().get(0).data())
                .containsEntry(new FieldName("objects"), "[{\"title\":\"a \\\"titel\\\": b\"}]");
    }

    @Test
    void aFormThatWasArrangedTakesInWhatIsNewAndNeedsWhatItHides() {
        FormLayout hides = new FormLayout(List.of(new FormLayout.Section(
                "Loan",
                "",
                List.of(new FormLayout.Question(new FieldName("insured_value"), "", FormLayout.Visibility.HIDDEN)))));
        Wording wording = wording(LOAN);
        TemplateContent first = Proposal.first(wording.found());
        assertThat(first.layout()).as("nobody has arranged it").isEqualTo(FormLayout.NONE);
        TemplateContent arranged = new TemplateContent(
                first.language(),
                first.fields(),
                first.parties(),
                first.signingFields(),
                first.sending(),
                first.rules(),
                first.choices(),
                first.specimens(),
                first.clauses(),
                hides);
        assertThat(arranged.layout().sections().get(0).questions()).hasSameSizeAs(first.fields());
        assertThat(obstacles(wording, arranged))
                .anySatisfy(said -> assertThat(said).contains("is required, and the form doesn’t show it"));
        assertThat(SettingsDifference.between(first, arranged))
                .extracting(Message::toString)
                .contains("The arrangement of the form changed.");
        assertThat(StoredContent.read(StoredContent.write(arranged))).isEqualTo(arranged);
    }

    @Test
    void settingsOfAnEarlierVersionAreRead() {
        TemplateContent read = StoredContent.read(
                "{\"language\":\"en-GB\",\"fields\":[],\"parties\":[],\"signingFields\":[{\"kind\":\"TEXT\",\"label\":\"Lender: vat\",\"name\":\"lender_vat\",\"party\":\"lender\",\"required\":false}],"
                        + "\"terms\":{\"subject\":\"\",\"message\":\"Hello\",\"expiryDays\":14,\"firstReminderDays\":5,\"everyDays\":3}}");
        assertThat(read.sending()).isEqualTo(new SendingSettings("", "Hello", 14, 5, 3));
        assertThat(read.signingFields())
                .containsExactly(
                        new SigningField("lender_vat", new PartyKey("lender"), "vat", new TextPlace(false, "")));
        assertThat(read.layout()).isEqualTo(FormLayout.NONE);
    }

    @Test
    void whoComesFromElsewhereIsNoLongerAskedForInTheForm() {
        Party fromForm = new Party(
                new PartyKey("lender"),
                "Lender",
                Duty.SIGNS,
                1,
                new PersonSource.FromFields(new FieldName("lender_name"), new FieldName("lender_mail")));
        List<Field> fields = List.of(
                Field.proposedFor(new FieldName("lender_name"), false),
                Field.proposedFor(new FieldName("lender_mail"), false));
        TemplateContent before =
                new TemplateContent("en-GB", fields, List.of(fromForm), List.of(), SendingSettings.USUAL);
        TemplateContent now = before.with(fields, List.of(fromForm.foundBy(new PersonSource.WhoSends())), List.of());
        assertThat(Proposal.released(before, now, List.of("lender_name")).fields())
                .extracting(Field::required)
                .as("the name is printed, the address only said where to write to")
                .containsExactly(true, false);
        assertThat(Proposal.released(before, before, List.of()).fields()).isEqualTo(fields);
    }

    @Test
    void aFieldThatWasPutOnAPageStaysWhileItStandsSomewhere() {
        SigningField byHand = new SigningField("lender_text", new PartyKey("lender"), "shelf", TextPlace.USUAL);
        FoundTags none = Wording.compile(
                        WordFile.open(new WordDraft().paragraph("x").bytes()), java.util.Set.of())
                .found();
        TemplateContent content =
                new TemplateContent("en-GB", List.of(), List.of(), List.of(byHand), SendingSettings.USUAL);
        TemplateDocument page = new TemplateDocument(
                new DocumentId("document_1"),
                "Form",
                TemplateDocument.Kind.FIXED,
                "",
                java.util.Optional.empty(),
                java.util.Optional.empty(),
                false,
                List.of(new DocumentPlace("lender_text", new Spot.Open())),
                List.of());
        assertThat(Proposal.renewed(none, content.withDocuments(List.of(page))).signingFields())
                .containsExactly(byHand);
        assertThat(Proposal.renewed(none, content).signingFields()).isEmpty();
    }
}
