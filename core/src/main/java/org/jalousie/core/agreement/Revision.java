package org.jalousie.core.agreement;

import org.jalousie.core.data.Sha256;
import org.jalousie.core.placement.DocumentId;

/** One document in one state. */
public record Revision(DocumentId document, Sha256 pdf) {}
