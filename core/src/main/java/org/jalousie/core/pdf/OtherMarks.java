package org.jalousie.core.pdf;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.util.Matrix;
import org.jalousie.core.messages.Message;

/**
 * What stands over a PDF's pages: links stay, what is seen of anything else becomes part of its page (ISO 32000-1 §12.5.5), and
 * what fields held goes, since they are filled anew.
 */
final class OtherMarks {
    private OtherMarks() {}

    static void flatten(PDDocument document, List<Message> notes) throws IOException {
        int unseen = 0;
        for (PDPage page : document.getPages()) {
            List<PDAnnotation> kept = new ArrayList<>();
            StringBuilder drawing = new StringBuilder();
            PDResources resources = page.getResources() == null ? new PDResources() : page.getResources();
            for (PDAnnotation annotation : page.getAnnotations()) {
                if (annotation instanceof PDAnnotationLink link) {
                    if (harmless(link)) kept.add(link);
                    continue;
                }
                boolean drawn = shown(annotation) && draw(annotation, resources, drawing);
                boolean widget = annotation instanceof PDAnnotationWidget;
                String kind = annotation.getSubtype();
                if (!drawn && !widget && !"Popup".equals(kind)) unseen++;
            }
            if (drawing.length() > 0) {
                page.setResources(resources);
                add(document, page, drawing.toString());
            }
            page.setAnnotations(kept);
        }
        if (unseen > 0) notes.add(Message.of("pdf.comments-gone", "count", unseen));
    }

    /** A link within the document or to an address. */
    private static boolean harmless(PDAnnotationLink link) throws IOException {
        link.getCOSObject().removeItem(COSName.getPDFName("AA"));
        link.getCOSObject().removeItem(COSName.AP);
        link.getCOSObject().setInt(COSName.F, 4);
        var action = link.getAction();
        return action == null
                ? link.getCOSObject().containsKey(COSName.DEST)
                : (action instanceof PDActionURI || action instanceof PDActionGoTo)
                        && !action.getCOSObject().containsKey(COSName.NEXT);
    }

    private static boolean shown(PDAnnotation annotation) {
        return !annotation.isHidden() && !annotation.isNoView() && annotation.getRectangle() != null;
    }

    private static boolean draw(PDAnnotation annotation, PDResources resources, StringBuilder drawing) {
        PDAppearanceStream appearance = appearance(annotation);
        if (appearance == null || appearance.getBBox() == null) return false;
        PDRectangle at = annotation.getRectangle();
        // ISO 32000-1 §12.5.5, algorithm 8.1
        var box = appearance.getBBox().transform(appearance.getMatrix()).getBounds2D();
        if (box.getWidth() == 0 || box.getHeight() == 0) return false;
        Matrix fitted = Matrix.getTranslateInstance(at.getLowerLeftX(), at.getLowerLeftY());
        fitted.scale((float) (at.getWidth() / box.getWidth()), (float) (at.getHeight() / box.getHeight()));
        fitted.translate((float) -box.getX(), (float) -box.getY());
        COSStream stream = appearance.getCOSObject();
        stream.setItem(COSName.TYPE, COSName.XOBJECT);
        stream.setItem(COSName.SUBTYPE, COSName.FORM);
        COSName name = resources.add(new PDFormXObject(stream));
        drawing.append(String.format(
                Locale.ROOT,
                "q %.5f %.5f %.5f %.5f %.5f %.5f cm /%s Do Q%n",
                fitted.getScaleX(),
                fitted.getShearY(),
                fitted.getShearX(),
                fitted.getScaleY(),
                fitted.getTranslateX(),
                fitted.getTranslateY(),
                name.getName()));
        return true;
    }

    /** Of a field only its empty room: a button that is off, and no words. */
    private static PDAppearanceStream appearance(PDAnnotation annotation) {
        if (!(annotation instanceof PDAnnotationWidget widget)) return annotation.getNormalAppearanceStream();
        COSDictionary drawings = widget.getCOSObject().getCOSDictionary(COSName.AP);
        COSBase normal = drawings == null ? null : drawings.getDictionaryObject(COSName.N);
        if (normal instanceof COSStream stream)
            return holds(widget.getCOSObject()) ? null : new PDAppearanceStream(stream);
        return normal instanceof COSDictionary states
                        && states.getDictionaryObject(COSName.getPDFName("Off")) instanceof COSStream off
                ? new PDAppearanceStream(off)
                : null;
    }

    private static boolean holds(COSDictionary field) {
        COSDictionary one = field;
        for (int up = 0; one != null && up < 20; up++) {
            COSBase value = one.getDictionaryObject(COSName.V);
            if (value != null)
                return !(value instanceof org.apache.pdfbox.cos.COSString text)
                        || !text.getString().isBlank();
            one = one.getCOSDictionary(COSName.PARENT);
        }
        return false;
    }

    /** Behind the page's own drawing, which leaves nothing open. */
    private static void add(PDDocument document, PDPage page, String operators) throws IOException {
        COSArray contents = new COSArray();
        COSBase own = page.getCOSObject().getDictionaryObject(COSName.CONTENTS);
        if (own instanceof COSArray several) for (int i = 0; i < several.size(); i++) contents.add(several.get(i));
        contents.add(stream(document, "\n" + operators));
        page.getCOSObject().setItem(COSName.CONTENTS, contents);
    }

    private static COSStream stream(PDDocument document, String operators) throws IOException {
        PDStream stream = new PDStream(document);
        try (var out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(operators.getBytes(StandardCharsets.US_ASCII));
        }
        return stream.getCOSObject();
    }
}
