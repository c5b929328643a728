package org.jalousie.server.recognition;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface TextFingerprints extends JpaRepository<TextFingerprint, TextFingerprint.Key> {
    @Query("select p from TextFingerprint p where p.templateVersionId in :versions and p.edition = :edition")
    List<TextFingerprint> of(Collection<UUID> versions, int edition);

    /** Two who make the same at one moment have made the same. */
    @Transactional
    @Modifying
    @Query(
            value = "insert into text_fingerprint values (:version, :document, :edition, :print)"
                    + " on conflict (template_version_id, document)"
                    + " do update set edition = excluded.edition, print = excluded.print",
            nativeQuery = true)
    void keep(UUID version, String document, int edition, byte[] print);
}
