package org.jalousie.core.proof;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkedContentReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.TextPosition;

/** The content of tagged pages with its structure; headers, footers and other artifacts are left out. */
final class TaggedPages {
    private final Map<Integer, List<Stretch>> byPage = new HashMap<>();
    private final Map<Object, Row> rows = new LinkedHashMap<>();

    /** One piece of marked content. @param heading whether it belongs to a heading */
    record Stretch(String text, List<TextPosition> letters, boolean picture, boolean heading) {}

    /** A table row and the pages that its content stands on. */
    record Row(int firstPage, int lastPage, String words) {}

    private record Place(int page, int mcid) {}

    private record Owner(boolean heading, Object row) {}

    static TaggedPages of(PDDocument document) throws IOException {
        TaggedPages pages = new TaggedPages();
        Map<Place, Owner> owners = new HashMap<>();
        if (document.getDocumentCatalog().getStructureTreeRoot() != null)
            walk(document, document.getDocumentCatalog().getStructureTreeRoot(), null, new Owner(false, null), owners);
        int number = 0;
        for (PDPage page : document.getPages()) {
            number++;
            PDFMarkedContentExtractor extractor = new PDFMarkedContentExtractor();
            extractor.processPage(page);
            List<Stretch> stretches = new ArrayList<>();
            for (PDMarkedContent content : extractor.getMarkedContents())
                pages.collect(content, number, owners, stretches);
            pages.byPage.put(number, stretches);
        }
        return pages;
    }

    List<Stretch> onPage(int page) {
        return byPage.getOrDefault(page, List.of());
    }

    Map<Object, Row> rows() {
        return rows;
    }

    private void collect(PDMarkedContent content, int page, Map<Place, Owner> owners, List<Stretch> into) {
        if ("Artifact".equals(content.getTag())) return;
        StringBuilder text = new StringBuilder();
        List<TextPosition> letters = new ArrayList<>();
        boolean picture = false;
        for (Object one : content.getContents()) {
            if (one instanceof TextPosition letter) {
                text.append(letter.getUnicode());
                letters.add(letter);
            } else if (one instanceof PDXObject) {
                picture = true;
            } else if (one instanceof PDMarkedContent inner) {
                collect(inner, page, owners, into);
            }
        }
        if (content.getMCID() < 0) return;
        Owner owner = owners.getOrDefault(new Place(page, content.getMCID()), new Owner(false, null));
        into.add(new Stretch(text.toString(), letters, picture, owner.heading));
        if (owner.row != null && !text.toString().isBlank()) {
            rows.merge(
                    owner.row,
                    new Row(page, page, text.toString()),
                    (a, b) -> new Row(
                            Math.min(a.firstPage, b.firstPage),
                            Math.max(a.lastPage, b.lastPage),
                            a.words + " " + b.words));
        }
    }

    /** The library passes over numbers that are objects of their own, which it writes itself. */
    private static List<Object> kids(PDStructureNode node) {
        List<Object> kids = new ArrayList<>(node.getKids());
        if (node.getCOSObject().getDictionaryObject(COSName.K) instanceof COSArray array) {
            for (COSBase one : array)
                if (one instanceof COSObject held && held.getObject() instanceof COSInteger id) kids.add(id.intValue());
        }
        return kids;
    }

    private static void walk(
            PDDocument document, PDStructureNode node, PDPage page, Owner owner, Map<Place, Owner> owners) {
        for (Object kid : kids(node)) {
            if (kid instanceof PDStructureElement element) {
                String type = element.getStandardStructureType();
                boolean heading = owner.heading || type != null && type.matches("H[1-6]?");
                Object row = "TR".equals(type) ? element.getCOSObject() : owner.row;
                PDPage own = element.getPage() == null ? page : element.getPage();
                walk(document, element, own, new Owner(heading, row), owners);
            } else if (kid instanceof Integer mcid && page != null) {
                owners.put(new Place(document.getPages().indexOf(page) + 1, mcid), owner);
            } else if (kid instanceof PDMarkedContentReference reference) {
                PDPage on = reference.getPage() == null ? page : reference.getPage();
                if (on != null) owners.put(new Place(document.getPages().indexOf(on) + 1, reference.getMCID()), owner);
            }
        }
    }
}
