package org.jalousie.server.agreement;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.agreement.Agreement;
import org.jalousie.core.filing.SearchWords;
import org.jalousie.core.parties.Participant;

/** What an agreement can be found by. A tsvector holds at most 1 MB, so both parts have a limit. */
final class Findable {
    private static final int MOST_FACTS = 100_000;
    private static final int MOST_WORDS = 300_000;

    private Findable() {}

    /** Its names and numbers, the people as they are now, the data, and what the parties completed. */
    static String facts(Agreement agreement) {
        List<String> facts = new ArrayList<>(List.of(
                agreement.created().number().value(),
                agreement.title(),
                agreement.created().template(),
                agreement.created().request()));
        for (Participant one : agreement.participants()) {
            facts.add(one.label());
            facts.add(one.name());
            facts.add(one.mail());
        }
        facts.addAll(agreement.data().values());
        facts.addAll(agreement.values().values());
        return ready(String.join(" ", facts), MOST_FACTS);
    }

    /** @param text of the document's pages */
    static String words(String text) {
        return ready(text, MOST_WORDS);
    }

    private static String ready(String text, int most) {
        String all = String.join(" ", SearchWords.of(text));
        return all.length() > most ? all.substring(0, most) : all;
    }
}
