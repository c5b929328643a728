package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.text.Bidi;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.jalousie.core.lettering.Ink;
import org.jalousie.core.lettering.SetLine;
import org.jalousie.core.lettering.TextBox;
import org.jalousie.core.lettering.TypeSetter;
import org.jalousie.core.placement.FieldPlacer;

/** Fills text fields of one document and draws what stands in them, in whatever script it is. */
final class WordsDrawing implements AutoCloseable {
    private static final Pattern SIZE = Pattern.compile("([0-9.]+) Tf");
    private static final float LARGEST = 12;
    private static final float CAPITALS = 700; // of the house's font, in thousandths of its size

    private final PDDocument document;
    private final Ink ink;

    private WordsDrawing(PDDocument document, Ink ink) {
        this.document = document;
        this.ink = ink;
    }

    static WordsDrawing in(PDDocument document) throws IOException {
        PDAcroForm form = document.getDocumentCatalog().getAcroForm();
        PDResources resources = form == null ? null : form.getDefaultResources();
        return new WordsDrawing(
                document, new Ink(document, resources == null ? null : resources.getFont(FieldPlacer.FONT)));
    }

    /** Puts a value into a field; below it stays what its place has drawn already. */
    void fill(PDTextField field, String value) throws IOException {
        field.getCOSObject().setString(COSName.V, value);
        PDAnnotationWidget widget = field.getWidgets().get(0);
        PDRectangle at = widget.getRectangle();
        PDAppearanceStream stream = new PDAppearanceStream(document);
        stream.setBBox(new PDRectangle(at.getWidth(), at.getHeight()));
        stream.setFormType(1);
        stream.setResources(new PDResources());
        // without a filter, as its placeholder is: a validator calls anything else a change it doesn't know
        try (OutputStream out = stream.getCOSObject().createOutputStream()) {
            PDAppearanceStream before = widget.getNormalAppearanceStream();
            if (before != null) out.write(before.getCOSObject().toTextString().getBytes(StandardCharsets.ISO_8859_1));
            out.write(words(field, value, at, stream.getResources()).getBytes(StandardCharsets.US_ASCII));
        }
        PDAppearanceDictionary appearance = new PDAppearanceDictionary();
        appearance.getCOSObject().setDirect(true);
        appearance.setNormalAppearance(stream);
        widget.setAppearance(appearance);
    }

    private String words(PDTextField field, String value, PDRectangle at, PDResources resources) {
        TextBox box = new TextBox(at.getWidth(), at.getHeight(), size(field), field.isMultiline());
        TextBox.Block block = box.setAnyway(value, TypeSetter.here());
        boolean fromRight = field.isMultiline() && startsFromRight(value);
        // marked as what a field holds, within its place (ISO 32000-1 §12.7.3.3)
        StringBuilder out = new StringBuilder(
                String.format(Locale.ROOT, "%n/Tx BMC q 0 0 %.3f %.3f re W n%n", at.getWidth(), at.getHeight()));
        float y = firstLine(block, at.getHeight());
        for (SetLine line : block.lines()) {
            float x = fromRight ? at.getWidth() - TextBox.SIDE - line.width(block.size()) : TextBox.SIDE;
            out.append(ink.show(line, block.size(), x, y, 0, resources));
            y -= block.size() * TextBox.LEADING;
        }
        return out.append("Q EMC\n").toString();
    }

    /** One line stands with its capitals in the middle of its box; many begin at the top of theirs. */
    private static float firstLine(TextBox.Block block, float height) {
        List<SetLine> lines = block.lines();
        return lines.size() == 1 && height < 2 * block.size() * TextBox.LEADING
                ? (height - CAPITALS * block.size() / 1000) / 2
                : height - block.size();
    }

    private static boolean startsFromRight(String value) {
        return !new Bidi(value, Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT).baseIsLeftToRight();
    }

    private static float size(PDTextField field) {
        Matcher size = SIZE.matcher(field.getDefaultAppearance());
        float points = size.find() ? Float.parseFloat(size.group(1)) : 0;
        return points == 0 ? LARGEST : points;
    }

    @Override
    public void close() throws IOException {
        ink.close();
    }
}
