package org.jalousie.server.adapters;

import java.util.List;
import java.util.Map;
import org.jalousie.core.messages.Message;
import org.jalousie.core.messages.Told;

/** Turns a Word file into PDF/A-2b. */
public interface Converter {
    /**
     * The pages, and what the word processor worked out for them.
     *
     * @param results what each marked field shows, by the name of its mark
     * @param lists the lines of each contents list or index, in the order of the document
     */
    record Made(byte[] pdf, Map<String, String> results, List<List<String>> lists) {}

    /**
     * @throws ConversionFailed with a reason that a coordinator understands
     * @throws ServiceAway when no document can be made just now
     */
    Made convert(byte[] word);

    /**
     * The pages of any file of an office program.
     *
     * @param ending as its file's name would end
     * @throws ConversionFailed with a reason that a coordinator understands
     * @throws ServiceAway when no document can be made just now
     */
    default byte[] pages(byte[] file, String ending) {
        if (!ending.equals("docx")) throw new ConversionFailed(Message.of("conversion.no-pages"), false, null);
        return toPdf(file);
    }

    /** Whether no document can be made just now, whatever it is. */
    default boolean away() {
        return false;
    }

    /** @throws ConversionFailed with a reason that a coordinator understands */
    default byte[] toPdf(byte[] word) {
        return convert(word).pdf();
    }

    final class ConversionFailed extends Told {
        private final boolean again;

        /** @param again whether another try may succeed */
        public ConversionFailed(Message said, boolean again, Throwable cause) {
            super(said, cause);
            this.again = again;
        }

        public boolean again() {
            return again;
        }
    }
}
