package org.jalousie.core.evidence;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.CertificateId;
import org.jalousie.core.agreement.Entry;
import org.jalousie.core.agreement.Event;
import org.jalousie.core.agreement.Revision;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.parties.Duty;
import org.jalousie.core.parties.Participant;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.FieldPlacer;

/**
 * What the file of one document of an agreement of ours has to be, known from its events.
 *
 * @param states from the document before any seal to the filed one
 * @param signers who has signed it, and the office that sealed it
 * @param left states of the file on the screen, when it was signed on paper after them
 */
public record Expected(AgreementNumber number, List<State> states, List<Signer> signers, List<State> left) {
    /** One whose states follow each other. */
    public Expected(AgreementNumber number, List<State> states, List<Signer> signers) {
        this(number, states, signers, List.of());
    }

    /** @param sha256 of the whole file; {@code as} says which state it is */
    public record State(Sha256 sha256, Message as, List<String> missing) {}

    /** @param certificate as issued; not known for what was signed before it was kept */
    public record Signer(String field, Message who, CertificateId certificate) {}

    record Comparison(List<Message> findings, List<Message> notes) {}

    public static Expected of(Agreement agreement, List<Entry> history, DocumentId document) {
        List<State> states = new ArrayList<>();
        List<Signer> signers = new ArrayList<>();
        List<State> left = new ArrayList<>();
        List<PartyKey> open = agreement.acting().stream()
                .filter(one -> one.duty() == Duty.SIGNS)
                .map(Participant::party)
                .collect(Collectors.toCollection(ArrayList::new));
        for (Entry entry : history) {
            Event event = entry.event();
            Optional<Sha256> brought = event.brought().stream()
                    .filter(one -> one.document().equals(document))
                    .map(Revision::pdf)
                    .findFirst();
            if (event instanceof Event.Generated) {
                states.clear();
                brought.ifPresent(pdf ->
                        states.add(new State(pdf, Message.of("evidence.state.unsealed"), names(agreement, open))));
            } else if (event instanceof Event.OfficeSealed sealed) {
                brought.ifPresent(
                        pdf -> states.add(new State(pdf, Message.of("evidence.state.sealed"), names(agreement, open))));
                signers.add(new Signer(FieldPlacer.OFFICE_SEAL, Message.of("evidence.office"), sealed.certificate()));
            } else if (event instanceof Event.Sealed sealed) {
                open.remove(sealed.party());
                Participant one = agreement.participant(sealed.party()).orElseThrow();
                brought.ifPresent(pdf -> states.add(new State(
                        pdf, Message.of("evidence.state.acted", "name", one.name()), names(agreement, open))));
                agreement
                        .document(document)
                        .filter(kept -> one.duty() == Duty.SIGNS)
                        .flatMap(kept -> kept.signatureOf(one.party()))
                        .ifPresent(place -> signers.add(new Signer(
                                place.field().name(),
                                Message.of("evidence.person", "name", one.name()),
                                sealed.certificate())));
            } else if (event instanceof Event.SignedOnPaper signed && brought.isPresent()) {
                left.addAll(states);
                states.clear();
                signers.clear();
                open.removeAll(signed.parties());
                states.add(new State(brought.get(), Message.of("evidence.state.scan"), List.of()));
            } else if (event instanceof Event.Completed) {
                brought.ifPresent(pdf -> states.add(new State(pdf, Message.of("evidence.state.completed"), List.of())));
            }
        }
        return new Expected(agreement.created().number(), states, signers, left);
    }

    private static List<String> names(Agreement agreement, List<PartyKey> parties) {
        return parties.stream()
                .map(party -> agreement.participant(party).orElseThrow())
                .map(one -> one.name() + " (" + one.label() + ")")
                .toList();
    }

    /** Which document of an agreement went through one of these states; empty when none did. */
    public static Optional<DocumentId> documentOf(List<Entry> history, Collection<Sha256> states) {
        return history.stream()
                .flatMap(entry -> entry.event().brought().stream())
                .filter(one -> states.contains(one.pdf()))
                .map(Revision::document)
                .findFirst();
    }

    Comparison compare(byte[] pdf, List<Verification.SignatureCheck> found) {
        List<Message> findings = new ArrayList<>();
        List<Message> notes = new ArrayList<>();
        identity(pdf, findings, notes);
        for (Signer signer : signers) {
            List<Verification.SignatureCheck> there = found.stream()
                    .filter(check -> check.field().equals(signer.field()))
                    .toList();
            if (there.isEmpty()) {
                findings.add(Message.of("evidence.signature-missing", "who", signer.who(), "field", signer.field()));
            } else if (signer.certificate().known()
                    && !there.get(0)
                            .certificate()
                            .sha256()
                            .equals(signer.certificate().sha256())) {
                findings.add(Message.of(
                        "evidence.other-certificate",
                        "field",
                        signer.field(),
                        "who",
                        signer.who(),
                        "serial",
                        signer.certificate().serial(),
                        "by",
                        there.get(0).by(),
                        "otherSerial",
                        there.get(0).certificate().serial()));
            }
        }
        Set<String> known = signers.stream().map(Signer::field).collect(Collectors.toSet());
        found.stream()
                .filter(check -> !known.contains(check.field()))
                .forEach(check ->
                        notes.add(Message.of("evidence.signature-foreign", "by", check.by(), "field", check.field())));
        return new Comparison(findings, notes);
    }

    /** Which state of the agreement the file is, or begins with. */
    private void identity(byte[] pdf, List<Message> findings, List<Message> notes) {
        if (states.isEmpty()) {
            findings.add(Message.of("evidence.no-document", "number", number));
            return;
        }
        Collection<Sha256> within = FileStates.hashes(pdf).values();
        int last = states.size() - 1;
        int at = indexOf(Sha256.of(pdf));
        int begins = within.stream().mapToInt(this::indexOf).max().orElse(-1);
        if (at == last || begins == last) {
            if (at != last) notes.add(Message.of("evidence.added-behind", "number", number));
            for (State state : states) {
                if (!within.contains(state.sha256()))
                    findings.add(Message.of("evidence.state-missing", "state", state.as()));
            }
        } else if (at >= 0) {
            findings.add(withMissing(
                    Message.of(
                            "evidence.earlier-state",
                            "number",
                            number,
                            "state",
                            states.get(at).as()),
                    at));
        } else if (begins >= 0) {
            findings.add(withMissing(
                    Message.of(
                            "evidence.begins-as",
                            "number",
                            number,
                            "state",
                            states.get(begins).as()),
                    begins));
        } else {
            findings.add(left.stream()
                    .filter(state -> within.contains(state.sha256()))
                    .reduce((before, after) -> after)
                    .map(state -> withNames(
                            Message.of("evidence.before-paper", "number", number, "state", state.as()),
                            state.missing()))
                    .orElse(Message.of("evidence.other-file", "number", number)));
        }
    }

    private Message withMissing(Message said, int at) {
        return withNames(said, states.get(at).missing());
    }

    private static Message withNames(Message said, List<String> names) {
        return names.isEmpty()
                ? said
                : Message.of("evidence.with-missing", "said", said, "names", String.join(", ", names));
    }

    private int indexOf(Sha256 sha256) {
        for (int i = states.size() - 1; i >= 0; i--) {
            if (states.get(i).sha256().equals(sha256)) return i;
        }
        return -1;
    }

    /** The SHA-256 of every state that a file may have gone through, to find out whose it is. */
    public static List<Sha256> statesOf(byte[] pdf) {
        return List.copyOf(FileStates.hashes(pdf).values());
    }
}
