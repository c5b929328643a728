package org.jalousie.core.wording.compile;

import java.util.List;
import org.jalousie.core.messages.Message;
import org.jalousie.core.wording.Diagnostic;
import org.jalousie.core.wording.docx.ParagraphText;
import org.jalousie.core.wording.docx.Word;
import org.jalousie.core.wording.tags.Part;
import org.jalousie.core.wording.tags.PlaceholderPicture;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Placeholder pictures: a picture whose description is a tag is replaced by the picture of that field. */
final class PictureTags {
    private PictureTags() {}

    static void frame(Part part, SectionMarkers markers, List<Diagnostic> diagnostics) {
        for (Element properties : Word.all(part.document, "docPr")) {
            String name = PlaceholderPicture.name(properties);
            Element run = Word.ancestor(properties, "r");
            Element box = (Element) properties.getParentNode();
            Element picture = Word.first(box, "blip");
            Element extent = Word.child(box, "extent");
            if (name.isEmpty() || run == null || picture == null || extent == null) continue;
            String words = name.replace('_', ' ');
            for (String attribute : new String[] {"descr", "title"}) {
                if (!PlaceholderPicture.of(properties.getAttribute(attribute)).isEmpty())
                    properties.setAttribute(attribute, words);
            }
            showWhole(box, picture);
            Element alone = alone(drawingIn(run, properties));
            markers.wrap(
                    alone,
                    alone,
                    new Segment.PictureBox(
                            name,
                            Word.attribute(picture, "embed"),
                            Long.parseLong(extent.getAttribute("cx")),
                            Long.parseLong(extent.getAttribute("cy")),
                            List.of()));
        }
        older(part, diagnostics);
    }

    /** What was made for the placeholder's own picture would spoil another: its crop, and its copy as lines. */
    private static void showWhole(Element box, Element picture) {
        for (Element crop : Word.all(box, "srcRect")) Word.remove(crop);
        for (Element fill : Word.all(box, "fillRect"))
            while (fill.getAttributes().getLength() > 0)
                fill.removeAttribute(fill.getAttributes().item(0).getNodeName());
        for (Element lines : Word.all(picture, "svgBlip")) {
            Element extension = Word.ancestor(lines, "ext");
            Word.remove(extension == null ? lines : extension);
        }
        Word.removeAttribute(picture, "link");
    }

    private static Element drawingIn(Element run, Node inside) {
        Node top = inside;
        while (top.getParentNode() != run) top = top.getParentNode();
        return (Element) top;
    }

    /** The run that holds this and nothing else. */
    private static Element alone(Element drawing) {
        ParagraphText.splitAfter(drawing);
        return ParagraphText.splitBefore(drawing);
    }

    /** Pictures in the older drawing language (ISO/IEC 29500-4 §14) can't be replaced: they are told. */
    private static void older(Part part, List<Diagnostic> diagnostics) {
        for (Element data : Word.all(part.document, "imagedata")) {
            Element shape = (Element) data.getParentNode();
            String name = PlaceholderPicture.of(shape.getAttribute("alt"));
            if (name.isEmpty() || Word.ancestor(shape, "Fallback") != null) continue;
            diagnostics.add(new Diagnostic(
                    "picture-old-format",
                    part.titleAt(shape),
                    shape.getAttribute("alt"),
                    Message.of("wording.picture-old", "name", name),
                    Message.of("wording.picture-old.cure", "name", name)));
        }
    }
}
