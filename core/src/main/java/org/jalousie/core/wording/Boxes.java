package org.jalousie.core.wording;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import javax.imageio.ImageIO;
import org.jalousie.core.placement.FieldKind;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/**
 * Keeps room for signing fields in the words: an inline picture that can't be seen, of the field's exact size, with a link
 * whose address carries the field's number. The converter exports the link with its rectangle, and that is where the field goes.
 */
final class Boxes {
    /** The links' address without the number; {@code .invalid} never resolves (RFC 2606). */
    static final String ADDRESS = "https://field.invalid/";

    private static final String IMAGE_PART = "word/media/jalousie-box.png";
    private static final String RELS = "http://schemas.openxmlformats.org/package/2006/relationships";
    private static final String OFFICE = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";
    private static final int EMU_PER_MM = 36_000;

    private final Map<String, Document> rels = new LinkedHashMap<>();
    private final Map<String, byte[]> parts;

    Boxes(Map<String, byte[]> parts) {
        this.parts = parts;
    }

    /** Puts box {@code number} into an emptied run of a part. */
    void put(String part, Element run, int number, FieldKind kind) {
        String image = relate(part, "jalImage", OFFICE + "/image", "media/jalousie-box.png", false);
        String link = relate(part, "jalField" + number, OFFICE + "/hyperlink", ADDRESS + number, true);
        long width = Math.round(kind.widthMm() * EMU_PER_MM);
        long height = Math.round(kind.heightMm() * EMU_PER_MM);
        String xml = """
                <w:drawing xmlns:w="%s" xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" \
                xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" \
                xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture" xmlns:r="%s">\
                <wp:inline distT="0" distB="0" distL="0" distR="0"><wp:extent cx="%d" cy="%d"/>\
                <wp:docPr id="%d" name="field %d"><a:hlinkClick r:id="%s"/></wp:docPr>\
                <a:graphic><a:graphicData uri="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:pic>\
                <pic:nvPicPr><pic:cNvPr id="%d" name="field %d"/><pic:cNvPicPr/></pic:nvPicPr>\
                <pic:blipFill><a:blip r:embed="%s"/><a:stretch><a:fillRect/></a:stretch></pic:blipFill>\
                <pic:spPr><a:xfrm><a:off x="0" y="0"/><a:ext cx="%d" cy="%d"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></pic:spPr>\
                </pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing>""".formatted(
                        run.getNamespaceURI(),
                        OFFICE,
                        width,
                        height,
                        900_000 + number,
                        number,
                        link,
                        900_000 + number,
                        number,
                        image,
                        width,
                        height);
        Document fragment = SafeXml.parse("a signing field", xml.getBytes(StandardCharsets.UTF_8));
        run.appendChild(run.getOwnerDocument().importNode(fragment.getDocumentElement(), true));
    }

    private String relate(String part, String id, String type, String target, boolean external) {
        String name = part.replaceFirst("([^/]+)$", "_rels/$1.rels");
        Document document = rels.computeIfAbsent(name, n -> {
            byte[] existing = parts.get(n);
            return SafeXml.parse(
                    n,
                    existing != null
                            ? existing
                            : ("<Relationships xmlns=\"" + RELS + "\"/>").getBytes(StandardCharsets.UTF_8));
        });
        for (Node node = document.getDocumentElement().getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element element && element.getAttribute("Id").equals(id)) return id;
        }
        Element relationship = document.createElementNS(RELS, "Relationship");
        relationship.setAttribute("Id", id);
        relationship.setAttribute("Type", type);
        relationship.setAttribute("Target", target);
        if (external) relationship.setAttribute("TargetMode", "External");
        document.getDocumentElement().appendChild(relationship);
        return id;
    }

    /** Writes relationships, the picture and its content type into the parts. */
    void finish() {
        if (rels.isEmpty()) return;
        rels.forEach((name, document) -> parts.put(name, SafeXml.write(document).getBytes(StandardCharsets.UTF_8)));
        parts.put(IMAGE_PART, transparentPixel());
        Document types = SafeXml.parse("[Content_Types].xml", parts.get("[Content_Types].xml"));
        Element root = types.getDocumentElement();
        for (Node node = root.getFirstChild(); node != null; node = node.getNextSibling()) {
            if (node instanceof Element element
                    && element.getAttribute("Extension").equalsIgnoreCase("png")) return;
        }
        Element png = types.createElementNS(root.getNamespaceURI(), "Default");
        png.setAttribute("Extension", "png");
        png.setAttribute("ContentType", "image/png");
        root.insertBefore(png, root.getFirstChild());
        parts.put("[Content_Types].xml", SafeXml.write(types).getBytes(StandardCharsets.UTF_8));
    }

    private static byte[] transparentPixel() {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(
                    new java.awt.image.BufferedImage(1, 1, java.awt.image.BufferedImage.TYPE_INT_ARGB), "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new IllegalStateException("writing to memory failed", e);
        }
    }
}
