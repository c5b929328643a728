package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.template.Proposal;
import org.jalousie.core.template.TemplateContent;
import org.jalousie.core.wording.WordFile;
import org.jalousie.core.wording.Wording;
import org.jalousie.core.wording.write.WordDraft;

/**
 * Templates and finished files to recognise, made by chance but always the same: every template has sentences of its own, sentences
 * that many others have as well, values, and passages; one in five is another one's sibling that shares most of it.
 */
public final class RecognitionSet {
    private static final Pattern TAG = Pattern.compile("\\{\\{([^}]*)}}");
    private static final List<String> WHO = List.of(
            "The lender",
            "The borrower",
            "The courier",
            "The keeper of the instruments",
            "The insurer",
            "Whoever holds the key",
            "The conservator",
            "The registrar",
            "Each party",
            "The owner of the collection");
    private static final List<String> DOES = List.of(
            "shall inspect",
            "may photograph",
            "returns",
            "packs",
            "records in writing",
            "keeps under lock",
            "will not restring",
            "insures",
            "hands over",
            "accounts for",
            "may refuse",
            "shall weigh");
    private static final List<String> WHAT = List.of(
            "every bow and its case",
            "the harpsichord's stand",
            "all loose strings",
            "the varnish of the belly",
            "climate records of the transport",
            "the list of damages",
            "the soundpost",
            "photographs of the scroll",
            "the reeds that came with it",
            "any part that has come loose",
            "the key of the case",
            "the moulds and templates");
    private static final List<String> WHEN = List.of(
            "before the crate is opened",
            "within three working days",
            "at its own cost",
            "in the presence of a witness",
            "unless the other side agrees otherwise",
            "whenever the humidity leaves the band agreed",
            "as long as the exhibition lasts",
            "on the first day of each month",
            "without being asked",
            "by the means set out in the annex",
            "at the latest when the hall closes",
            "and signs for it");

    private RecognitionSet() {}

    /** A template by its paragraphs. */
    public record Draft(int number, List<String> paragraphs) {
        public Wording wording() {
            WordDraft draft = new WordDraft();
            paragraphs.forEach(draft::paragraph);
            return Wording.compile(WordFile.open(draft.bytes()), Set.of());
        }

        public TemplateText text() {
            Wording wording = wording();
            TemplateContent content = Proposal.first(wording.found());
            return TemplateText.of(wording, content);
        }
    }

    /** Sentences that agreements of one house share. */
    private static List<String> shared() {
        Random random = new Random(77);
        List<String> shared = new ArrayList<>();
        for (int i = 0; i < 40; i++) shared.add(sentence(random));
        return shared;
    }

    private static String sentence(Random random) {
        return pick(WHO, random) + " " + pick(DOES, random) + " " + pick(WHAT, random) + " " + pick(WHEN, random)
                + ", and "
                + pick(WHO, random).toLowerCase(Locale.ROOT) + " " + pick(DOES, random) + " " + pick(WHAT, random) + " "
                + pick(WHEN, random) + ".";
    }

    private static <T> T pick(List<T> some, Random random) {
        return some.get(random.nextInt(some.size()));
    }

    public static List<Draft> templates(int count) {
        List<String> shared = shared();
        List<Draft> drafts = new ArrayList<>();
        for (int number = 0; number < count; number++) {
            Random random = new Random(1000 + number);
            boolean sibling = number % 5 == 4;
            drafts.add(sibling ? sibling(number, drafts.get(number - 1), random) : fresh(number, shared, random));
        }
        return drafts;
    }

    private static Draft fresh(int number, List<String> shared, Random random) {
        List<String> all = new ArrayList<>();
        all.add("Agreement on " + pick(WHAT, random) + " of kind " + number);
        all.add("Between {{lender_name}}, of {{lender_address}}, and the house, made on {{made_date}}. "
                + sentence(random));
        for (int i = 0; i < 14; i++) all.add(sentence(random) + " " + sentence(random));
        for (int i = 0; i < 8; i++) all.add(pick(shared, random));
        all.add("The fee is {{loan_fee}}, due {{due_date}}. {{#abroad}}" + sentence(random) + "{{/abroad}}");
        all.add("{{#insured}}" + sentence(random) + " " + sentence(random) + "{{/insured}}");
        all.add(sentence(random));
        all.add("Signed for {{lender_name}} by {{signer}}, " + pick(WHEN, random) + ", at the place named above.");
        return new Draft(number, all);
    }

    /** Every fourth paragraph is another one. */
    private static Draft sibling(int number, Draft of, Random random) {
        List<String> all = new ArrayList<>(of.paragraphs());
        for (int i = 3; i < all.size() - 4; i += 4) all.set(i, sentence(random) + " " + sentence(random));
        return new Draft(number, all);
    }

    /** A finished file. @param template the number of its template; -1 for none */
    public record Variant(String kind, int template, FileText file) {}

    private static final List<String> KINDS = List.of("as made", "edited", "reflowed", "re-typed", "scanned");

    /** Files made from the templates, one kind after the other. */
    public static List<Variant> variants(List<Draft> drafts, int count) {
        List<Variant> variants = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Draft draft = drafts.get(i % drafts.size());
            String kind = KINDS.get(i / drafts.size() % KINDS.size());
            variants.add(new Variant(kind, draft.number(), variant(kind, draft, new Random(5000 + i))));
        }
        return variants;
    }

    private static FileText variant(String kind, Draft draft, Random random) {
        Map<String, String> values = new HashMap<>();
        values.put("lender_name", pick(List.of("Kestrel House", "Ida Marsh", "Museum of Strings, Northam"), random));
        values.put("lender_address", (1 + random.nextInt(90)) + " Quay Street, Northam");
        values.put("made_date", (1 + random.nextInt(28)) + " March 2026");
        values.put("due_date", (1 + random.nextInt(28)) + " May 2026");
        values.put("loan_fee", "EUR " + (1 + random.nextInt(9)) + ",500.00");
        values.put("signer", pick(List.of("Ida Marsh", "Tomas Reed"), random));
        boolean abroad = random.nextBoolean();
        boolean insured = random.nextBoolean();
        List<String> finished = new ArrayList<>();
        for (String paragraph : draft.paragraphs()) {
            String text = paragraph
                    .replaceAll("\\{\\{#abroad}}(.*?)\\{\\{/abroad}}", abroad ? "$1" : "")
                    .replaceAll("\\{\\{#insured}}(.*?)\\{\\{/insured}}", insured ? "$1" : "");
            text = TAG.matcher(text).replaceAll(tag -> Matcher.quoteReplacement(values.get(tag.group(1))));
            if (!text.isBlank()) finished.add(text);
        }
        return switch (kind) {
            case "edited" ->
                new Typeset(11, 380, false, "")
                        .all(finished.stream().map(one -> edited(one, random)).toList());
            case "reflowed" ->
                new Typeset(8.5 + random.nextInt(6), 250 + random.nextInt(150), true, "House of Strings").all(finished);
            case "re-typed" ->
                new Typeset(12, 360, true, "")
                        .all(finished.stream().map(one -> typed(one, random)).toList());
            case "scanned" ->
                new Typeset(10, 370, false, "House of Strings")
                        .all(finished.stream().map(one -> noisy(one, random)).toList());
            default -> new Typeset(11, 380, false, "").all(finished);
        };
    }

    /** One word in fifteen is changed, left out or put in. */
    private static String edited(String text, Random random) {
        StringBuilder out = new StringBuilder();
        for (String word : text.split(" ")) {
            int what = random.nextInt(45);
            if (what == 0) continue;
            out.append(what == 1 ? "promptly" : word).append(' ');
            if (what == 2) out.append("always ");
        }
        return out.toString().strip();
    }

    /** Typed again: capitals, dashes, ligatures, and a slip in one word of forty. */
    private static String typed(String text, Random random) {
        StringBuilder out = new StringBuilder();
        for (String word : text.split(" ")) {
            int what = random.nextInt(40);
            String typed =
                    what == 0 && word.length() > 4 ? word.charAt(1) + word.substring(0, 1) + word.substring(2) : word;
            out.append(
                            what == 1
                                    ? typed.toUpperCase(Locale.ROOT)
                                    : typed.replace("fi", "\ufb01").replace("'", "\u2019"))
                    .append(' ');
        }
        return out.toString().strip();
    }

    /** One letter in thirty is read as one that looks like it, or wrongly. */
    private static String noisy(String text, Random random) {
        StringBuilder out = new StringBuilder();
        for (char c : text.toCharArray()) {
            if (c == ' ' || random.nextInt(30) > 0) out.append(c);
            else if (c == 'l' || c == 'i') out.append('1');
            else if (c == 'o') out.append('0');
            else if (c == 'm') out.append("rn");
            else if (random.nextInt(3) > 0) out.append((char) ('a' + random.nextInt(26)));
        }
        return out.toString();
    }

    /** Files that belong to no template: of the house's own sentences, of half a template, and of other words altogether. */
    public static List<Variant> strangers(List<Draft> drafts, int count) {
        List<String> shared = shared();
        List<Variant> strangers = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Random random = new Random(9000 + i);
            List<String> all = new ArrayList<>();
            all.add("Agreement on " + pick(WHAT, random));
            if (i % 4 == 3) {
                for (int k = 0; k < 60; k++) all.add(letters(random));
                strangers.add(new Variant("other words", -1, new Typeset(11, 380, false, "").all(all)));
                continue;
            }
            if (i % 4 == 1) {
                strangers.add(new Variant(
                        "a fork",
                        -1,
                        new Typeset(11, 380, false, "").all(fork(drafts.get(i % drafts.size()), random))));
                continue;
            }
            if (i % 4 == 2) {
                List<String> half = drafts.get(i % drafts.size()).paragraphs();
                all.addAll(half.subList(2, half.size() / 2));
            }
            for (int k = 0; k < 10; k++) all.add(pick(shared, random));
            for (int k = 0; k < 14; k++) all.add(sentence(random) + " " + sentence(random));
            strangers.add(new Variant("of the house", -1, new Typeset(11, 380, false, "").all(all)));
        }
        return strangers;
    }

    /** It begins and ends as a template does, and every second paragraph between is another one. */
    private static List<String> fork(Draft draft, Random random) {
        List<String> all = new ArrayList<>();
        for (int i = 0; i < draft.paragraphs().size(); i++) {
            boolean own = i < 2 || i > draft.paragraphs().size() - 3 || i % 2 == 0;
            all.add(
                    own
                            ? TAG.matcher(draft.paragraphs().get(i)).replaceAll("")
                            : sentence(random) + " " + sentence(random));
        }
        return all;
    }

    private static String letters(Random random) {
        StringBuilder out = new StringBuilder();
        for (int word = 0; word < 12; word++) {
            for (int k = 2 + random.nextInt(7); k > 0; k--) out.append((char) ('a' + random.nextInt(26)));
            out.append(' ');
        }
        return out.toString();
    }
}
