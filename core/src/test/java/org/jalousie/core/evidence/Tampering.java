package org.jalousie.core.evidence;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.SignatureOptions;
import org.jalousie.core.data.Sha256;

/** What somebody may do to a finished agreement with a PDF library at hand: each kind changes a copy by one more update. */
public final class Tampering {
    private Tampering() {}

    /** A document that is being changed, and which of its objects were. */
    private static final class Work {
        final PDDocument document;
        final Set<COSDictionary> touched = new HashSet<>();

        Work(PDDocument document) {
            this.document = document;
        }

        COSDictionary catalog() {
            return touch(document.getDocumentCatalog().getCOSObject());
        }

        COSDictionary form() {
            return touch(catalog().getCOSDictionary(COSName.ACRO_FORM));
        }

        COSDictionary field(String name) {
            return touch(document.getDocumentCatalog()
                    .getAcroForm(null)
                    .getField(name)
                    .getCOSObject());
        }

        COSDictionary page(int number) {
            return touch(document.getPage(number - 1).getCOSObject());
        }

        COSDictionary touch(COSDictionary dictionary) {
            touched.add(dictionary);
            return dictionary;
        }

        COSStream stream(String content) throws IOException {
            COSStream stream = document.getDocument().createCOSStream();
            try (OutputStream out = stream.createOutputStream()) {
                out.write(content.getBytes(StandardCharsets.ISO_8859_1));
            }
            return stream;
        }

        COSStream form(String drawing) throws IOException {
            COSStream stream = stream(drawing);
            stream.setItem(COSName.SUBTYPE, COSName.FORM);
            stream.setItem(COSName.BBOX, new PDRectangle(200, 60).getCOSArray());
            return stream;
        }

        void appearance(String field, String drawing) throws IOException {
            COSDictionary appearances = new COSDictionary();
            appearances.setItem(COSName.N, form(drawing));
            field(field).setItem(COSName.AP, appearances);
        }

        COSDictionary script() {
            return dictionary("S", "JavaScript", "JS", "app.alert(1)");
        }

        COSDictionary annotation(String kind, int page) {
            COSDictionary annotation = dictionary("Type", "Annot", "Subtype", kind);
            annotation.setItem(COSName.RECT, new PDRectangle(72, 640, 200, 60).getCOSArray());
            annotation.setString(COSName.CONTENTS, "void");
            COSDictionary at = page(page);
            COSArray all = at.getCOSArray(COSName.ANNOTS);
            COSArray more = new COSArray();
            for (int i = 0; all != null && i < all.size(); i++) more.add(all.get(i));
            more.add(annotation);
            at.setItem(COSName.ANNOTS, more);
            return annotation;
        }
    }

    private static COSName name(String name) {
        return COSName.getPDFName(name);
    }

    /** Names for keys and values; a value with a blank or a bracket is a string. */
    private static COSDictionary dictionary(String... keysAndValues) {
        COSDictionary dictionary = new COSDictionary();
        for (int i = 0; i < keysAndValues.length; i += 2) {
            String value = keysAndValues[i + 1];
            boolean isName = value.matches("[A-Za-z0-9]+");
            dictionary.setItem(name(keysAndValues[i]), isName ? name(value) : new COSString(value));
        }
        return dictionary;
    }

    private interface Change {
        void to(Work work) throws IOException;
    }

    /**
     * Every kind by its name, as it comes out for one file.
     *
     * @param text a text field that a signer completed
     * @param one a signer's signature field, {@code other} another one's
     */
    public static Map<String, byte[]> of(byte[] pdf, String text, String one, String other) {
        Map<String, Change> kinds = new LinkedHashMap<>();
        kinds.putAll(signatures(text, one, other));
        kinds.putAll(fields(text, one));
        kinds.putAll(pages());
        kinds.putAll(catalog());
        Map<String, byte[]> all = new LinkedHashMap<>();
        kinds.forEach((kind, change) -> all.put(kind, changed(pdf, change)));
        return all;
    }

    private static byte[] changed(byte[] pdf, Change change) {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            Work work = new Work(document);
            change.to(work);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.saveIncremental(out, work.touched);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Map<String, Change> signatures(String text, String one, String other) {
        Map<String, Change> kinds = new LinkedHashMap<>();
        kinds.put("a signature taken out", work -> work.field(one).removeItem(COSName.V));
        kinds.put("both signatures taken out", work -> {
            work.field(one).removeItem(COSName.V);
            work.field(other).removeItem(COSName.V);
        });
        kinds.put("a signature taken out with the signer's value", work -> {
            work.field(one).removeItem(COSName.V);
            work.field(text).removeItem(COSName.V);
            work.field(text).removeItem(COSName.AP);
        });
        kinds.put("a signature taken out and another value put in", work -> {
            work.field(one).removeItem(COSName.V);
            work.field(text).setString(COSName.V, "XX 9999");
        });
        kinds.put(
                "a signature made another one's",
                work -> work.field(one).setItem(COSName.V, work.field(other).getItem(COSName.V)));
        kinds.put(
                "a signature's reason changed",
                work -> work.touch(work.field(one).getCOSDictionary(COSName.V))
                        .setString(name("Reason"), "Signed under protest"));
        kinds.put(
                "a signature's name changed",
                work -> work.touch(work.field(one).getCOSDictionary(COSName.V))
                        .setString(COSName.NAME, "Somebody Else"));
        kinds.put(
                "a signature's date changed",
                work -> work.touch(work.field(one).getCOSDictionary(COSName.V))
                        .setString(name("M"), "D:20200101000000Z"));
        kinds.put("a signature's picture swapped", work -> work.appearance(one, "1 0 0 rg 0 0 60 20 re f"));
        kinds.put("a signature's picture taken out", work -> work.field(one).removeItem(COSName.AP));
        kinds.put("a signature field hidden", work -> work.field(one).setInt(COSName.F, 2));
        kinds.put("a signature field removed", work -> {
            COSArray fields = work.form().getCOSArray(COSName.FIELDS);
            COSArray rest = new COSArray();
            for (int i = 0; i < fields.size(); i++) {
                COSDictionary field = (COSDictionary) fields.getObject(i);
                if (!one.equals(field.getString(COSName.T))) rest.add(fields.get(i));
            }
            work.form().setItem(COSName.FIELDS, rest);
        });
        kinds.put(
                "what a signature locks taken out", work -> work.field(one).setItem(name("Lock"), new COSDictionary()));
        return kinds;
    }

    private static Map<String, Change> fields(String text, String one) {
        Map<String, Change> kinds = new LinkedHashMap<>();
        kinds.put("a value changed", work -> work.field(text).setString(COSName.V, "XX 9999"));
        kinds.put("a value taken out", work -> work.field(text).removeItem(COSName.V));
        kinds.put("a value changed with its appearance", work -> {
            work.field(text).setString(COSName.V, "XX 9999");
            work.appearance(text, "0 0 60 20 re f");
        });
        kinds.put("an appearance changed", work -> work.appearance(text, "0 0 60 20 re f"));
        kinds.put("an appearance taken out", work -> work.field(text).removeItem(COSName.AP));
        kinds.put("a field hidden", work -> work.field(text).setInt(COSName.F, 2));
        kinds.put("a field not printed", work -> work.field(text).setInt(COSName.F, 0));
        kinds.put(
                "a field moved",
                work -> work.field(text).setItem(COSName.RECT, new PDRectangle(10, 10, 90, 20).getCOSArray()));
        kinds.put("a field's flags changed", work -> work.field(text).setInt(name("Ff"), 1 << 13));
        kinds.put("a field's font changed", work -> work.field(text).setString(COSName.DA, "/Helv 1 Tf 1 g"));
        kinds.put("a field's colours changed", work -> {
            COSDictionary look = new COSDictionary();
            look.setItem(name("BG"), new PDRectangle(1, 1, 1, 1).getCOSArray());
            work.field(text).setItem(COSName.MK, look);
        });
        kinds.put("a script on a field", work -> {
            COSDictionary actions = new COSDictionary();
            actions.setItem(name("F"), work.script());
            work.field(text).setItem(COSName.AA, actions);
        });
        kinds.put("an action on a field", work -> work.field(text).setItem(COSName.A, work.script()));
        kinds.put("a script on a signature field", work -> work.field(one).setItem(COSName.A, work.script()));
        kinds.put(
                "a layer over a field",
                work -> work.field(text).setItem(COSName.OC, dictionary("Type", "OCG", "Name", "a layer")));
        kinds.put("a field's length limited", work -> work.field(text).setInt(name("MaxLen"), 1));
        kinds.put("a field's tooltip changed", work -> work.field(text).setString(COSName.TU, "Nothing"));
        kinds.put("a field renamed", work -> work.field(text).setString(COSName.T, "renamed"));
        kinds.put("a field's default changed", work -> work.field(text).setString(COSName.DV, "default"));
        kinds.put("a field's alignment changed", work -> work.field(text).setInt(COSName.Q, 2));
        kinds.put("a field added", work -> add(work, "TX", new PDRectangle(300, 300, 90, 20)));
        kinds.put("a signature field added", work -> add(work, "Sig", new PDRectangle(0, 0, 0, 0)));
        kinds.put("a field with two places", work -> {
            COSArray places = new COSArray();
            COSDictionary place = dictionary("Type", "Annot", "Subtype", "Widget");
            place.setItem(COSName.RECT, new PDRectangle(72, 640, 200, 60).getCOSArray());
            places.add(place);
            work.field(text).setItem(COSName.KIDS, places);
        });
        return kinds;
    }

    private static void add(Work work, String type, PDRectangle at) {
        COSDictionary field = dictionary("FT", type, "T", "an added field", "Subtype", "Widget");
        field.setItem(COSName.FT, name(type.equals("TX") ? "Tx" : "Sig"));
        field.setItem(COSName.RECT, at.getCOSArray());
        COSArray fields = new COSArray();
        COSArray old = work.form().getCOSArray(COSName.FIELDS);
        for (int i = 0; i < old.size(); i++) fields.add(old.get(i));
        fields.add(field);
        work.form().setItem(COSName.FIELDS, fields);
    }

    private static Map<String, Change> pages() {
        Map<String, Change> kinds = new LinkedHashMap<>();
        kinds.put("words added to a page", work -> {
            COSArray contents = new COSArray();
            COSBase old = work.page(1).getItem(COSName.CONTENTS);
            if (work.page(1).getDictionaryObject(COSName.CONTENTS) instanceof COSArray several)
                contents.addAll(several);
            else contents.add(old);
            contents.add(work.stream("q 72 700 300 40 re f Q"));
            work.page(1).setItem(COSName.CONTENTS, contents);
        });
        kinds.put(
                "a page's content replaced",
                work -> work.page(1).setItem(COSName.CONTENTS, work.stream("q 72 700 300 40 re f Q")));
        kinds.put("a page emptied", work -> work.page(1).removeItem(COSName.CONTENTS));
        kinds.put("a page added", work -> {
            work.document.addPage(new PDPage(PDRectangle.A4));
            work.touch(work.document.getPages().getCOSObject());
        });
        kinds.put("a page turned", work -> work.page(1).setInt(COSName.ROTATE, 180));
        kinds.put(
                "a page cut",
                work -> work.page(1).setItem(COSName.CROP_BOX, new PDRectangle(0, 400, 300, 300).getCOSArray()));
        kinds.put(
                "a page's size changed",
                work -> work.page(1).setItem(COSName.MEDIA_BOX, new PDRectangle(300, 300).getCOSArray()));
        kinds.put("a page's fonts taken out", work -> work.page(1).setItem(COSName.RESOURCES, new COSDictionary()));
        kinds.put("a script on a page", work -> {
            COSDictionary actions = new COSDictionary();
            actions.setItem(name("O"), work.script());
            work.page(1).setItem(COSName.AA, actions);
        });
        kinds.put(
                "a page group",
                work -> work.page(1).setItem(name("Group"), dictionary("S", "Transparency", "K", "true")));
        kinds.put("a page's unit changed", work -> work.page(1).setItem(name("UserUnit"), COSInteger.get(4)));
        for (String kind : List.of(
                "Text",
                "FreeText",
                "Stamp",
                "Highlight",
                "StrikeOut",
                "Square",
                "Link",
                "Redact",
                "Watermark",
                "Ink",
                "FileAttachment",
                "Screen")) {
            kinds.put("an annotation: " + kind, work -> work.annotation(kind, 1));
        }
        return kinds;
    }

    private static Map<String, Change> catalog() {
        Map<String, Change> kinds = new LinkedHashMap<>();
        kinds.put("a script on opening", work -> work.catalog().setItem(COSName.OPEN_ACTION, work.script()));
        kinds.put("a script on printing", work -> {
            COSDictionary actions = new COSDictionary();
            actions.setItem(name("WP"), work.script());
            work.catalog().setItem(COSName.AA, actions);
        });
        for (String tree : List.of("JavaScript", "EmbeddedFiles", "Dests")) {
            kinds.put("a name tree: " + tree, work -> {
                COSDictionary names = new COSDictionary();
                names.setItem(name(tree), dictionary("Names", "(nothing much)"));
                work.catalog().setItem(COSName.NAMES, names);
            });
        }
        kinds.put("layers", work -> {
            COSDictionary layers = new COSDictionary();
            layers.setItem(name("D"), dictionary("BaseState", "OFF"));
            work.catalog().setItem(COSName.OCPROPERTIES, layers);
        });
        kinds.put("an associated file", work -> work.catalog().setItem(COSName.AF, new COSArray()));
        kinds.put("the language changed", work -> work.catalog().setString(COSName.LANG, "xx"));
        kinds.put(
                "the view changed",
                work -> work.catalog().setItem(name("ViewerPreferences"), dictionary("HideToolbar", "true")));
        kinds.put("the way it opens changed", work -> work.catalog().setItem(COSName.PAGE_MODE, name("FullScreen")));
        kinds.put("an outline added", work -> work.catalog().setItem(COSName.OUTLINES, dictionary("Title", "(void)")));
        kinds.put(
                "page labels changed",
                work -> work.catalog().setItem(COSName.PAGE_LABELS, dictionary("Nums", "(1 2)")));
        kinds.put("the office's permission taken out", work -> work.catalog().removeItem(COSName.PERMS));
        kinds.put(
                "the colours' meaning taken out",
                work -> work.catalog().setItem(COSName.OUTPUT_INTENTS, new COSArray()));
        kinds.put(
                "a base address", work -> work.catalog().setItem(COSName.URI, dictionary("Base", "https://x.example")));
        kinds.put(
                "the structure replaced",
                work -> work.catalog()
                        .setItem(name("StructTreeRoot"), dictionary("Type", "StructTreeRoot", "Alt", "(other words)")));
        kinds.put("the validation data taken out", work -> work.catalog().removeItem(name("DSS")));
        for (String kind : List.of("CRLs", "Certs")) {
            kinds.put("validation data emptied: " + kind, work -> {
                work.touch(work.catalog().getCOSDictionary(name("DSS"))).setItem(name(kind), new COSArray());
            });
        }
        kinds.put("the title changed", work -> {
            work.document.getDocumentInformation().setTitle("Gift agreement");
            work.touch(work.document.getDocumentInformation().getCOSObject());
        });
        kinds.put("the author changed", work -> {
            work.document.getDocumentInformation().setAuthor("Somebody Else");
            work.touch(work.document.getDocumentInformation().getCOSObject());
        });
        kinds.put("metadata replaced", work -> work.catalog().setItem(COSName.METADATA, work.stream("<x:xmpmeta/>")));
        kinds.put("appearances to be made anew", work -> work.form().setBoolean(name("NeedAppearances"), true));
        kinds.put("another kind of form", work -> work.form().setItem(name("XFA"), work.stream("<xdp/>")));
        kinds.put("the form's font changed", work -> work.form().setString(COSName.DA, "/Helv 1 Tf 1 g"));
        kinds.put("the form's resources changed", work -> work.form().setItem(COSName.DR, new COSDictionary()));
        kinds.put("an order of calculation", work -> work.form().setItem(name("CO"), new COSArray()));
        return kinds;
    }

    /** The same file with a document time stamp behind it (ISO 32000-2 §12.8.5), by whatever service. */
    public static byte[] stamped(byte[] pdf, TrustService by) {
        try (PDDocument document = Loader.loadPDF(pdf);
                SignatureOptions options = new SignatureOptions()) {
            PDSignature stamp = new PDSignature();
            stamp.setType(COSName.DOC_TIME_STAMP);
            stamp.setFilter(PDSignature.FILTER_ADOBE_PPKLITE);
            stamp.setSubFilter(name("ETSI.RFC3161"));
            options.setPreferredSignatureSize(9000);
            document.addSignature(
                    stamp,
                    content -> by.timeStamp(HexFormat.of()
                            .parseHex(Sha256.of(content.readAllBytes()).hex())),
                    options);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.saveIncremental(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Copies that were changed byte by byte: one flipped at each of so many places. */
    public static List<byte[]> flipped(byte[] pdf, int places) {
        List<byte[]> all = new ArrayList<>();
        for (int i = 1; i <= places; i++) {
            byte[] copy = pdf.clone();
            int at = (int) ((long) pdf.length * i / (places + 1));
            copy[at] ^= 0x5a;
            all.add(copy);
        }
        return all;
    }

    /** The file with something behind its end. */
    public static byte[] followed(byte[] pdf, String by) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(pdf);
        out.writeBytes(by.getBytes(StandardCharsets.ISO_8859_1));
        return out.toByteArray();
    }
}
