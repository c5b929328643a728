package org.jalousie.core.evidence;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/** Says where the bytes of a file were changed, as well as it can be known. */
public final class Damage {
    private static final Pattern OBJECT = Pattern.compile("(?:^|[\\r\\n])(\\d{1,10}) (\\d{1,5}) obj");
    private static final int DEEPEST = 60;

    private Damage() {}

    /**
     * The first place where a file differs from a state of it that is known to be whole.
     *
     * @param whole a state that the file begins with, if nothing was changed
     * @return a sentence; empty when the file begins with the whole state
     */
    public static Optional<String> between(byte[] file, byte[] whole) {
        int at = 0;
        while (at < whole.length && at < file.length && whole[at] == file[at]) at++;
        if (at == whole.length) return Optional.empty();
        if (at == file.length) return Optional.of("The file breaks off after " + at + " bytes.");
        return Optional.of("The first changed byte is number " + (at + 1) + place(whole, at) + ".");
    }

    private static String place(byte[] whole, int at) {
        Matcher object = OBJECT.matcher(new String(whole, 0, at, StandardCharsets.ISO_8859_1));
        long number = -1;
        while (object.find()) number = Long.parseLong(object.group(1));
        if (number < 0) return "";
        String said = ", in object " + number;
        try (PDDocument document = Loader.loadPDF(whole)) {
            int page = 1;
            for (PDPage one : document.getPages()) {
                if (holds(one.getCOSObject(), number, new HashSet<>(), 0))
                    return said + ", which belongs to page " + page;
                page++;
            }
            return said;
        } catch (IOException e) {
            return said;
        }
    }

    private static boolean holds(COSBase base, long number, Set<COSBase> seen, int depth) {
        if (base instanceof COSObject reference
                && reference.getKey() != null
                && reference.getKey().getNumber() == number) return true;
        COSBase object = base instanceof COSObject reference ? reference.getObject() : base;
        if (object == null || depth > DEEPEST || !seen.add(object)) return false;
        if (object.getKey() != null && object.getKey().getNumber() == number) return true;
        if (object instanceof COSDictionary dictionary) {
            return dictionary.entrySet().stream()
                    .filter(entry -> !entry.getKey().equals(COSName.PARENT)
                            && !entry.getKey().equals(COSName.P))
                    .anyMatch(entry -> holds(entry.getValue(), number, seen, depth + 1));
        }
        if (object instanceof COSArray array) {
            for (int i = 0; i < array.size(); i++) if (holds(array.get(i), number, seen, depth + 1)) return true;
        }
        return false;
    }

    /** The pages of a file whose content can't be read any more, a sentence each. */
    static List<String> unreadable(byte[] pdf) {
        List<String> said = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (int i = 0; i < document.getNumberOfPages(); i++) {
                try (InputStream content = document.getPage(i).getContents()) {
                    content.readAllBytes();
                } catch (IOException | RuntimeException e) {
                    said.add("The content of page " + (i + 1) + " can't be read.");
                }
            }
        } catch (IOException | RuntimeException e) {
            said.add("The file can't be opened at all.");
        }
        return said;
    }
}
