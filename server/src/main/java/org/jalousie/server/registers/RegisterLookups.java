package org.jalousie.server.registers;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.intake.Lookup;
import org.jalousie.core.registers.RegisterTerms;

/** Registers as forms look into them. */
public interface RegisterLookups {
    /** What registers hold, by name; those that there aren't are left out. */
    Map<String, RegisterTerms> terms(Collection<String> names);

    /**
     * A row that was taken for an answer.
     *
     * @param label what it is called
     * @param answers by field, as they are stored; for a list, those of one item
     * @param gone whether it was taken out since
     */
    record TakenAnswers(UUID row, String label, Map<FieldName, String> answers, boolean gone) {}

    /**
     * What answers become with a row, as it is now.
     *
     * @param question for which it is taken
     * @param fields of the form
     * @param row its id or its key
     * @return empty where there is no such row, or nothing is looked up
     */
    Optional<TakenAnswers> taken(Lookup lookup, FieldName question, List<Field> fields, String row, Locale language);

    /**
     * The keys of the rows of a list, sorted.
     *
     * @throws org.jalousie.server.Refusal where there are more than can be taken at once
     */
    List<String> keys(String register, String find, List<String> where);

    /**
     * The keys of some rows that are there, sorted.
     *
     * @throws org.jalousie.server.Refusal where there are more than can be taken at once, or one isn't there
     */
    List<String> keys(String register, List<UUID> rows);
}
