package org.jalousie.core.parties;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** How the person behind a role is found. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Who.FromFields.class, name = "from_fields"),
    @JsonSubTypes.Type(value = Who.Fixed.class, name = "fixed"),
    @JsonSubTypes.Type(value = Who.ChosenAtUse.class, name = "chosen_at_use")
})
public sealed interface Who {
    /** The request's fields hold name and mail address. */
    record FromFields(String nameField, String mailField) implements Who {}

    /** Always the same person. */
    record Fixed(String name, String mail) implements Who {}

    /** Chosen each time the template is used. */
    record ChosenAtUse() implements Who {}
}
