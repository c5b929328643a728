package org.jalousie.server.intake;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface IntakeRequests extends JpaRepository<IntakeRequest, UUID> {
    Page<IntakeRequest> findAllByOrderByCreatedAtDesc(Pageable page);

    Page<IntakeRequest> findByAgreementNumberIsNullOrderByCreatedAtDesc(Pageable page);

    Optional<IntakeRequest> findByNumber(String number);

    Optional<IntakeRequest> findByFormKey(UUID formKey);

    /** One person at a time changes a request or makes an agreement of it. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from IntakeRequest r where r.number = :number")
    Optional<IntakeRequest> lock(String number);

    @Query(value = "select nextval('request_number')", nativeQuery = true)
    long nextNumber();
}
