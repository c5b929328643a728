package org.jalousie.core.lettering;

/** The kind of letters that something is set in. */
public enum TypeStyle {
    /** As the house sets everything. */
    SANS,
    SERIF,
    /** All of one width. */
    MONO
}
