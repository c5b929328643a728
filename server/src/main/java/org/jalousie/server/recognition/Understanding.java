package org.jalousie.server.recognition;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.GivenPlace;
import org.jalousie.core.recognition.DataBack;
import org.jalousie.core.recognition.Reading;
import org.jalousie.core.recognition.Understood;
import org.jalousie.core.template.TemplateContent;

/**
 * What a file says, as it is kept.
 *
 * @param lines those that differ from the template, each with the one before and behind it
 * @param gone names of fields for which it has no place, of parties that have others in it
 * @param without parties that need a place and have none in it
 * @param missing labels of what the form asks for and the file doesn't say
 * @param unsure labels of what was read and may be something else
 */
record Understanding(
        double likeness,
        int differences,
        List<Reading.Line> lines,
        List<DataBack.Datum> data,
        List<GivenPlace> places,
        List<String> gone,
        List<PartyKey> without,
        List<String> missing,
        List<String> unsure) {

    static Understanding of(Understood understood, TemplateContent content) {
        Reading reading = understood.reading();
        Map<FieldName, String> values = DataBack.values(understood.data());
        List<String> missing = new ArrayList<>();
        Map<FieldName, ?> faults = Intake.read(content.fields(), values).faults();
        content.fields().stream()
                .filter(field -> faults.containsKey(field.name()))
                .forEach(field -> missing.add(field.label()));
        content.parties().stream()
                .filter(party -> party.who().asked()
                        && !party.optional()
                        && !understood.without().contains(party.key()))
                .map(Party::label)
                .forEach(missing::add);
        List<String> unsure = understood.data().stream()
                .filter(one -> !one.sure() && !one.raw().isEmpty())
                .flatMap(one ->
                        content.fields().stream().filter(field -> field.name().equals(one.field())))
                .map(field -> field.label())
                .toList();
        return new Understanding(
                reading.likeness(),
                reading.differences(),
                shown(reading.lines()),
                understood.data(),
                understood.places(),
                understood.gone(),
                understood.without(),
                missing,
                unsure);
    }

    private static List<Reading.Line> shown(List<Reading.Line> lines) {
        List<Reading.Line> shown = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            boolean near = lines.get(i).changed()
                    || i > 0 && lines.get(i - 1).changed()
                    || i + 1 < lines.size() && lines.get(i + 1).changed();
            if (near) shown.add(lines.get(i));
        }
        return shown;
    }

    /** Whether an agreement can be made of it without anybody looking. */
    boolean complete() {
        return differences == 0 && missing.isEmpty() && unsure.isEmpty() && gone.isEmpty() && without.isEmpty();
    }

    /** Names of what can be nothing else than it was read as. */
    Set<FieldName> sure() {
        return data.stream()
                .filter(DataBack.Datum::sure)
                .map(DataBack.Datum::field)
                .collect(Collectors.toSet());
    }

    Map<FieldName, String> values() {
        return DataBack.values(data);
    }
}
