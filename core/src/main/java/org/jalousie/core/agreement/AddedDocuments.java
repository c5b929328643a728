package org.jalousie.core.agreement;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;

/** What a single agreement says about its documents, and when it may. */
record AddedDocuments(List<AddedDocument> added, Map<DocumentId, List<GivenPlace>> given) {
    /** The most that one agreement brings. */
    static final int MOST = 30;

    static final AddedDocuments NONE = new AddedDocuments(List.of(), Map.of());

    AddedDocuments {
        added = List.copyOf(added);
        given = Map.copyOf(given);
    }

    AddedDocuments with(AddedDocument document) {
        List<AddedDocument> all = new ArrayList<>(added);
        all.removeIf(one -> one.id().equals(document.id()));
        all.add(document);
        return new AddedDocuments(all, given);
    }

    AddedDocuments without(DocumentId document) {
        List<AddedDocument> all = new ArrayList<>(added);
        all.removeIf(one -> one.id().equals(document));
        Map<DocumentId, List<GivenPlace>> places = new LinkedHashMap<>(given);
        places.remove(document);
        return new AddedDocuments(all, places);
    }

    AddedDocuments given(DocumentId document, List<GivenPlace> places) {
        Map<DocumentId, List<GivenPlace>> all = new LinkedHashMap<>(given);
        all.put(document, List.copyOf(places));
        return new AddedDocuments(added, all);
    }

    static Decision decide(Agreement agreement, Command.OfDocuments command) {
        if (agreement.state() != State.CHECK && agreement.state() != State.GENERATING)
            return refused(Message.of("sent.documents"));
        if (command instanceof Command.BringDocument bring) {
            if (agreement.added().size() >= MOST) return refused(Message.of("documents.most", "most", MOST));
            return accepted(new Event.DocumentBrought(bring.document()));
        }
        if (command instanceof Command.TakeOutDocument out) {
            boolean there = agreement.added().stream().anyMatch(one -> one.id().equals(out.document()));
            return there ? accepted(new Event.DocumentTakenOut(out.document())) : refused(Message.of("document.none"));
        }
        Command.GivePlaces give = (Command.GivePlaces) command;
        return accepted(new Event.PlacesGiven(give.document(), give.places()));
    }

    private static Decision accepted(Event event) {
        return new Decision.Accepted(List.of(event));
    }

    private static Decision refused(Message reason) {
        return new Decision.Refused(reason);
    }
}
