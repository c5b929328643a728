package org.jalousie.core.recognition;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.jalousie.core.placement.FieldPlacer;
import org.jalousie.core.placement.SigningField;
import org.jalousie.core.placement.Spots;

/** Places of signing fields for which a finished file has tags: the room that they keep, without the links that tell of it. */
public final class TagPlaces {
    private TagPlaces() {}

    /** @param pdf without those links; {@code places} by the names of their fields, the first of each */
    public record Found(byte[] pdf, Map<String, Spots.Box> places) {}

    /**
     * @param pdf as converted from the file with its tags merged
     * @param boxes the fields by the number that their boxes carry
     */
    public static Found of(byte[] pdf, Map<Integer, SigningField> boxes) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            Map<String, Spots.Box> places = new LinkedHashMap<>();
            for (int number = 1; number <= document.getNumberOfPages(); number++) {
                PDPage page = document.getPage(number - 1);
                List<PDAnnotation> kept = new ArrayList<>();
                for (PDAnnotation annotation : page.getAnnotations()) {
                    SigningField field = boxes.get(FieldPlacer.boxNumber(annotation));
                    if (field == null) {
                        kept.add(annotation);
                        continue;
                    }
                    PDRectangle at = annotation.getRectangle();
                    places.putIfAbsent(
                            field.name(),
                            new Spots.Box(
                                    number, at.getLowerLeftX(), at.getLowerLeftY(), at.getWidth(), at.getHeight()));
                }
                page.setAnnotations(kept);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream(pdf.length);
            document.save(out);
            return new Found(out.toByteArray(), places);
        } catch (IOException e) {
            throw new UncheckedIOException("the converted document can't be read", e);
        }
    }
}
