package org.jalousie.core.evidence;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.FieldPlacer;

/**
 * Compares every signed state of a document with the next one and with the file as it is, and names what changed that may
 * not: validators judge the cryptography and let some changes of content pass, this looks at what a reader sees. A signature
 * may come with the fields that it locks; a time stamp, whoever made it, makes nothing lawful but validation data.
 */
final class Revisions {
    private Revisions() {}

    /** @param afterSigner whose signature the change came after, as written in the form field's name */
    record Change(Message what, String afterSigner) {}

    /**
     * @param added fields of signatures and time stamps that were not foreseen when the first signature was made
     * @param visibleAdded those of them that take up room on a page
     */
    record Result(List<Change> changes, List<String> added, Set<String> visibleAdded) {}

    static Result of(byte[] pdf) throws IOException {
        FileStates.All states = FileStates.of(pdf);
        List<Change> changes = new ArrayList<>();
        List<String> added = new ArrayList<>();
        Set<String> visible = new HashSet<>();
        Set<String> locked = new HashSet<>();
        FileStates.Signed before = null;
        String last = "";
        boolean stamped = false;
        for (FileStates.Signed now : states.signed()) {
            if (before != null) {
                Optional<Set<String>> allowed = now.timeStamp() && !stamped
                        ? Optional.of(blanks(before.print(), locked))
                        : allowed(now, locked);
                new Update(before.print(), now.print(), last, changes).compare(allowed, now.field());
                Fingerprint.FieldPrint old = before.print().fields().get(now.field());
                if (old == null) {
                    added.add(now.field());
                    if (now.print().fields().get(now.field()).visible()) visible.add(now.field());
                }
            }
            before = now;
            stamped |= now.timeStamp();
            if (!now.timeStamp()) last = now.field();
            locked.add(now.field());
            locked.addAll(now.locks());
        }
        for (String field : states.notWhole())
            changes.add(new Change(Message.of("evidence.change.coverage", "field", field), ""));
        if (states.lost()) changes.add(new Change(Message.of("evidence.change.certificates"), last));
        if (before != null) rest(pdf, states, before, last, changes);
        return new Result(changes, added, visible);
    }

    /** What came after the last signature or time stamp. */
    private static void rest(
            byte[] pdf, FileStates.All states, FileStates.Signed before, String last, List<Change> changes)
            throws IOException {
        int lastEnd = states.ends().get(states.ends().size() - 1);
        if (lastEnd > before.end()) {
            try (PDDocument document = Loader.loadPDF(pdf)) {
                new Update(before.print(), Fingerprint.of(document), last, changes).compare(Optional.of(Set.of()), "");
            }
        }
        boolean trailing = !new String(pdf, lastEnd, pdf.length - lastEnd, StandardCharsets.ISO_8859_1).isBlank();
        if (trailing) changes.add(new Change(Message.of("evidence.change.behind-end"), last));
    }

    /**
     * The fields that may be filled until the first time stamp over the whole: who only completes or initials a document, and
     * signs another one of the agreement, makes no signature in it.
     */
    private static Set<String> blanks(Fingerprint before, Set<String> locked) {
        Set<String> blanks = new HashSet<>();
        before.fields().forEach((name, field) -> {
            if (field.blank() && !field.signature() && !locked.contains(name)) blanks.add(name);
        });
        return blanks;
    }

    /** The fields that may change in the step to a state; empty for all that are not locked. */
    private static Optional<Set<String>> allowed(FileStates.Signed now, Set<String> locked) {
        if (now.timeStamp()) return Optional.of(Set.of());
        boolean ours = now.print().fields().containsKey(FieldPlacer.OFFICE_SEAL);
        Set<String> allowed = new HashSet<>(
                now.hasLock() || ours ? now.locks() : now.print().fields().keySet());
        allowed.add(now.field());
        allowed.removeAll(locked);
        return Optional.of(allowed);
    }

    /** One step from a signed state to the next. */
    private record Update(Fingerprint before, Fingerprint now, String last, List<Change> changes) {
        /** @param sealing the field of the signature or time stamp that ends the step; empty when none does */
        void compare(Optional<Set<String>> allowed, String sealing) {
            if (!before.catalog().equals(now.catalog())) say(Message.of("evidence.change.catalog"));
            if (!before.information().equals(now.information())) say(Message.of("evidence.change.information"));
            if (!before.form().equals(now.form())) say(Message.of("evidence.change.form"));
            pages();
            for (Map.Entry<String, Fingerprint.FieldPrint> entry :
                    before.fields().entrySet()) {
                boolean fixed = allowed.isPresent() && !allowed.get().contains(entry.getKey());
                field(entry.getKey(), entry.getValue(), now.fields().get(entry.getKey()), fixed);
            }
            now.fields().keySet().stream()
                    .filter(name -> !before.fields().containsKey(name) && !name.equals(sealing))
                    .forEach(name -> say(Message.of("evidence.change.field-added", "field", name)));
        }

        private void pages() {
            int both = Math.min(before.pages().size(), now.pages().size());
            for (int i = 0; i < both; i++) {
                if (!before.pages().get(i).equals(now.pages().get(i)))
                    say(Message.of("evidence.change.page", "page", (i + 1)));
            }
            for (int i = both; i < before.pages().size(); i++)
                say(Message.of("evidence.change.page-removed", "page", (i + 1)));
            for (int i = both; i < now.pages().size(); i++)
                say(Message.of("evidence.change.page-added", "page", (i + 1)));
        }

        private void field(String name, Fingerprint.FieldPrint old, Fingerprint.FieldPrint changed, boolean fixed) {
            if (changed == null) {
                say(Message.of("evidence.change.field-removed", "field", name));
                return;
            }
            if (!old.place().equals(changed.place())) say(Message.of("evidence.change.field-moved", "field", name));
            if (!old.settings().equals(changed.settings()))
                say(Message.of("evidence.change.field-setting", "field", name));
            if (fixed && !old.value().equals(changed.value())) {
                say(
                        old.signature()
                                ? Message.of("evidence.change.signature", "field", name)
                                : Message.of("evidence.change.value", "field", name));
            } else if (fixed && !old.appearance().equals(changed.appearance())) {
                say(Message.of("evidence.change.appearance", "field", name));
            }
        }

        private void say(Message what) {
            changes.add(new Change(what, last));
        }
    }
}
