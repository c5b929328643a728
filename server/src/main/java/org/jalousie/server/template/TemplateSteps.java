package org.jalousie.server.template;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface TemplateSteps extends JpaRepository<TemplateStep, TemplateStep.Key> {
    /** The change that would be taken back next. */
    Optional<TemplateStep> findFirstByVersionIdAndTakenBackFalseOrderByNumberDesc(UUID versionId);

    /** The change that would be made again next. */
    Optional<TemplateStep> findFirstByVersionIdAndTakenBackTrueOrderByNumberAsc(UUID versionId);

    Optional<TemplateStep> findFirstByVersionIdOrderByNumberDesc(UUID versionId);

    @Modifying(flushAutomatically = true)
    @Query("delete from TemplateStep s where s.versionId = :version and (s.takenBack = true or s.number <= :oldest)")
    void deleteTakenBackAndUpTo(UUID version, int oldest);
}
