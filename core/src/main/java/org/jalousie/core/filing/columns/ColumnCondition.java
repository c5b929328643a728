package org.jalousie.core.filing.columns;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.SortKey;
import org.jalousie.core.data.Value;
import org.jalousie.core.data.ValueReader;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.NotPossible;

/** By what a list is narrowed: a column, how it is compared, and with what. Written as {@code insured_value:from:1000}. */
public record ColumnCondition(ColumnKey column, Compared compared, String with) {
    /** How a value is compared. */
    public enum Compared {
        /** The group of this name: a value, or the month of a day; with nothing, what is empty. */
        IS,
        /** This much or more; this day or later. */
        FROM,
        /** This much or less; this day or earlier. */
        TO,
        /** Letters, whatever their capitals and marks. */
        BEGINS
    }

    /**
     * Where those that fit stand in the column's order.
     *
     * @param from the first of them
     * @param below what comes after all of them; empty for nothing
     * @param group under which they stand, where not all between do; empty for any
     */
    public record Bounds(String from, String below, Optional<String> group) {}

    /** Comes after an empty text, and before every other that begins as the one before it. */
    private static final String FIRST = "\u0001";

    /** Comes after every text that begins with what stands before it. */
    private static final String LAST = "\udbff\udfff";

    /** Comes after a number's end, a space before its currency, and before its decimals. */
    private static final String AFTER_NUMBER = "!";

    /** @throws NotPossible with what is wrong with it */
    public static ColumnCondition read(String text) {
        String[] parts = text.split(":", 3);
        if (parts.length == 3) {
            Optional<ColumnKey> key = ColumnKey.read(parts[0]);
            for (Compared compared : Compared.values())
                if (key.isPresent() && compared.name().toLowerCase(Locale.ROOT).equals(parts[1]))
                    return new ColumnCondition(key.get(), compared, parts[2].strip());
        }
        throw new NotPossible(Message.of("archive.where.unreadable", "text", text));
    }

    /** As it is read. */
    public String written() {
        return column + ":" + compared.name().toLowerCase(Locale.ROOT) + ":" + with;
    }

    /** @throws NotPossible where the column's kind can't be compared so, or not with this */
    public Bounds bounds(ArchiveColumn in) {
        if (with.indexOf('\0') >= 0) throw unfit(in);
        ColumnKind kind = in.kind();
        return switch (compared) {
            case IS -> is(in);
            case BEGINS -> {
                if (kind != ColumnKind.TEXT && kind != ColumnKind.ITEMS || with.isEmpty()) throw unfit(in);
                String text = SortKey.text(with);
                yield new Bounds(text, text + LAST, Optional.empty());
            }
            // what is empty has no more and no less
            case FROM -> new Bounds(limit(in), "", Optional.empty());
            case TO -> new Bounds(FIRST, limit(in) + (kind.days() ? LAST : AFTER_NUMBER), Optional.empty());
        };
    }

    private Bounds is(ArchiveColumn in) {
        if (with.isEmpty()) return new Bounds("", FIRST, Optional.of(""));
        if (in.kind().days()) {
            try {
                YearMonth.parse(with);
            } catch (DateTimeException e) {
                throw unfit(in);
            }
            return new Bounds(with, with + LAST, Optional.empty());
        }
        String order = switch (in.kind()) {
            case NUMBER -> SortKey.of(new Value.Amount(number(in, with)));
            case MONEY -> SortKey.of(money(in));
            default -> SortKey.text(with);
        };
        // letters that differ in their marks alone stand in one place
        return new Bounds(order, order + FIRST, in.kind().groups() ? Optional.of(with) : Optional.empty());
    }

    private String limit(ArchiveColumn in) {
        if (!in.kind().ranges()) throw unfit(in);
        if (!in.kind().days()) return SortKey.of(new Value.Amount(number(in, with)));
        try {
            return LocalDate.parse(with).toString();
        } catch (DateTimeException e) {
            throw unfit(in);
        }
    }

    private BigDecimal number(ArchiveColumn in, String text) {
        if (!text.matches("-?\\d{1,18}(\\.\\d{1,10})?")) throw unfit(in);
        return new BigDecimal(text);
    }

    private Value money(ArchiveColumn in) {
        Field money = new Field(new FieldName("money"), FieldType.MONEY, "", false, "", List.of());
        return ValueReader.stored(money, with)
                .filter(Value.Money.class::isInstance)
                .orElseThrow(() -> unfit(in));
    }

    private NotPossible unfit(ArchiveColumn in) {
        return new NotPossible(Message.of(
                "archive.where.unfit",
                "column",
                in.label(),
                "kind",
                Message.of("archive.column-kind", "kind", in.kind().name())));
    }
}
