package org.jalousie.core.placement;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.IdentityHashMap;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jalousie.core.lettering.FormFont;

/**
 * The font of the signing fields, whole, so that any text can be filled in later. It is embedded once at start and then copied in
 * its compressed form: parsing and compressing it anew cost a third of making a document (measured: 40 ms of 130).
 */
final class BodyFont {
    static final COSName NAME = COSName.getPDFName("Body");
    private static final PDDocument CARRIER = carrier();

    private BodyFont() {}

    /** Resources that name the font {@code Body}, for one document. */
    static PDResources resourcesFor(PDDocument document) throws IOException {
        COSDictionary copied = new COSDictionary();
        // an open document has one reader at a time
        synchronized (CARRIER) {
            COSDictionary fonts =
                    CARRIER.getPage(0).getResources().getCOSObject().getCOSDictionary(COSName.FONT);
            copied.setItem(NAME, copy(fonts.getDictionaryObject(NAME), document, new IdentityHashMap<>()));
        }
        PDResources resources = new PDResources();
        resources.getCOSObject().setItem(COSName.FONT, copied);
        return resources;
    }

    private static COSBase copy(COSBase from, PDDocument document, Map<COSBase, COSBase> done) throws IOException {
        COSBase object = from instanceof COSObject reference ? reference.getObject() : from;
        if (done.containsKey(object)) return done.get(object);
        if (object instanceof COSArray array) {
            COSArray made = new COSArray();
            done.put(object, made);
            for (int i = 0; i < array.size(); i++) made.add(copy(array.get(i), document, done));
            return made;
        }
        if (!(object instanceof COSDictionary dictionary)) return object;
        COSDictionary made =
                object instanceof COSStream ? document.getDocument().createCOSStream() : new COSDictionary();
        done.put(object, made);
        if (object instanceof COSStream stream) {
            try (InputStream in = stream.createRawInputStream();
                    OutputStream out = ((COSStream) made).createRawOutputStream()) {
                in.transferTo(out);
            }
        }
        for (Map.Entry<COSName, COSBase> entry : dictionary.entrySet()) {
            if (!COSName.LENGTH.equals(entry.getKey()))
                made.setItem(entry.getKey(), copy(entry.getValue(), document, done));
        }
        return made;
    }

    private static PDDocument carrier() {
        try (PDDocument document = new PDDocument();
                InputStream font = FormFont.open()) {
            PDPage page = new PDPage();
            document.addPage(page);
            PDResources resources = new PDResources();
            resources.put(NAME, PDType0Font.load(document, font, false));
            page.setResources(resources);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return Loader.loadPDF(out.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException("the font of the signing fields is missing", e);
        }
    }
}
