package org.jalousie.core.wording.tags;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jalousie.core.data.Field;
import org.jalousie.core.data.Names;
import org.jalousie.core.wording.FoundTags;
import org.jalousie.core.wording.docx.WordFields;
import org.w3c.dom.Element;

/** {@code IF} fields over merge fields (ISO/IEC 29500-1 §17.16.5.22) as two passages and the rule that decides them. */
public final class Comparisons {
    private static final Set<String> OPERATORS = Set.of("=", "<>", "<", "<=", ">", ">=");
    private static final Map<String, String> MIRRORED =
            Map.of("=", "=", "<>", "<>", "<", ">", "<=", ">=", ">", "<", ">=", "<=");
    private static final Map<String, String> NAMES =
            Map.of("=", "is", "<", "under", "<=", "at_most", ">", "over", ">=", "at_least");
    private static final Map<String, String> WORDS =
            Map.of("=", "is", "<", "is under", "<=", "is at most", ">", "is over", ">=", "is at least");

    private final Map<String, FoundTags.Comparison> found = new LinkedHashMap<>();

    public List<FoundTags.Comparison> found() {
        return List.copyOf(found.values());
    }

    /** A stretch of a code: words in the look of their run, or a field. */
    private record Piece(String words, Element look, WordFields.WordField field) {}

    /** One argument of the code. @param quoted whether it stood in quotes */
    private record Token(List<Piece> pieces, boolean quoted) {
        String text() {
            StringBuilder text = new StringBuilder();
            pieces.forEach(piece -> text.append(piece.words()));
            return text.toString();
        }

        WordFields.WordField onlyField() {
            return pieces.size() == 1 ? pieces.get(0).field() : null;
        }
    }

    /** The passages as runs with tags; empty when the field has a form that can't be followed. */
    List<Element> passages(WordFields.WordField field) {
        List<Token> tokens = tokens(field);
        if (tokens.size() < 5 || tokens.size() > 6) return List.of();
        Token left = tokens.get(1);
        String operator = tokens.get(2).text();
        Token right = tokens.get(3);
        if (!OPERATORS.contains(operator)) return List.of();
        if (left.onlyField() == null) {
            operator = MIRRORED.get(operator);
            Token swap = left;
            left = right;
            right = swap;
        }
        if (left.onlyField() == null || !left.onlyField().type().equals("MERGEFIELD")) return List.of();
        if (right.pieces().stream().anyMatch(piece -> piece.field() != null)) return List.of();
        String name = MergeField.read(left.onlyField().instruction()).name();
        if (name.isEmpty() || name.contains(".") || right.text().matches(".*[*?].*")) return List.of();
        // a number with marks within may be meant in two ways
        if (right.text().matches("[-+]?\\d[\\d.,' ]*") && !right.text().matches("[-+]?\\d+(\\.\\d+)?"))
            return List.of();
        boolean inverted = operator.equals("<>");
        String condition = right.text().isEmpty() && Set.of("=", "<>").contains(operator)
                ? name
                : rule(name, inverted ? "=" : operator, right);
        // an empty text asks whether there is nothing
        if (condition.equals(name)) inverted = !inverted;
        List<Element> holds = runs(tokens.get(4));
        List<Element> fails = tokens.size() == 6 ? runs(tokens.get(5)) : new ArrayList<>();
        if (holds == null || fails == null) return List.of();
        List<Element> all = new ArrayList<>();
        section(all, inverted ? "^" : "#", condition, holds, field.look());
        section(all, inverted ? "#" : "^", condition, fails, field.look());
        // a condition that prints nothing either way is still a field that has been understood
        if (all.isEmpty()) all.add(OwnFields.words(field.look(), ""));
        return all;
    }

    private static void section(List<Element> all, String sign, String name, List<Element> body, Element look) {
        if (body.isEmpty()) return;
        all.add(OwnFields.tag(look, sign + name));
        all.addAll(body);
        all.add(OwnFields.tag(look, "/" + name));
    }

    private String rule(String name, String operator, Token value) {
        boolean number = !value.quoted() && value.text().matches("-?\\d+(\\.\\d+)?")
                || !operator.equals("=") && value.text().matches("-?\\d+(\\.\\d+)?");
        String suffix = Names.from("v_" + value.text().toLowerCase(java.util.Locale.ROOT))
                .replaceFirst("^v_?", "");
        String rule = name + "_" + NAMES.get(operator) + (suffix.isEmpty() ? "" : "_" + suffix);
        String literal = number
                ? value.text()
                : "\"" + value.text().replace("\\", "\\\\").replace("\"", "\\\"") + "\"";
        found.put(
                rule,
                new FoundTags.Comparison(
                        rule,
                        Field.labelFor(name) + " " + WORDS.get(operator) + " " + value.text(),
                        name + " " + operator + " " + literal,
                        name,
                        number));
        return rule;
    }

    /** The words of an argument as runs; null when a field within can't be followed. */
    private List<Element> runs(Token token) {
        List<Element> runs = new ArrayList<>();
        for (Piece piece : token.pieces()) {
            if (piece.field() == null) {
                runs.add(OwnFields.words(piece.look(), piece.words()));
                continue;
            }
            if (piece.field().type().equals("MERGEFIELD")) {
                MergeField inner = MergeField.read(piece.field().instruction());
                if (inner.name().isEmpty() || !inner.ignored().isEmpty()) return null;
                runs.addAll(OwnFields.tags(inner, piece.field().look()));
            } else if (piece.field().type().equals("IF")) {
                List<Element> inner = passages(piece.field());
                if (inner.isEmpty()) return null;
                runs.addAll(inner);
            } else {
                return null;
            }
        }
        return runs;
    }

    private static List<Token> tokens(WordFields.WordField field) {
        List<Token> tokens = new ArrayList<>();
        List<Piece> pieces = null;
        boolean quoted = false;
        for (Object one : field.code) {
            if (one instanceof WordFields.WordField inner) {
                if (pieces == null) tokens.add(new Token(List.of(new Piece("", null, inner)), false));
                else pieces.add(new Piece("", null, inner));
                continue;
            }
            Element leaf = (Element) one;
            Element look = (Element) leaf.getParentNode();
            StringBuilder words = new StringBuilder();
            for (char c : leaf.getTextContent().toCharArray()) {
                boolean quote = c == '"' || c == '\u201c' || c == '\u201d';
                boolean bare = pieces != null && !quoted;
                boolean operator = !quoted && "=<>".indexOf(c) >= 0;
                boolean wasOperator = bare && !words.isEmpty() && "=<>".indexOf(words.charAt(words.length() - 1)) >= 0;
                if (quoted ? quote : bare && (Character.isWhitespace(c) || quote || operator != wasOperator)) {
                    if (!words.isEmpty()) pieces.add(new Piece(words.toString(), look, null));
                    words.setLength(0);
                    tokens.add(new Token(List.copyOf(pieces), quoted));
                    pieces = null;
                    if (quoted || Character.isWhitespace(c)) {
                        quoted = false;
                        continue;
                    }
                }
                if (pieces == null && Character.isWhitespace(c)) continue;
                if (pieces == null) {
                    pieces = new ArrayList<>();
                    quoted = quote;
                    if (quote) continue;
                }
                words.append(c);
            }
            if (pieces != null && !words.isEmpty()) pieces.add(new Piece(words.toString(), look, null));
        }
        if (pieces != null) tokens.add(new Token(List.copyOf(pieces), quoted));
        return tokens;
    }
}
