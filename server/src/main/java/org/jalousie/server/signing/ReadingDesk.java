package org.jalousie.server.signing;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.jalousie.core.data.Sha256;
import org.jalousie.core.messages.Message;
import org.jalousie.core.reading.ReadingText;
import org.jalousie.core.reading.ReadingTexts;
import org.jalousie.server.Refusal;
import org.jalousie.server.web.PageImage;
import org.springframework.stereotype.Component;

/** Documents as text that flows. A file says the same at all times, so what was made of it is held for the next reader. */
@Component
class ReadingDesk {
    /** About 100 MB: a letter counts one, and what holds it some more. */
    private static final int MOST_HELD = 4_000_000;

    private static final int HELD_BY_A_BLOCK = 100;

    private final Cache<Sha256, ReadingText> known = Caffeine.newBuilder()
            .maximumWeight(MOST_HELD)
            .weigher((Sha256 pdf, ReadingText text) -> 1 + text.words().length() + HELD_BY_A_BLOCK * text.size())
            .build();

    ReadingText text(byte[] pdf) {
        Sha256 name = Sha256.of(pdf);
        ReadingText before = known.getIfPresent(name);
        if (before != null) return before;
        // nobody waits for another's text: a long one takes seconds
        ReadingText text = ReadingTexts.of(pdf);
        known.put(name, text);
        return text;
    }

    /** A PNG. @param number as the text has it, from 1 */
    byte[] picture(byte[] pdf, int number) {
        ReadingText text = text(pdf);
        if (number < 1 || number > text.pictures().size()) throw Refusal.notFound(Message.of("document.none"));
        ReadingText.Picture picture = text.pictures().get(number - 1);
        return PageImage.part(
                pdf, picture.page(), new PDRectangle(picture.x(), picture.y(), picture.width(), picture.height()));
    }
}
