package org.jalousie.server.agreement;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface AgreementRows extends JpaRepository<AgreementRow, UUID> {
    Optional<AgreementRow> findByNumber(String number);

    Page<AgreementRow> findByStateInOrderByChangedAtDesc(Collection<String> states, Pageable page);

    /** @param words a tsquery of word beginnings, such as {@code viola:* & marsh:*} */
    @Query(
            value =
                    "select * from agreement where state in (:states) and search @@ to_tsquery('simple', :words) order by changed_at desc",
            countQuery =
                    "select count(*) from agreement where state in (:states) and search @@ to_tsquery('simple', :words)",
            nativeQuery = true)
    Page<AgreementRow> search(Collection<String> states, String words, Pageable page);

    @Query("select a.id from AgreementRow a where a.state = 'OUT'")
    List<UUID> out();

    /** Agreements of an earlier version of the program, which are found by less. */
    @Query(value = "select id from agreement where facts = '' limit 200", nativeQuery = true)
    List<UUID> withoutFacts();

    @Query(value = "select nextval('agreement_number')", nativeQuery = true)
    long nextNumber();
}
