package org.jalousie.core.agreement;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.placement.SigningField;

/** What a single agreement says about its documents, and when it may. */
record AddedDocuments(
        List<AddedDocument> added, Map<DocumentId, List<GivenPlace>> given, Map<DocumentId, ChangedWording> changed) {
    /** The most that one agreement brings. */
    static final int MOST = 30;

    private static final int MOST_PLACES = 200;

    static final AddedDocuments NONE = new AddedDocuments(List.of(), Map.of(), Map.of());

    AddedDocuments {
        added = List.copyOf(added);
        given = Map.copyOf(given);
        changed = Map.copyOf(changed);
    }

    AddedDocuments with(AddedDocument document) {
        List<AddedDocument> all = new ArrayList<>(added);
        all.removeIf(one -> one.id().equals(document.id()));
        all.add(document);
        // a file that stands in for a wording has none of its words
        Map<DocumentId, ChangedWording> others = new LinkedHashMap<>(changed);
        others.remove(document.id());
        return new AddedDocuments(all, given, others);
    }

    AddedDocuments without(DocumentId document) {
        List<AddedDocument> all = new ArrayList<>(added);
        all.removeIf(one -> one.id().equals(document));
        Map<DocumentId, List<GivenPlace>> places = new LinkedHashMap<>(given);
        places.remove(document);
        return new AddedDocuments(all, places, changed);
    }

    AddedDocuments given(DocumentId document, List<GivenPlace> places) {
        Map<DocumentId, List<GivenPlace>> all = new LinkedHashMap<>(given);
        all.put(document, List.copyOf(places));
        return new AddedDocuments(added, all, changed);
    }

    AddedDocuments changed(DocumentId document, ChangedWording wording) {
        Map<DocumentId, ChangedWording> all = new LinkedHashMap<>(changed);
        if (wording.differs()) all.put(document, wording);
        else all.remove(document);
        return new AddedDocuments(added, given, all);
    }

    static Decision decide(Agreement agreement, Command.OfDocuments command) {
        if (agreement.state() != State.CHECK && agreement.state() != State.GENERATING)
            return refused(Message.of("sent.documents"));
        if (command instanceof Command.BringDocument bring) {
            if (agreement.added().size() >= MOST) return refused(Message.of("documents.most", "most", MOST));
            return accepted(new Event.DocumentBrought(bring.document()));
        }
        if (command instanceof Command.BringFinished finished)
            return new Decision.Accepted(List.of(
                    new Event.DocumentBrought(finished.document()),
                    new Event.PlacesGiven(finished.document().id(), finished.places())));
        if (command instanceof Command.TakeOutDocument out) {
            boolean there = agreement.added().stream().anyMatch(one -> one.id().equals(out.document()));
            return there ? accepted(new Event.DocumentTakenOut(out.document())) : refused(Message.of("document.none"));
        }
        if (command instanceof Command.TakePlace take) {
            List<GivenPlace> left = new ArrayList<>(placesOn(agreement, take.document()));
            return left.removeIf(one -> one.field().name().equals(take.field()))
                    ? accepted(new Event.PlacesGiven(take.document(), left))
                    : refused(Message.of("field.none", "name", take.field()));
        }
        if (command instanceof Command.ChangeWording change) return changed(agreement, change);
        Command.GivePlace give = (Command.GivePlace) command;
        GivenPlace place = give.another() ? another(agreement, give.place()) : give.place();
        List<GivenPlace> places = new ArrayList<>(placesOn(agreement, give.document()));
        places.removeIf(one -> one.field().name().equals(place.field().name()));
        places.add(place);
        if (places.size() > MOST_PLACES) return refused(Message.of("documents.most-places", "most", MOST_PLACES));
        return accepted(new Event.PlacesGiven(give.document(), places));
    }

    private static Decision changed(Agreement agreement, Command.ChangeWording change) {
        if (change.basedOn() != agreement.revision()) return refused(Message.of("wording.overtaken"));
        boolean before = agreement.changed().containsKey(change.document());
        return before || change.wording().differs()
                ? accepted(new Event.WordingChanged(change.document(), change.wording()))
                : new Decision.Accepted(List.of());
    }

    private static List<GivenPlace> placesOn(Agreement agreement, DocumentId document) {
        return agreement.given().getOrDefault(document, List.of());
    }

    /** Two who put a field of one party there at one moment have put two. */
    private static GivenPlace another(Agreement agreement, GivenPlace place) {
        Set<String> taken = new HashSet<>();
        agreement
                .given()
                .values()
                .forEach(all -> all.forEach(one -> taken.add(one.field().name())));
        SigningField field = place.field();
        for (int i = 2; taken.contains(field.name()); i++)
            field = place.field().named(place.field().name() + "_p" + i);
        return new GivenPlace(field, place.spot());
    }

    private static Decision accepted(Event event) {
        return new Decision.Accepted(List.of(event));
    }

    private static Decision refused(Message reason) {
        return new Decision.Refused(reason);
    }
}
