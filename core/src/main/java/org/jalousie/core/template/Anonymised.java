package org.jalousie.core.template;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.intake.Intake;
import org.jalousie.core.rules.Samples;

/**
 * A real request's data with what is known of persons replaced by samples: by the type of a field, by its name, and wherever a
 * value that is known to be a person's stands within other words. Who is named in free text only can't be found: a person has
 * to look.
 */
public final class Anonymised {
    private static final Set<FieldType> PERSONAL = EnumSet.of(
            FieldType.NAME,
            FieldType.ADDRESS,
            FieldType.MAIL_ADDRESS,
            FieldType.PHONE,
            FieldType.PICTURE,
            FieldType.FILE);
    private static final Set<FieldType> BY_NAME = EnumSet.of(
            FieldType.TEXT,
            FieldType.LONG_TEXT,
            FieldType.NUMBER,
            FieldType.DATE,
            FieldType.DATE_TIME,
            FieldType.RICH_TEXT);
    private static final Set<String> PERSONAL_NAMES = Set.of(
            "name",
            "surname",
            "forename",
            "address",
            "street",
            "town",
            "postcode",
            "mail",
            "email",
            "phone",
            "mobile",
            "birth",
            "birthday",
            "born",
            "dob",
            "age",
            "signer",
            "passport",
            "identity",
            "id",
            "iban",
            "bic",
            "account",
            "tax",
            "vat",
            "ssn",
            "social",
            "licence",
            "license",
            "permit",
            "visa",
            "nationality",
            "contact",
            "person");

    private final Set<FieldName> people;
    private final Printer printer;
    private final PersonalWords words;
    private final List<Replacement> replacements = new ArrayList<>();

    private Anonymised(TemplateContent content, Map<String, Value> values, List<String> persons) {
        this.people = Proposal.forPeople(content.parties());
        this.printer = Printer.in(Locale.forLanguageTag(content.language()));
        List<String> known = new ArrayList<>(persons);
        collect(content.fields(), values, known);
        this.words = new PersonalWords(known);
    }

    /** What was put in the place of what, as a person reads it. @param field its label */
    public record Replacement(String field, String before, String after) {}

    /**
     * @param data raw values, without what is known of persons
     * @param replacements everything that was replaced, so that it can be looked over
     */
    public record Result(Map<FieldName, String> data, List<Replacement> replacements) {}

    /** @param data raw values by field name */
    public static Map<FieldName, String> of(TemplateContent content, Map<FieldName, String> data) {
        return of(content, data, List.of()).data();
    }

    /**
     * @param data raw values by field name
     * @param persons names and mail addresses that were given beside the form
     */
    public static Result of(TemplateContent content, Map<FieldName, String> data, List<String> persons) {
        Map<String, Value> values = Intake.stored(content.fields(), data);
        Anonymised anonymised = new Anonymised(content, values, persons);
        Map<FieldName, String> kept = new LinkedHashMap<>();
        anonymised
                .replaced(content.fields(), values)
                .forEach((name, value) -> kept.put(new FieldName(name), value.raw()));
        return new Result(kept, List.copyOf(anonymised.replacements));
    }

    private void collect(List<Field> fields, Map<String, Value> values, List<String> known) {
        for (Field field : fields) {
            Value value = values.get(field.name().value());
            if (value instanceof Value.Items items) {
                items.items().forEach(item -> collect(field.items(), item, known));
            } else if (value instanceof Value.PersonName name) {
                known.add(String.join(" ", name.given(), name.family()).strip());
                known.add(name.given());
                known.add(name.family());
            } else if (value instanceof Value.Address address) {
                known.add(address.street());
            } else if (value != null
                    && !(value instanceof Value.Picture)
                    && (people.contains(field.name()) || isPersonal(field, fields))) {
                known.add(value.raw());
                if (isName(field)) known.addAll(partsOf(value.raw()));
            }
        }
    }

    private boolean isName(Field field) {
        return field.type() == FieldType.TEXT
                && (people.contains(field.name()) || wordsOf(field).contains("name"));
    }

    /** A name typed as one text is also met by its parts; a small letter begins none of them. */
    private static List<String> partsOf(String name) {
        return Arrays.stream(name.split("[\\s,]+"))
                .filter(part -> !part.isEmpty() && Character.isUpperCase(part.codePointAt(0)))
                .toList();
    }

    private Map<String, Value> replaced(List<Field> fields, Map<String, Value> values) {
        Map<String, Value> kept = new LinkedHashMap<>();
        Map<String, Value> samples = Samples.typical(fields);
        for (Field field : fields) {
            Value value = values.get(field.name().value());
            if (value == null) continue;
            if (value instanceof Value.Items items && field.type() == FieldType.ITEMS) {
                kept.put(
                        field.name().value(),
                        new Value.Items(
                                items.items().stream()
                                        .map(item -> replaced(field.items(), item))
                                        .toList(),
                                items.names()));
            } else if (people.contains(field.name()) || isPersonal(field, fields)) {
                Value sample = samples.get(field.name().value());
                if (sample != null) kept.put(field.name().value(), sample);
                replacements.add(new Replacement(field.label(), printed(value), sample == null ? "" : printed(sample)));
            } else {
                kept.put(field.name().value(), withoutPersons(field, value));
            }
        }
        return kept;
    }

    private Value withoutPersons(Field field, Value value) {
        // one of the form's own choices says nothing of a person
        if (field.choices().contains(value.raw())) return value;
        if (value instanceof Value.Text text) {
            String without = words.replacedIn(text.text());
            if (without.equals(text.text())) return value;
            replacements.add(new Replacement(field.label(), text.text(), without));
            return new Value.Text(without);
        }
        if (value instanceof Value.Rich rich) {
            String without = words.replacedInMarkup(rich.html());
            if (without.equals(rich.html())) return value;
            Value kept = new Value.Rich(without);
            replacements.add(new Replacement(field.label(), printed(value), printed(kept)));
            return kept;
        }
        return value;
    }

    private static List<String> wordsOf(Field field) {
        return List.of(field.name().value().toLowerCase(Locale.ROOT).split("_"));
    }

    private String printed(Value value) {
        return value instanceof Value.Picture ? "a picture" : printer.print(value, "");
    }

    /** @param beside the fields of the same form or item: what is only called "name" beside nothing personal is a thing's */
    private static boolean isPersonal(Field field, List<Field> beside) {
        if (PERSONAL.contains(field.type())) return true;
        if (field.name().value().equalsIgnoreCase("name")
                && beside.stream().noneMatch(other -> PERSONAL.contains(other.type()))) return false;
        return BY_NAME.contains(field.type()) && wordsOf(field).stream().anyMatch(PERSONAL_NAMES::contains);
    }
}
