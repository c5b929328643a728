package org.jalousie.core.pdf;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.util.Matrix;

/**
 * Pages that are drawn as they are seen: no turn, no crop, no unit of their own, and nothing left over from their drawing. What is
 * put on them later stands where it is put.
 */
final class UprightPages {
    private static final List<COSName> BOXES = List.of(
            COSName.CROP_BOX,
            COSName.ROTATE,
            COSName.getPDFName("UserUnit"),
            COSName.BLEED_BOX,
            COSName.TRIM_BOX,
            COSName.ART_BOX);

    private final PDDocument document;
    private final Set<COSStream> turned = Collections.newSetFromMap(new IdentityHashMap<>());
    private final Set<COSDictionary> moved = Collections.newSetFromMap(new IdentityHashMap<>());

    private UprightPages(PDDocument document) {
        this.document = document;
    }

    static void make(PDDocument document) throws IOException {
        UprightPages upright = new UprightPages(document);
        for (PDPage page : document.getPages()) upright.make(page);
        for (PDPage page : document.getPages()) upright.links(page);
    }

    private void make(PDPage page) throws IOException {
        PageTurn turn = PageTurn.of(page);
        // what comes from the page's ancestors is its own from here on
        var resources = page.getResources();
        wrap(page, turn);
        if (resources != null) page.setResources(resources);
        if (!turn.straight()) {
            moved.add(page.getCOSObject());
            for (PDAnnotation annotation : page.getAnnotations()) turn(annotation, turn);
        }
        BOXES.forEach(page.getCOSObject()::removeItem);
        // none that the page inherits may come back
        page.setRotation(0);
        page.setMediaBox(new PDRectangle(turn.width(), turn.height()));
        page.setCropBox(new PDRectangle(turn.width(), turn.height()));
    }

    /** The page's drawing between a saved and a restored state, turned as it is seen, with nothing left open. */
    private void wrap(PDPage page, PageTurn turn) throws IOException {
        int[] open = leftOpen(page);
        Matrix m = turn.toSeen();
        String before = "q\n".repeat(1 + open[0])
                + (turn.straight()
                        ? ""
                        : String.format(
                                Locale.ROOT,
                                "%.6f %.6f %.6f %.6f %.6f %.6f cm\n",
                                m.getScaleX(),
                                m.getShearY(),
                                m.getShearX(),
                                m.getScaleY(),
                                m.getTranslateX(),
                                m.getTranslateY()));
        String after = "\n" + "EMC\n".repeat(open[2]) + "Q\n".repeat(1 + open[1]);
        COSArray contents = new COSArray();
        contents.add(stream(before));
        COSBase own = page.getCOSObject().getDictionaryObject(COSName.CONTENTS);
        if (own instanceof COSArray several) {
            for (int i = 0; i < several.size(); i++)
                if (several.getObject(i) instanceof COSStream) contents.add(several.get(i));
        } else if (own instanceof COSStream) {
            contents.add(page.getCOSObject().getItem(COSName.CONTENTS));
        }
        contents.add(stream(after));
        page.getCOSObject().setItem(COSName.CONTENTS, contents);
    }

    private COSStream stream(String operators) throws IOException {
        PDStream stream = new PDStream(document);
        try (var out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(operators.getBytes(StandardCharsets.US_ASCII));
        }
        return stream.getCOSObject();
    }

    /** How many states are restored that were not saved, how many are saved and not restored, and how many marks stay open. */
    private static int[] leftOpen(PDPage page) throws IOException {
        int deep = 0;
        int lowest = 0;
        int marks = 0;
        PDFStreamParser parser = new PDFStreamParser(page);
        for (Object token = parser.parseNextToken(); token != null; token = parser.parseNextToken()) {
            if (!(token instanceof Operator operator)) continue;
            switch (operator.getName()) {
                case "q" -> deep++;
                case "Q" -> lowest = Math.min(lowest, --deep);
                case "BMC", "BDC" -> marks++;
                case "EMC" -> marks--;
                default -> {}
            }
        }
        return new int[] {-lowest, deep - lowest, Math.max(0, marks)};
    }

    private void turn(PDAnnotation annotation, PageTurn turn) {
        if (annotation.getRectangle() != null) annotation.setRectangle(turn.seen(annotation.getRectangle()));
        annotation.getCOSObject().removeItem(COSName.getPDFName("QuadPoints"));
        PDAppearanceStream drawing = annotation.getNormalAppearanceStream();
        // two annotations may have one drawing
        if (drawing != null && turned.add(drawing.getCOSObject()))
            drawing.setMatrix(
                    Matrix.concatenate(turn.turnOnly(), drawing.getMatrix()).createAffineTransform());
    }

    /** A link to a place on a page that has been turned leads to the page. */
    private void links(PDPage page) throws IOException {
        List<COSDictionary> all = new ArrayList<>();
        for (PDAnnotation annotation : page.getAnnotations()) all.add(annotation.getCOSObject());
        for (COSDictionary one : all) {
            fit(one);
            COSDictionary action = one.getCOSDictionary(COSName.A);
            if (action != null) fit(action);
        }
    }

    private void fit(COSDictionary holder) {
        for (COSName key : List.of(COSName.DEST, COSName.D)) {
            COSArray to = holder.getCOSArray(key);
            if (to == null || to.size() == 0) continue;
            if (!(to.getObject(0) instanceof COSDictionary target) || !moved.contains(target)) continue;
            COSArray whole = new COSArray();
            whole.add(to.get(0));
            whole.add(COSName.getPDFName("Fit"));
            holder.setItem(key, whole);
        }
    }
}
