package org.jalousie.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Puts a block together from what is printed: with the spaces that only show as room, without the hyphens that only break lines. */
final class Words {
    private static final Pattern MARK = Pattern.compile(
            "\\(?(?:\\d{1,3}(?:\\.\\d{1,3}){0,5}|[A-Za-z]|[ivxlcdmIVXLCDM]{1,7})[.)]|\\d{1,3}(?:\\.\\d{1,3}){1,5}|§ ?\\d{1,4}[a-z]?");

    /** Bullets, those of symbol fonts among them, which have no meaning of their own in Unicode. */
    private static final Pattern BULLET =
            Pattern.compile("[\u2022\u2023\u25E6\u25AA\u25CF\u25CB\u2013\u2014\u00B7o\uF0B7\uF0A7\uF0D8-]");

    private static final Pattern NOTE = Pattern.compile("\\d{1,4}|[*\u2020\u2021]{1,4}");

    private static final int LONGEST_MARK = 12;
    private static final String SOFT_HYPHEN = "\u00AD";

    private final Block.Kind kind;
    private final int level;
    private final boolean marked;
    private final List<Stretch> stretches = new ArrayList<>();
    private String label = "";
    private Piece last;
    private int page;

    /** @param marked whether something short in front is its mark, whatever it is: in a list, or of a note */
    Words(Block.Kind kind, int level, boolean marked) {
        this.kind = kind;
        this.level = level;
        this.marked = marked;
    }

    void label(String text) {
        label = bullet(text.strip());
    }

    void piece(Piece piece, int onPage, String link) {
        begin(onPage);
        boolean apart = last != null && last.apart(piece);
        // a list's mark is printed apart from its words even where no room is left between them
        boolean after = last != null
                && !last.onAnotherLine(piece)
                && (apart || marked && !last.text().isBlank());
        if (after && label.isEmpty() && isMark(sofar(), apart)) {
            label(sofar());
            stretches.clear();
        } else if (apart && !stretches.isEmpty()) {
            separate(piece);
        }
        append(Stretch.words(piece.text(), piece.strong(), piece.slanted(), link));
        last = piece;
    }

    void place(Stretch run, int onPage) {
        begin(onPage);
        stretches.add(run);
        last = null;
    }

    Block block() {
        return new Block(kind, level, label, page, List.copyOf(stretches), List.of());
    }

    private void begin(int onPage) {
        if (page == 0) page = onPage;
    }

    private String sofar() {
        return String.join("", stretches.stream().map(Stretch::text).toList()).strip();
    }

    private boolean isMark(String text, boolean apart) {
        if (text.isEmpty() || stretches.stream().anyMatch(run -> !run.field().isEmpty() || run.picture() > 0))
            return false;
        return marked && apart && text.length() <= LONGEST_MARK
                || kind == Block.Kind.NOTE && NOTE.matcher(text).matches()
                || MARK.matcher(text).matches()
                || BULLET.matcher(text).matches();
    }

    private static String bullet(String text) {
        return !text.equals("o") && BULLET.matcher(text).matches() && text.charAt(0) >= '\uF000' ? "\u2022" : text;
    }

    private void separate(Piece next) {
        int end = stretches.size() - 1;
        String before = stretches.get(end).text();
        if (before.endsWith(SOFT_HYPHEN)) {
            Stretch run = stretches.get(end);
            stretches.set(
                    end,
                    new Stretch(
                            before.substring(0, before.length() - 1),
                            run.strong(),
                            run.slanted(),
                            run.field(),
                            run.picture(),
                            run.link()));
            return;
        }
        boolean hyphen = before.endsWith("-") && last.onAnotherLine(next);
        boolean white = before.isEmpty()
                || Character.isWhitespace(before.charAt(before.length() - 1))
                || next.text().isEmpty()
                || Character.isWhitespace(next.text().charAt(0));
        if (!hyphen && !white) append(Stretch.words(" ", last.strong(), last.slanted(), ""));
    }

    private void append(Stretch run) {
        int end = stretches.size() - 1;
        boolean space = end >= 0
                && run.text().isBlank()
                && stretches.get(end).field().isEmpty()
                && stretches.get(end).picture() == 0;
        if (end >= 0 && (space || stretches.get(end).looksAs(run)))
            stretches.set(end, stretches.get(end).with(run.text()));
        else stretches.add(run);
    }
}
