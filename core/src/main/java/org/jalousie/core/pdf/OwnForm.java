package org.jalousie.core.pdf;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDCheckBox;
import org.apache.pdfbox.pdmodel.interactive.form.PDChoice;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDPushButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDRadioButton;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.pdmodel.interactive.form.PDVariableText;

/** Reads the form that a PDF brings, before its pages are turned. */
final class OwnForm {
    /** The most that is read of one form. */
    private static final int MOST = 2000;

    private static final Pattern SIZE = Pattern.compile("([0-9.]+)\\s+Tf");

    private final Map<COSDictionary, Integer> pages = new IdentityHashMap<>();
    private final List<PageTurn> turns = new ArrayList<>();

    private OwnForm(PDDocument document) throws java.io.IOException {
        int number = 0;
        for (PDPage page : document.getPages()) {
            number++;
            turns.add(PageTurn.of(page));
            for (PDAnnotation annotation : page.getAnnotations()) pages.put(annotation.getCOSObject(), number);
        }
    }

    static List<OwnField> of(PDDocument document) throws java.io.IOException {
        PDAcroForm form = document.getDocumentCatalog().getAcroForm(null);
        if (form == null) return List.of();
        OwnForm own = new OwnForm(document);
        List<OwnField> fields = new ArrayList<>();
        for (PDField field : form.getFieldTree()) {
            if (fields.size() >= MOST) break;
            if (!(field instanceof PDTerminalField terminal) || terminal instanceof PDPushButton) continue;
            OwnField read = own.read(terminal);
            if (!read.widgets().isEmpty()) fields.add(read);
        }
        return fields;
    }

    private OwnField read(PDTerminalField field) {
        String name = field.getFullyQualifiedName() == null ? "" : field.getFullyQualifiedName();
        String label = field.getAlternateFieldName();
        OwnField.Kind kind = kind(field);
        List<OwnField.Widget> spots = new ArrayList<>();
        for (PDAnnotationWidget widget : field.getWidgets()) {
            Integer page = pages.get(widget.getCOSObject());
            PDRectangle at = widget.getRectangle();
            if (page == null || at == null || widget.isHidden()) continue;
            PDRectangle seen = turns.get(page - 1).seen(at);
            spots.add(new OwnField.Widget(
                    page,
                    seen.getLowerLeftX(),
                    seen.getLowerLeftY(),
                    seen.getWidth(),
                    seen.getHeight(),
                    kind == OwnField.Kind.ONE_OF ? onValue(widget) : ""));
        }
        return new OwnField(
                name,
                label == null || label.isBlank() ? words(name) : label.strip(),
                kind,
                choices(field, spots),
                field.isRequired(),
                field instanceof PDTextField text ? Math.max(0, text.getMaxLen()) : 0,
                field instanceof PDVariableText text ? points(text) : 0,
                field instanceof PDVariableText text ? side(text.getQ()) : OwnField.Side.LEFT,
                spots);
    }

    private static OwnField.Kind kind(PDTerminalField field) {
        if (field instanceof PDSignatureField) return OwnField.Kind.SIGNATURE;
        if (field instanceof PDCheckBox) return OwnField.Kind.TICK;
        if (field instanceof PDRadioButton) return OwnField.Kind.ONE_OF;
        if (field instanceof PDChoice) return OwnField.Kind.LIST;
        return field instanceof PDTextField text && text.isMultiline() ? OwnField.Kind.LINES : OwnField.Kind.LINE;
    }

    private static List<String> choices(PDTerminalField field, List<OwnField.Widget> spots) {
        if (field instanceof PDChoice choice)
            return choice.getOptionsDisplayValues().stream().distinct().toList();
        if (!(field instanceof PDRadioButton radio)) return List.of();
        List<String> said = radio.getExportValues();
        return said.size() == spots.size()
                ? said
                : spots.stream().map(OwnField.Widget::choice).distinct().toList();
    }

    /** The state of a button that is not off (ISO 32000-1 §12.7.4.2.3). */
    private static String onValue(PDAnnotationWidget widget) {
        COSDictionary drawings = widget.getCOSObject().getCOSDictionary(COSName.AP);
        COSDictionary states = drawings == null ? null : drawings.getCOSDictionary(COSName.N);
        if (states == null) return "";
        return states.keySet().stream()
                .map(COSName::getName)
                .filter(state -> !state.equals("Off"))
                .findFirst()
                .orElse("");
    }

    private static double points(PDVariableText text) {
        String drawn = text.getDefaultAppearance();
        Matcher size = SIZE.matcher(drawn == null ? "" : drawn);
        return size.find() ? Double.parseDouble(size.group(1)) : 0;
    }

    private static OwnField.Side side(int quadding) {
        return switch (quadding) {
            case 1 -> OwnField.Side.MIDDLE;
            case 2 -> OwnField.Side.RIGHT;
            default -> OwnField.Side.LEFT;
        };
    }

    /** A name as words: its last part, without the numbers that tools put behind it. */
    private static String words(String name) {
        String last = name.substring(name.lastIndexOf('.') + 1);
        String words = last.replaceAll("\\[\\d+]$", "")
                .replaceAll("([a-z])([A-Z])", "$1 $2")
                .replaceAll("[_-]+", " ")
                .strip();
        return words.isEmpty() ? name : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
