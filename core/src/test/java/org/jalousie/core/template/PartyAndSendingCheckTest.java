package org.jalousie.core.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.placement.SignaturePlace;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.rules.Rule;
import org.junit.jupiter.api.Test;

/** What stands in the way of publishing in parties and terms, each with what has to be done. */
class PartyAndSendingCheckTest {
    private static final List<Field> FIELDS = List.of(
            field("name", FieldType.TEXT),
            field("mail", FieldType.MAIL_ADDRESS),
            field("abroad", FieldType.YES_NO),
            field("last_day", FieldType.DATE),
            field("photo", FieldType.PICTURE));

    private static Field field(String name, FieldType type) {
        return new Field(new FieldName(name), type, name, false, "", List.of());
    }

    private static Party signer(PersonSource who) {
        return new Party(new PartyKey("lender"), "Lender", Duty.SIGNS, 2, who);
    }

    private static TemplateContent content(SendingSettings sending, Party... parties) {
        List<SigningField> places = Stream.of(parties)
                .filter(party -> party.duty() == Duty.SIGNS)
                .map(party ->
                        new SigningField(party.key() + "_signature", party.key(), "signature", new SignaturePlace()))
                .toList();
        return new TemplateContent("en-GB", FIELDS, List.of(parties), places, sending)
                .withRules(List.of(
                        Rule.condition("valuable", "true"),
                        new Rule("fee", "Fee", "", "1", FieldType.NUMBER),
                        new Rule("fragile", "Fragile", "objects", "true", FieldType.YES_NO)));
    }

    private static List<String> ofParty(Party... parties) {
        return said(PartyCheck.of(content(SendingSettings.USUAL, parties)));
    }

    private static List<String> ofSending(SendingSettings sending) {
        return said(SendingCheck.of(content(sending, signer(new PersonSource.WhoSends()))));
    }

    private static List<String> said(List<Obstacle> obstacles) {
        return obstacles.stream().map(one -> one.message().toString()).toList();
    }

    @Test
    void aCodeByTextMessageNeedsANumberThatCanBeReached() {
        Party texted = signer(new PersonSource.WhoSends()).provenBy(IdentityCheck.TEXTED_CODE);
        assertThat(ofParty(texted)).singleElement().asString().contains("whoever sends");
        assertThat(ofParty(texted.foundBy(new PersonSource.FromFields(new FieldName("name"), new FieldName("mail")))))
                .singleElement()
                .asString()
                .contains("which field");
        Person right = new Person("Ida", "ida@lender.example.org", "+44 7700 900123", "");
        Person wrong = new Person("Tom", "tom@lender.example.org", "07700 900123", "");
        assertThat(ofParty(texted.foundBy(new PersonSource.OneOf(List.of(right)))))
                .isEmpty();
        assertThat(ofParty(texted.foundBy(new PersonSource.OneOf(List.of(right, wrong)))))
                .singleElement()
                .asString()
                .contains("Tom");
        assertThat(ofParty(signer(new PersonSource.WhoSends()).provenBy(IdentityCheck.MAILED_CODE)))
                .isEmpty();
    }

    @Test
    void everySourceOfAPersonHasToLeadToSomebody() {
        FieldName name = new FieldName("name");
        FieldName mail = new FieldName("mail");
        assertThat(ofParty(signer(new PersonSource.FromFields(name, mail)))).isEmpty();
        assertThat(ofParty(signer(new PersonSource.FromFields(name, mail, new FieldName("phone")))))
                .singleElement()
                .asString()
                .contains("telephone number");
        assertThat(ofParty(signer(new PersonSource.WhoSends()))).isEmpty();
        assertThat(ofParty(signer(new PersonSource.OneOf(List.of()))))
                .singleElement()
                .asString()
                .contains("list is empty");
        assertThat(ofParty(signer(new PersonSource.OneOf(
                        List.of(new Person("Nora", "nora@example.org"), new Person("", "nowhere"))))))
                .hasSize(2);
        assertThat(ofParty(signer(new PersonSource.Fixed("Nora", "nora@example.org"))))
                .isEmpty();
    }

    @Test
    void aPartyComesWithWhatIsAnsweredByYesOrNo() {
        Party lender = signer(new PersonSource.WhoSends());
        assertThat(ofParty(lender.neededWhen("valuable"))).isEmpty();
        assertThat(ofParty(lender.neededWhen("abroad"))).isEmpty();
        for (String wrong : List.of("fee", "name", "gone", "fragile"))
            assertThat(ofParty(lender.neededWhen(wrong)))
                    .as(wrong)
                    .singleElement()
                    .asString()
                    .contains(wrong);
    }

    @Test
    void detailsAreCompletedBeforeAnybodySigns() {
        Party lender = signer(new PersonSource.WhoSends());
        for (int stage : List.of(2, 3)) {
            Party clerk = new Party(new PartyKey("clerk"), "Clerk", Duty.COMPLETES, stage, new PersonSource.WhoSends());
            assertThat(ofParty(lender, clerk)).singleElement().asString().contains("before all who sign");
        }
        Party early = new Party(new PartyKey("clerk"), "Clerk", Duty.COMPLETES, 1, new PersonSource.WhoSends());
        assertThat(ofParty(lender, early)).isEmpty();
    }

    private static SendingSettings terms(
            int expiry, String expiresOn, int warn, List<Integer> gaps, SendingSettings.Release release) {
        return new SendingSettings(
                "",
                "",
                expiry,
                5,
                3,
                new FieldName(expiresOn),
                warn,
                gaps,
                null,
                release,
                null,
                null,
                null,
                null,
                null);
    }

    @Test
    void theTermsHaveToBeKeepable() {
        assertThat(ofSending(SendingSettings.USUAL)).isEmpty();
        assertThat(ofSending(terms(0, "", 0, null, null)))
                .singleElement()
                .asString()
                .contains("expire");
        assertThat(ofSending(terms(30, "name", 0, null, null)))
                .singleElement()
                .asString()
                .contains("no date");
        assertThat(ofSending(terms(0, "last_day", 0, null, null))).isEmpty();
        assertThat(ofSending(terms(3, "", 4, null, null)))
                .singleElement()
                .asString()
                .contains("before the agreement is sent");
        assertThat(ofSending(terms(30, "", 0, List.of(4, 0), null)))
                .singleElement()
                .asString()
                .contains("gap");
        assertThat(ofSending(terms(30, "", 0, List.of(4, 2, 3), null))).isEmpty();
        assertThat(ofSending(terms(30, "", 0, null, SendingSettings.Release.AT_ONCE)))
                .singleElement()
                .asString()
                .contains("whoever sends");
    }

    @Test
    void whatGoesAlongHasToBeThere() {
        SendingSettings with = new SendingSettings(
                "two\nlines",
                "{{gone}}",
                30,
                5,
                3,
                null,
                1,
                null,
                null,
                null,
                null,
                List.of(new SendingSettings.Attachment(" ", Sha256.of(new byte[0]))),
                List.of(new FieldName("photo"), new FieldName("name")),
                null,
                null);
        assertThat(ofSending(with)).hasSize(4);
    }
}
