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

    /** Those that wait for the office, for this reason. */
    Page<AgreementRow> findByAttention(String attention, Pageable page);

    /** The same of templates that aren't hidden. */
    Page<AgreementRow> findByAttentionAndTemplateIdNotIn(String attention, Collection<UUID> hidden, Pageable page);

    Page<AgreementRow> findByStateInAndAttentionNull(Collection<String> states, Pageable page);

    /** The same of templates that aren't hidden. */
    Page<AgreementRow> findByStateInAndAttentionNullAndTemplateIdNotIn(
            Collection<String> states, Collection<UUID> hidden, Pageable page);

    /** Agreements for which a reminder or the end is due. */
    @Query("select a.id from AgreementRow a where a.dueAt <= :now order by a.dueAt")
    List<UUID> due(Instant now);

    /** What is out is looked at anew, since what its due times follow from has changed. */
    @Modifying
    @Query("update AgreementRow a set a.dueAt = :now where a.state = 'OUT'")
    void lookAgain(Instant now);

    @Query("select a.id as id, a.number as number from AgreementRow a where a.id in :ids")
    List<Numbered> numbered(Collection<UUID> ids);

    interface Numbered {
        UUID getId();

        String getNumber();
    }

    @Query("select a.number as number, a.state as state from AgreementRow a where a.number in :numbers")
    List<Stated> stated(Collection<String> numbers);

    interface Stated {
        String getNumber();

        String getState();
    }

    @Query(value = "select nextval('agreement_number')", nativeQuery = true)
    long nextNumber();
}
