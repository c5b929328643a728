package org.jalousie.server.adapters;

import jakarta.annotation.PostConstruct;
import jakarta.annotation.PreDestroy;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.file.Files;
import java.util.Map;
import java.util.stream.IntStream;
import org.jalousie.server.Settings;
import org.jodconverter.core.document.DefaultDocumentFormatRegistry;
import org.jodconverter.core.document.DocumentFormat;
import org.jodconverter.core.office.OfficeException;
import org.jodconverter.local.LocalConverter;
import org.jodconverter.local.office.LocalOfficeManager;
import org.springframework.stereotype.Component;

/** LibreOffice kept warm: one or more office processes that restart by themselves. */
@Component
class OfficeConverter implements Converter {
    private static final Map<String, Object> FILTER =
            Map.of("SelectPdfVersion", 2, "UseTaggedPDF", true, "ExportBookmarks", false);
    // com.sun.star.document.MacroExecMode.NEVER_EXECUTE and UpdateDocMode.NO_UPDATE
    private static final Map<String, Object> LOAD =
            Map.of("Hidden", true, "ReadOnly", true, "MacroExecutionMode", (short) 0, "UpdateDocMode", (short) 0);

    private final LocalOfficeManager manager;
    private final DocumentFormat pdf = DocumentFormat.builder()
            .from(DefaultDocumentFormatRegistry.PDF)
            .storeProperty(org.jodconverter.core.document.DocumentFamily.TEXT, "FilterData", FILTER)
            .build();

    OfficeConverter(Settings settings) throws java.io.IOException {
        Settings.Converter wanted = settings.converter();
        Files.createDirectories(wanted.folder());
        this.manager = LocalOfficeManager.builder()
                .portNumbers(IntStream.range(0, wanted.processes())
                        .map(i -> wanted.port() + i)
                        .toArray())
                .workingDir(wanted.folder().toAbsolutePath().toString())
                .maxTasksPerProcess(500)
                .taskExecutionTimeout(60_000L)
                .processTimeout(60_000L)
                .startFailFast(false)
                .existingProcessAction(org.jodconverter.local.office.ExistingProcessAction.KILL)
                .build();
    }

    @PostConstruct
    void start() throws OfficeException {
        manager.start();
    }

    @PreDestroy
    void stop() throws OfficeException {
        manager.stop();
    }

    @Override
    public byte[] toPdf(byte[] word) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(256 * 1024);
        try {
            LocalConverter.builder()
                    .officeManager(manager)
                    .loadProperties(LOAD)
                    .filterChain(new ContentsLists())
                    .build()
                    .convert(new ByteArrayInputStream(word))
                    .as(DefaultDocumentFormatRegistry.DOCX)
                    .to(out)
                    .as(pdf)
                    .execute();
        } catch (OfficeException e) {
            throw new ConversionFailed("The word processor that makes the pages did not finish. It is tried again.", e);
        }
        byte[] made = out.toByteArray();
        if (made.length < 5 || made[0] != '%' || made[1] != 'P')
            throw new ConversionFailed("The word processor made no pages.", null);
        return made;
    }
}
