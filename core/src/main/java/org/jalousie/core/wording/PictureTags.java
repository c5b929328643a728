package org.jalousie.core.wording;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jalousie.core.data.Names;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Placeholder pictures: a picture whose description is a tag is replaced by the picture of that field. */
final class PictureTags {
    private static final Pattern TAG = Pattern.compile("\\{\\{([^{}]*)}}");

    private PictureTags() {}

    static void frame(Part part, Markers markers, List<Diagnostic> diagnostics) {
        for (Element properties : Word.all(part.document, "docPr")) {
            String name = name(properties);
            Element run = Word.ancestor(properties, "r");
            Element box = (Element) properties.getParentNode();
            Element picture = Word.first(box, "blip");
            Element extent = Word.child(box, "extent");
            if (name.isEmpty() || run == null || picture == null || extent == null) continue;
            String words = name.replace('_', ' ');
            for (String attribute : new String[] {"descr", "title"}) {
                if (!of(properties.getAttribute(attribute)).isEmpty()) properties.setAttribute(attribute, words);
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
            String name = of(shape.getAttribute("alt"));
            if (name.isEmpty() || Word.ancestor(shape, "Fallback") != null) continue;
            diagnostics.add(new Diagnostic(
                    "picture-old-format",
                    part.titleAt(shape),
                    shape.getAttribute("alt"),
                    "The placeholder picture " + name + " is in an older format, in which it can't be replaced.",
                    "Delete it and insert the picture anew in your word processor, then describe it as {{" + name
                            + "}}."));
        }
    }

    /** The field whose picture replaces this one, by the properties of a drawing; empty for anything else. */
    static String name(Element properties) {
        if (!Word.local(properties).equals("docPr")) return "";
        for (String attribute : new String[] {"descr", "title"}) {
            String name = of(properties.getAttribute(attribute));
            if (!name.isEmpty() && Word.first(properties.getParentNode(), "blip") != null) return name;
        }
        return "";
    }

    private static String of(String description) {
        Matcher matcher = TAG.matcher(Names.stripped(description));
        if (!matcher.matches()) return "";
        String name = Names.normal(Names.stripped(matcher.group(1)));
        return Names.isName(name) ? name : "";
    }
}
