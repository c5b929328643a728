package org.jalousie.server.intake;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.FileLimits;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.files.OpenFiles;
import org.springframework.stereotype.Component;

/** Files that are given with forms: taken in by what they are, whatever they are called, and looked at again when they are used. */
@Component
class GivenFiles {
    /** A picture was made fit for pages when it was taken in, however large it is. */
    private static final FileLimits PICTURES = new FileLimits(List.of(FileLimits.Kind.PICTURE), FileLimits.LARGEST);

    private final FileStore files;

    GivenFiles(FileStore files) {
        this.files = files;
    }

    /**
     * Keeps a file.
     *
     * @param name as its owner calls it
     * @throws Refusal for what is too large or none of these kinds
     */
    AttachedFile keep(String name, byte[] bytes, FileLimits limits) {
        String plain = OpenFiles.plain(name, AttachedFile.LONGEST_NAME);
        String called = plain.isEmpty() ? "file" : plain;
        if (bytes.length > limits.most())
            throw Refusal.invalid(Message.of("form.file-large", "name", called, "most", limits.megabytes()));
        byte[] opened = OpenFiles.taken(bytes)
                .filter(one -> limits.allows(kindOf(one)))
                .orElseThrow(
                        () -> Refusal.invalid(Message.of("form.file-kind", "name", called, "kinds", kinds(limits))));
        return new AttachedFile(files.keep(opened), called);
    }

    private static FileLimits.Kind kindOf(byte[] bytes) {
        return OpenFiles.isPdf(bytes) ? FileLimits.Kind.PDF : FileLimits.Kind.PICTURE;
    }

    private static Message kinds(FileLimits limits) {
        boolean pdf = limits.allows(FileLimits.Kind.PDF);
        boolean picture = limits.allows(FileLimits.Kind.PICTURE);
        return Message.of(pdf && picture ? "form.file-any" : pdf ? "form.file-pdf" : "form.file-picture");
    }

    /** Who names a file that isn't here, or is none of the kinds that the field takes, is told at its field. */
    void check(List<Field> fields, Map<FieldName, Value> values, Map<String, Message> faults) {
        for (Field field : fields) {
            Value value = values.get(field.name());
            if (value instanceof Value.Items list) {
                for (Map<String, Value> item : list.items())
                    for (Field inner : field.items())
                        fault(inner, item.get(inner.name().value()))
                                .ifPresent(
                                        fault -> faults.putIfAbsent(field.name().value(), fault));
            } else {
                fault(field, value)
                        .ifPresent(fault -> faults.putIfAbsent(field.name().value(), fault));
            }
        }
    }

    private Optional<Message> fault(Field field, Value value) {
        if (value instanceof Value.Attached one)
            return wrong(
                    one.file().file(),
                    field.files(),
                    field.files().most(),
                    one.file().name());
        if (value instanceof Value.Picture one && field.type() == FieldType.PICTURE)
            return Sha256.read(one.file()).flatMap(file -> wrong(file, PICTURES, Long.MAX_VALUE, field.label()));
        return Optional.empty();
    }

    /** @param most the largest, in bytes */
    private Optional<Message> wrong(Sha256 file, FileLimits limits, long most, String name) {
        byte[] bytes;
        try {
            bytes = files.get(file);
        } catch (IllegalStateException e) {
            return Optional.of(Message.of("form.file-gone", "name", name));
        }
        if (bytes.length > most)
            return Optional.of(Message.of("form.file-large", "name", name, "most", limits.megabytes()));
        try {
            boolean known = OpenFiles.isPdf(bytes) || OpenFiles.typeOf(bytes).startsWith("image/");
            if (known && limits.allows(kindOf(bytes))) return Optional.empty();
        } catch (RuntimeException e) {
            // not a picture either
        }
        return Optional.of(Message.of("form.file-kind", "name", name, "kinds", kinds(limits)));
    }
}
