package org.jalousie.core.placement;

/**
 * A place in the wording that a party completes.
 *
 * @param name unique within the agreement and flat, for example {@code lender_signature}: it names the form field too
 * @param party the key of the party that completes it
 */
public record SigningField(String name, String party, FieldKind kind, String label, boolean required) {}
