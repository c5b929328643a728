package org.jalousie.core.template;

/**
 * How the documents of a template's agreements go together.
 *
 * @param contents whether a sheet in front of them lists them with their pages
 * @param onlyOwn whether a party sees only the documents that it has a part in; else it sees all
 */
public record DocumentTerms(boolean contents, boolean onlyOwn) {
    public static final DocumentTerms USUAL = new DocumentTerms(false, false);
}
