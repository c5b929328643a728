package org.jalousie.core.placement;

/** What a signing field shows in the document. */
public sealed interface Printed {
    /** Words in the form field; none when they are empty. */
    record Words(String text) implements Printed {}

    /** The party's mark as a picture. */
    record Mark() implements Printed {}

    /** The party's signature with their mark; a party's later places of this kind show the mark alone. */
    record Signature() implements Printed {}
}
