package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/** Hashes objects of a document by content, wherever in the file they are stored. */
final class ContentHash {
    /** A document made to be endless stops here. */
    private static final int MOST_OBJECTS = 3_000_000;

    private static final int DEEPEST = 400;

    private final MessageDigest digest;
    private final Set<String> leftOut;
    private final Set<COSBase> open = new HashSet<>();
    private int objects;

    /** @param leftOut keys that lead elsewhere in the document, or are looked at by themselves */
    ContentHash(Set<String> leftOut) {
        this.leftOut = leftOut;
        try {
            digest = MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java platform has SHA-256", e);
        }
    }

    ContentHash add(COSBase base) throws IOException {
        COSBase object = base instanceof COSObject reference ? reference.getObject() : base;
        if (++objects > MOST_OBJECTS || open.size() > DEEPEST)
            throw new IOException("the document refers to its parts without end");
        if (object == null) {
            text("null");
        } else if (object instanceof COSDictionary dictionary) {
            dictionary(dictionary);
        } else if (object instanceof COSArray array) {
            array(array);
        } else if (object instanceof COSString string) {
            text("(" + string.toHexString());
        } else {
            text(object.toString());
        }
        return this;
    }

    private void array(COSArray array) throws IOException {
        if (!open.add(array)) {
            text("again");
            return;
        }
        text("[" + array.size());
        for (int i = 0; i < array.size(); i++) add(array.get(i));
        open.remove(array);
    }

    private void dictionary(COSDictionary dictionary) throws IOException {
        if (!open.add(dictionary)) {
            text("again");
            return;
        }
        TreeMap<String, COSBase> sorted = new TreeMap<>();
        dictionary.entrySet().forEach(entry -> sorted.put(entry.getKey().getName(), entry.getValue()));
        text("<<");
        for (Map.Entry<String, COSBase> entry : sorted.entrySet()) {
            if (leftOut.contains(entry.getKey())) continue;
            text("/" + entry.getKey());
            add(entry.getValue());
        }
        if (dictionary instanceof COSStream stream) {
            try (InputStream in = stream.createRawInputStream()) {
                digest.update(in.readAllBytes());
            }
        }
        text(">>");
        open.remove(dictionary);
    }

    private void text(String text) {
        digest.update(text.getBytes(StandardCharsets.UTF_8));
        digest.update((byte) 0);
    }

    String result() {
        return HexFormat.of().formatHex(digest.digest());
    }
}
