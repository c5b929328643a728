package org.jalousie.core.template;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.FieldName;
import org.jalousie.core.parties.Party;
import org.jalousie.core.parties.PersonSource;
import org.jalousie.core.rules.CaseChoice;
import org.jalousie.core.rules.Rule;

/** Gives fields of the form other names wherever a template's settings speak of them. */
public final class Renaming {
    /** A text in quotes, or what stands between two of them. */
    private static final Pattern PIECE = Pattern.compile("\"(?:[^\"\\\\]|\\\\.)*\"|[^\"]+");

    private static final Pattern MEMBER = Pattern.compile("\"((?:[^\"\\\\]|\\\\.)*)\"(\\s*:)?");
    private static final Pattern WORD = Pattern.compile("[\\p{L}_][\\p{L}\\p{M}\\p{N}_]*");
    private static final String CURRENCY = "_currency";

    private final Map<String, String> names;

    private Renaming(Map<String, String> names) {
        this.names = names;
    }

    /** @param names the new name by the old one */
    public static TemplateContent of(TemplateContent content, Map<String, String> names) {
        if (names.isEmpty()) return content;
        Renaming to = new Renaming(names);
        return new TemplateContent(
                content.language(),
                content.fields().stream().map(to::field).toList(),
                content.parties().stream().map(to::party).toList(),
                content.signingFields(),
                to.sending(content.sending()),
                content.rules().stream().map(to::rule).toList(),
                content.choices().stream().map(to::choice).toList(),
                content.specimens().stream().map(to::specimen).toList(),
                content.clauses(),
                content.layout().renamed(to::name),
                content.documents().stream().map(to::document).toList(),
                content.bundle());
    }

    private String name(String old) {
        return names.getOrDefault(old, old);
    }

    private FieldName name(FieldName old) {
        return new FieldName(name(old.value()));
    }

    private Field field(Field field) {
        return field.renamed(name(field.name()))
                .withItems(field.items().stream().map(this::field).toList());
    }

    private Party party(Party party) {
        Party with = party.neededWhen(name(party.neededWhen()));
        if (!(party.who() instanceof PersonSource.FromFields from)) return with;
        return with.foundBy(
                new PersonSource.FromFields(name(from.nameField()), name(from.mailField()), name(from.phoneField())));
    }

    private SendingSettings sending(SendingSettings sending) {
        return sending.saying(
                        new Letter(sending.subject()).renamed(names).text(),
                        new Letter(sending.message()).renamed(names).text(),
                        name(sending.expiresOn()),
                        sending.attachedFields().stream().map(this::name).toList())
                .telling(sending.tellings().stream()
                        .map(one -> one.saying(
                                new Letter(one.message()).renamed(names).text(),
                                one.fields().stream().map(this::name).toList()))
                        .toList());
    }

    private TemplateDocument document(TemplateDocument document) {
        return document.when(name(document.when()))
                .with(
                        document.places(),
                        document.data().stream()
                                .map(place -> place.called(name(place.name())
                                        + place.tag().substring(place.name().length())))
                                .toList());
    }

    private Rule rule(Rule rule) {
        return new Rule(
                name(rule.name()), rule.label(), name(rule.within()), expression(rule.expression()), rule.gives());
    }

    private CaseChoice choice(CaseChoice choice) {
        return new CaseChoice(
                name(choice.name()),
                choice.label(),
                choice.cases().stream()
                        .map(one -> new CaseChoice.Case(one.label(), expression(one.condition()), one.clause()))
                        .toList());
    }

    private Specimen specimen(Specimen specimen) {
        Map<FieldName, String> data = new LinkedHashMap<>();
        specimen.data().forEach((field, value) -> data.put(name(field), members(value)));
        return new Specimen(specimen.name(), specimen.origin(), data);
    }

    /** The members of items, which are kept as JSON: a text in quotes before a colon is a member's name. */
    private String members(String value) {
        if (!value.startsWith("[{")) return value;
        return MEMBER.matcher(value).replaceAll(text -> {
            String name = text.group(1);
            boolean renamed = text.group(2) != null && names.containsKey(name);
            return Matcher.quoteReplacement(renamed ? "\"" + names.get(name) + "\"" + text.group(2) : text.group());
        });
    }

    /** Whole names only; what stands in quotes is text. */
    private String expression(String feel) {
        return PIECE.matcher(feel)
                .replaceAll(piece -> Matcher.quoteReplacement(
                        piece.group().startsWith("\"") ? piece.group() : replaced(piece.group())));
    }

    /** All names at once, so that a new name that is another one's old name is not changed again. */
    private String replaced(String words) {
        return WORD.matcher(words).replaceAll(word -> {
            String one = word.group();
            if (names.containsKey(one)) return Matcher.quoteReplacement(names.get(one));
            boolean currency =
                    one.endsWith(CURRENCY) && names.containsKey(one.substring(0, one.length() - CURRENCY.length()));
            return Matcher.quoteReplacement(
                    currency ? names.get(one.substring(0, one.length() - CURRENCY.length())) + CURRENCY : one);
        });
    }
}
