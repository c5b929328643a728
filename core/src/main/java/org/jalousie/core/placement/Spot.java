package org.jalousie.core.placement;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** Where something stands on the pages of a fixed document, in millimetres. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Spot.Open.class, name = "OPEN"),
    @JsonSubTypes.Type(value = Spot.OnPage.class, name = "ON_PAGE"),
    @JsonSubTypes.Type(value = Spot.ByWords.class, name = "BY_WORDS")
})
public sealed interface Spot {
    /** Nobody has said yet where. */
    record Open() implements Spot {}

    /**
     * On a page, wherever its words stand.
     *
     * @param page from 1
     * @param left of its left edge from the page's
     * @param top of its upper edge from the page's
     */
    record OnPage(int page, double left, double top) implements Spot {}

    /**
     * Hung on words that stand once in the document, wherever they come to stand.
     *
     * @param right of its left edge from where the words begin; negative to the left of that
     * @param down of its upper edge from the line on which the words stand; negative above it
     */
    record ByWords(String words, double right, double down) implements Spot {
        public ByWords {
            words = words == null ? "" : words;
        }
    }
}
