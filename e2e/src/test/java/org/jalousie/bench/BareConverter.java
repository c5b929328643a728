package org.jalousie.bench;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.util.Map;
import java.util.stream.IntStream;
import org.jodconverter.core.document.DefaultDocumentFormatRegistry;
import org.jodconverter.core.document.DocumentFamily;
import org.jodconverter.core.document.DocumentFormat;
import org.jodconverter.core.office.OfficeException;
import org.jodconverter.local.LocalConverter;
import org.jodconverter.local.office.LocalOfficeManager;

/** What the library and the word processor do by themselves, without a sandbox, the office's kind of PDF. The floor. */
final class BareConverter implements AutoCloseable {
    private static final DocumentFormat PDF = DocumentFormat.builder()
            .from(DefaultDocumentFormatRegistry.PDF)
            .storeProperty(
                    DocumentFamily.TEXT,
                    "FilterData",
                    Map.of("SelectPdfVersion", 2, "UseTaggedPDF", true, "ExportBookmarks", false))
            .build();
    private static final int FIRST_PORT = 28_811;
    private static final int WITHOUT_END = 1_000_000;

    private final LocalOfficeManager manager;

    private BareConverter(LocalOfficeManager manager) {
        this.manager = manager;
    }

    /** @param processes one is how it comes */
    static BareConverter start(int processes) {
        LocalOfficeManager manager = LocalOfficeManager.builder()
                .portNumbers(IntStream.range(FIRST_PORT, FIRST_PORT + processes).toArray())
                .maxTasksPerProcess(WITHOUT_END)
                .build();
        try {
            manager.start();
        } catch (OfficeException e) {
            throw new IllegalStateException(e);
        }
        return new BareConverter(manager);
    }

    byte[] toPdf(byte[] word) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            LocalConverter.builder()
                    .officeManager(manager)
                    .build()
                    .convert(new ByteArrayInputStream(word))
                    .as(DefaultDocumentFormatRegistry.DOCX)
                    .to(out)
                    .as(PDF)
                    .execute();
        } catch (OfficeException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }

    @Override
    public void close() throws OfficeException {
        manager.stop();
    }
}
