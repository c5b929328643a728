package org.jalousie.server.postroom;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.filing.FileNames;
import org.jalousie.core.filing.OneArchive;
import org.jalousie.core.letters.Occasion;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.core.template.SendingSettings;
import org.jalousie.core.template.Telling;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.adapters.Outgoing;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.files.OpenFiles;
import org.springframework.stereotype.Component;

/** What goes along with a mail. */
@Component
class Enclosures {
    private final FileStore files;

    Enclosures(FileStore files) {
        this.files = files;
    }

    /** @param to the party that gets the mail; empty for anybody else, who gets all there is */
    List<Outgoing.Attachment> of(
            Occasion occasion, Agreement agreement, TemplateContent template, Optional<PartyKey> to) {
        if (occasion == Occasion.INVITATION) return withInvitation(agreement, template);
        if (occasion != Occasion.COMPLETED) return List.of();
        List<Document> theirs = to.map(
                        party -> agreement.documentsFor(party, template.bundle().onlyOwn()))
                .orElse(agreement.documents());
        return switch (template.sending().copies()) {
            case ATTACHED -> signed(agreement, theirs);
            case ARCHIVE -> List.of(archive(agreement, signed(agreement, theirs)));
            default -> List.of();
        };
    }

    /** What goes to whom the template tells besides: the documents as they are now, where it says so, and its own files. */
    List<Outgoing.Attachment> of(Telling telling, Agreement agreement) {
        List<Outgoing.Attachment> all = new ArrayList<>();
        if (telling.documents() && agreement.record().isPresent()) all.addAll(signed(agreement, agreement.documents()));
        else if (telling.documents())
            agreement
                    .documents()
                    .forEach(one -> all.add(
                            Outgoing.Attachment.pdf(FileNames.of(agreement, one.id(), "pdf"), files.get(one.pdf()))));
        telling.attachments().forEach(one -> all.add(own(one)));
        return all;
    }

    private Outgoing.Attachment own(SendingSettings.Attachment one) {
        byte[] bytes = files.get(one.file());
        return new Outgoing.Attachment(one.name(), bytes, OpenFiles.typeOf(bytes));
    }

    private static Outgoing.Attachment archive(Agreement agreement, List<Outgoing.Attachment> all) {
        Map<String, Supplier<byte[]>> entries = new LinkedHashMap<>();
        all.forEach(one -> entries.put(OneArchive.free(one.name(), entries.keySet()), one::bytes));
        return new Outgoing.Attachment(
                FileNames.of(agreement.created().number(), agreement.title(), "", "zip"),
                OneArchive.of(entries),
                "application/zip");
    }

    private List<Outgoing.Attachment> signed(Agreement agreement, List<Document> documents) {
        List<Outgoing.Attachment> all = new ArrayList<>();
        documents.forEach(one ->
                all.add(Outgoing.Attachment.pdf(FileNames.of(agreement, one.id(), "pdf"), files.get(one.pdf()))));
        all.add(Outgoing.Attachment.pdf(
                FileNames.of(agreement.created().number(), agreement.title(), "signing record", "pdf"),
                files.get(agreement.record().orElseThrow())));
        for (Agreement.Attached one : agreement.attached()) {
            byte[] bytes = files.get(one.file().file());
            all.add(new Outgoing.Attachment(one.file().name(), bytes, OpenFiles.typeOf(bytes)));
        }
        return all;
    }

    private List<Outgoing.Attachment> withInvitation(Agreement agreement, TemplateContent template) {
        List<Outgoing.Attachment> all = new ArrayList<>();
        template.sending().attachments().forEach(one -> all.add(own(one)));
        for (Field field : template.fields()) {
            if (!template.sending().attachedFields().contains(field.name())) continue;
            Sha256.read(agreement.data().getOrDefault(field.name(), "")).ifPresent(file -> {
                byte[] bytes = files.get(file);
                String ending = PictureFile.read(bytes).extension();
                all.add(new Outgoing.Attachment(
                        FileNames.of(agreement.created().number(), field.label(), "", ending),
                        bytes,
                        OpenFiles.typeOf(bytes)));
            });
        }
        return all;
    }
}
