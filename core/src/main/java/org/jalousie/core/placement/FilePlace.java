package org.jalousie.core.placement;

import java.util.Optional;
import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.messages.Message;

/**
 * A file that the party attaches. The page shows its name; the file itself goes with the agreement, and the trail and the
 * signing record name it by its hash.
 *
 * @param hint said beside the input; may be empty
 */
public record FilePlace(boolean required, String hint, BoxSize size) implements AskedPlace {
    static final String KIND = "file";
    private static final BoxSize ROOM = new BoxSize(70, 8);
    /** Required. */
    static final FilePlace USUAL = new FilePlace(true, "", ROOM);

    public FilePlace {
        hint = hint == null ? "" : hint;
        size = BoxSize.or(size, ROOM);
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public Optional<Message> wrong(String answer) {
        return AttachedFile.read(answer).isPresent() ? Optional.empty() : Optional.of(Message.of("field.not-a-file"));
    }

    /** A formula speaks of a file by its name. */
    @Override
    public String worth(String answer) {
        return AttachedFile.read(answer).map(AttachedFile::name).orElse("");
    }

    /** Nobody knows beforehand what a file will be. */
    @Override
    public boolean canBeWaitedFor() {
        return false;
    }

    /** A name is set smaller, or over several lines, until it fits. */
    @Override
    public boolean manyLines() {
        return true;
    }

    @Override
    public Printed printed(PartyAct act) {
        return new Printed.Words(
                AttachedFile.read(act.answer()).map(AttachedFile::name).orElse(""));
    }

    @Override
    public Optional<String> told(String answer) {
        return Optional.of(AttachedFile.read(answer)
                .map(one -> one.name() + " (SHA-256 " + one.file().hex() + ")")
                .orElse(""));
    }
}
