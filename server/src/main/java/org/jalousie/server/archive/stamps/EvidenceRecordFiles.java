package org.jalousie.server.archive.stamps;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import java.util.function.Supplier;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.filing.OneArchive;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.springframework.stereotype.Service;

/** The evidence records of what belongs together, as files in one archive, each with the name of what it is about. */
@Service
class EvidenceRecordFiles {
    /** What the name of an evidence record ends in (ETSI EN 319 162-1 §A.1). */
    static final String ENDING = ".ers";

    private final EvidenceRecords records;
    private final Agreements agreements;

    EvidenceRecordFiles(EvidenceRecords records, Agreements agreements) {
        this.records = records;
        this.agreements = agreements;
    }

    /** Of an agreement's files. @throws Refusal while they aren't stamped */
    byte[] of(AgreementNumber number) {
        Agreement agreement = agreements.filed(number).agreement();
        UUID id = agreements.idOf(number);
        Map<String, Supplier<byte[]>> files = new LinkedHashMap<>();
        for (Document one : agreement.documents()) put(files, id, one.pdf(), FileNames.of(agreement, one.id(), "pdf"));
        agreement
                .record()
                .ifPresent(
                        file -> put(files, id, file, FileNames.of(number, agreement.title(), "signing record", "pdf")));
        for (Agreement.Attached one : agreement.attached())
            put(files, id, one.file().file(), OneArchive.plain(one.file().name()));
        if (files.isEmpty()) throw Refusal.notFound(Message.of("stamps.none-yet-of", "number", number));
        return OneArchive.of(files);
    }

    /** Of a daily root's statement and token. @throws Refusal while they aren't stamped */
    byte[] ofRoot(long root) {
        Map<String, Supplier<byte[]>> files = new LinkedHashMap<>();
        records.of(new Stamped.Root(root, Stamped.Part.STATEMENT))
                .ifPresent(one -> files.put("root-" + root + ".json" + ENDING, one::file));
        records.of(new Stamped.Root(root, Stamped.Part.TOKEN))
                .ifPresent(one -> files.put("root-" + root + ".tst" + ENDING, one::file));
        if (files.isEmpty()) throw Refusal.notFound(Message.of("stamps.none-yet-of-root", "root", root));
        return OneArchive.of(files);
    }

    private void put(Map<String, Supplier<byte[]>> files, UUID agreement, Sha256 file, String name) {
        records.fileOf(agreement, file).ifPresent(record -> {
            files.put(OneArchive.free(name + ENDING, files.keySet()), () -> record);
        });
    }
}
