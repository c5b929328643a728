package org.jalousie.server.signing;

import org.jalousie.core.data.AttachedFile;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.FilePlace;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Files that participants bring and fetch. */
@Service
class AttachingService {
    private final Visitors visitors;
    private final AttachedFiles attached;
    private final FileStore files;

    AttachingService(Visitors visitors, AttachedFiles attached, FileStore files) {
        this.visitors = visitors;
        this.attached = attached;
        this.files = files;
    }

    /** @throws Refusal when this visitor may bring no file here and now */
    @Transactional(readOnly = true)
    void requireMayAttach(Visit visit) {
        whoMayAttach(visit);
    }

    private Visitor whoMayAttach(Visit visit) {
        Visitor visitor = visitors.known(visit);
        Answers answers = visitor.answers();
        if (!answers.turn() || answers.fields().stream().noneMatch(field -> field.type() instanceof FilePlace))
            throw Refusal.conflict(Message.of("attach.nowhere"));
        attached.requireRoom(visitor.holder());
        return visitor;
    }

    /** Keeps a file that was looked at; whether its owner may bring it is looked at once more, since time has passed. */
    @Transactional
    AttachedFile attach(Visit visit, String name, byte[] opened) {
        return attached.keep(whoMayAttach(visit).holder(), name, opened);
    }

    /** @param name as its owner called it */
    record Fetched(byte[] bytes, String name) {}

    /** A file that somebody has answered with, for those who see the documents. */
    @Transactional(readOnly = true)
    Fetched fetch(Visit visit, Sha256 file) {
        Visitor visitor = visitors.known(visit);
        visitor.requireDocuments();
        return visitor.agreement().attached().stream()
                .filter(one -> one.file().file().equals(file))
                .findFirst()
                .map(one -> new Fetched(files.get(file), one.file().name()))
                .orElseThrow(() -> Refusal.notFound(Message.of("attach.gone")));
    }
}
