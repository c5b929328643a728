package org.jalousie.core.reading;

import java.util.List;
import java.util.stream.Collectors;

/**
 * A document as text that flows: made from the structure of the very file that is signed.
 *
 * @param structured whether the file tells its structure, and all its words are in it (a tagged PDF, ISO 32000-1 §14.8); else
 *     there are no blocks
 * @param edges what stands at the head and foot of its pages, each once
 * @param elsewhere signing fields that stand in none of the blocks, such as those at the foot of each page
 * @param pictures where each picture stands, in their order
 */
public record ReadingText(
        boolean structured, List<Block> blocks, List<String> edges, List<String> elsewhere, List<Picture> pictures) {
    /** @param page from 1; the place in PDF points from the lower left */
    public record Picture(int page, float x, float y, float width, float height, String alternative) {}

    static ReadingText none() {
        return new ReadingText(false, List.of(), List.of(), List.of(), List.of());
    }

    /** How many blocks there are, those in tables among them. */
    public int size() {
        return blocks.stream().mapToInt(Block::size).sum();
    }

    /** All words in their order. */
    public String words() {
        return blocks.stream().map(Block::words).collect(Collectors.joining("\n"));
    }
}
