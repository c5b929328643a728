package org.jalousie.server.postroom;

import java.time.Instant;
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
