package org.jalousie.core.wording.merge;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jalousie.core.data.FieldType;
import org.jalousie.core.data.Printer;
import org.jalousie.core.data.Value;
import org.jalousie.core.picture.Barcode;
import org.jalousie.core.picture.Chart;
import org.jalousie.core.picture.PictureFile;
import org.jalousie.core.wording.compile.Segment;
import org.jalousie.core.wording.docx.InlinePicture;

/** Puts pictures into a merged file: from data, drawn from values, and into placeholders. */
public final class Pictures {
    private static final String NAMESPACE = "http://schemas.openxmlformats.org/wordprocessingml/2006/main";
    private static final double MM_PER_PIXEL = 25.4 / 96;
    private static final double WIDEST_MM = 160;

    private final Function<String, byte[]> files;
    private final Additions additions;
    private final Map<String, PictureFile> known = new HashMap<>();
    private final Map<String, PictureFile> boxed = new HashMap<>();

    /** @param files the content of a picture by its SHA-256 */
    public Pictures(Function<String, byte[]> files, Additions additions) {
        this.files = files;
        this.additions = additions;
    }

    Additions additions() {
        return additions;
    }

    private PictureFile read(String file) {
        return known.computeIfAbsent(file, name -> PictureFile.read(files.apply(name)));
    }

    /** The drawing for a slot; empty when there is nothing to draw. */
    Optional<String> inLine(String part, Segment.Slot slot, Value value, String text, Printer printer) {
        int asked = FieldType.width(slot.print()).orElse(0);
        Optional<PictureFile> picture = switch (FieldType.kind(slot.print())) {
            case "qr_" -> Optional.of(text).filter(t -> !t.isEmpty()).map(Barcode::qr);
            case "code128_" ->
                Optional.of(value.raw()).filter(t -> !t.isEmpty()).map(Barcode::code128);
            case "bars_" -> Optional.of(Chart.bars(data(value, printer), scale(printer)));
            case "lines_" -> Optional.of(Chart.lines(data(value, printer), scale(printer)));
            default -> value instanceof Value.Picture one ? Optional.of(read(one.file())) : Optional.empty();
        };
        return picture.map(file -> {
            double width = asked > 0 ? asked : Math.min(file.width() * MM_PER_PIXEL, WIDEST_MM);
            double height = width * file.height() / file.width();

            return InlinePicture.xml(
                    NAMESPACE,
                    additions.picture(part, file),
                    "",
                    Math.round(width * InlinePicture.EMU_PER_MM),
                    Math.round(height * InlinePicture.EMU_PER_MM),
                    additions.nextDrawing(),
                    slot.name().replace('_', ' '));
        });
    }

    /** The placeholder's markup, showing this picture instead of its own. */
    String intoBox(String part, String markup, Segment.PictureBox box, Value.Picture picture) {
        PictureFile file = boxed.computeIfAbsent(
                picture.file() + " " + box.width() + " " + box.height(),
                key -> read(picture.file())
                        .boxed(
                                (double) box.width() / InlinePicture.EMU_PER_MM,
                                (double) box.height() / InlinePicture.EMU_PER_MM));
        return markup.replace("embed=\"" + box.embed() + "\"", "embed=\"" + additions.picture(part, file) + "\"");
    }

    /** Each item's first text names its first number. */
    private static List<Chart.Datum> data(Value value, Printer printer) {
        List<Chart.Datum> data = new ArrayList<>();
        if (!(value instanceof Value.Items items)) return data;
        for (Map<String, Value> item : items.items()) {
            String label = "";
            Double number = null;
            for (Value one : item.values()) {
                if (one instanceof Value.Amount amount && number == null)
                    number = amount.number().doubleValue();
                else if (one instanceof Value.Money money && number == null)
                    number = money.amount().doubleValue();
                else if (label.isEmpty()) label = printer.print(one, "");
            }
            if (number != null) data.add(new Chart.Datum(label, number));
        }
        return data;
    }

    private static java.util.function.DoubleFunction<String> scale(Printer printer) {
        return number -> printer.print(new Value.Amount(plain(number)), "");
    }

    private static java.math.BigDecimal plain(double number) {
        java.math.BigDecimal exact = java.math.BigDecimal.valueOf(number).stripTrailingZeros();
        return exact.scale() < 0 ? exact.setScale(0) : exact;
    }
}
