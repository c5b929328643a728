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
    private static final int MOST_LETTERS_HELD = 4_000_000;

    private final Cache<Sha256, ReadingText> known = Caffeine.newBuilder()
            .maximumWeight(MOST_LETTERS_HELD)
            .weigher((Sha256 pdf, ReadingText text) -> 1 + text.words().length())
            .build();

    ReadingText text(byte[] pdf) {
        return known.get(Sha256.of(pdf), name -> ReadingTexts.of(pdf));
    }

    /** A PNG. @param number as the text has it, from 1 */
    byte[] picture(byte[] pdf, int number) {
        ReadingText text = text(pdf);
        if (number < 1 || number > text.pictures().size()) throw Refusal.notFound(Message.of("document.none"));
        ReadingText.Picture picture = text.pictures().get(number - 1);
        return PageImage.part(
                pdf,
                Math.max(1, picture.page()),
                new PDRectangle(picture.x(), picture.y(), picture.width(), picture.height()));
    }
}
