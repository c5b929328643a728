package org.jalousie.server.intake;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.agreement.Actor;
import org.jalousie.core.agreement.AgreementNumber;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.messages.Message;
import org.jalousie.core.tables.TableStyle;
import org.jalousie.server.Refusal;
import org.jalousie.server.Settings;
import org.jalousie.server.tables.TableUse;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Requests and agreements of data that stand in rows: each row is a form filled in, read and taken as any other. */
@Component
public class RowIntake {
    private static final Pattern IN_ITEM = Pattern.compile("(\\w+)\\[(\\d+)\\]\\.(.+)");

    private final JointForms joints;
    private final FilledForms filled;
    private final FormLookups lookups;
    private final IntakeService intake;
    private final RequestGroups groups;
    private final Settings settings;

    RowIntake(
            JointForms joints,
            FilledForms filled,
            FormLookups lookups,
            IntakeService intake,
            RequestGroups groups,
            Settings settings) {
        this.joints = joints;
        this.filled = filled;
        this.lookups = lookups;
        this.intake = intake;
        this.groups = groups;
        this.settings = settings;
    }

    /**
     * What is wrong with a row.
     *
     * @param own by field; by an empty name what is about no one of them
     * @param parts what is wrong in the rows that go with it, by their numbers
     */
    public record Faults(Map<FieldName, Message> own, Map<Integer, Map<FieldName, Message>> parts) {
        public boolean none() {
            return own.isEmpty() && parts.isEmpty();
        }
    }

    /** What can be filled: data, items' data as {@code list.field}, people, rows of registers. */
    @Transactional(readOnly = true)
    public List<Field> fields(UUID template) {
        return RunRow.fields(form(template));
    }

    /** Looks what would come of a row. Changes nothing. @param by who fills the form */
    @Transactional(readOnly = true, noRollbackFor = Refusal.class)
    public Faults check(UUID template, TableStyle style, TableUse.TakenRow row, String by) {
        return check(form(template), style, row, by);
    }

    JointForm form(UUID template) {
        return joints.published(template);
    }

    Faults check(JointForm form, TableStyle style, TableUse.TakenRow row, String by) {
        RunRow read = RunRow.read(form, style, settings.office().zone(), row, by);
        Found found = new Found(read);
        try {
            FormLookups.Filled looked = lookups.filled(form, read.sent(), read.lookedUp());
            joints.read(form, looked.sent(), (one, of) -> filled.read(one, filled.fresh(one, of), Set.of(), true));
        } catch (Refusal refused) {
            found.add(refused);
        }
        return new Faults(found.own, found.parts);
    }

    /**
     * Takes a row in and lets its agreement be made.
     *
     * @param key of the row: however often it comes with it, it is one request
     * @throws Refusal when something is wrong with it
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public TableUse.Made take(UUID template, UUID key, TableStyle style, TableUse.TakenRow row, Actor.Office by) {
        return take(form(template), key, style, row, by);
    }

    /** The same with a form that is known. */
    TableUse.Made take(JointForm form, UUID key, TableStyle style, TableUse.TakenRow row, Actor.Office by) {
        RunRow read = RunRow.read(form, style, settings.office().zone(), row, by.name());
        if (!read.faults().isEmpty()) throw Refusal.invalid(Message.of("form.faults", "count", 1));
        String request = intake.takeIn(() -> form, key, read.sent(), read.lookedUp(), Optional.empty(), by)
                .number();
        return new TableUse.Made(request, intake.generate(request, by).value());
    }

    /**
     * A request with all that was made of it.
     *
     * @param number of the whole
     * @param agreements those that are its own now, of each of its parts that is wanted
     */
    public record Whole(String number, List<AgreementNumber> agreements) {}

    /** The whole of a request, or of a part of one. */
    @Transactional(readOnly = true)
    public Whole whole(String number) {
        List<IntakeRequest> group = groups.of(groups.request(number));
        return new Whole(
                group.get(0).number(),
                group.stream()
                        .filter(IntakeRequest::wanted)
                        .map(IntakeRequest::agreementNumber)
                        .flatMap(Optional::stream)
                        .toList());
    }

    /** What is wrong with a row, at its cells and at those of the rows that go with it. */
    private static final class Found {
        private final RunRow read;
        private final Map<FieldName, Message> own = new LinkedHashMap<>();
        private final Map<Integer, Map<FieldName, Message>> parts = new HashMap<>();

        Found(RunRow read) {
            this.read = read;
            read.faults().forEach((place, fault) -> at(place.row(), place.field(), fault));
        }

        void add(Refusal refused) {
            boolean known = !own.isEmpty() || !parts.isEmpty();
            refused.faults().forEach((name, fault) -> {
                Matcher item = IN_ITEM.matcher(name);
                if (item.matches()) {
                    FieldName field = new FieldName(item.group(1) + "." + item.group(3));
                    at(read.rowOf(new FieldName(item.group(1)), Integer.parseInt(item.group(2))), field, fault);
                } else if (refused.faults().keySet().stream().noneMatch(other -> other.startsWith(name + "["))) {
                    at(read.number(), new FieldName(name), fault);
                }
            });
            if (refused.faults().isEmpty() && !known) own.put(new FieldName(""), refused.said());
        }

        private void at(int row, FieldName field, Message fault) {
            if (row == read.number()) own.putIfAbsent(field, fault);
            else parts.computeIfAbsent(row, number -> new LinkedHashMap<>()).putIfAbsent(field, fault);
        }
    }
}
