package org.jalousie.server.postroom;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.letters.Occasion;
import org.jalousie.core.letters.RequestLetter;
import org.jalousie.core.parties.PartyKey;

/** One mail that goes out. Its words are made when it is sent, since its link is kept nowhere. */
@Entity
@Table(name = "mail")
class Mail {
    static final String WAITING = "WAITING";

    @Id
    private UUID id;

    private UUID agreementId;
    private UUID about;
    private String kind;
    private String party;
    private String recipient;
    private String subject;
    private String state;
    private Instant createdAt;
    private Instant sentAt;
    private Instant goesAt;
    private int askedBy;
    private boolean byText;
    private String carrierId;
    private Instant returnedAt;
    private String returnedBecause;
    private Instant sentAgainAt;

    /** Null for all but those to whom the office tells besides. */
    private Integer telling;

    protected Mail() {}

    Mail(
            UUID agreementId,
            Occasion kind,
            Optional<PartyKey> party,
            String recipient,
            String subject,
            int askedBy,
            Instant now) {
        this.id = UUID.randomUUID();
        this.agreementId = agreementId;
        this.kind = kind.name();
        this.party = party.map(PartyKey::value).orElse("");
        this.recipient = recipient;
        this.subject = subject;
        this.askedBy = askedBy;
        this.state = WAITING;
        this.createdAt = now;
    }

    /** About what is no agreement yet. */
    static Mail about(UUID about, RequestLetter.About occasion, String recipient, String subject, Instant now) {
        Mail mail = new Mail();
        mail.id = UUID.randomUUID();
        mail.about = about;
        mail.kind = occasion.name();
        mail.party = "";
        mail.recipient = recipient;
        mail.subject = subject;
        mail.state = WAITING;
        mail.createdAt = now;
        return mail;
    }

    /** It goes out as a text message, to a telephone. */
    static Mail text(UUID agreementId, PartyKey party, String number, String subject, int askedBy, Instant now) {
        Mail mail = new Mail(agreementId, Occasion.CODE, Optional.of(party), number, subject, askedBy, now);
        mail.byText = true;
        return mail;
    }

    /** To whom the office tells besides. @param telling which line of the template's */
    static Mail telling(UUID agreementId, int telling, String recipient, String subject, int askedBy, Instant now) {
        Mail mail = new Mail(agreementId, Occasion.TOLD, Optional.empty(), recipient, subject, askedBy, now);
        mail.telling = telling;
        return mail;
    }

    Optional<Integer> telling() {
        return Optional.ofNullable(telling);
    }

    SentMails.SentMail sentMail() {
        return new SentMails.SentMail(
                kind,
                recipient,
                subject,
                state,
                SentMails.said(createdAt),
                SentMails.said(sentAt),
                returnedBecause == null ? "" : returnedBecause);
    }

    /** It waits for the office's hours. */
    void waitsUntil(Instant moment) {
        goesAt = moment;
    }

    void notNeeded() {
        state = "NOT_NEEDED";
    }

    void sent(Instant now) {
        state = "SENT";
        sentAt = now;
    }

    /** @return whether that wasn't known yet */
    boolean returned(String because, Instant now) {
        if (returnedAt != null) return false;
        state = "RETURNED";
        returnedAt = now;
        returnedBecause = because;
        return true;
    }

    /** What the mail server said of one that came back; null for others. */
    String returnedBecause() {
        return returnedBecause;
    }

    Instant returnedAt() {
        return returnedAt;
    }

    /** @param id what its carrier calls it */
    void carried(String id, Instant now) {
        carrierId = id;
        sent(now);
    }

    boolean byText() {
        return byText;
    }

    /** What the carrier of a text message calls it; null until it went out, and for mails. */
    String carrierId() {
        return carrierId;
    }

    public UUID id() {
        return id;
    }

    public UUID agreementId() {
        return agreementId;
    }

    /** What it is about that is no agreement yet. */
    UUID about() {
        return about;
    }

    RequestLetter.About requestOccasion() {
        return RequestLetter.About.valueOf(kind);
    }

    /** The word for what it is about. */
    String kindName() {
        return kind;
    }

    void failed() {
        state = "FAILED";
    }

    public Occasion kind() {
        return Occasion.valueOf(kind);
    }

    /** Whom it goes to; empty when the mail goes to the office. */
    public Optional<PartyKey> party() {
        return PartyKey.read(party);
    }

    public String recipient() {
        return recipient;
    }

    public String subject() {
        return subject;
    }

    public boolean waiting() {
        return state.equals(WAITING) || state.equals("FAILED");
    }

    String state() {
        return state;
    }

    Instant createdAt() {
        return createdAt;
    }

    /** When it goes that waits for the office's hours; null for one that doesn't. */
    Instant goesAt() {
        return goesAt;
    }

    Instant sentAt() {
        return sentAt;
    }

    /** The number of the event that asked for it; 0 in what was stored before it was kept. */
    int askedBy() {
        return askedBy;
    }
}
