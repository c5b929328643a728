package org.jalousie.server.template;

import java.util.Optional;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.core.wording.write.Composer;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Component;

/** Makes templates of what was written in the program. */
@Component
class WrittenTemplates {
    private static final int MOST_WRITTEN = 1_000_000;

    private final TemplateService templates;
    private final FileStore files;

    WrittenTemplates(TemplateService templates, FileStore files) {
        this.templates = templates;
        this.files = files;
    }

    TemplateViews.TemplateDetail compose(Composer.Composition composition) {
        TemplateService.requireName(composition.title());
        if (composition.html().length() > MOST_WRITTEN) throw Refusal.invalid(Message.of("wording.too-long"));
        return templates.bringIn(composition.title(), Composer.word(composition, this::picture));
    }

    private byte[] picture(String name) {
        Optional<byte[]> found = Sha256.read(name).flatMap(files::asFound);
        try {
            return PictureFile.read(found.orElse(new byte[0])).bytes();
        } catch (PictureFile.Unacceptable e) {
            throw Refusal.invalid(Message.of("wording.picture-gone"));
        }
    }
}
