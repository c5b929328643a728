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
import org.jalousie.core.messages.Message;

/** Says where the bytes of a file were changed, as well as it can be known. */
public final class Damage {
    private static final Pattern OBJECT = Pattern.compile("(?:^|[\\r\\n])(\\d{1,10}) (\\d{1,5}) obj");
    private static final int DEEPEST = 60;

    private Damage() {}

    /**
     * The first place where a file differs from a state of it that is known to be whole.
     *
     * @param whole a state that the file begins with, if nothing was changed
     * @return empty when the file begins with the whole state
     */
    public static Optional<Message> between(byte[] file, byte[] whole) {
        int at = 0;
        while (at < whole.length && at < file.length && whole[at] == file[at]) at++;
        if (at == whole.length) return Optional.empty();
        if (at == file.length) return Optional.of(Message.of("evidence.breaks-off", "bytes", at));
        return Optional.of(
                Message.of("evidence.first-changed", "byte", String.valueOf(at + 1), "place", place(whole, at)));
    }

    private static Message place(byte[] whole, int at) {
        Matcher object = OBJECT.matcher(new String(whole, 0, at, StandardCharsets.ISO_8859_1));
        long number = -1;
        while (object.find()) number = Long.parseLong(object.group(1));
        if (number < 0) return Message.of("evidence.place-unknown");
        Message said = Message.of("evidence.in-object", "object", number);
        try (PDDocument document = Loader.loadPDF(whole)) {
            int page = 1;
            for (PDPage one : document.getPages()) {
                if (holds(one.getCOSObject(), number, new HashSet<>(), 0))
                    return Message.of("evidence.in-object-of-page", "object", number, "page", page);
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

    /** The pages of a file whose content can't be read any more. */
    static List<Message> unreadable(byte[] pdf) {
        List<Message> said = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            for (int i = 0; i < document.getNumberOfPages(); i++) {
                try (InputStream content = document.getPage(i).getContents()) {
                    content.readAllBytes();
                } catch (IOException | RuntimeException e) {
                    said.add(Message.of("evidence.page-unreadable", "page", (i + 1)));
                }
            }
        } catch (IOException | RuntimeException e) {
            said.add(Message.of("evidence.not-opened"));
        }
        return said;
    }
}
