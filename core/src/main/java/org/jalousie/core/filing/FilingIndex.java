package org.jalousie.core.filing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.json.Json;
import org.jalousie.core.tables.CsvWriter;

/** What lies beside filed agreements, so that they can be found and understood without this program: a table and JSON of a month. */
public final class FilingIndex {
    /** The folder in which they lie. */
    public static final String FOLDER = "index";

    private FilingIndex() {}

    /** A file. @param path from where the index's folder lies; {@code what} it is: a document's title, or what kind of file */
    public record FiledFile(String path, String what, Sha256 sha256) {}

    /** Somebody with a part. @param part what it is called */
    public record FiledPerson(String part, String name) {}

    /**
     * An agreement that is filed.
     *
     * @param completed the day, ISO 8601
     * @param data as it is stored
     * @param people who had a part
     */
    public record FiledAgreement(
            AgreementNumber number,
            String title,
            String template,
            String completed,
            Map<FieldName, String> data,
            List<FiledPerson> people,
            List<FiledFile> files) {}

    /** @param month such as 2027-03 */
    public static String path(String month, String extension) {
        return FOLDER + "/" + month + "." + extension;
    }

    /** One line for each file. */
    public static byte[] csv(List<FiledAgreement> agreements) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (CsvWriter writer = new CsvWriter(out)) {
            writer.heads(List.of("number", "title", "template", "completed", "people", "file", "what", "sha256"));
            for (FiledAgreement one : agreements)
                for (FiledFile file : one.files()) {
                    List<Optional<Value>> cells = new ArrayList<>();
                    for (String text : List.of(
                            one.number().value(),
                            one.title(),
                            one.template(),
                            one.completed(),
                            one.people().stream().map(FiledPerson::name).collect(Collectors.joining("; ")),
                            file.path(),
                            file.what(),
                            file.sha256().hex())) cells.add(Optional.of(new Value.Text(text)));
                    writer.row(cells);
                }
        } catch (IOException e) {
            throw new UncheckedIOException("the index can't be written", e);
        }
        return out.toByteArray();
    }

    /** Everything, as canonical JSON (RFC 8785). */
    public static byte[] json(List<FiledAgreement> agreements) {
        return Json.canonical(Map.of("agreements", agreements)).getBytes(StandardCharsets.UTF_8);
    }
}
