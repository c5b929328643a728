package org.jalousie.core.tables;

import java.util.List;
import java.util.Locale;
import org.jalousie.core.data.Typing;

/**
 * How a table's file is to be read. What was recognised can be changed by a person.
 *
 * @param encoding of a text file, by its name in the IANA registry; empty for a file that says it itself
 * @param separator between the cells of a text file
 * @param sheet of a workbook; empty for other files
 * @param headRow the row that names the columns, from 1
 * @param hidden whether rows count that the workbook hides
 */
public record TableStyle(
        Format format,
        String encoding,
        String separator,
        String sheet,
        int headRow,
        boolean hidden,
        DateOrder dates,
        NumberMarks numbers) {
    /** Encodings that a person can choose from. */
    public static final List<String> ENCODINGS =
            List.of("UTF-8", "UTF-16LE", "UTF-16BE", "windows-1252", "ISO-8859-15", "windows-1250", "x-MacRoman");

    /** Marks that can stand between cells. */
    public static final List<String> SEPARATORS = List.of(",", ";", "\t", "|");

    /** What kind of file it is. */
    public enum Format {
        /** RFC 4180 and what is called so. */
        CSV,
        /** ISO/IEC 29500. */
        XLSX,
        /** An array of objects, or an object in each line. */
        JSON
    }

    /** In which order a date's numbers stand. */
    public enum DateOrder {
        YEAR_FIRST,
        DAY_FIRST,
        MONTH_FIRST
    }

    /** Which marks numbers have: what is in groups of three, and what stands before decimals. */
    public enum NumberMarks {
        /** 1,250.50 */
        POINT("en"),
        /** 1.250,50 */
        COMMA("de"),
        /** 1 250,50 */
        SPACE_COMMA("fr"),
        /** 1'250.50 */
        APOSTROPHE("de-CH");

        private final String language;

        NumberMarks(String language) {
            this.language = language;
        }

        /** How numbers with these marks are read. */
        public Typing typing() {
            return Typing.in(Locale.forLanguageTag(language));
        }
    }

    /** The same for another row of heads. */
    public TableStyle headedBy(int row) {
        return new TableStyle(format, encoding, separator, sheet, row, hidden, dates, numbers);
    }

    /** The same with data that are written so. */
    public TableStyle writing(DateOrder order, NumberMarks marks) {
        return new TableStyle(format, encoding, separator, sheet, headRow, hidden, order, marks);
    }
}
