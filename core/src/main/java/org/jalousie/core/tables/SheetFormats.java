package org.jalousie.core.tables;

import java.io.IOException;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.stream.XMLStreamException;
import org.apache.poi.ss.usermodel.BuiltinFormats;
import org.apache.poi.ss.usermodel.DateUtil;

/** What a number in a workbook is, by how its cell shows it (ISO/IEC 29500-1 §18.8.30): a day, an amount of money, a number with zeros before it. */
final class SheetFormats {
    // what such programs show; further digits are noise of binary fractions
    private static final MathContext DIGITS = new MathContext(15);
    private static final Pattern CURRENCY = Pattern.compile(
            "\\[\\$([A-Z]{3}|\u20ac|\u00a3)[^\\]]*\\]|\"\\s*([A-Z]{3}|\u20ac|\u00a3)\\s*\"|(\u20ac|\u00a3)");
    private static final Pattern ZEROS = Pattern.compile("0{2,20}");
    private static final DateTimeFormatter MINUTES = DateTimeFormatter.ofPattern("uuuu-MM-dd'T'HH:mm");

    private final boolean from1904;
    private final List<String> formats = new ArrayList<>();
    private final Map<String, Boolean> dates = new HashMap<>();

    private SheetFormats(boolean from1904) {
        this.from1904 = from1904;
    }

    static SheetFormats of(Workbook book) throws IOException, XMLStreamException {
        SheetFormats formats = new SheetFormats(book.from1904());
        var part = book.styles();
        if (part.isEmpty()) return formats;
        Map<Integer, String> own = new HashMap<>();
        boolean cells = false;
        try (Workbook.Part in = part.get()) {
            while (in.next()) {
                if (in.begins("numFmt")) own.put(number(in.attribute("numFmtId")), in.attribute("formatCode"));
                else if (in.begins("cellXfs")) cells = true;
                else if (in.ends("cellXfs")) cells = false;
                else if (cells && in.begins("xf")) {
                    int id = number(in.attribute("numFmtId"));
                    String builtIn = BuiltinFormats.getBuiltinFormat(id);
                    formats.formats.add(own.getOrDefault(id, builtIn == null ? "General" : builtIn));
                }
            }
        }
        return formats;
    }

    private static int number(String text) {
        return text == null || !text.matches("\\d{1,9}") ? 0 : Integer.parseInt(text);
    }

    /** @param value as the workbook has it; @param style of the cell; null for none */
    Cell cell(String value, String style) {
        int index = number(style);
        String format = index < formats.size() ? formats.get(index) : "General";
        BigDecimal number;
        try {
            number = new BigDecimal(value.strip());
        } catch (NumberFormatException e) {
            return Cell.failed(value);
        }
        if (number.precision() - number.scale() > 300 || number.scale() > 300) return Cell.failed(value);
        if (dates.computeIfAbsent(format, one -> DateUtil.isADateFormat(-1, one))) return moment(number.doubleValue());
        String plain = plain(number.round(DIGITS));
        if (ZEROS.matcher(format).matches() && plain.matches("\\d+"))
            return Cell.known("0".repeat(Math.max(0, format.length() - plain.length())) + plain);
        Matcher currency = CURRENCY.matcher(format);
        return Cell.known(currency.find() ? code(currency) + " " + plain : plain);
    }

    private static String plain(BigDecimal number) {
        return number.signum() == 0 ? "0" : number.stripTrailingZeros().toPlainString();
    }

    private static String code(Matcher found) {
        for (int i = 1; i <= found.groupCount(); i++)
            if (found.group(i) != null)
                return found.group(i).equals("\u20ac")
                        ? "EUR"
                        : found.group(i).equals("\u00a3") ? "GBP" : found.group(i);
        return "";
    }

    private Cell moment(double days) {
        LocalDateTime time = DateUtil.isValidExcelDate(days) ? DateUtil.getLocalDateTime(days, from1904, true) : null;
        if (time == null) return Cell.failed(String.valueOf(days));
        if (days < 1) return Cell.known(time.toLocalTime().toString());
        return Cell.known(
                time.toLocalTime().equals(LocalTime.MIDNIGHT)
                        ? time.toLocalDate().toString()
                        : MINUTES.format(time));
    }
}
