package org.jalousie.core.pdf;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Everything that a document refers to, however deep, also in one whose table of objects was lost. */
final class Objects {
    private Objects() {}

    /** What is done with a dictionary or stream. */
    interface Look {
        void at(COSDictionary dictionary) throws IOException;
    }

    static void each(PDDocument document, Look look) throws IOException {
        Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        Deque<COSBase> open = new ArrayDeque<>();
        open.push(document.getDocument().getTrailer());
        while (!open.isEmpty()) {
            COSBase one = open.pop();
            if (one instanceof COSObject held) one = held.getObject();
            if (one == null || !seen.add(one)) continue;
            if (one instanceof COSArray array) {
                for (int i = 0; i < array.size(); i++) if (array.get(i) != null) open.push(array.get(i));
            } else if (one instanceof COSDictionary dictionary) {
                look.at(dictionary);
                for (COSBase value : dictionary.getValues()) if (value != null) open.push(value);
            }
        }
    }
}
