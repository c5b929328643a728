package org.jalousie.server.template;

import io.swagger.v3.oas.annotations.media.Schema;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.files.OpenFiles;
import org.springframework.stereotype.Component;

/** Files that go along with invitations: PDF and pictures, which everybody can open. */
@Component
class Attachments {
    private static final int LONGEST_NAME = 120;

    private final FileStore files;

    Attachments(FileStore files) {
        this.files = files;
    }

    /** @param name as its reader will see it; {@code size} in bytes */
    @Schema(name = "KeptAttachment")
    record Kept(String name, Sha256 file, int size) {}

    Kept take(String name, byte[] bytes) {
        if (bytes.length > OpenFiles.LARGEST)
            throw Refusal.invalid(Message.of("attachment.large", "most", OpenFiles.LARGEST / 1_000_000));
        byte[] kept = OpenFiles.taken(bytes).orElseThrow(() -> Refusal.invalid(Message.of("attachment.kind")));
        return new Kept(OpenFiles.plain(name, LONGEST_NAME), files.keep(kept), kept.length);
    }
}
