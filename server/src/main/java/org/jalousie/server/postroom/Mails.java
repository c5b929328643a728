package org.jalousie.server.postroom;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface Mails extends JpaRepository<Mail, UUID> {
    /** Mails in a state that were put off. */
    List<Mail> findByStateAndGoesAtNotNull(String state);

    List<Mail> findByAgreementIdOrderByCreatedAtAscIdAsc(UUID agreementId);

    /** What every mail fulfils that is about nothing of some templates. */
    String SEEN = " (m.agreementId is null or m.agreementId not in"
            + " (select a.id from AgreementRow a where a.templateId in :hidden))"
            + " and (m.about is null or m.about not in (select r.id from IntakeRequest r where r.templateId in :hidden))";

    /** All but those that are about something of some templates. @param hidden these */
    @Query("select m from Mail m where" + SEEN)
    Page<Mail> seen(Collection<UUID> hidden, Pageable page);

    /** Of signed copies that came back, those that are about nothing of some templates. @param hidden these */
    @Query("select m from Mail m where m.state = 'RETURNED' and m.kind = 'COMPLETED' and m.sentAgainAt is null"
            + " and m.agreementId is not null and" + SEEN + " order by m.returnedAt desc, m.id")
    Page<Mail> copiesBackSeen(Collection<UUID> hidden, Pageable page);

    /** Signed copies that came back and were not sent once more. */
    @Query("select m from Mail m where m.state = 'RETURNED' and m.kind = 'COMPLETED' and m.sentAgainAt is null"
            + " and m.agreementId is not null order by m.returnedAt desc, m.id")
    Page<Mail> copiesBack(Pageable page);

    @Query("select m from Mail m where m.state = 'RETURNED' and m.kind = 'COMPLETED' and m.sentAgainAt is null"
            + " and m.agreementId = :agreement order by m.returnedAt desc, m.id")
    List<Mail> copiesBackOf(UUID agreement);

    /** @return 1 for who is the first to send it once more */
    @Modifying
    @Query("update Mail m set m.sentAgainAt = :now where m.id = :id and m.sentAgainAt is null"
            + " and m.state = 'RETURNED' and m.kind = 'COMPLETED'")
    int sendingAgain(UUID id, Instant now);

    Optional<Mail> findFirstByAboutOrderByCreatedAtDescIdDesc(UUID about);

    void deleteByAbout(UUID about);

    @Query("select distinct m.agreementId from Mail m where lower(m.recipient) = :to and m.agreementId is not null"
            + " order by m.agreementId")
    List<UUID> agreementsTo(String to, Pageable most);

    @Query("select count(m) from Mail m where lower(m.recipient) = :to")
    long countTo(String to);
}
