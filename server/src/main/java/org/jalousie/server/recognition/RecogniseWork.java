package org.jalousie.server.recognition;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.messages.Message;
import org.jalousie.core.recognition.TagPlaces;
import org.jalousie.server.Refusal;
import org.jalousie.server.files.FileStore;
import org.jalousie.server.jobs.JobKind;
import org.jalousie.server.jobs.JobWork;
import org.jalousie.server.paper.Papers;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes a finished file in and recognises it. What somebody has done with it meanwhile stays. */
@Component
class RecogniseWork implements JobWork {
    private final FinishedFiles rows;
    private final Papers papers;
    private final FileStore files;
    private final FileWithTags tags;
    private final Recognition recognition;
    private final TransactionTemplate transaction;

    RecogniseWork(
            FinishedFiles rows,
            Papers papers,
            FileStore files,
            FileWithTags tags,
            Recognition recognition,
            TransactionTemplate transaction) {
        this.rows = rows;
        this.papers = papers;
        this.files = files;
        this.tags = tags;
        this.recognition = recognition;
        this.transaction = transaction;
    }

    @Override
    public JobKind kind() {
        return JobKind.RECOGNISE;
    }

    @Override
    public boolean run(String instance) {
        UUID id = UUID.fromString(instance);
        Optional<FinishedFile> found = rows.findById(id).filter(one -> one.state() == FinishedFile.State.READING);
        if (found.isEmpty()) return false;
        FinishedFile row = found.get();
        try {
            FinishedFile.Paper pages = pages(row);
            Recognition.Found recognised = recognition.of(pages);
            settle(row, now -> {
                now.read(pages, recognised.candidates());
                recognised
                        .decided()
                        .ifPresent(taken ->
                                now.takenFor(taken.key().version(), taken.key().document(), taken.understanding()));
            });
        } catch (Refusal e) {
            settle(row, now -> now.refused(e.getMessage()));
        }
        return true;
    }

    private FinishedFile.Paper pages(FinishedFile row) {
        byte[] file = files.get(row.brought());
        Optional<TagPlaces.Found> tagged = tags.of(file);
        Papers.Paper paper = papers.take(tagged.map(TagPlaces.Found::pdf).orElse(file), row.title(), row.plain());
        return new FinishedFile.Paper(
                paper.file(),
                paper.notes().stream().map(Message::toString).toList(),
                tagged.map(TagPlaces.Found::places).orElse(Map.of()));
    }

    @Override
    public void givenUp(String instance, String reason) {
        rows.findById(UUID.fromString(instance)).ifPresent(row -> settle(row, now -> now.refused(reason)));
    }

    private interface Change {
        void on(FinishedFile now);
    }

    /** Only the file as it was when the work began: who took it off or has it read again meanwhile was later. */
    private void settle(FinishedFile before, Change change) {
        transaction.executeWithoutResult(status -> rows.locked(before.id())
                .filter(now -> now.revision() == before.revision() && now.state() == FinishedFile.State.READING)
                .ifPresent(change::on));
    }
}
