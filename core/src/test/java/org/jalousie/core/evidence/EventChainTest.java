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
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.junit.jupiter.api.Test;

class EventChainTest {
    private static List<EventChain.Link> chain() {
        List<EventChain.Link> links = new ArrayList<>();
        String previous = EventChain.START;
        List<Event> events = List.of(
                new Event.Invited("lender"),
                new Event.Viewed("lender"),
                new Event.Declined("lender", "\u20ac too \"dear\""));
        for (int i = 0; i < events.size(); i++) {
            EventChain.Link link = EventChain.link(
                    previous,
                    new Entry(
                            i + 1,
                            Instant.parse("2027-03-15T09:00:00Z"),
                            new Actor.Participant("lender", Actor.Proof.MAILED_LINK, "127.0.0.1"),
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
                new Actor.Participant("lender", Actor.Proof.MAILED_LINK, "127.0.0.1"))) {
            Entry entry = new Entry(1, Instant.parse("2027-03-15T09:00:00Z"), actor, new Event.Invited("lender"));
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
                .isEqualTo(new Actor.Participant("lender", Actor.Proof.MAILED_LINK, "127.0.0.1, a browser"));
        assertThat(EventChain.read("{\"actor\":\"office:Nora Quill\"" + tail).actor())
                .isEqualTo(new Actor.Coordinator("", "Nora Quill"));
        assertThat(EventChain.read("{\"actor\":\"program\"" + tail).actor()).isEqualTo(Actor.PROGRAM);
    }

    /** As the program stored them before titles and certificates were kept with them. */
    @Test
    void entriesOfAnEarlierVersionAreRead() {
        String head = "{\"actor\":\"program\",\"at\":\"2026-11-23T09:00:00Z\",\"event\":{";
        String tail = "},\"from\":\"\",\"sequence\":5}";
        assertThat(EventChain.read(head + "\"party\":\"lender\",\"pdf\":\"ab\",\"type\":\"Sealed\"" + tail)
                        .event())
                .isEqualTo(new Event.Sealed("lender", "ab", CertificateId.NONE));
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
