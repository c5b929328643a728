package org.jalousie.core.wording;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.parties.PartyKey;
import org.jalousie.core.placement.SigningField;

/**
 * What the tags of a wording ask for, in the order in which it stands there.
 *
 * @param fields names of data fields, rules and choices
 * @param conditions those of them that only decide sections
 * @param prints by field name, the prints that tags ask for
 * @param parties keys of the parties that signing fields name
 * @param signingFields one for each tag that keeps a place for a party
 * @param uses the same names as a tree: what is used within which section
 * @param pictures names of fields that fill placeholder pictures
 * @param clauses names of the clauses that tags include
 * @param comparisons conditions that a word processor's own fields hold
 */
public record FoundTags(
        List<String> fields,
        Set<String> conditions,
        Map<String, Set<String>> prints,
        List<PartyKey> parties,
        List<SigningField> signingFields,
        List<Use> uses,
        Set<String> pictures,
        Set<String> clauses,
        List<Comparison> comparisons) {

    /**
     * A condition that stood in the file as the word processor's own field, and is a rule here.
     *
     * @param rule the name by which the wording speaks of it
     * @param label in words
     * @param expression in FEEL
     * @param field the name that is compared
     * @param withNumber whether it is compared with a number
     */
    public record Comparison(String rule, String label, String expression, String field, boolean withNumber) {}
}
