package org.jalousie.core.agreement;

import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;

/**
 * A document that a single agreement has brought: one that its template leaves to it, or one more.
 *
 * @param kind how it goes along: {@code FIXED} is sealed and may have signing fields, {@code ATTACHED} stays untouched
 * @param file its pages
 * @param brought the file as it was brought
 */
public record AddedDocument(DocumentId id, String title, Document.Kind kind, Sha256 file, Sha256 brought) {}
