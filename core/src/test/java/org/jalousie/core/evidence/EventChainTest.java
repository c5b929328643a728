package org.jalousie.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.parties.Person;
import org.jalousie.core.placement.DocumentId;
import org.junit.jupiter.api.Test;

class EventChainTest {
    private static final String PDF = "ab".repeat(32);
    private static final List<Revision> REVISION = List.of(new Revision(DocumentId.WORDING, new Sha256(PDF)));

    private static List<EventChain.Link> chain() {
        List<EventChain.Link> links = new ArrayList<>();
        String previous = EventChain.START;
        List<Event> events = List.of(
                new Event.Invited(new PartyKey("lender")),
                new Event.Viewed(new PartyKey("lender")),
                new Event.Declined(new PartyKey("lender"), "\u20ac too \"dear\""));
        for (int i = 0; i < events.size(); i++) {
            EventChain.Link link = EventChain.link(
                    previous,
                    new Entry(
                            i + 1,
                            Instant.parse("2027-03-15T09:00:00Z"),
                            new Actor.Participant(new PartyKey("lender"), Actor.Proof.MAILED_LINK, "127.0.0.1"),
                            events.get(i)));
            links.add(link);
            previous = link.hash();
        }
        return links;
    }

    @Test
    void aWholeChainHolds() {
        assertThat(EventChain.firstBroken(chain())).isEmpty();
    }

    @Test
    void aChangedRemovedOrSwappedEventBreaksItAtItsPlace() {
        List<EventChain.Link> changed = chain();
        changed.set(
                1,
                new EventChain.Link(
                        changed.get(1).json().replace("Viewed", "Invited"),
                        changed.get(1).hash()));
        assertThat(EventChain.firstBroken(changed)).contains(2);
        List<EventChain.Link> removed = chain();
        removed.remove(1);
        assertThat(EventChain.firstBroken(removed)).contains(2);
    }

    /** Recomputed with nothing of our own: the stored text, a line feed, SHA-256. */
    @Test
    void anybodyCanRecomputeTheChain() throws Exception {
        StringBuilder previous = new StringBuilder("0".repeat(64));
        for (EventChain.Link link : chain()) {
            byte[] digest = MessageDigest.getInstance("SHA-256")
                    .digest((previous + "\n" + link.json()).getBytes(StandardCharsets.UTF_8));
            previous.setLength(0);
            for (byte b : digest) previous.append(String.format("%02x", b));
            assertThat(previous.toString()).isEqualTo(link.hash());
        }
    }

    // RFC 8785 §3.2.2 and §3.2.3: sorted names, no white space, shortest escapes
    @Test
    void theJsonIsCanonical() {
        assertThat(chain().get(2).json())
                .isEqualTo(
                        "{\"actor\":{\"from\":\"127.0.0.1\",\"party\":\"lender\",\"proof\":\"MAILED_LINK\",\"type\":\"Participant\"},\"at\":\"2027-03-15T09:00:00Z\",\"event\":{\"party\":\"lender\",\"reason\":\"\u20ac too \\\"dear\\\"\",\"type\":\"Declined\"},\"sequence\":3}");
    }

    @Test
    void anEntryIsReadBackAsItWas() {
        for (Actor actor : List.of(
                Actor.PROGRAM,
                new Actor.Coordinator("nora@museum.example.org", "Nora: Quill"),
                new Actor.Participant(new PartyKey("lender"), Actor.Proof.MAILED_LINK, "127.0.0.1"),
                new Actor.OtherProgram("k1", "Collection register", "127.0.0.1"),
                new Actor.OnBehalf(new Actor.Coordinator("nora@museum.example.org", "Nora"), new PartyKey("lender")),
                new Actor.Unknown("somebody"))) {
            Entry entry = new Entry(
                    1, Instant.parse("2027-03-15T09:00:00Z"), actor, new Event.Invited(new PartyKey("lender")));
            assertThat(EventChain.read(EventChain.link(EventChain.START, entry).json()))
                    .isEqualTo(entry);
        }
    }

    /** As the program stored them when an actor was a string. */
    @Test
    void actorsOfAnEarlierVersionAreRead() {
        String tail =
                ",\"at\":\"2026-11-23T09:00:00Z\",\"event\":{\"party\":\"lender\",\"type\":\"Viewed\"},\"from\":\"127.0.0.1, a browser\",\"sequence\":5}";
        assertThat(EventChain.read("{\"actor\":\"party:lender\"" + tail).actor())
                .isEqualTo(
                        new Actor.Participant(new PartyKey("lender"), Actor.Proof.MAILED_LINK, "127.0.0.1, a browser"));
        assertThat(EventChain.read("{\"actor\":\"office:Nora Quill\"" + tail).actor())
                .isEqualTo(new Actor.Coordinator("", "Nora Quill"));
        assertThat(EventChain.read("{\"actor\":\"program\"" + tail).actor()).isEqualTo(Actor.PROGRAM);
        assertThat(EventChain.read("{\"actor\":\"somebody\"" + tail).actor()).isEqualTo(new Actor.Unknown("somebody"));
    }

    /** As the program stored them while an agreement had one document, and participants were no persons. */
    @Test
    void documentsAndPeopleOfAnEarlierVersionAreRead() {
        String generated =
                "\"pages\":{\"fields\":[{\"field\":{\"kind\":\"SIGNATURE\",\"label\":\"L: signature\",\"name\":\"l_signature\",\"party\":\"l\",\"required\":true,\"sameAs\":\"\"},\"height\":40,\"page\":1,\"width\":170,\"x\":72,\"y\":500}],\"sizes\":[{\"height\":842,\"width\":595}]},\"pdf\":\""
                        + PDF + "\",\"type\":\"Generated\",\"word\":\"" + PDF + "\"";
        Document document = ((Event.Generated) earlier(generated)).documents().get(0);
        assertThat(document.id()).isEqualTo(DocumentId.WORDING);
        assertThat(document.word()).contains(new Sha256(PDF));
        assertThat(document.signatureOf(new PartyKey("l"))).isPresent();
        assertThat(earlier("\"pdf\":\"" + PDF + "\",\"type\":\"HouseSealed\""))
                .isEqualTo(new Event.OfficeSealed(REVISION, CertificateId.NONE));
        assertThat(earlier("\"pdf\":\"" + PDF + "\",\"record\":\"" + PDF + "\",\"type\":\"Completed\""))
                .isEqualTo(new Event.Completed(REVISION, new Sha256(PDF)));
        Event changed = earlier(
                "\"participant\":{\"duty\":\"SIGNS\",\"label\":\"L\",\"mail\":\"i@example.org\",\"name\":\"Ida\",\"party\":\"l\",\"stage\":1},\"remake\":false,\"title\":\"\",\"type\":\"ParticipantChanged\"");
        assertThat(((Event.ParticipantChanged) changed).participant())
                .isEqualTo(new Participant(new Person("Ida", "i@example.org"), new PartyKey("l"), "L", Duty.SIGNS, 1));
    }

    private static Event earlier(String event) {
        return EventChain.read("{\"actor\":\"program\",\"at\":\"2026-11-23T09:00:00Z\",\"event\":{" + event
                        + "},\"from\":\"\",\"sequence\":5}")
                .event();
    }

    /** As the program stored them before titles and certificates were kept with them. */
    @Test
    void entriesOfAnEarlierVersionAreRead() {
        String head = "{\"actor\":\"program\",\"at\":\"2026-11-23T09:00:00Z\",\"event\":{";
        String tail = "},\"from\":\"\",\"sequence\":5}";
        assertThat(EventChain.read(head + "\"party\":\"lender\",\"pdf\":\"" + PDF + "\",\"type\":\"Sealed\"" + tail)
                        .event())
                .isEqualTo(new Event.Sealed(new PartyKey("lender"), REVISION, CertificateId.NONE));
        assertThat(EventChain.read(head + "\"data\":{},\"participants\":[],\"type\":\"DataCorrected\"" + tail)
                        .event())
                .isEqualTo(new Event.DataCorrected(Map.of(), List.of(), ""));
        Event changed = EventChain.read(head
                        + "\"participant\":{\"duty\":\"SIGNS\",\"label\":\"L\",\"mail\":\"\",\"name\":\"\",\"party\":\"l\",\"stage\":1},\"type\":\"ParticipantChanged\""
                        + tail)
                .event();
        assertThat(((Event.ParticipantChanged) changed).remake()).isFalse();
    }
}
