package org.jalousie.core.parties;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.List;
import org.jalousie.core.data.FieldName;

/** How the person behind a role is found. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = PersonSource.FromFields.class, name = "from_fields"),
    @JsonSubTypes.Type(value = PersonSource.Fixed.class, name = "fixed"),
    @JsonSubTypes.Type(value = PersonSource.ChosenAtUse.class, name = "chosen_at_use"),
    @JsonSubTypes.Type(value = PersonSource.WhoSends.class, name = "who_sends"),
    @JsonSubTypes.Type(value = PersonSource.OneOf.class, name = "one_of")
})
public sealed interface PersonSource {

    /** Whether it is somebody of the office's own, and not the other side. */
    default boolean ofTheHouse() {
        return true;
    }

    /** Whether somebody is asked who it is, each time that the template is used. */
    default boolean asked() {
        return false;
    }

    /** The request's fields hold name and mail address. @param phoneField may name nothing */
    record FromFields(FieldName nameField, FieldName mailField, FieldName phoneField) implements PersonSource {
        private static final FieldName NONE = new FieldName("");

        public FromFields {
            nameField = nameField == null ? NONE : nameField;
            mailField = mailField == null ? NONE : mailField;
            phoneField = phoneField == null ? NONE : phoneField;
        }

        public FromFields(FieldName nameField, FieldName mailField) {
            this(nameField, mailField, NONE);
        }

        /** The fields that it names. */
        public List<FieldName> fields() {
            return List.of(nameField, mailField, phoneField).stream()
                    .filter(field -> !field.isBlank())
                    .toList();
        }

        @Override
        public boolean ofTheHouse() {
            return false;
        }
    }

    /** Always the same person. @param phone may be empty */
    record Fixed(String name, String mail, String phone) implements PersonSource {
        public Fixed {
            name = name == null ? "" : name;
            mail = mail == null ? "" : mail;
            phone = phone == null ? "" : phone;
        }

        public Fixed(String name, String mail) {
            this(name, mail, "");
        }

        public Person person() {
            return new Person(name.strip(), mail.strip(), phone.strip(), "");
        }
    }

    /** Chosen each time the template is used. */
    record ChosenAtUse() implements PersonSource {
        @Override
        public boolean ofTheHouse() {
            return false;
        }

        @Override
        public boolean asked() {
            return true;
        }
    }

    /** Whoever sends the agreement. */
    record WhoSends() implements PersonSource {}

    /** One of the people who are kept with the template; the first one where nobody chooses. */
    record OneOf(List<Person> people) implements PersonSource {
        public OneOf {
            people = people == null ? List.of() : List.copyOf(people);
        }

        @Override
        public boolean asked() {
            return true;
        }
    }
}
