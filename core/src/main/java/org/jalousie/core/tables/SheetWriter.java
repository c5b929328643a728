package org.jalousie.core.tables;

import java.io.IOException;
import java.io.OutputStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.util.WorkbookUtil;
import org.apache.poi.xssf.streaming.SXSSFCell;
import org.apache.poi.xssf.streaming.SXSSFRow;
import org.apache.poi.xssf.streaming.SXSSFSheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;
import org.jalousie.core.data.Value;
import org.jalousie.core.messages.Message;

/** A table as a workbook (ISO/IEC 29500): days, numbers and money as such, everything else as text. */
public final class SheetWriter implements TableWriter {
    private static final int LONGEST_CELL = 32_767;
    private static final int MOST_ROWS = 1_048_576;
    private static final int EXACT_DIGITS = 15;
    private static final int COLUMN_WIDTH = 20 * 256;

    private final OutputStream to;
    private final SXSSFWorkbook book = new SXSSFWorkbook(100);
    private final SXSSFSheet sheet;
    private final Map<String, CellStyle> styles = new HashMap<>();
    private int rows;

    /** @param name of its only sheet */
    public SheetWriter(OutputStream to, String name) {
        this.to = to;
        book.setCompressTempFiles(true);
        sheet = book.createSheet(WorkbookUtil.createSafeSheetName(name));
    }

    @Override
    public void heads(List<String> names) {
        CellStyle bold = book.createCellStyle();
        Font font = book.createFont();
        font.setBold(true);
        bold.setFont(font);
        SXSSFRow row = sheet.createRow(rows++);
        for (int i = 0; i < names.size(); i++) {
            SXSSFCell cell = row.createCell(i);
            cell.setCellValue(names.get(i));
            cell.setCellStyle(bold);
            sheet.setColumnWidth(i, COLUMN_WIDTH);
        }
        sheet.createFreezePane(0, 1);
    }

    /** @throws NotATable where a workbook has no room for it */
    @Override
    public void row(List<Optional<Value>> cells) {
        if (rows == MOST_ROWS) throw new NotATable(Message.of("table.sheet-full", "most", MOST_ROWS));
        SXSSFRow row = sheet.createRow(rows++);
        for (int i = 0; i < cells.size(); i++)
            if (cells.get(i).isPresent()) write(row.createCell(i), cells.get(i).get());
    }

    private void write(SXSSFCell cell, Value value) {
        if (value instanceof Value.Amount amount && amount.number().precision() <= EXACT_DIGITS) {
            cell.setCellValue(amount.number().doubleValue());
        } else if (value instanceof Value.Money money && money.amount().precision() <= EXACT_DIGITS) {
            cell.setCellValue(money.amount().doubleValue());
            int digits = Math.max(money.currency().getDefaultFractionDigits(), 0);
            cell.setCellStyle(formatted("[$" + money.currency().getCurrencyCode() + "] #,##0"
                    + (digits == 0 ? "" : "." + "0".repeat(digits))));
        } else if (value instanceof Value.Day day
                && day.date().getYear() >= 1901
                && day.date().getYear() <= 9999) {
            // days before are counted otherwise, or not at all (ISO/IEC 29500-1 §18.17.4)
            cell.setCellValue(day.date());
            cell.setCellStyle(formatted("yyyy\\-mm\\-dd"));
        } else {
            text(cell, value.raw());
        }
    }

    private void text(SXSSFCell cell, String text) {
        if (text.length() > LONGEST_CELL)
            throw new NotATable(Message.of("table.cell-no-room", "row", rows, "most", LONGEST_CELL));
        cell.setCellValue(text);
        if (!HarmlessText.isFormula(text)) return;
        cell.setCellStyle(styles.computeIfAbsent("'", key -> {
            CellStyle style = book.createCellStyle();
            style.setQuotePrefixed(true);
            return style;
        }));
    }

    private CellStyle formatted(String format) {
        return styles.computeIfAbsent(format, key -> {
            CellStyle style = book.createCellStyle();
            style.setDataFormat(book.createDataFormat().getFormat(key));
            return style;
        });
    }

    @Override
    public void close() throws IOException {
        try (SXSSFWorkbook closed = book) {
            closed.write(to);
        }
    }
}
