package org.jalousie.server.agreement;

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

interface AgreementRows extends JpaRepository<AgreementRow, UUID> {
    Optional<AgreementRow> findByNumber(String number);

    Page<AgreementRow> findByStateIn(Collection<String> states, Pageable page);

    Page<AgreementRow> findByKeptOutTrue(Pageable page);

    Page<AgreementRow> findByUndeliveredTrue(Pageable page);

    Page<AgreementRow> findByAskedTrue(Pageable page);

    Page<AgreementRow> findByStateInAndKeptOutFalseAndUndeliveredFalse(Collection<String> states, Pageable page);

    /** @param words a tsquery of word beginnings, such as {@code viola:* & marsh:*} */
    @Query("select a from AgreementRow a where a.state in :states"
            + " and cast(sql('(search @@ to_tsquery(''simple'', ?))', :words) as boolean) = true")
    Page<AgreementRow> search(Collection<String> states, String words, Pageable page);

    /** Agreements for which a reminder or the end is due. */
    @Query("select a.id from AgreementRow a where a.dueAt <= :now order by a.dueAt")
    List<UUID> due(Instant now);

    /** What is out is looked at anew, since what its due times follow from has changed. */
    @Modifying
    @Query("update AgreementRow a set a.dueAt = :now where a.state = 'OUT'")
    void lookAgain(Instant now);

    /** @param words of the document, made ready to be found */
    @Modifying
    @Query(value = "update agreement set words = :words where id = :id", nativeQuery = true)
    void foundByWords(UUID id, String words);

    /** @param facts people and data, made ready to be found */
    @Modifying
    @Query(value = "update agreement set facts = :facts where id = :id", nativeQuery = true)
    void foundByFacts(UUID id, String facts);

    @Query("select a.id as id, a.number as number from AgreementRow a where a.id in :ids")
    List<Numbered> numbered(Collection<UUID> ids);

    interface Numbered {
        UUID getId();

        String getNumber();
    }

    /** Agreements of an earlier version of the program, which are found by less. */
    @Query(value = "select id from agreement where facts = '' limit 200", nativeQuery = true)
    List<UUID> withoutFacts();

    @Query(value = "select nextval('agreement_number')", nativeQuery = true)
    long nextNumber();
}
