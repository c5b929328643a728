package org.jalousie.core.lettering;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

/** The first font of what the program itself prints: signing fields, captions of signatures, the signing record. */
public final class FormFont {
    private static final String FILE = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private FormFont() {}

    /** Its file, to be closed by the caller. */
    public static InputStream open() {
        InputStream font = FormFont.class.getResourceAsStream(FILE);
        if (font == null) throw new UncheckedIOException(new IOException("the font of the signing fields is missing"));
        return font;
    }
}
