package org.jalousie.core.evidence.word;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.opc.PackagePart;
import org.apache.poi.openxml4j.opc.PackageRelationship;

/**
 * Data that lie in a Word file beside its words (ISO/IEC 29500-1 §22.5) and that word processors don't sign, though they show
 * them in content controls that are bound to them.
 */
final class UnsignedData {
    private static final String FOLDER = "/customXml/";

    private UnsignedData() {}

    /** Takes them out of a file that is going to be signed: what they say stands in the words already. */
    static void remove(OPCPackage opened) throws InvalidFormatException {
        List<PackagePart> data = new ArrayList<>();
        for (PackagePart part : opened.getParts())
            if (part.getPartName().getName().startsWith(FOLDER) && !part.isRelationshipPart()) data.add(part);
        for (PackagePart part : opened.getParts()) {
            if (part.isRelationshipPart() || data.contains(part)) continue;
            List<String> leading = new ArrayList<>();
            for (PackageRelationship one : part.getRelationships())
                if (one.getRelationshipType().endsWith("/customXml")) leading.add(one.getId());
            leading.forEach(part::removeRelationship);
        }
        for (PackagePart part : data) opened.removePart(part.getPartName());
    }

    /** Whether words of a signed file come from such data. */
    static boolean isShown(OPCPackage opened) throws InvalidFormatException, IOException {
        boolean there = false;
        boolean bound = false;
        for (PackagePart part : opened.getParts()) {
            String name = part.getPartName().getName();
            there |= name.startsWith(FOLDER);
            if (!name.startsWith("/word/") || !name.endsWith(".xml")) continue;
            try (InputStream in = part.getInputStream()) {
                bound |= new String(in.readAllBytes(), StandardCharsets.UTF_8).contains("dataBinding");
            }
        }
        return there && bound;
    }
}
