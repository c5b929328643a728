package org.jalousie.core.reading;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.jalousie.core.reading.ReadingText.Picture;

/** Makes the text that flows of a finished file. */
public final class ReadingTexts {
    private final Map<String, String> roles;
    private final Map<COSDictionary, Integer> numbers = new IdentityHashMap<>();
    private final List<PDPage> pages = new ArrayList<>();
    private final Map<Integer, MarkedPage> marked = new HashMap<>();
    private boolean lost;
    final Widgets widgets;
    final List<Picture> pictures = new ArrayList<>();

    private ReadingTexts(PDDocument document, Map<String, String> roles) throws IOException {
        this.roles = roles;
        this.widgets = Widgets.of(document);
        for (PDPage page : document.getPages()) {
            pages.add(page);
            numbers.put(page.getCOSObject(), pages.size());
        }
    }

    /** @return without blocks for a file that tells no structure, or one that leaves words out */
    public static ReadingText of(byte[] pdf) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            COSDictionary root =
                    document.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.STRUCT_TREE_ROOT);
            if (root == null) return ReadingText.none();
            ReadingTexts texts = new ReadingTexts(document, roles(root));
            List<Block> blocks = new BlockWalk(texts).all(new Structure(root, "Document", ""));
            return blocks.isEmpty() || texts.left()
                    ? ReadingText.none()
                    : new ReadingText(
                            true, blocks, texts.edges(), texts.widgets.elsewhere(), List.copyOf(texts.pictures));
        } catch (IOException e) {
            throw new UncheckedIOException("the pages can't be read", e);
        }
    }

    private static Map<String, String> roles(COSDictionary root) {
        Map<String, String> roles = new HashMap<>();
        COSDictionary map = root.getCOSDictionary(COSName.ROLE_MAP);
        if (map == null) return roles;
        for (Map.Entry<COSName, COSBase> role : map.entrySet()) {
            String to = map.getNameAsString(role.getKey());
            if (to != null) roles.put(role.getKey().getName(), to);
        }
        return roles;
    }

    List<Structure.Kid> kids(Structure structure) {
        return structure.kids(roles);
    }

    /** Which page that is, from 1; the other one when it is none of the file's. */
    int number(COSDictionary page, int otherwise) {
        return page == null ? otherwise : numbers.getOrDefault(page, otherwise);
    }

    List<Piece> printed(int page, int number) {
        return page < 1 ? List.of() : marked(page).printed(number);
    }

    private MarkedPage marked(int page) {
        return marked.computeIfAbsent(page, number -> {
            try {
                return MarkedPage.of(pages.get(number - 1));
            } catch (IOException e) {
                throw new UncheckedIOException("a page can't be read", e);
            }
        });
    }

    /** Something stands on the pages that can't be told in the text. */
    void lose() {
        lost = true;
    }

    /** Whether the structure leaves words out: then it is no text to sign by. */
    private boolean left() {
        if (lost) return true;
        for (int page = 1; page <= pages.size(); page++) if (marked(page).left()) return true;
        return false;
    }

    /** A line at a page's head or foot. */
    private record Edge(int page, String line) {
        private static final Pattern NUMBER = Pattern.compile("\\d{1,9}");

        /** Whether it is the same line on another page: it may count the pages, and differ by nothing else. */
        boolean goesOn(Edge other) {
            List<String> own =
                    NUMBER.matcher(line).results().map(MatchResult::group).toList();
            List<String> others =
                    NUMBER.matcher(other.line).results().map(MatchResult::group).toList();
            if (!NUMBER.matcher(line)
                    .replaceAll("#")
                    .equals(NUMBER.matcher(other.line).replaceAll("#"))) return false;
            for (int i = 0; i < own.size(); i++) {
                int further = Integer.parseInt(others.get(i)) - Integer.parseInt(own.get(i));
                if (further != 0 && further != other.page - page) return false;
            }
            return true;
        }
    }

    /** What stands at heads and feet, line by line; one that only counts the pages is told once. */
    private List<String> edges() {
        List<Edge> lines = new ArrayList<>();
        for (int page = 1; page <= pages.size(); page++) {
            Words words = new Words(Block.Kind.PARAGRAPH, 0, false);
            Piece last = null;
            for (Piece piece : marked(page).edges()) {
                if (last != null && last.onAnotherLine(piece)) {
                    add(page, words, lines);
                    words = new Words(Block.Kind.PARAGRAPH, 0, false);
                }
                words.piece(piece, page, "");
                last = piece;
            }
            add(page, words, lines);
        }
        return lines.stream().map(Edge::line).toList();
    }

    private static void add(int page, Words words, List<Edge> lines) {
        Edge edge = new Edge(page, words.block().words().strip());
        if (!edge.line().isEmpty() && lines.stream().noneMatch(one -> one.goesOn(edge))) lines.add(edge);
    }
}
