package org.jalousie.server.recognition;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface TextFingerprints extends JpaRepository<TextFingerprint, TextFingerprint.Key> {
    @Query("select p from TextFingerprint p where p.templateVersionId in :versions and p.edition = :edition")
    List<TextFingerprint> of(Collection<UUID> versions, int edition);
}
