package org.jalousie.core.registers;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Names;
import org.jalousie.core.messages.Message;

/**
 * What a register holds.
 *
 * @param title what people call it
 * @param key the column by which its rows are told apart; each row has it, and no other row has the same
 * @param shown the columns whose values name a row where it stands alone, in their order
 */
public record RegisterTerms(String title, List<RegisterColumn> columns, FieldName key, List<FieldName> shown) {
    /** Most columns of a register. */
    public static final int MOST_COLUMNS = 60;

    private static final int LONGEST_TITLE = 100;
    private static final Set<FieldType> KEYS = EnumSet.of(
            FieldType.TEXT, FieldType.NUMBER, FieldType.MAIL_ADDRESS, FieldType.WEB_ADDRESS, FieldType.PHONE);

    public RegisterTerms {
        title = title == null ? "" : title.strip();
        columns = columns == null ? List.of() : List.copyOf(columns);
        shown = shown == null ? List.of() : List.copyOf(shown);
    }

    /** As a form would ask for a row. */
    public List<Field> fields() {
        return columns.stream()
                .map(column -> column.name().equals(key) ? required(column.field()) : column.field())
                .toList();
    }

    private static Field required(Field field) {
        return new Field(
                field.name(),
                field.type(),
                field.label(),
                true,
                field.hint(),
                field.choices(),
                field.items(),
                field.initial(),
                field.ownAnswer(),
                field.files());
    }

    public Optional<RegisterColumn> column(FieldName name) {
        return columns.stream().filter(one -> one.name().equals(name)).findFirst();
    }

    /** Whether no two rows may have the same in a column. */
    public boolean isUnique(FieldName column) {
        return column.equals(key)
                || column(column).filter(RegisterColumn::unique).isPresent();
    }

    /** The columns that name a row: those that were chosen, or the key. */
    public List<FieldName> naming() {
        List<FieldName> naming = new ArrayList<>(
                shown.stream().filter(one -> column(one).isPresent()).toList());
        return naming.isEmpty() ? List.of(key) : naming;
    }

    /** What has to be mended before it can hold anything, by the place of each fault; nothing when all is well. */
    public Map<String, Message> faults() {
        Map<String, Message> faults = new LinkedHashMap<>();
        if (title.isEmpty() || title.length() > LONGEST_TITLE) faults.put("title", Message.of("register.no-title"));
        if (columns.isEmpty()) faults.put("columns", Message.of("register.no-columns"));
        if (columns.size() > MOST_COLUMNS) faults.put("columns", Message.of("register.columns", "most", MOST_COLUMNS));
        Set<FieldName> names = new HashSet<>();
        for (int i = 0; i < columns.size(); i++) {
            RegisterColumn column = columns.get(i);
            if (!names.add(column.name()))
                faults.put("columns[" + i + "].name", Message.of("register.column-twice", "name", column.name()));
            columnFault(column).ifPresent(fault -> faults.put("columns[" + faults.size() + "]", fault));
        }
        if (!faults.containsKey("columns")) keyFault().ifPresent(fault -> faults.put("key", fault));
        return faults;
    }

    private static Optional<Message> columnFault(RegisterColumn column) {
        Field field = column.field();
        if (!Names.isName(field.name().value()))
            return Optional.of(Message.of("register.column-name", "name", field.name()));
        if (field.label().isBlank()) return Optional.of(Message.of("register.column-label", "name", field.name()));
        if (field.type() == FieldType.ITEMS)
            return Optional.of(Message.of("register.column-items", "label", field.label()));
        if (column.relates() && field.type() != FieldType.TEXT)
            return Optional.of(Message.of("register.column-related", "label", field.label()));
        if (field.type() == FieldType.CHOICE && field.choices().isEmpty())
            return Optional.of(Message.of("register.column-choices", "label", field.label()));
        return Optional.empty();
    }

    private Optional<Message> keyFault() {
        Optional<RegisterColumn> column = key == null ? Optional.empty() : column(key);
        if (column.isEmpty()) return Optional.of(Message.of("register.no-key"));
        if (!KEYS.contains(column.get().field().type()) || column.get().relates())
            return Optional.of(Message.of(
                    "register.key-type", "label", column.get().field().label()));
        return Optional.empty();
    }
}
