package org.jalousie.core.recognition;

import java.util.ArrayList;
import java.util.List;
import org.jalousie.core.pdf.PageWords;
import org.jalousie.core.placement.Pages;

/** Sets paragraphs on pages of A4, so that words have places as on the pages of a file. */
final class Typeset {
    private static final double WIDTH = 595;
    private static final double HEIGHT = 842;
    private static final double MARGIN = 110;
    private static final double CELL = 130;

    private final List<PageWords.Word> words = new ArrayList<>();
    private final double letter;
    private final double line;
    private final double measure;
    private double left = MARGIN;
    private double right;
    private final boolean hyphens;
    private final String header;
    private final String footer;
    private double lead;
    private double x = MARGIN;
    private double y;
    private int page;

    /** @param size of the type in points; @param measure how wide a line is; @param header of every page, empty for none */
    Typeset(double size, double measure, boolean hyphens, String header) {
        this(size, measure, hyphens, header, "Page");
    }

    /** @param footer of every page; "Page" has its number behind it */
    Typeset(double size, double measure, boolean hyphens, String header, String footer) {
        this.footer = footer;
        this.letter = size * 0.5;
        this.line = size * 1.3;
        this.measure = measure;
        this.hyphens = hyphens;
        this.header = header;
        turn();
    }

    static FileText plain(String... paragraphs) {
        return new Typeset(11, 380, false, "").all(List.of(paragraphs));
    }

    /** So much more room between paragraphs. */
    Typeset lead(double points) {
        lead = points;
        return this;
    }

    FileText all(List<String> paragraphs) {
        for (String paragraph : paragraphs) {
            String[] cells = paragraph.split("\\|");
            double top = y;
            double lowest = y;
            for (int i = 0; i < cells.length; i++) {
                left = MARGIN + i * CELL;
                right = cells.length == 1 ? MARGIN + measure : left + CELL - 20;
                x = left;
                y = top;
                for (String word : cells[i].strip().split("\\s+")) {
                    // a slash ends a paragraph within a cell
                    if (word.equals("/")) newLine();
                    else put(word);
                }
                lowest = cells.length == 1 ? y : Math.min(lowest, y);
            }
            left = MARGIN;
            y = lowest;
            newLine();
            y -= lead;
        }
        List<Pages.Size> sizes = new ArrayList<>();
        for (int i = 0; i < page; i++) sizes.add(new Pages.Size(WIDTH, HEIGHT));
        return FileText.of(words, sizes, List.of());
    }

    private void put(String word) {
        double width = word.length() * letter;
        double room = right - x;
        if (width > room && x > left) {
            int fits = (int) (room / letter) - 1;
            boolean cut = hyphens
                    && fits > 3
                    && word.length() - fits > 3
                    && word.chars().allMatch(Character::isLowerCase);
            if (cut) {
                set(word.substring(0, fits) + "-");
                newLine();
                put(word.substring(fits));
                return;
            }
            newLine();
        }
        set(word);
        x += letter;
    }

    private void set(String word) {
        double width = word.length() * letter;
        words.add(new PageWords.Word(word, page, x, y, width, letter * 1.4));
        x += width;
    }

    private void newLine() {
        x = left;
        y -= line;
        if (y < 120) turn();
    }

    /** The header stands above the words of its page, its number beneath, as a word processor writes them. */
    private void turn() {
        page++;
        if (!header.isEmpty()) {
            x = MARGIN;
            y = HEIGHT - 40;
            for (String word : header.split(" ")) {
                set(word);
                x += letter;
            }
            y = 40;
            x = WIDTH / 2;
            for (String word : footer.split(" ")) {
                set(word);
                x += letter;
            }
            if (footer.equals("Page")) set(String.valueOf(page));
        }
        x = MARGIN;
        y = HEIGHT - 120;
    }
}
