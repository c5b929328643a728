package org.jalousie.core.recognition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.DataPlace;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.DocumentPlace;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spot;
import org.jalousie.core.placement.Spots;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.template.TemplateDocument;
import org.jalousie.core.template.Wordings;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;
import org.junit.jupiter.api.Test;

/** What a finished file says, by the template that it was made from. */
class ReadBackTest {
    private static Field field(String name, FieldType type, String... choices) {
        return new Field(new FieldName(name), type, name, false, "", List.of(choices));
    }

    private static Wording compile(WordDraft draft) {
        Wording wording = Wording.compile(WordFile.open(draft.bytes()), Set.of());
        assertThat(wording.diagnostics()).isEmpty();
        return wording;
    }

    private static TemplateContent content(Wording wording, Field... fields) {
        TemplateContent first = Proposal.first(wording.found());
        return first.with(List.of(fields), first.parties(), first.signingFields());
    }

    private static Understood understood(Wording wording, TemplateContent content, FileText file) {
        return Understood.asWording(
                file,
                TemplateText.of(wording, content),
                TemplateDocument.OWN_WORDING,
                Wordings.only(wording),
                content,
                Map.of(),
                List.of());
    }

    private static Wordings blank() {
        return Wordings.only(compile(new WordDraft().paragraph("x")));
    }

    private static final WordDraft LOAN = new WordDraft()
            .paragraph("Loan of instruments")
            .paragraph("{{lender}} lends the instruments from {{starts}} to {{ends.long}}, valued at {{value}} in all.")
            .paragraph("They are insured {{#insured}}by the borrower, who pays the premium{{/insured}}"
                    + "{{^insured}}by nobody{{/insured}}.")
            .paragraph("Packing: {{packing}}. The number of crates is {{crates}}.")
            .paragraph("For the lender, {{lender.upper}}:");

    private static final Field[] FIELDS = {
        field("lender", FieldType.TEXT),
        field("starts", FieldType.DATE),
        field("ends", FieldType.DATE),
        field("value", FieldType.MONEY),
        field("insured", FieldType.YES_NO),
        field("packing", FieldType.CHOICE, "In crates", "By hand"),
        field("crates", FieldType.NUMBER)
    };

    @Test
    void dataAreReadBackAsTheirKindsPrint() {
        Wording wording = compile(LOAN);
        FileText file = Typeset.plain(
                "Loan of instruments",
                "Museum of Strings, Northam lends the instruments from 3 March 2027 to 30 September 2027, valued at"
                        + " \u20ac1,250,000.00 in all.",
                "They are insured by the borrower, who pays the premium.",
                "Packing: In crates. The number of crates is 1,200.",
                "For the lender, MUSEUM OF STRINGS, NORTHAM:");
        Understood read = understood(wording, content(wording, FIELDS), file);
        assertThat(read.reading().differences()).isZero();
        assertThat(read.reading().likeness()).isEqualTo(1);
        assertThat(read.data())
                .extracting(one -> one.field().value(), DataBack.Datum::raw, DataBack.Datum::sure)
                .containsExactly(
                        tuple("lender", "Museum of Strings, Northam", true),
                        tuple("starts", "2027-03-03", true),
                        tuple("ends", "2027-09-30", true),
                        tuple("value", "EUR 1250000.00", true),
                        tuple("insured", "yes", true),
                        tuple("packing", "In crates", true),
                        tuple("crates", "1200", true));
    }

    @Test
    void whatIsReadInTwoWaysOrStandsAmongOtherWordsIsNotSure() {
        Wording wording = compile(LOAN);
        FileText file = Typeset.plain(
                "Loan of instruments",
                "Kestrel House gives away the fiddles beginning on about spring to 30 September 2027, valued at 12.50 in all.",
                "They are insured by nobody.",
                "Packing: in a bag. The number of crates is 1,20.",
                "For the lender, THE MUSEUM:");
        Map<String, DataBack.Datum> read = new java.util.HashMap<>();
        understood(wording, content(wording, FIELDS), file)
                .data()
                .forEach(one -> read.put(one.field().value(), one));
        assertThat(read.get("lender").sure()).isFalse();
        assertThat(read.get("ends").raw()).isEqualTo("2027-09-30");
        assertThat(read.get("value"))
                .extracting(DataBack.Datum::raw, DataBack.Datum::sure)
                .containsExactly("", false);
        assertThat(read.get("packing").raw()).isEmpty();
        assertThat(read.get("packing").words()).containsExactly("in a bag");
        assertThat(read.get("crates").raw()).as("not as English writes numbers").isEmpty();
        assertThat(read.get("insured").raw()).isEqualTo("no");
    }

    @Test
    void everyItemOfAListIsReadFromItsRow() {
        Wording wording = compile(new WordDraft()
                .paragraph("The instruments are these, as the lender has listed them:")
                .table(
                        List.of(
                                List.of("Instrument", "Maker", "Value"),
                                List.of("{{#objects}}{{title}}", "{{maker}}", "{{worth}}{{/objects}}")),
                        false)
                .paragraph("and no others."));
        Field objects = Field.list(
                new FieldName("objects"),
                List.of(
                        field("title", FieldType.TEXT),
                        field("maker", FieldType.TEXT),
                        field("worth", FieldType.MONEY)));
        FileText file = Typeset.plain(
                "The instruments are these, as the lender has listed them:",
                "Instrument | Maker | Value",
                "Tenor viol | Henry Marsh | EUR 5,000.00",
                "Bass viol | Ann | EUR 12,500.00",
                "Theorbo in its case | Tomas Reed of Northam, and after him his daughters and all who came after them | EUR 900.00",
                "and no others.");
        Understood read = understood(wording, content(wording, objects), file);
        assertThat(read.reading().differences()).isZero();
        assertThat(read.data()).hasSize(1);
        assertThat(read.data().get(0).raw())
                .contains(
                        "\"Tenor viol\"",
                        "\"Ann\"",
                        "\"EUR 12500.00\"",
                        "\"Theorbo in its case\"",
                        "Tomas Reed of Northam");
    }

    @Test
    void valuesSideBySideArePartedByWhatStandsElsewhere() {
        Wording wording = compile(new WordDraft()
                .paragraph("Between {{lender}}, {{address}}, and the house there is agreed what follows.")
                .paragraph("The lender, {{lender}}, fetches it."));
        TemplateContent content = content(wording, field("lender", FieldType.TEXT), field("address", FieldType.TEXT));
        FileText told = Typeset.plain(
                "Between Ida Marsh, 3 Mill Rise, Northam, and the house there is agreed what follows.",
                "The lender, Ida Marsh, fetches it.");
        assertThat(understood(wording, content, told).data())
                .extracting(DataBack.Datum::raw, DataBack.Datum::sure)
                .containsExactly(tuple("Ida Marsh", true), tuple("3 Mill Rise, Northam", true));
        FileText untold = Typeset.plain(
                "Between Ida Marsh, 3 Mill Rise, Northam, and the house there is agreed what follows.",
                "The lender fetches it.");
        assertThat(understood(wording, content, untold).data())
                .extracting(DataBack.Datum::sure)
                .as("either of two commas may part them")
                .containsOnly(false);
    }

    @Test
    void headersAndFootersAreNoneOfTheTextAndTellTheirValues() {
        Wording wording = compile(new WordDraft()
                .header("House of Strings, loan {{number}}")
                .footer("Lent to {{borrower}}")
                .paragraph("The instrument is lent as it is, and comes back as it went."));
        FileText file = new Typeset(11, 380, false, "House of Strings, loan L-27", "Lent to Ida Marsh")
                .all(List.of("The instrument is lent as it is, and comes back as it went."));
        Understood read = understood(
                wording, content(wording, field("number", FieldType.TEXT), field("borrower", FieldType.TEXT)), file);
        assertThat(read.reading().differences()).isZero();
        assertThat(read.reading().likeness()).isEqualTo(1);
        assertThat(read.data()).extracting(DataBack.Datum::raw).containsExactly("L-27", "Ida Marsh");
    }

    @Test
    void listsWithinItemsAndWhatIsSaidOfOneItemOnlyAreReadBack() {
        Wording wording = compile(new WordDraft()
                .paragraph("The instruments go with what belongs to each of them:")
                .table(
                        List.of(
                                List.of("No.", "Instrument", "Value"),
                                List.of(
                                        "{{#objects}}{{position}}",
                                        "{{title}}{{#gut}}, gut strings{{/gut}}\n{{#parts}}\nwith {{part}}\n{{/parts}}",
                                        "{{worth}}{{/objects}}")),
                        false)
                .paragraph("and nothing else."));
        Field parts = Field.list(new FieldName("parts"), List.of(field("part", FieldType.TEXT)))
                .optional();
        Field objects = Field.list(
                new FieldName("objects"),
                List.of(
                        field("title", FieldType.TEXT),
                        field("gut", FieldType.YES_NO),
                        parts,
                        field("worth", FieldType.MONEY)));
        FileText file = new Typeset(11, 420, false, "")
                .all(List.of(
                        "The instruments go with what belongs to each of them:",
                        "No. | Instrument | Value",
                        "1 | Tenor viol, gut strings / with a bow / with its case | EUR 5,000.00",
                        "2 | Bandora | EUR 900.00",
                        "and nothing else."));
        Understood read = understood(wording, content(wording, objects), file);
        assertThat(read.reading().differences()).isZero();
        assertThat(read.data().get(0).raw())
                .isEqualTo(
                        "[{\"title\":\"Tenor viol\",\"gut\":\"yes\",\"parts\":\"[{\\\"part\\\":\\\"a bow\\\"},{\\\"part\\\":"
                                + "\\\"its case\\\"}]\",\"worth\":\"EUR 5000.00\"},{\"title\":\"Bandora\",\"gut\":\"no\",\"worth\":\"EUR 900.00\"}]");
    }

    @Test
    void whatDiffersFromTheTemplateIsShownWhereItIs() {
        Wording wording = compile(LOAN);
        FileText file = Typeset.plain(
                "1. Loan of instruments",
                "Ida Marsh lends the old wooden boxes from 3 March 2027 to 30 September 2027, valued at EUR 12.00.",
                "They are insured by nobody.",
                "Packing: By hand. The number of crates is 4.",
                "Everything else is forbidden.",
                "For the lender, IDA MARSH:");
        Reading reading = understood(wording, content(wording, FIELDS), file).reading();
        assertThat(reading.lines().stream()
                        .flatMap(line -> line.pieces().stream())
                        .filter(piece -> piece.fate() == Reading.Fate.CAME || piece.fate() == Reading.Fate.WENT)
                        .map(piece -> piece.fate() + " " + piece.text().strip()))
                .containsExactly(
                        "WENT instruments",
                        "CAME old wooden boxes",
                        "WENT in all",
                        "CAME Everything else is forbidden");
    }

    @Test
    void signingFieldsGoWhereTheTemplateHasThemIfThereIsRoom() {
        Wording wording = compile(new WordDraft()
                .paragraph("This is what both of them have agreed on, and nothing else counts between them.")
                .paragraph("Signed by the lender: {{lender.signature}}")
                .paragraph("Signed by the borrower: {{borrower.signature}}")
                .paragraph("Seen by the witness: {{witness.signature}}"));
        TemplateContent content = Proposal.first(wording.found());
        FileText file = new Typeset(11, 380, false, "")
                .lead(70)
                .all(List.of(
                        "This is what both of them have agreed on, and nothing else counts between them.",
                        "Signed by the lender: ______________",
                        "Signed by the borrower: ______________"));
        Understood read = understood(wording, content, file);
        assertThat(read.without()).containsExactly(new PartyKey("witness"));
        assertThat(read.places())
                .extracting(one -> one.field().name())
                .containsExactly("lender_signature", "borrower_signature");
        assertThat(read.places()).allMatch(one -> one.spot() instanceof Spot.OnPage);
        Spot.OnPage first = (Spot.OnPage) read.places().get(0).spot();
        assertThat(first.left()).as("where the line begins").isBetween(80.0, 90.0);

        FileText narrow = Typeset.plain(
                "This is what both of them have agreed on, and nothing else counts between them.",
                "Signed by the lender: ______________",
                "Signed by the borrower: ______________",
                "Words that leave no room at all.");
        assertThat(understood(wording, content, narrow).places().get(0).spot()).isInstanceOf(Spot.Open.class);
    }

    @Test
    void ofFixedPagesDataAreReadFromTheirRooms() {
        String[] form = {"Receipt for an instrument that leaves the house", "Received by:", "On the day:", "Signed:"};
        FileText pages = new Typeset(11, 380, false, "").lead(20).all(List.of(form));
        FileText file = new Typeset(11, 380, false, "")
                .lead(20)
                .all(List.of(form[0], form[1] + " Ida Marsh", form[2] + " 3 March 2027", form[3]));
        FileText.Seen name = file.words().stream()
                .filter(one -> one.token().shown().equals("Ida"))
                .findFirst()
                .orElseThrow();
        FileText.Seen day = file.words().stream()
                .filter(one -> one.token().shown().equals("3"))
                .findFirst()
                .orElseThrow();
        SigningField signature =
                new SigningField("taker_signature", new PartyKey("taker"), "signature", new SignaturePlace());
        TemplateDocument document = new TemplateDocument(
                new DocumentId("receipt"),
                "Receipt",
                TemplateDocument.Kind.FIXED,
                "",
                Optional.empty(),
                Optional.empty(),
                false,
                List.of(new DocumentPlace("taker_signature", new Spot.OnPage(1, 60, 120))),
                List.of(data("taker", name), data("day", day)));
        TemplateContent content = Proposal.first(
                        compile(new WordDraft().paragraph("x")).found())
                .with(
                        List.of(field("taker", FieldType.TEXT), field("day", FieldType.DATE)),
                        List.of(new Party(
                                new PartyKey("taker"), "Taker", Duty.SIGNS, 1, new PersonSource.ChosenAtUse())),
                        List.of(signature))
                .withDocuments(List.of(document));
        Understood read = Understood.asFixed(file, () -> null, pages, document, blank(), content);
        assertThat(read.reading().differences()).isZero();
        assertThat(read.data())
                .extracting(DataBack.Datum::raw, DataBack.Datum::sure)
                .containsExactly(tuple("Ida Marsh", true), tuple("2027-03-03", true));
        assertThat(read.without()).isEmpty();
        assertThat(read.places().get(0).spot()).isEqualTo(new Spot.OnPage(1, 60, 120));
    }

    private static DataPlace data(String tag, FileText.Seen at) {
        double mm = 25.4 / 72;
        return new DataPlace(
                tag,
                "",
                new Spot.OnPage(1, (at.x() - 2) * mm, (842 - at.y() - 12) * mm),
                new BoxSize(60, 6),
                11,
                null,
                null,
                null);
    }

    @Test
    void aCrossIsSurelyMeantAndAnythingElseInItsPlaceIsNot() {
        for (String written : List.of("x", "no")) {
            FileText pages = Typeset.plain("Order for a courier who carries instruments", "Abroad:");
            FileText file = Typeset.plain("Order for a courier who carries instruments", "Abroad: " + written);
            FileText.Seen at = file.words().get(file.words().size() - 1);
            DataPlace room = data("abroad", at);
            DataPlace cross = new DataPlace(room.tag(), "yes", room.spot(), room.size(), 11, null, null, null);
            TemplateDocument document = new TemplateDocument(
                    new DocumentId("order"),
                    "Order",
                    TemplateDocument.Kind.FIXED,
                    "",
                    Optional.empty(),
                    Optional.empty(),
                    false,
                    List.of(),
                    List.of(cross));
            TemplateContent content = Proposal.first(
                            compile(new WordDraft().paragraph("x")).found())
                    .with(List.of(field("abroad", FieldType.YES_NO)), List.of(), List.of())
                    .withDocuments(List.of(document));
            DataBack.Datum read = Understood.asFixed(file, () -> null, pages, document, blank(), content)
                    .data()
                    .get(0);
            assertThat(read.sure()).as(written).isEqualTo(written.equals("x"));
            assertThat(read.words()).containsExactly(written);
        }
    }

    @Test
    void aPlaceWithATagIsTakenForNothingElse() {
        Wording wording = compile(new WordDraft()
                .paragraph("This is what both of them have agreed on, and nothing else counts between them.")
                .paragraph("Lender: {{lender.signature}}")
                .paragraph("Borrower: {{borrower.signature}}"));
        TemplateContent content = Proposal.first(wording.found());
        FileText file = new Typeset(11, 380, false, "")
                .lead(70)
                .all(List.of(
                        "This is what both of them have agreed on, and nothing else counts between them.",
                        "Lender:",
                        "Borrower:"));
        FileText.Seen borrower = file.words().stream()
                .filter(one -> one.token().shown().equals("Borrower"))
                .findFirst()
                .orElseThrow();
        Spots.Box tagged = new Spots.Box(1, 110, borrower.y() - 60, 400, 120);
        Understood read = Understood.asWording(
                file,
                TemplateText.of(wording, content),
                TemplateDocument.OWN_WORDING,
                Wordings.only(wording),
                content,
                Map.of("lender_signature", tagged, "no_such_field", tagged),
                List.of());
        assertThat(read.places())
                .extracting(one -> one.field().name())
                .containsExactly("lender_signature", "borrower_signature");
        assertThat(read.places().get(1).spot()).as("no room is left").isInstanceOf(Spot.Open.class);
    }
}
