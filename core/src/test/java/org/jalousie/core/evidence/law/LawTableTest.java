package org.jalousie.core.evidence.law;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.evidence.ConsentWording;
import org.jalousie.core.evidence.SignedSample;
import org.jalousie.core.evidence.Verification;
import org.jalousie.core.evidence.law.LawAnswer.Standing;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.IdentityCheck;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LawTableTest {
    private static final PartyKey LENDER = new PartyKey("lender");
    private static final PartyKey MUSEUM = new PartyKey("museum");
    private static final Sha256 FILE = Sha256.of(new byte[] {1});
    private static final ConsentWording WORDING = ConsentWording.in(Catalogue.ENGLISH);
    private static final Actor OFFICE = new Actor.Coordinator("nora@museum.example.org", "Nora Quill");
    private static final Verification HOLDS = checked(true, Instant.parse("2027-03-16T09:00:00Z"));

    private final List<Entry> history = new ArrayList<>();

    private static Verification checked(boolean intact, Instant at) {
        return new Verification(
                intact,
                List.of(new Verification.SignatureCheck(
                        "lender_signature", "Ida Marsh", at, "PAdES-BASELINE-LTA", intact, "", CertificateId.NONE)),
                List.of(),
                List.of());
    }

    private static CertificateId certificate(String name, int serial) {
        return new CertificateId(
                "CN=" + name,
                String.valueOf(serial),
                Sha256.of(new byte[] {(byte) serial}).hex());
    }

    private int happens(Actor actor, Event event) {
        history.add(new Entry(
                history.size() + 1, Instant.parse("2027-03-16T08:00:00Z").plusSeconds(history.size()), actor, event));
        return history.size();
    }

    private void begins(List<Participant> parties) {
        happens(
                OFFICE,
                new Event.Created(
                        new AgreementNumber("A-2027-0001"), "Loan of a viola", "Loan", 2, "R-1", Map.of(), parties));
        happens(OFFICE, new Event.Sent(Instant.parse("2027-04-16T08:00:00Z")));
    }

    private static Actor by(PartyKey party, Actor.Proof proof) {
        return new Actor.Participant(party, proof, "127.0.0.1, A browser");
    }

    private void consents(PartyKey party, Actor.Proof proof) {
        happens(by(party, proof), new Event.Viewed(party));
        happens(by(party, proof), new Event.ConsentGiven(party, WORDING.version(), WORDING.hash()));
    }

    private void signs(PartyKey party, Actor.Proof proof, CertificateId certificate) {
        happens(by(party, proof), new Event.Signed(party, Map.of(), "drawn", FILE));
        happens(Actor.PROGRAM, new Event.Sealed(party, List.of(), certificate));
    }

    private Map<LawElement, LawAnswer> table(Verification... files) {
        return LawTable.of(Agreement.of(history), history, List.of(files)).stream()
                .collect(Collectors.toMap(LawAnswer::element, answer -> answer));
    }

    private void bothSign() {
        begins(SignedSample.PARTIES);
        consents(LENDER, Actor.Proof.TEXTED_CODE);
        signs(LENDER, Actor.Proof.TEXTED_CODE, certificate("Ida Marsh", 1));
        consents(MUSEUM, Actor.Proof.SIGNED_IN);
        signs(MUSEUM, Actor.Proof.SIGNED_IN, certificate("Tomas Vale", 2));
    }

    @Test
    void everyElementOfAnAgreementThatIsWholeIsAnsweredWithItsEvents() {
        begins(SignedSample.PARTIES);
        consents(LENDER, Actor.Proof.MAILED_CODE);
        signs(LENDER, Actor.Proof.MAILED_CODE, certificate("Ida Marsh", 1));
        consents(MUSEUM, Actor.Proof.AGREED_WORD);
        signs(MUSEUM, Actor.Proof.AGREED_WORD, certificate("Tomas Vale", 2));
        Map<LawElement, LawAnswer> table = table(HOLDS);
        assertThat(table).hasSize(LawElement.values().length);
        assertThat(table.values()).allMatch(answer -> answer.standing() == Standing.MET);
        assertThat(table.get(LawElement.ESIGN_CONSENT).events()).containsExactly(4, 8);
        assertThat(table.get(LawElement.ESIGN_ACCESS).events()).containsExactly(3, 4, 7, 8);
        assertThat(table.get(LawElement.UETA_AGREED).events()).containsExactly(2, 4, 8);
        assertThat(table.get(LawElement.EIDAS_UNIQUE).events()).containsExactly(6, 10);
        assertThat(table.get(LawElement.UETA_ATTRIBUTED).because().toString())
                .contains("Ida Marsh: ")
                .contains("Tomas Vale: ");
    }

    @ParameterizedTest
    @ValueSource(strings = {"en", "nl", "de", "fr"})
    void itIsSaidInEveryLanguage(String language) {
        bothSign();
        Catalogue words = Catalogue.of(language);
        for (LawAnswer answer : table(HOLDS).values()) {
            assertThat(words.say(answer.element().asks())).endsWith(".");
            assertThat(words.say(answer.because())).endsWith(".");
            assertThat(words.say(answer.standing().code())).isNotBlank();
        }
    }

    @Test
    void whoCameByTheLinkAloneHadTheirKeyUnderTheirControlInPartOnly() {
        bothSign();
        LawAnswer control = table(HOLDS).get(LawElement.EIDAS_CONTROL);
        assertThat(control.standing()).isEqualTo(Standing.PARTLY);
        assertThat(control.because().toString())
                .contains("Tomas Vale came by the link")
                .doesNotContain("Ida");
        assertThat(Actor.Proof.TEXTED_CODE.check()).isNotEqualTo(IdentityCheck.NONE);
    }

    @Test
    void aConsentThatWasWithdrawnOrIsSomebodyElsesIsNone() {
        begins(SignedSample.PARTIES);
        consents(LENDER, Actor.Proof.MAILED_LINK);
        happens(by(LENDER, Actor.Proof.MAILED_LINK), new Event.ConsentWithdrawn(LENDER));
        signs(LENDER, Actor.Proof.MAILED_LINK, certificate("Ida Marsh", 1));
        consents(MUSEUM, Actor.Proof.MAILED_LINK);
        happens(
                OFFICE,
                new Event.PersonChanged(
                        MUSEUM,
                        new Person("Tomas Vale", "tomas@museum.example.org"),
                        Event.PersonChanged.Change.REPLACED,
                        ""));
        signs(MUSEUM, Actor.Proof.MAILED_LINK, certificate("Tomas Vale", 2));
        Map<LawElement, LawAnswer> table = table(HOLDS);
        for (LawElement one : List.of(
                LawElement.ESIGN_CONSENT,
                LawElement.ESIGN_STATEMENT,
                LawElement.ESIGN_ACCESS,
                LawElement.UETA_AGREED,
                LawElement.UETA_EFFECT)) {
            assertThat(table.get(one).standing()).as(one.name()).isEqualTo(Standing.UNMET);
            assertThat(table.get(one).because().toString()).contains("Ida Marsh, Tomas Vale");
        }
        assertThat(table.get(LawElement.EIDAS_UNIQUE).standing()).isEqualTo(Standing.MET);
    }

    @Test
    void aCorrectedAddressTakesNoConsentAway() {
        begins(SignedSample.PARTIES);
        consents(LENDER, Actor.Proof.MAILED_LINK);
        happens(
                OFFICE,
                new Event.PersonChanged(
                        LENDER,
                        new Person("Ida Marsh", "ida.marsh@lender.example.org"),
                        Event.PersonChanged.Change.CORRECTED,
                        ""));
        signs(LENDER, Actor.Proof.MAILED_LINK, certificate("Ida Marsh", 1));
        assertThat(table(HOLDS).get(LawElement.ESIGN_CONSENT).standing()).isEqualTo(Standing.MET);
    }

    @Test
    void wordsThatAreNotKeptAndCertificatesOfOthersAreNamed() {
        begins(SignedSample.PARTIES);
        happens(by(LENDER, Actor.Proof.MAILED_LINK), new Event.Viewed(LENDER));
        happens(by(LENDER, Actor.Proof.MAILED_LINK), new Event.ConsentGiven(LENDER, WORDING.version(), FILE));
        signs(LENDER, Actor.Proof.MAILED_LINK, certificate("Somebody Else", 1));
        consents(MUSEUM, Actor.Proof.MAILED_LINK);
        signs(MUSEUM, Actor.Proof.MAILED_LINK, certificate("Somebody Else", 1));
        Map<LawElement, LawAnswer> table = table(HOLDS);
        assertThat(table.get(LawElement.ESIGN_STATEMENT).because().toString()).contains("Ida Marsh");
        assertThat(table.get(LawElement.EIDAS_UNIQUE).standing()).isEqualTo(Standing.UNMET);
        assertThat(table.get(LawElement.EIDAS_IDENTIFIES).standing()).isEqualTo(Standing.UNMET);
        assertThat(ConsentWording.isKept("../secret", FILE)).isFalse();
        assertThat(ConsentWording.isKept("en-1", WORDING.hash())).isFalse();
    }

    @Test
    void aNameWhoseLettersAreEscapedInTheCertificateIsTheSame() {
        List<Participant> parties = List.of(new Participant(
                new Person("Noël O’Hara, jr.", "noel@lender.example.org"), LENDER, "Lender", Duty.SIGNS, 1));
        begins(parties);
        consents(LENDER, Actor.Proof.MAILED_LINK);
        // RFC 4514 §2.4: a comma within a value stands behind a backslash; the e comes apart from its dots
        signs(LENDER, Actor.Proof.MAILED_LINK, certificate("Noe\u0308l O’Hara\\, jr.,E=noel@lender.example.org", 1));
        assertThat(table(HOLDS).get(LawElement.EIDAS_IDENTIFIES).standing()).isEqualTo(Standing.MET);
    }

    @Test
    void whatTheOfficeDidForSomebodyIsNoElectronicSignature() {
        begins(SignedSample.PARTIES);
        int signed = happens(new Actor.OnBehalf(OFFICE, LENDER), new Event.Signed(LENDER, Map.of(), "drawn", FILE));
        Map<LawElement, LawAnswer> table = table(HOLDS);
        assertThat(table.get(LawElement.EIDAS_CONTROL).standing()).isEqualTo(Standing.UNMET);
        assertThat(table.get(LawElement.EIDAS_CONTROL).events()).containsExactly(signed);
        assertThat(table.get(LawElement.ESIGN_CONSENT).because().toString()).contains("the office acted for them");
    }

    @Test
    void filesThatDoNotHoldOrHaveNoTimeAreSaid() {
        bothSign();
        assertThat(table(checked(false, Instant.EPOCH))
                        .get(LawElement.EIDAS_TIED)
                        .standing())
                .isEqualTo(Standing.UNMET);
        assertThat(table(checked(true, null)).get(LawElement.EIDAS_TIME).standing())
                .isEqualTo(Standing.UNMET);
        assertThat(table().get(LawElement.EIDAS_TIED).standing()).isEqualTo(Standing.UNMET);
    }

    @Test
    void whereNobodySignsNothingIsAsked() {
        begins(List.of(new Participant(
                new Person("Ida Marsh", "ida@lender.example.org"), LENDER, "Lender", Duty.APPROVES, 1)));
        happens(by(LENDER, Actor.Proof.MAILED_LINK), new Event.Approved(LENDER));
        assertThat(table().values())
                .allMatch(answer -> answer.standing() == Standing.NOT_ASKED)
                .allMatch(answer -> answer.because().equals(Message.of("law.not-asked")));
    }
}
