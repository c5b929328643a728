package org.jalousie.core.programs;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jalousie.core.messages.Message;

/**
 * What the office lets another program do.
 *
 * @param title what people call it; it stands in audit trails
 * @param scopes one at least
 * @param forms templates whose forms it may fill, and whose requests and agreements it may see; none for all
 * @param perMinute how often it may ask, 1 to {@link #MOST_PER_MINUTE}
 */
public record ProgramTerms(String title, List<Scope> scopes, List<UUID> forms, int perMinute) {
    /** How often a program may ask at most in a minute. */
    public static final int MOST_PER_MINUTE = 6_000;

    private static final int LONGEST_TITLE = 100;
    private static final int MOST_FORMS = 200;

    public ProgramTerms {
        title = title == null ? "" : title.strip();
        scopes = scopes == null ? List.of() : scopes.stream().distinct().toList();
        forms = forms == null ? List.of() : forms.stream().distinct().toList();
    }

    /** Whether it sees some forms only. */
    public boolean limited() {
        return !forms.isEmpty();
    }

    /** Whether it may do what needs some scopes, all of them. */
    public boolean allows(Collection<Scope> needed) {
        return needed.stream().allMatch(one -> scopes.stream().anyMatch(given -> given.covers(one)));
    }

    /** Whether it may do nothing that another may not. */
    public boolean within(ProgramTerms other) {
        return other.allows(scopes)
                && (!other.limited() || limited() && other.forms.containsAll(forms))
                && perMinute <= other.perMinute;
    }

    /** What has to be mended, by the place of each fault; nothing when all is well. */
    public Map<String, Message> faults() {
        Map<String, Message> faults = new LinkedHashMap<>();
        if (title.isEmpty() || title.length() > LONGEST_TITLE)
            faults.put("title", Message.of("program.title", "most", LONGEST_TITLE));
        if (scopes.isEmpty()) faults.put("scopes", Message.of("program.no-scopes"));
        if (forms.size() > MOST_FORMS) faults.put("forms", Message.of("program.forms", "most", MOST_FORMS));
        if (perMinute < 1 || perMinute > MOST_PER_MINUTE)
            faults.put("perMinute", Message.of("program.per-minute", "most", MOST_PER_MINUTE));
        return faults;
    }
}
