package org.jalousie.core.wording.compile;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javax.imageio.ImageIO;
import org.jalousie.core.placement.BoxSize;
import org.jalousie.core.placement.FieldLink;
import org.jalousie.core.wording.docx.InlinePicture;
import org.jalousie.core.wording.docx.OwnLinks;
import org.jalousie.core.wording.docx.PackageParts;
import org.jalousie.core.wording.docx.SafeXml;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/**
 * Keeps room for signing fields in the words: an inline picture that can't be seen, of the field's exact size, with a link
 * whose address carries the field's number. The converter exports the link with its rectangle, and that is where the field goes.
 */
public final class Boxes {
    private static final String LINK = "\"" + OwnLinks.RELATIONSHIP;
    private static final String IMAGE_PART = "word/media/jalousie-box.png";

    private final PackageParts parts;
    private int drawn;

    Boxes(PackageParts parts) {
        this.parts = parts;
    }

    PackageParts parts() {
        return parts;
    }

    /** Puts box {@code number} into an emptied run of a part. */
    void put(String part, Element run, int number, BoxSize size) {
        if (!parts.has(IMAGE_PART)) {
            parts.put(IMAGE_PART, transparentPixel());
            parts.defaultType("png", "image/png");
        }
        String image = parts.relate(part, "jalImage", InlinePicture.OFFICE + "/image", "media/jalousie-box.png", false);
        String link = parts.relate(
                part, OwnLinks.RELATIONSHIP + number, InlinePicture.OFFICE + "/hyperlink", FieldLink.to(number), true);
        long width = Math.round(size.widthMm() * InlinePicture.EMU_PER_MM);
        long height = Math.round(size.heightMm() * InlinePicture.EMU_PER_MM);
        String xml = InlinePicture.xml(
                run.getNamespaceURI(), image, link, width, height, 900_000 + ++drawn, "field " + number);
        Document fragment = SafeXml.parse("a signing field", xml.getBytes(StandardCharsets.UTF_8));
        run.appendChild(run.getOwnerDocument().importNode(fragment.getDocumentElement(), true));
    }

    /** How often each box stands in a merged part; copies for older programs are no places of their own. */
    public static Map<Integer, Integer> in(String xml) {
        Map<Integer, Integer> found = new TreeMap<>();
        String once = xml.contains("Fallback>") ? xml.replaceAll("(?s)<mc:Fallback>.*?</mc:Fallback>", "") : xml;
        for (int at = once.indexOf(LINK); at >= 0; at = once.indexOf(LINK, at + 1)) {
            int start = at + LINK.length();
            found.merge(Integer.parseInt(once.substring(start, once.indexOf('"', start))), 1, Integer::sum);
        }
        return found;
    }

    /** The number of the box whose link a tag of the part is; empty for any other tag. */
    public static Optional<Integer> named(String xml, int from, int to) {
        String tag = xml.substring(from, to);
        int at = tag.indexOf(LINK);
        if (at < 0) return Optional.empty();
        int start = at + LINK.length();
        return Optional.of(Integer.parseInt(tag.substring(start, tag.indexOf('"', start))));
    }

    private static byte[] transparentPixel() {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(1, 1, BufferedImage.TYPE_INT_ARGB), "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new IllegalStateException("writing to memory failed", e);
        }
    }
}
