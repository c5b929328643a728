package org.jalousie.server.template;

import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** Files that go along with invitations: PDF and pictures, which everybody can open. */
@Component
class Attachments {
    private static final int LARGEST = 5_000_000;
    private static final int LONGEST_NAME = 120;
    private static final byte[] PDF = "%PDF-".getBytes(StandardCharsets.US_ASCII);

    private final FileStore files;

    Attachments(FileStore files) {
        this.files = files;
    }

    /** @param name as its reader will see it; {@code size} in bytes */
    @Schema(name = "KeptAttachment")
    record Kept(String name, Sha256 file, int size) {}

    Kept take(String name, byte[] bytes) {
        if (bytes.length > LARGEST) throw Refusal.invalid(Message.of("attachment.large", "most", LARGEST / 1_000_000));
        byte[] kept = isPdf(bytes) ? bytes : picture(bytes);
        String plain = name.replaceAll("[\\p{Cntrl}\\\\/:*?\"<>|]", " ").strip();
        return new Kept(plain.substring(0, Math.min(plain.length(), LONGEST_NAME)), files.keep(kept), kept.length);
    }

    /** Whether it is a PDF by its content (ISO 32000-1, §7.5.2), whatever it is called. */
    private static boolean isPdf(byte[] bytes) {
        return bytes.length > PDF.length && Arrays.equals(Arrays.copyOf(bytes, PDF.length), PDF);
    }

    private static byte[] picture(byte[] bytes) {
        try {
            return PictureFile.takeIn(bytes).bytes();
        } catch (PictureFile.Unacceptable e) {
            throw Refusal.invalid(Message.of("attachment.kind"));
        }
    }
}
