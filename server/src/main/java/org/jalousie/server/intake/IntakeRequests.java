package org.jalousie.server.intake;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.query.Param;

interface IntakeRequests extends JpaRepository<IntakeRequest, UUID> {
    /** @param hidden templates of which none is found, one at least; here and in what follows */
    Page<IntakeRequest> findByAgreementNumberIsNullAndPartOfIsNullAndTemplateIdNotInOrderByCreatedAtDesc(
            Collection<UUID> hidden, Pageable page);

    /** @param stage, {@code owner}, {@code find} empty for any; {@code find} a pattern in small letters */
    String NARROWED =
            " from IntakeRequest r where r.partOf is null and (:stage = '' or cast(r.stage as string) = :stage)"
                    + " and (:owner = '' or r.ownerMail = :owner or :owner = '-' and r.ownerMail = '')"
                    + " and (:every = true or r.templateId = :template) and r.templateId not in :hidden"
                    + " and r.createdAt >= :from and r.createdAt < :until"
                    + " and (:find = '' or lower(r.number) like :find or lower(r.createdBy) like :find"
                    + " or lower(r.askerMail) like :find)";

    @Query("select r" + NARROWED)
    Page<IntakeRequest> narrowed(
            String stage,
            String owner,
            boolean every,
            UUID template,
            Collection<UUID> hidden,
            Instant from,
            Instant until,
            String find,
            Pageable page);

    /** How many there are in one stage. */
    interface Counted {
        RequestStage getStage();

        long getCount();
    }

    @Query("select r.stage as stage, count(r) as count" + NARROWED + " group by r.stage")
    List<Counted> counted(
            String stage,
            String owner,
            boolean every,
            UUID template,
            Collection<UUID> hidden,
            Instant from,
            Instant until,
            String find);

    /** How many there are under one heading. */
    interface Grouped {
        String getKey();

        long getCount();
    }

    @Query("select r.ownerMail as key, count(r) as count" + NARROWED + " group by r.ownerMail")
    List<Grouped> byOwner(
            String stage,
            String owner,
            boolean every,
            UUID template,
            Collection<UUID> hidden,
            Instant from,
            Instant until,
            String find);

    @Query("select cast(r.templateId as string) as key, count(r) as count" + NARROWED + " group by r.templateId")
    List<Grouped> byTemplate(
            String stage,
            String owner,
            boolean every,
            UUID template,
            Collection<UUID> hidden,
            Instant from,
            Instant until,
            String find);

    /** The oldest of those that wait for somebody and come after a moment. */
    @Query("select r from IntakeRequest r where r.agreementNumber is null and r.partOf is null and r.createdAt > :after"
            + " and r.templateId not in :hidden order by r.createdAt, r.id")
    List<IntakeRequest> waitingAfter(Instant after, Collection<UUID> hidden, Pageable page);

    Optional<IntakeRequest> findByNumber(String number);

    /** The parts of a request, in the order of their numbers. */
    @Query("select r from IntakeRequest r where r.partOf = :whole order by length(r.number), r.number")
    List<IntakeRequest> partsOf(UUID whole);

    /** How many further agreements requests ask for. */
    @Query("select r.partOf as whole, count(r) as count from IntakeRequest r where r.partOf in :wholes"
            + " and r.wanted = true group by r.partOf")
    List<PartCount> partCounts(Collection<UUID> wholes);

    interface PartCount {
        UUID getWhole();

        long getCount();
    }

    Optional<IntakeRequest> findByFormKey(UUID formKey);

    /** Those that renew some agreements, the newest first. */
    @Query("select r from IntakeRequest r where r.renews in :agreements order by r.createdAt desc, r.id")
    List<IntakeRequest> renewing(@Param("agreements") Collection<String> agreements);

    @Query(value = "select nextval('request_number')", nativeQuery = true)
    long nextNumber();
}
