package org.jalousie.server.archive.filing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.agreement.Document;
import org.jalousie.core.agreement.State;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.filing.FilingIndex;
import org.jalousie.core.filing.FilingRule;
import org.jalousie.core.filing.FilingTerms;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.messages.Catalogue;
import org.jalousie.core.messages.Message;
import org.jalousie.core.placement.DocumentId;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.server.Refusal;
import org.jalousie.server.agreement.Agreements;
import org.jalousie.server.office.OfficeHours;
import org.jalousie.server.template.UsableTemplates;
import org.springframework.stereotype.Component;

/** Which files of an agreement are filed, and where a target's rule leads. */
@Component
class FilingPlan {
    private final Agreements agreements;
    private final UsableTemplates templates;
    private final OfficeHours hours;

    FilingPlan(Agreements agreements, UsableTemplates templates, OfficeHours hours) {
        this.agreements = agreements;
        this.templates = templates;
        this.hours = hours;
    }

    /** A file that is filed. @param called what it is called beside the agreement; empty for its first document */
    record Planned(Sha256 file, String called, String extension, String what) {}

    /** An agreement's files, and the place where its rule leads. */
    record Plan(Agreement agreement, LocalDate completed, FilingRule.Place place, List<Planned> files) {
        private List<String> paths(FilingRule.Place at) {
            return at.paths(files.stream()
                    .map(file -> new FilingRule.Place.Named(file.called(), file.extension()))
                    .toList());
        }

        /** The first of its paths that are all free. */
        List<String> settled(Predicate<List<String>> free) {
            return paths(place.settled(at -> free.test(paths(at))));
        }

        /** Whatever of it may have been filed, also by other terms. */
        Set<Sha256> all() {
            Set<Sha256> all = new HashSet<>();
            files.forEach(one -> all.add(one.file()));
            agreement.record().ifPresent(all::add);
            return all;
        }

        /** What the index says when they are filed. */
        FilingIndex.FiledAgreement entry(List<String> paths) {
            List<FilingIndex.FiledFile> filed = new ArrayList<>();
            for (int i = 0; i < files.size(); i++)
                filed.add(new FilingIndex.FiledFile(
                        paths.get(i), files.get(i).what(), files.get(i).file()));
            List<FilingIndex.FiledPerson> people = agreement.participants().stream()
                    .filter(one -> !one.vacant())
                    .map(one -> new FilingIndex.FiledPerson(one.label(), one.name()))
                    .toList();
            return new FilingIndex.FiledAgreement(
                    agreement.created().number(),
                    agreement.title(),
                    agreement.created().template(),
                    completed.toString(),
                    agreement.data(),
                    people,
                    filed);
        }
    }

    /** @throws Refusal for an agreement that isn't complete */
    Plan of(FilingTerms terms, UUID id) {
        UUID version = agreements.templateVersion(id);
        UUID template = templates.templateOf(version);
        TemplateContent content = templates.content(version);
        Agreement agreement = agreements.read(id);
        if (agreement.state() != State.COMPLETED || agreement.record().isEmpty())
            throw Refusal.conflict(Message.of(
                    "archive.evidence.not-filed", "number", agreement.created().number()));
        LocalDate completed = agreement.since().atZone(hours.calendar().zone()).toLocalDate();
        FilingRule.Place place = terms.rule(template)
                .place(
                        FilingRule.values(agreement, Intake.stored(content.fields(), agreement.data()), completed),
                        Locale.forLanguageTag(content.language()));
        List<Planned> files = new ArrayList<>();
        boolean first = true;
        for (Document one : agreement.documents()) {
            // a sheet that only lists them is called by its own title
            boolean sheet = one.id().equals(DocumentId.CONTENTS);
            files.add(new Planned(one.pdf(), first && !sheet ? "" : one.title(), "pdf", one.title()));
            first &= sheet;
        }
        String record = Catalogue.ENGLISH.say(Message.of("filing.signing-record"));
        if (terms.record()) files.add(new Planned(agreement.record().get(), record, "pdf", record));
        for (Agreement.Attached one : agreement.attached()) {
            String name = one.file().name();
            int dot = name.lastIndexOf('.');
            files.add(new Planned(
                    one.file().file(),
                    dot > 0 ? name.substring(0, dot) : name,
                    dot > 0 && name.substring(dot + 1).matches("[A-Za-z0-9]{1,10}") ? name.substring(dot + 1) : "bin",
                    one.field().title()));
        }
        return new Plan(agreement, completed, place, files);
    }
}
