package org.jalousie.server.intake;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface IntakeRequests extends JpaRepository<IntakeRequest, UUID> {
    Page<IntakeRequest> findByAgreementNumberIsNullOrderByCreatedAtDesc(Pageable page);

    Optional<IntakeRequest> findByNumber(String number);

    Optional<IntakeRequest> findByFormKey(UUID formKey);

    @Query(value = "select nextval('request_number')", nativeQuery = true)
    long nextNumber();
}
