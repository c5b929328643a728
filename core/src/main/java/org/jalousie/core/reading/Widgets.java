package org.jalousie.core.reading;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.jalousie.core.placement.FieldPlacer;

/** The form fields on the pages: which one stands where, and what is filled in. Each is met once. */
final class Widgets {
    /** Room by which a field and the box that the words keep for it may differ, in points. */
    private static final float NEAR = 3;

    private record Widget(int page, PDRectangle at, COSDictionary dictionary) {
        String name() {
            return dictionary.getString(COSName.T, "");
        }

        Stretch place() {
            COSBase value = dictionary.getDictionaryObject(COSName.V);
            if (value instanceof COSString text) return Stretch.place(name(), text.getString());
            if (value instanceof COSName text) return Stretch.place(name(), text.getName());
            return Stretch.place(
                    name(), value instanceof COSDictionary signature ? signature.getString(COSName.NAME, "") : "");
        }
    }

    private final List<Widget> all = new ArrayList<>();
    private final Set<COSDictionary> met = new HashSet<>();

    static Widgets of(PDDocument document) throws IOException {
        Widgets widgets = new Widgets();
        int page = 0;
        for (var one : document.getPages()) {
            page++;
            for (PDAnnotation annotation : one.getAnnotations()) {
                COSDictionary dictionary = annotation.getCOSObject();
                boolean own = annotation instanceof PDAnnotationWidget
                        && !FieldPlacer.OFFICE_SEAL.equals(dictionary.getString(COSName.T, FieldPlacer.OFFICE_SEAL));
                PDRectangle at = annotation.getRectangle();
                if (own && at != null && at.getWidth() > 0 && at.getHeight() > 0)
                    widgets.all.add(new Widget(page, at, dictionary));
            }
        }
        return widgets;
    }

    /** The field that stands in a box of the page. */
    Optional<Stretch> at(int page, PDRectangle box) {
        return all.stream()
                .filter(one -> one.page == page && !met.contains(one.dictionary) && within(one.at, box))
                .findFirst()
                .map(this::meet);
    }

    /** The field of this annotation. */
    Optional<Stretch> of(COSDictionary annotation) {
        return all.stream()
                .filter(one -> one.dictionary == annotation && !met.contains(annotation))
                .findFirst()
                .map(this::meet);
    }

    /** The names of those that weren't met. */
    List<String> elsewhere() {
        return all.stream()
                .filter(one -> !met.contains(one.dictionary))
                .map(Widget::name)
                .toList();
    }

    private Stretch meet(Widget widget) {
        met.add(widget.dictionary);
        return widget.place();
    }

    private static boolean within(PDRectangle field, PDRectangle box) {
        float x = (field.getLowerLeftX() + field.getUpperRightX()) / 2;
        float y = (field.getLowerLeftY() + field.getUpperRightY()) / 2;
        return x >= box.getLowerLeftX() - NEAR
                && x <= box.getUpperRightX() + NEAR
                && y >= box.getLowerLeftY() - NEAR
                && y <= box.getUpperRightY() + NEAR;
    }
}
