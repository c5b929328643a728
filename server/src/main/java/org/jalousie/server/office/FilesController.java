package org.jalousie.server.office;

import org.jalousie.core.messages.Message;
import org.jalousie.server.files.FileMoves;
import org.jalousie.server.trail.Trail;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Where the office's files are kept. */
@RestController
@RequestMapping("/api/v1/office/files")
class FilesController {
    private final FileMoves moves;
    private final Trail trail;
    private final TransactionTemplate transaction;

    FilesController(FileMoves moves, Trail trail, TransactionTemplate transaction) {
        this.moves = moves;
        this.trail = trail;
        this.transaction = transaction;
    }

    /** @param keptIn FOLDER or BUCKET */
    record ChosenFilePlace(String keptIn) {}

    /** Where files are kept, and how far they are moved there. */
    @GetMapping
    FileMoves.FilesView show() {
        return moves.state();
    }

    /** Keeps files there from now on, and moves those that were kept before. */
    @PutMapping
    FileMoves.FilesView choose(@RequestBody ChosenFilePlace chosen) {
        FileMoves.Tried tried = moves.tried(chosen.keptIn());
        transaction.executeWithoutResult(status -> {
            if (moves.choose(tried)) trail.note(Message.of("act.files.moved", "place", chosen.keptIn()));
        });
        moves.chosen();
        return moves.state();
    }
}
