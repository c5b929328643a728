package org.jalousie.server.agreement;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.filing.OneArchive;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The files of agreements, as the office fetches them. */
@Service
class AgreementFiles {
    private final AgreementService service;
    private final FileStore files;

    AgreementFiles(AgreementService service, FileStore files) {
        this.service = service;
        this.files = files;
    }

    String fileName(AgreementNumber number, String id, String extension) {
        Agreement agreement = service.agreement(number);
        return FileNames.of(agreement, AgreementService.document(agreement, id).id(), extension);
    }

    byte[] pdf(AgreementNumber number, String id) {
        return files.get(service.document(number, id).pdf());
    }

    byte[] word(AgreementNumber number, String id) {
        return files.get(service.document(number, id)
                .word()
                .orElseThrow(() -> Refusal.notFound(Message.of("agreement.no-word-file"))));
    }

    /** @param file the SHA-256 of a file that a party attached, as it stands in an address */
    @Transactional(readOnly = true)
    public Agreement.Attached attached(AgreementNumber number, String file) {
        return service.agreement(number).attached().stream()
                .filter(one -> one.file().file().hex().equals(file))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound(Message.of("agreement.no-file-yet")));
    }

    byte[] file(Agreement.Attached attached) {
        return files.get(attached.file().file());
    }

    /** All files of an agreement, each by the name by which it is fetched alone. */
    @Transactional(readOnly = true)
    public byte[] together(AgreementNumber number) {
        Agreement agreement = service.agreement(number);
        Map<String, Supplier<byte[]>> all = new LinkedHashMap<>();
        for (Document one : agreement.documents())
            all.put(
                    OneArchive.free(FileNames.of(agreement, one.id(), "pdf"), all.keySet()),
                    () -> files.get(one.pdf()));
        agreement
                .record()
                .ifPresent(record -> all.put(
                        FileNames.of(number, agreement.title(), "signing record", "pdf"), () -> files.get(record)));
        for (Agreement.Attached one : agreement.attached())
            all.put(
                    OneArchive.free(one.file().name(), all.keySet()),
                    () -> files.get(one.file().file()));
        return OneArchive.of(all);
    }

    @Transactional(readOnly = true)
    public byte[] record(AgreementNumber number) {
        return files.get(service.agreement(number)
                .record()
                .orElseThrow(() -> Refusal.notFound(Message.of("agreement.no-file-yet"))));
    }
}
