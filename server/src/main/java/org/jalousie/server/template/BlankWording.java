package org.jalousie.server.template;

import java.util.Set;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.Composer;
import org.jalousie.server.files.FileStore;

/** A wording without words, for a template that has none. @param content what a template begins with */
record BlankWording(Sha256 file, TemplateContent content) {
    static BlankWording of(String name, FileStore files) {
        byte[] word = Composer.word(
                new Composer.Composition(name, "", "", "", false, "", null, null), picture -> new byte[0]);
        return new BlankWording(
                files.keep(word),
                Proposal.first(Wording.compile(WordFile.open(word), Set.of()).found()));
    }
}
