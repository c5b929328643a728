package org.jalousie.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * An element of a file's structure tree (ISO 32000-1 §14.7.2), read leniently: what is of another form than it should be is
 * not there.
 *
 * @param type of the standard ones, by the file's role map
 * @param own the name that the word processor gave it
 */
record Structure(COSDictionary dictionary, String type, String own) {
    /** What an element holds: another one, a sequence on a page, or an object of a page. */
    sealed interface Kid {}

    record Element(Structure structure) implements Kid {}

    /** @param page its dictionary; null when only what holds it tells the page */
    record Sequence(int number, COSDictionary page) implements Kid {}

    record Held(COSDictionary object) implements Kid {}

    /** A sequence in a drawing of its own, which isn't read. */
    record Apart() implements Kid {}

    static Structure of(COSDictionary dictionary, Map<String, String> roles) {
        String own = text(dictionary.getNameAsString(COSName.S));
        String type = own;
        // a role may lead to a role; a circle ends somewhere
        for (int i = 0; i < 8 && roles.containsKey(type) && !roles.get(type).equals(type); i++) type = roles.get(type);
        return new Structure(dictionary, type, own);
    }

    private static String text(String text) {
        return text == null ? "" : text;
    }

    List<Kid> kids(Map<String, String> roles) {
        List<Kid> kids = new ArrayList<>();
        COSBase all = dictionary.getDictionaryObject(COSName.K);
        if (all instanceof COSArray array) for (COSBase one : array) add(one, roles, kids);
        else if (all != null) add(all, roles, kids);
        return kids;
    }

    private static void add(COSBase held, Map<String, String> roles, List<Kid> kids) {
        COSBase one = held instanceof COSObject reference ? reference.getObject() : held;
        if (one instanceof COSInteger number) kids.add(new Sequence(number.intValue(), null));
        if (!(one instanceof COSDictionary kid)) return;
        COSDictionary object = kid.getCOSDictionary(COSName.getPDFName("Obj"));
        if (object != null) kids.add(new Held(object));
        else if (kid.containsKey(COSName.getPDFName("Stm"))) kids.add(new Apart());
        else if (kid.containsKey(COSName.MCID))
            kids.add(new Sequence(kid.getInt(COSName.MCID), kid.getCOSDictionary(COSName.PG)));
        else if (kid.containsKey(COSName.S)) kids.add(new Element(of(kid, roles)));
    }

    /** The page that its sequences are on, where it tells one. */
    Optional<COSDictionary> page() {
        return Optional.ofNullable(dictionary.getCOSDictionary(COSName.PG));
    }

    Optional<String> instead() {
        return Optional.ofNullable(dictionary.getString(COSName.ACTUAL_TEXT));
    }

    String alternative() {
        return text(dictionary.getString(COSName.ALT));
    }

    /** A whole number among its attributes. */
    int number(String attribute, int otherwise) {
        return attribute(attribute) instanceof COSNumber number
                ? Math.max(1, Math.min(1000, number.intValue()))
                : otherwise;
    }

    Optional<PDRectangle> box() {
        return attribute("BBox") instanceof COSArray array && array.size() == 4
                ? Optional.of(new PDRectangle(array))
                : Optional.empty();
    }

    private COSBase attribute(String name) {
        COSBase all = dictionary.getDictionaryObject(COSName.A);
        if (all instanceof COSDictionary one) return one.getDictionaryObject(COSName.getPDFName(name));
        if (!(all instanceof COSArray array)) return null;
        for (int i = 0; i < array.size(); i++) {
            if (!(array.getObject(i) instanceof COSDictionary one)) continue;
            COSBase found = one.getDictionaryObject(COSName.getPDFName(name));
            if (found != null) return found;
        }
        return null;
    }

    /** How high a heading is; 0 for what is none. */
    int heading() {
        if (own.toLowerCase(Locale.ROOT).equals("title")) return 1;
        if (type.equals("H")) return 1;
        return type.matches("H[1-6]") ? type.charAt(1) - '0' : 0;
    }
}
