package org.jalousie.core.agreement;

import org.jalousie.core.data.FieldName;

/** A datum that an agreement has to have and that is blank. */
public record Blank(FieldName name, String label) {}
