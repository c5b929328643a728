package org.jalousie.core.parties;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.jalousie.core.data.FieldName;

/** How the person behind a role is found. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = PersonSource.FromFields.class, name = "from_fields"),
    @JsonSubTypes.Type(value = PersonSource.Fixed.class, name = "fixed"),
    @JsonSubTypes.Type(value = PersonSource.ChosenAtUse.class, name = "chosen_at_use")
})
public sealed interface PersonSource {
    /** The request's fields hold name and mail address. */
    record FromFields(FieldName nameField, FieldName mailField) implements PersonSource {}

    /** Always the same person. */
    record Fixed(String name, String mail) implements PersonSource {}

    /** Chosen each time the template is used. */
    record ChosenAtUse() implements PersonSource {}
}
